import type { TaxRoundedPer } from '@/core/kinds'
import type { Treatment } from '@/core/tax'
import { isEmptyRow } from '../form/isEmptyRow'
import { readLess, sayLess } from './less'
import { present } from '@/core/present'
import { decimal, roundToMoney, toDecimalString, ZERO, type Decimal, type Money } from '@/core/money'
import { pickTax } from '@/core/tax'

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

/** A number as it is typed; zero where it is none yet. */
export const numberOf = (text: string): Decimal => (/^\d+(\.\d+)?$/.test(text) ? decimal(text) : ZERO)
export const amountOf = (text: string, currency: string): Money => roundToMoney(numberOf(text), currency)

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
