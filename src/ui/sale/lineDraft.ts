import { decimal, minorDigits, type Money } from '@/core/money'
import { computeTax, lineAmount, type TaxCode, type TaxedDocument } from '@/core/tax'

/** A line while it is typed. Everything is text; an empty price or tax takes what the goods say. */
export interface LineDraft {
  readonly key: string
  readonly lineId?: number
  readonly goodsId?: number
  readonly description: string
  readonly note: string
  readonly quantity: string
  readonly unitPrice: string
  readonly discountPercent: string
  readonly taxCode: string
  readonly available?: string
  readonly unitCost?: string
}

/** A tax code in a form that travels to the browser. */
export interface PlainTaxCode {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly treatment: 'taxed' | 'zero' | 'exempt'
  readonly components: readonly { readonly id: number; readonly name: string; readonly rate: string }[]
}

let made = 0
export const emptyLine = (taxCode: string): LineDraft => ({
  key: `new${++made}`,
  description: '',
  note: '',
  quantity: '1',
  unitPrice: '',
  discountPercent: '',
  taxCode,
})

export const isBlank = (l: LineDraft): boolean =>
  l.goodsId === undefined && l.description.trim() === '' && l.unitPrice === ''

const number = (text: string) => (/^\d+(\.\d+)?$/.test(text) ? decimal(text) : decimal(0))
const asTaxCode = (c: PlainTaxCode): TaxCode => ({
  ...c,
  components: c.components.map((k) => ({ ...k, rate: decimal(k.rate) })),
})

export interface DraftSettings {
  readonly currency: string
  readonly pricesIncludeTax: boolean
  readonly roundPer: 'document' | 'line'
  readonly codes: readonly PlainTaxCode[]
  /** No tax is charged to this customer. */
  readonly exempt: boolean
}

/** What the lines come to while they are typed: by the very functions that will bill them. */
export const draftTotals = (lines: readonly LineDraft[], s: DraftSettings): TaxedDocument => {
  const exempt = s.codes.find((c) => c.treatment === 'exempt')
  return computeTax(
    lines.map((l) => ({
      amount: lineAmount(
        {
          quantity: number(l.quantity),
          unitPrice: number(l.unitPrice),
          discountPercent: number(l.discountPercent),
        },
        s.currency,
      ),
      taxCode: asTaxCode(
        (s.exempt ? exempt : undefined) ?? s.codes.find((c) => c.code === l.taxCode) ?? s.codes[0]!,
      ),
    })),
    s,
  )
}

/** The margin of a line as a whole percentage of its net, or null where its cost is not known. */
export const marginPercent = (line: LineDraft, net: Money): number | null => {
  if (!line.unitCost || Number(line.unitCost) === 0 || net.minor <= 0n) return null
  const cost = number(line.unitCost).times(number(line.quantity))
  const value = decimal(net.minor).div(decimal(10).pow(minorDigits(net.currency)))
  return value.isZero() ? null : value.minus(cost).div(value).times(100).toDecimalPlaces(0).toNumber()
}

/** Lines as the HTTP interface takes them. */
export const toInput = (lines: readonly LineDraft[]) =>
  lines
    .filter((l) => !isBlank(l))
    .map((l) => ({
      ...(l.lineId === undefined ? {} : { lineId: l.lineId }),
      ...(l.goodsId === undefined ? {} : { goodsId: l.goodsId }),
      description: l.description,
      note: l.note,
      quantity: l.quantity,
      unitPrice: l.unitPrice === '' ? '0' : l.unitPrice,
      discountPercent: l.discountPercent === '' ? '0' : l.discountPercent,
      taxCode: l.taxCode,
    }))

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
      }
    })
