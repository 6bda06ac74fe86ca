import type { AnswerTo, BodyTo } from '@/contract/calls'
import type { OpeningList } from '@/contract/inputs/books/opening'

/** Rows as they are typed, or as they came from a spreadsheet; which of them came from one is known, for the next one to take their place. */
interface Came {
  name: string
  fromFile?: boolean
}
interface Owed extends Came {
  number: string
  on: string
  due: string
  amount: string
}

export interface OpeningDraft {
  on: string
  receivables: (Owed & { customerId: number })[]
  payables: (Owed & { supplierId: number })[]
  held: (Came & { customerId: number; amount: string })[]
  stock: (Came & {
    goodsId: number
    quantity: string
    unitCost: string
    placeId: string
    lot: string
    expires: string
    serials: string
  })[]
  accounts: (Came & { code: string; debit: string; credit: string })[]
}

export type FileRow = AnswerTo<'POST', '/books/opening/read'>['rows'][number]

const owed = { number: '', on: '', due: '', amount: '' }

/** A row with nothing in it but what it is about. */
export const EMPTY = {
  receivables: { ...owed, customerId: 0 },
  payables: { ...owed, supplierId: 0 },
  held: { customerId: 0, amount: '' },
  stock: { goodsId: 0, quantity: '', unitCost: '', placeId: '', lot: '', expires: '', serials: '' },
  accounts: { code: '', debit: '', credit: '' },
} satisfies { [L in OpeningList]: Omit<OpeningDraft[L][number], 'name'> }

/** A row of a spreadsheet as it would have been typed. */
export const typedOf = <L extends OpeningList>(
  list: L,
  { row: _, placeId, lot, serials, ...rest }: FileRow,
): OpeningDraft[L][number] =>
  ({
    ...EMPTY[list],
    ...rest,
    ...(list === 'stock' && {
      placeId: placeId === undefined ? '' : String(placeId),
      lot: lot?.code ?? '',
      expires: lot?.expires ?? '',
      serials: serials?.join(', ') ?? '',
    }),
    fromFile: true,
  }) as OpeningDraft[L][number]

const serialsIn = (text: string): string[] => text.split(/[,;\n]+/).flatMap((s) => s.trim() || [])
const given = (text: string): string | undefined => text || undefined

/** What is typed as the call takes it. */
export const openingBody = (d: OpeningDraft): BodyTo<'POST', '/books/opening'> => {
  const owedOf = ({ number, on, due, amount }: Owed) => ({ number, on, due: due || on, amount })
  return {
    on: d.on,
    receivables: d.receivables.map((r) => ({ customerId: r.customerId, ...owedOf(r) })),
    payables: d.payables.map((r) => ({ supplierId: r.supplierId, ...owedOf(r) })),
    held: d.held.map(({ customerId, amount }) => ({ customerId, amount })),
    stock: d.stock.map((r) => {
      const serials = serialsIn(r.serials)
      return {
        goodsId: r.goodsId,
        quantity: r.quantity,
        unitCost: r.unitCost,
        placeId: given(r.placeId),
        lot: r.lot === '' ? undefined : { code: r.lot, expires: given(r.expires) },
        serials: serials.length > 0 ? serials : undefined,
      }
    }),
    accounts: d.accounts.map(({ code, debit, credit }) => ({ code, debit: given(debit), credit: given(credit) })),
  }
}
