import { sumMoney, toDecimalString, zeroMoney, type Money } from '@/core/money'
import { lowestFrom } from '@/core/running'
import { money } from '@/core/money'
import { rowsBy } from '@/core/rowsBy'
import type { Db } from '@/data/connect'
import { listAheadMoves, listOpenBills } from '@/data/queries/bill'
import { findSupplier, listSupplierAddresses, listSupplierContacts, listSuppliers } from '@/data/queries/suppliers'
import { editionIn } from '../edition'
import type { Asked } from '../where'

type Where = Pick<Asked, 'business' | 'today'>

/** What of money paid to a supplier in advance is left from a day on. */
export const readAhead = async (db: Db, supplierId: number, { business, today }: Where): Promise<Money> => {
  const moves = await listAheadMoves(db, supplierId)
  return money(
    lowestFrom(
      moves.map((m) => ({ on: m.onDay, by: m.amount })),
      today,
    ),
    business.currency,
  )
}

type Row = NonNullable<Awaited<ReturnType<typeof findSupplier>>>

const viewOf = (s: Row, sums: { readonly owed: Money; readonly late: Money }) => ({
  id: s.id,
  name: s.name,
  email: s.email,
  phone: s.phone,
  address: s.address,
  note: s.note,
  terms: { net: s.netDays, discountPercent: s.discountPercent.toString(), discountDays: s.discountDays },
  bank: { name: s.bankName, iban: s.iban, bic: s.bic, routing: s.routing, account: s.bankAccount },
  customerId: s.customerId,
  taxNumber: s.taxNumber,
  taxCode: s.taxCode,
  owed: toDecimalString(sums.owed),
  late: toDecimalString(sums.late),
})

/** Suppliers with what is owed to them now, and what of it is late. */
export const supplierViews = async (db: Db, rows: readonly Row[], { business, today }: Where) => {
  const { currency } = business
  const open = await listOpenBills(db, { asOf: today }, currency)
  const billsOf = rowsBy(open, (b) => b.supplierId)
  return rows.map((s) => {
    const mine = billsOf.get(s.id) ?? []
    const sum = (bills: typeof mine): Money =>
      bills.length === 0
        ? zeroMoney(currency)
        : sumMoney(
            bills.map((b) => b.open),
            currency,
          )
    return viewOf(s, { owed: sum(mine), late: sum(mine.filter((b) => b.dueOn < today)) })
  })
}

/** Addresses and contacts of a supplier, and what they say: they are changed as whole lists. */
export const readSupplierLists = async (db: Db, id: number) => {
  const [kept, people] = await Promise.all([listSupplierAddresses(db, [id]), listSupplierContacts(db, [id])])
  const addresses = kept.map(({ use, text }) => ({ use, text }))
  const contacts = people.map(({ supplierId: _supplierId, ...c }) => c)
  return {
    addresses,
    contacts,
    edition: editionIn([addresses, contacts.map((c) => [c.name, c.role, c.email, c.phone])]),
  }
}

export const supplierView = async (db: Db, id: number, where: Where) => {
  const row = await findSupplier(db, id)
  if (!row) return null
  const [[view], ahead, lists] = await Promise.all([
    supplierViews(db, [row], where),
    readAhead(db, id, where),
    readSupplierLists(db, id),
  ])
  return view && { ...view, ahead: toDecimalString(ahead), ...lists }
}

export const readSuppliers = async (db: Db, search: string | undefined, where: Where) =>
  supplierViews(db, await listSuppliers(db, search), where)
