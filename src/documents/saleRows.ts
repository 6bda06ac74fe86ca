import { formatPercent } from '@/core/locale'
import { formatMoney, money, sumMoney, type Money } from '@/core/money'
import { paperWords } from '@/core/formats'
import type { PaperRow } from './paper'
import type { SaleLineRow } from '@/model/sale/story'

/** A line, heading or words of a sale, as a paper of it needs them. */
export type RowOfSale = Pick<SaleLineRow, 'id' | 'kind' | 'description' | 'note'>

/** A line that stands on this paper: its cells, and what it adds to its group. */
export interface Standing {
  readonly line: RowOfSale
  readonly what?: string
  readonly note?: string
  readonly cells: PaperRow['cells']
  readonly worth: Money
}

interface Wish {
  readonly language: string
  /** Groups stand as one sum each. */
  readonly rolledUp: boolean
  /** Whether groups get sums: not on papers without prices. */
  readonly withSums: boolean
  readonly currency: string
}

/**
 * The rows of a paper: headings with what stands under them and their sum, in the order of the sale. A heading with nothing
 * under it is left out; rolled up, a group is its heading and its sum.
 */
export const saleRows = (all: readonly RowOfSale[], standing: readonly Standing[], wish: Wish): PaperRow[] => {
  const t = paperWords(wish.language)
  const byLine = new Map(standing.map((s) => [s.line.id, s]))
  const rows: PaperRow[] = []
  let group: { heading: RowOfSale; inside: Standing[]; words: PaperRow[] } | null = null
  const asRow = (x: Standing): PaperRow => ({
    as: 'line',
    what: x.what ?? x.line.description,
    note: x.note ?? x.line.note,
    cells: x.cells,
  })
  const close = () => {
    if (!group || group.inside.length + group.words.length === 0) return
    const sum = formatMoney(
      sumMoney(
        group.inside.map((x) => x.worth),
        wish.currency,
      ),
    )
    const { description: what, note } = group.heading
    if (wish.rolledUp && wish.withSums) rows.push({ as: 'line', what, note, cells: { sum } })
    else {
      rows.push({ as: 'heading', what, note, cells: {} }, ...group.words)
      if (wish.withSums && group.inside.length > 0)
        rows.push({ as: 'group-sum', what: `${t('groupSum')} ${what}`, note: '', cells: { sum } })
    }
  }
  for (const line of all) {
    if (line.kind === 'heading') {
      close()
      group = { heading: line, inside: [], words: [] }
    } else if (line.kind === 'text') {
      const row: PaperRow = { as: 'text', what: line.description, note: line.note, cells: {} }
      if (group) group.words.push(row)
      else rows.push(row)
    } else {
      const x = byLine.get(line.id)
      if (!x) continue
      if (group) {
        group.inside.push(x)
        group.words.push(asRow(x))
      } else rows.push(asRow(x))
    }
  }
  close()
  return rows
}

/** The part of a line that stands off its price, as it is read: `10 %`, `−6.00`, or both. */
export const lessOf = (
  line: { discountPercent: SaleLineRow['discountPercent']; discountAmount: bigint },
  currency: string,
): string =>
  [
    line.discountPercent.gt(0) ? formatPercent(line.discountPercent.toString()) : '',
    line.discountAmount > 0n ? formatMoney(money(line.discountAmount, currency)) : '',
  ]
    .filter(Boolean)
    .join(' + ')
