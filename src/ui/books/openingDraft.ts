import type { AnswerTo, BodyTo } from '@/contract/calls'
import { splitSerials } from '@/core/stock'
import type { OpeningList } from '@/contract/inputs/books/opening'

/** A row of any of the lists as it is typed or came from a spreadsheet: each list uses some of it. */
export interface OpeningRow {
  /** Of what it is: a customer, a supplier, an item, an account. */
  name: string
  /** The next spreadsheet takes the place of the one before. */
  fromFile: boolean
  customerId: number
  supplierId: number
  goodsId: number
  code: string
  number: string
  on: string
  due: string
  amount: string
  quantity: string
  unitCost: string
  placeId: string
  lot: string
  expires: string
  serials: string
  debit: string
  credit: string
}

export type OpeningDraft = { on: string } & Record<OpeningList, OpeningRow[]>

export const EMPTY: OpeningRow = {
  name: '',
  fromFile: false,
  customerId: 0,
  supplierId: 0,
  goodsId: 0,
  code: '',
  number: '',
  on: '',
  due: '',
  amount: '',
  quantity: '',
  unitCost: '',
  placeId: '',
  lot: '',
  expires: '',
  serials: '',
  debit: '',
  credit: '',
}

export type FileRow = AnswerTo<'POST', '/books/opening/read'>['rows'][number]

/** A row of a spreadsheet as it would have been typed. */
export const typedOf = ({ row: _, placeId, lot, serials, ...rest }: FileRow): OpeningRow => ({
  ...EMPTY,
  ...rest,
  placeId: placeId === undefined ? '' : String(placeId),
  lot: lot?.code ?? '',
  expires: lot?.expires ?? '',
  serials: serials?.join(', ') ?? '',
  fromFile: true,
})

const given = (text: string): string | undefined => text || undefined
const owedOf = ({ number, on, due, amount }: OpeningRow) => ({ number, on, due: due || on, amount })

const stockOf = ({ goodsId, quantity, unitCost, placeId, lot, expires, serials }: OpeningRow) => {
  const named = splitSerials(serials)
  return {
    goodsId,
    quantity,
    unitCost,
    placeId: given(placeId),
    lot: lot === '' ? undefined : { code: lot, expires: given(expires) },
    serials: named.length > 0 ? named : undefined,
  }
}

/** What is typed as the call takes it. */
export const openingBody = (d: OpeningDraft): BodyTo<'POST', '/books/opening'> => ({
  on: d.on,
  receivables: d.receivables.map((r) => ({ customerId: r.customerId, ...owedOf(r) })),
  payables: d.payables.map((r) => ({ supplierId: r.supplierId, ...owedOf(r) })),
  held: d.held.map(({ customerId, amount }) => ({ customerId, amount })),
  stock: d.stock.map(stockOf),
  accounts: d.accounts.map(({ code, debit, credit }) => ({ code, debit: given(debit), credit: given(credit) })),
})
