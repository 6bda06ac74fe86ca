import type { Day } from '@/core/day'
import { ageReceivables, AGE_COLUMNS, type Ages } from '@/core/receivables'
import { negateMoney, subtractMoney, toDecimalString } from '@/core/money'
import type { Db } from '@/data/connect'
import { listAccounts } from '@/data/queries/accounts'
import { sumAccounts } from '@/data/queries/balances'
import { listOpenBills } from '@/data/queries/bill'
import { inDebit } from '../books/ties'

/** What is owed to a supplier, by age. */
export interface PayableRow extends Ages {
  readonly supplierId: number
  readonly name: string
}

/** Who is owed what at the end of a day, by how long it is due, or since the day of the bill. */
export const readPayables = async (
  db: Db,
  { asOf, by = 'due' }: { readonly asOf: Day; readonly by?: 'due' | 'bill' },
  currency: string,
): Promise<readonly PayableRow[]> => {
  const open = await listOpenBills(db, { asOf }, currency)
  return [...new Set(open.map((b) => b.supplierId))].map((supplierId) => {
    const mine = open.filter((b) => b.supplierId === supplierId)
    const dues = mine.map((b) => ({ from: by === 'due' ? b.dueOn : b.on, open: b.open }))
    return { supplierId, name: mine[0]?.supplier ?? '', ...ageReceivables(dues, asOf, currency) }
  })
}

const viewOf = (ages: Ages) => ({
  ...Object.fromEntries(AGE_COLUMNS.map((c) => [c, toDecimalString(ages[c])])),
  total: toDecimalString(ages.total),
})

export const payablesView = async (
  db: Db,
  of: { readonly asOf: Day; readonly by?: 'due' | 'bill' },
  currency: string,
) => {
  const rows = await readPayables(db, of, currency)
  const open = await listOpenBills(db, { asOf: of.asOf }, currency)
  const all = ageReceivables(
    open.map((b) => ({ from: of.by === 'bill' ? b.on : b.dueOn, open: b.open })),
    of.asOf,
    currency,
  )
  const [sums, accounts] = await Promise.all([sumAccounts(db, { to: of.asOf }, currency), listAccounts(db)])
  const account = negateMoney(inDebit(sums, accounts.find((a) => a.role === 'payables')?.id, currency))
  return {
    asOf: of.asOf,
    by: of.by ?? 'due',
    rows: rows.map(({ supplierId, name, ...ages }) => ({ supplierId, name, ...viewOf(ages) })),
    totals: viewOf(all),
    controlAccount: toDecimalString(account),
    difference: toDecimalString(subtractMoney(all.total, account)),
  }
}
