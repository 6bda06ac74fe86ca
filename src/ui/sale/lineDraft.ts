import type { Treatment } from '@/core/tax'
import { isEmptyRow } from '../form/isEmptyRow'
import { formatPercent } from '@/core/locale'
import { present } from '@/core/present'
import {
  decimal,
  formatMoney,
  roundToMoney,
  sumMoney,
  toDecimalString,
  ZERO,
  zeroMoney,
  type Decimal,
  type Money,
  subtractMoney,
} from '@/core/money'
import { lineWorth, shareWholeDiscount, marginPercent } from '@/core/sale'
import { computeTax, type TaxCode, type TaxedDocument } from '@/core/tax'

/** A line while it is typed. Everything is text. */
export interface LineDraft {
  readonly key: string
  readonly lineId?: number
  /** A heading begins a group, a text only says something. */
  readonly kind: 'line' | 'heading' | 'text'
  readonly goodsId?: number
  readonly description: string
  readonly note: string
  readonly quantity: string
  readonly unitPrice: string
  /** Where the price came from; `typed` where the owner wrote it. */
  readonly priceFrom: string
  /** What comes off: `10%`, `6.00`, or `10%+6.00`. */
  readonly less: string
  readonly taxCode: string
  /** The rates it was agreed at: they stay while its tax code does. */
  readonly rateId?: number
  readonly choice: 'none' | 'optional' | 'alternative'
  readonly choiceGroup: string
  readonly chosen: boolean
  readonly deliverTo: string
  readonly available?: string
  readonly onTheWay?: string
  readonly unitCost?: string
  /** The lot or serials that were scanned. */
  readonly lot?: string
  readonly serials?: readonly string[]
}

/** A tax code in a form that travels to the browser. */
export interface PlainTaxCode {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly treatment: Treatment
  /** Which of its rates hold today. */
  readonly rateId: number
  readonly rates: readonly {
    readonly id: number
    readonly components: readonly { readonly id: number; readonly name: string; readonly rate: string }[]
  }[]
}

let made = 0
const newKey = (): string => `new${++made}`
export const emptyLine = (taxCode: string, kind: LineDraft['kind'] = 'line'): LineDraft => ({
  key: newKey(),
  kind,
  description: '',
  note: '',
  quantity: '1',
  unitPrice: '',
  priceFrom: '',
  less: '',
  taxCode,
  choice: 'none',
  choiceGroup: '',
  chosen: true,
  deliverTo: '',
})

/** Whether nothing is typed into it: a line of one of nothing, as it comes. */
export const isBlank = ({
  kind,
  goodsId,
  quantity,
  description,
  note,
  unitPrice,
  less,
  deliverTo,
}: LineDraft): boolean =>
  kind === 'line' &&
  goodsId === undefined &&
  isEmptyRow({ quantity: quantity === '1' ? '' : quantity, description, note, unitPrice, less, deliverTo })

/** A line as the HTTP interface answers it. */
export interface SavedLine {
  readonly id: number
  readonly goodsId: number | null
  readonly kind: string
  readonly description: string
  readonly note: string
  readonly quantity: string
  readonly agreed: string
  readonly unitPrice: string
  readonly priceFrom: string
  readonly discountPercent: string
  readonly discountAmount: string
  readonly taxCode: string
  readonly rateId: number
  readonly choice: LineDraft['choice']
  readonly choiceGroup: string
  readonly chosen: boolean
  readonly deliverTo: string
}

export const sayLess = (percent: string, amount: string): string =>
  [Number(percent) > 0 ? formatPercent(String(Number(percent))) : '', /[1-9]/.test(amount) ? amount : '']
    .filter(Boolean)
    .join('+')

/** A saved line opened again: the same line, or (`asNew`) a new one that says the same. */
export const fromSaved = (
  l: SavedLine,
  wish: { readonly agreed?: boolean; readonly asNew?: boolean } = {},
): LineDraft => ({
  key: wish.asNew ? newKey() : `line${l.id}`,
  ...(wish.asNew ? {} : { lineId: l.id }),
  kind: l.kind === 'heading' || l.kind === 'text' ? l.kind : 'line',
  goodsId: l.goodsId ?? undefined,
  description: l.description,
  note: l.note,
  quantity: wish.agreed && l.agreed !== '0' ? l.agreed : l.quantity,
  unitPrice: l.unitPrice,
  priceFrom: l.priceFrom,
  less: sayLess(l.discountPercent, l.discountAmount),
  taxCode: l.taxCode,
  ...(wish.agreed && !wish.asNew ? { rateId: l.rateId } : {}),
  choice: l.choice,
  choiceGroup: l.choiceGroup,
  chosen: l.chosen,
  deliverTo: l.deliverTo,
})

const number = (text: string): Decimal => (/^\d+(\.\d+)?$/.test(text) ? decimal(text) : ZERO)
/** A code at the rates a line was agreed at, where they are its own, else at today's. */
const asTaxCode = (c: PlainTaxCode, agreedAt?: number): TaxCode => {
  const { id, components } = c.rates.find((r) => r.id === agreedAt) ?? present(c.rates.find((r) => r.id === c.rateId))
  return { ...c, id, components: components.map((k) => ({ ...k, rate: decimal(k.rate) })) }
}

/** What comes off, read from what was typed: a percentage, an amount, or both. Null where it is neither. */
export const readLess = (typed: string): { readonly percent: string; readonly amount: string } | null => {
  const parts = typed.replace(/\s/g, '').replaceAll(',', '').split('+').filter(Boolean)
  let [percent, amount] = ['0', '0']
  for (const part of parts) {
    if (/^\d{1,3}(\.\d{1,4})?%$/.test(part)) percent = part.slice(0, -1)
    else if (/^\d{1,12}(\.\d{1,4})?$/.test(part)) amount = part
    else return null
  }
  return { percent, amount }
}

export interface DraftSettings {
  readonly currency: string
  readonly pricesIncludeTax: boolean
  readonly roundPer: 'document' | 'line'
  readonly codes: readonly PlainTaxCode[]
  /** No tax is charged to this customer. */
  readonly exempt: boolean
}

export interface DraftTotals extends TaxedDocument {
  /** What each line comes to in the basis of the prices, before what is off the whole; counted or not. */
  readonly worths: readonly Money[]
  readonly off: Money
  /** Of the whole, in percent; null where no cost is known. */
  readonly margin: number | null
}

const amountOf = (text: string, currency: string): Money => roundToMoney(number(text), currency)

/** What the lines come to while they are typed: by the very functions that will bill them. */
export const draftTotals = (lines: readonly LineDraft[], wholeLess: string, s: DraftSettings): DraftTotals => {
  const exempt = s.codes.find((c) => c.treatment === 'exempt')
  const none = zeroMoney(s.currency)
  const worthOf = (l: LineDraft): Money => {
    const less = readLess(l.less) ?? { percent: '0', amount: '0' }
    const quantity = l.kind === 'line' ? number(l.quantity) : ZERO
    return lineWorth(
      {
        unitPrice: number(l.unitPrice),
        discountPercent: number(less.percent),
        quantity,
        discountAmount: amountOf(less.amount, s.currency),
        wholeLess: none,
      },
      quantity,
    )
  }
  const worths = lines.map(worthOf)
  const counted = worths.map((w, i) => (present(lines[i]).chosen ? w : none))
  const off = readLess(wholeLess) ?? { percent: '0', amount: '0' }
  const shares = shareWholeDiscount(
    counted.map((worth) => ({ worth, fixed: null })),
    { percent: number(off.percent), amount: amountOf(off.amount, s.currency) },
  )
  const taxed = computeTax(
    lines.map((l, i) => ({
      amount: subtractMoney(present(counted[i]), present(shares[i])),
      taxCode: asTaxCode(
        (s.exempt ? exempt : undefined) ?? s.codes.find((c) => c.code === l.taxCode) ?? present(s.codes[0]),
        l.rateId,
      ),
    })),
    s,
  )
  const costs = lines.filter((l) => l.chosen && l.unitCost && Number(l.unitCost) > 0)
  const cost = costs.reduce((sum, l) => sum.plus(number(present(l.unitCost)).times(number(l.quantity))), ZERO)
  return {
    ...taxed,
    worths,
    off: sumMoney(shares, s.currency),
    margin: costs.length === 0 ? null : (marginPercent(taxed.net, cost, 0)?.toNumber() ?? null),
  }
}

/** The margin of a line as a whole percentage of its net, or null where its cost is not known. */
export const lineMargin = (line: LineDraft, net: Money): number | null =>
  !line.unitCost || Number(line.unitCost) === 0
    ? null
    : (marginPercent(net, number(line.unitCost).times(number(line.quantity)), 0)?.toNumber() ?? null)

/** The sums of groups: by the key of the heading, what stands under it comes to, counted lines alone. */
export const groupSums = (
  lines: readonly LineDraft[],
  totals: DraftTotals,
  currency: string,
): ReadonlyMap<string, string> => {
  const sums = new Map<string, Money>()
  let heading: string | null = null
  lines.forEach((l, i) => {
    if (l.kind === 'heading') {
      heading = l.key
      sums.set(heading, zeroMoney(currency))
    } else if (heading !== null && l.chosen)
      sums.set(heading, sumMoney([present(sums.get(heading)), present(totals.worths[i])], currency))
  })
  return new Map([...sums].map(([key, sum]) => [key, formatMoney(sum)]))
}

/** Lines as the HTTP interface takes them. */
export const toInput = (lines: readonly LineDraft[], currency: string) =>
  lines
    .filter((l) => !isBlank(l))
    .map((l) => {
      const id = l.lineId === undefined ? {} : { lineId: l.lineId }
      if (l.kind !== 'line') return { ...id, kind: l.kind, description: l.description, note: l.note }
      // What cannot be read is sent as it was typed, and refused with a sentence that says so.
      const less = readLess(l.less) ?? { percent: l.less, amount: '0' }
      return {
        ...id,
        ...(l.goodsId === undefined ? {} : { goodsId: l.goodsId }),
        description: l.description,
        note: l.note,
        quantity: l.quantity,
        unitPrice: l.unitPrice === '' ? '0' : l.unitPrice,
        discountPercent: less.percent,
        discountAmount: less.amount === '0' ? '0' : toDecimalString(amountOf(less.amount, currency)),
        taxCode: l.taxCode,
        choice: l.choice,
        ...(l.choice === 'alternative' ? { choiceGroup: l.choiceGroup || 'Choice' } : {}),
        chosen: l.chosen,
        deliverTo: l.deliverTo,
      }
    })

/** Rows pasted from a spreadsheet: quantity, what, price in any order that can be told apart. */
export const readPasted = (text: string, taxCode: string): LineDraft[] =>
  text
    .split(/\r?\n/)
    .map((row) => row.split('\t').map((cell) => cell.trim()))
    .filter((cells) => cells.some((c) => c !== '') && cells.length > 1)
    .map((cells) => {
      const numbers = cells.filter((c) => /^[\d.,]+$/.test(c)).map((c) => c.replaceAll(',', ''))
      const words = cells.filter((c) => c !== '' && !/^[\d.,]+$/.test(c))
      return {
        ...emptyLine(taxCode),
        description: words.join(' '),
        quantity: numbers[0] ?? '1',
        unitPrice: numbers[1] ?? '',
        priceFrom: 'typed',
      }
    })
