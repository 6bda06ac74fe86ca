import type { TaxRoundedPer } from '@/core/kinds'
import type { Treatment } from '@/core/tax'
import { isEmptyRow } from '../form/isEmptyRow'
import { readLess, sayLess } from './less'
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
import { computeTax, type TaxCode, type TaxedDocument, pickTax } from '@/core/tax'

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
  /** Its own tax; where it is delivered may pick another (`taxCodeOf`). */
  readonly taxCode: string
  /** It was chosen by hand: no address picks another. */
  readonly taxChosen?: boolean
  /** Of a line that is opened: where it was delivered when its tax was this one. */
  readonly taxAt?: string
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

/** A saved line opened again: the same line, or (`asNew`) a new one that says the same. */
export const fromSaved = (
  l: SavedLine,
  wish: { readonly agreed?: boolean; readonly asNew?: boolean; readonly deliverTo?: string } = {},
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
  ...(wish.asNew ? {} : { taxAt: l.deliverTo || (wish.deliverTo ?? '') }),
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

export interface DraftSettings {
  readonly currency: string
  readonly pricesIncludeTax: boolean
  readonly roundPer: TaxRoundedPer
  readonly codes: readonly PlainTaxCode[]
  /** No tax is charged to this customer. */
  readonly exempt: boolean
  /** Where it goes, where a line says nothing else. */
  readonly deliverTo: string
  /** The tax that an address picks for what is taxed; undefined where it picks none. */
  readonly areaCode: (deliverTo: string) => string | undefined
}

/** For what is taken along, whoever takes it: no address picks a tax. */
export const IN_STORE: Pick<DraftSettings, 'deliverTo' | 'areaCode'> = { deliverTo: '', areaCode: () => undefined }

/** The tax of a line: its own, or the one its delivery address picks. A line that is opened keeps what it has until that changes. */
export const taxCodeOf = (l: LineDraft, s: Pick<DraftSettings, 'codes' | 'deliverTo' | 'areaCode'>): string => {
  const at = l.deliverTo || s.deliverTo
  if (l.taxChosen || l.taxAt === at) return l.taxCode
  // What an address had picked for it is not its own: that is the usual one.
  const wasPicked = l.taxAt !== undefined && s.areaCode(l.taxAt) === l.taxCode
  const find = (code: string | undefined) => s.codes.find((c) => c.code === code)
  const own = (wasPicked ? undefined : find(l.taxCode)) ?? present(s.codes[0])
  return pickTax({ byArea: find(s.areaCode(at)), own }).code
}

export interface DraftTotals extends TaxedDocument {
  /** What each line comes to in the basis of the prices, before what is off the whole; counted or not. */
  readonly worths: readonly Money[]
  readonly off: Money
  /** Of the whole, in percent; null where no cost is known. */
  readonly margin: number | null
}

const amountOf = (text: string, currency: string): Money => roundToMoney(number(text), currency)

const worthOf = (l: LineDraft, currency: string): Money => {
  const less = readLess(l.less) ?? { percent: '0', amount: '0' }
  const quantity = l.kind === 'line' ? number(l.quantity) : ZERO
  return lineWorth(
    {
      unitPrice: number(l.unitPrice),
      discountPercent: number(less.percent),
      quantity,
      discountAmount: amountOf(less.amount, currency),
      wholeLess: zeroMoney(currency),
    },
    quantity,
  )
}
/** What a line comes to, in the currency of the business; a draft is never changed but replaced, so that it is reckoned once. */
const worths = new WeakMap<LineDraft, Money>()
const worthKept = (l: LineDraft, currency: string): Money => {
  const known = worths.get(l)
  if (known?.currency === currency) return known
  const worth = worthOf(l, currency)
  worths.set(l, worth)
  return worth
}

/** The codes of lines at their rates, each put together once: many lines have the same. */
const codesAtRates = ({ codes, exempt: isExempt, ...where }: DraftSettings) => {
  const exempt = codes.find((c) => c.treatment === 'exempt')
  const made = new Map<string, TaxCode>()
  return (l: LineDraft): TaxCode => {
    const code =
      // What was agreed is not taxed anew because its customer is exempt by now.
      (isExempt && l.rateId === undefined ? exempt : undefined) ??
      codes.find((c) => c.code === taxCodeOf(l, { codes, ...where })) ??
      present(codes[0])
    const key = `${code.code} ${l.rateId ?? ''}`
    const known = made.get(key) ?? asTaxCode(code, l.rateId)
    made.set(key, known)
    return known
  }
}

/** What the lines come to while they are typed: by the very functions that will bill them. */
export const draftTotals = (lines: readonly LineDraft[], wholeLess: string, s: DraftSettings): DraftTotals => {
  const none = zeroMoney(s.currency)
  const codeOf = codesAtRates(s)
  const reckoned = lines.map((l) => worthKept(l, s.currency))
  const counted = reckoned.map((w, i) => (present(lines[i]).chosen ? w : none))
  const off = readLess(wholeLess) ?? { percent: '0', amount: '0' }
  const shares = shareWholeDiscount(
    counted.map((worth) => ({ worth, fixed: null })),
    { percent: number(off.percent), amount: amountOf(off.amount, s.currency) },
  )
  const taxed = computeTax(
    lines.map((l, i) => ({
      amount: subtractMoney(present(counted[i]), present(shares[i])),
      taxCode: codeOf(l),
    })),
    s,
  )
  const costs = lines.filter((l) => l.chosen && l.unitCost && Number(l.unitCost) > 0)
  const cost = costs.reduce((sum, l) => sum.plus(number(present(l.unitCost)).times(number(l.quantity))), ZERO)
  return {
    ...taxed,
    worths: reckoned,
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

/** Lines as the HTTP interface takes them, each with the tax that `taxOf` says. */
export const toInput = (
  lines: readonly LineDraft[],
  currency: string,
  taxOf: (line: LineDraft) => string = (l) => l.taxCode,
) =>
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
        taxCode: taxOf(l),
        choice: l.choice,
        ...(l.choice === 'alternative' ? { choiceGroup: l.choiceGroup || 'Choice' } : {}),
        chosen: l.chosen,
        deliverTo: l.deliverTo,
      }
    })
