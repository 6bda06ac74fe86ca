import { formatPercent } from '@/core/locale'
import { isPositiveMoney, money, sumMoney, ZERO, type Decimal, type Money } from '@/core/money'
import { present } from '@/core/present'
import { marginPercent } from '@/core/sale'
import type { EntryView } from '@/data/queries/ledger'
import { hrefOfSource } from '@/model/books/entrySource'
import type { Sheet, SheetEntry } from './sheet'
import type { Story } from './story'
import { countedQuantity, worthOf } from './worth'

const inWords = (entry: EntryView): string => {
  const side = (debit: boolean) => entry.lines.filter((l) => l.amount.minor > 0n === debit).map((l) => l.account)
  return `Debit ${side(true).join(', ')} · Credit ${side(false).join(', ')}`
}

/** An entry in one line of plain words, with the paper it opens into. */
export const sheetEntry = (e: EntryView, currency: string): SheetEntry => ({
  id: e.id,
  on: e.on,
  text: e.text,
  says: inWords(e),
  amount: sumMoney(
    e.lines.filter((l) => isPositiveMoney(l.amount)).map((l) => l.amount),
    currency,
  ),
  href: hrefOfSource(e),
})

/** The taxes of a sale by their components, with what bills at other rates made of them. */
export const taxesOf = (story: Story): Sheet['taxes'] => {
  const { currency } = story.totals.gross
  return [
    ...story.totals.taxes.flatMap((t) => {
      const code = present(story.codes.find((c) => c.id === t.taxCodeId))
      return t.components.length === 0
        ? [{ name: code.name, amount: money(0n, currency) }]
        : t.components.map((c) => {
            const component = present(code.components.find((k) => k.id === c.componentId))
            return {
              name: `${code.name}: ${component.name} ${formatPercent(component.rate.times(100).toString())}`,
              amount: c.amount,
            }
          })
    }),
    ...(story.sale.rateShift.minor === 0n
      ? []
      : [{ name: 'Tax at the rates of its invoices', amount: story.sale.rateShift }]),
  ]
}

const quantityOf = (story: Story, l: Story['lines'][number]): Decimal => (story.sale.agreedOn ? l.agreed : l.quantity)

/** What each line comes to where it is shown: counted or not, before what is off the whole. */
export const worthsOf = (story: Story): Sheet['worths'] =>
  new Map(
    story.lines.map((l) => [l.id, worthOf({ ...l, wholeLess: 0n }, quantityOf(story, l), story.totals.gross.currency)]),
  )

/** What is off the whole, of the lines that count. */
export const wholeLessOf = (story: Story): Money =>
  money(
    story.lines.reduce((sum, l) => sum + (countedQuantity(story.sale, l).eq(0) ? 0n : l.wholeLess), 0n),
    story.totals.gross.currency,
  )

const marginOf = (unitCost: Decimal, net: Money, quantity: Decimal): string => {
  const margin = unitCost.gt(0) ? marginPercent(net, unitCost.times(quantity), 0) : null
  return margin ? formatPercent(margin.toString()) : ''
}

/** The margin of each line at what its goods cost now; empty where no cost is known. */
export const marginsOf = (story: Story, costOf: (goodsId: number) => Decimal): Sheet['margins'] =>
  new Map(
    story.lines.map((l) => [
      l.id,
      marginOf(l.goodsId === null ? ZERO : costOf(l.goodsId), l.net, quantityOf(story, l)),
    ]),
  )
