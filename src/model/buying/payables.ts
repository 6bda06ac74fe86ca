import { addDays, type Day } from '@/core/day'
import { ageReceivables, AGE_COLUMNS, type Ages } from '@/core/receivables'
import { rowsBy } from '@/core/rowsBy'
import { formatMoney, money, negateMoney, subtractMoney, sumMoney, toDecimalString, type Money } from '@/core/money'
import type { Db } from '@/data/connect'
import { sumRole } from '@/data/queries/balances'
import { listOpenBills } from '@/data/queries/bill'
import { sumDueThrough } from '@/data/queries/receivables'
import type { Where } from '../where'
import { readToPay } from './letOff'

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
  return [...rowsBy(open, (b) => b.supplierId)].map(([supplierId, mine]) => {
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
  const account = negateMoney(await sumRole(db, 'payables', of.asOf, currency))
  return {
    asOf: of.asOf,
    by: of.by ?? 'due',
    rows: rows.map(({ supplierId, name, ...ages }) => ({ supplierId, name, ...viewOf(ages) })),
    totals: viewOf(all),
    controlAccount: toDecimalString(account),
    difference: toDecimalString(subtractMoney(all.total, account)),
  }
}

/** What a payment run would pay. */
export interface BillsDue {
  readonly bills: readonly { readonly id: number; readonly says: string }[]
  /** What paying them today takes, early discounts taken. */
  readonly sum: string
  /** What falls due to us in the same week, late dues too. */
  readonly comesIn: string
  /** What all suppliers are to be paid by then, with and without a bank account. */
  readonly goesOut: string
  /** Bills as due as these whose supplier has no bank account here: paid by check. */
  readonly byCheck: readonly { readonly id: number; readonly says: string }[]
}

/** Bills that are due within a week, or were already, or that cost more after it. */
export const readDueSoon = async ({ db, today, currency }: Where): Promise<BillsDue> => {
  const soon = addDays(today, 7)
  const due = (await listOpenBills(db, { asOf: today }, currency)).filter(
    (b) => b.dueOn <= soon || (b.discountOn !== null && b.discountOn >= today && b.discountOn <= soon),
  )
  const toPay = await readToPay(db, { ids: due.map((b) => b.id) }, today, currency)
  const amountOf = new Map(toPay.bills.map((b) => [b.bill.id, b.amount]))
  const amount = (b: (typeof due)[number]): Money => amountOf.get(b.id) ?? b.open
  const ours = due.filter((b) => b.hasBank)
  const sayOf = (b: (typeof due)[number]) => ({
    id: b.id,
    says: `${b.supplier}, ${b.theirNumber}: ${formatMoney(amount(b))}`,
  })
  const goesOut = sumMoney(
    due.map((b) => b.open),
    currency,
  )
  return {
    comesIn: formatMoney(money(await sumDueThrough(db, today, soon), currency)),
    goesOut: formatMoney(goesOut),
    bills: ours.map(sayOf),
    sum: formatMoney(sumMoney(ours.map(amount), currency)),
    byCheck: due.filter((b) => !b.hasBank).map(sayOf),
  }
}
