import type { Day } from '@/core/day'
import { type AgeGroup, ageBy } from '@/data/queries/receivables'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { sumRole } from '@/data/queries/balances'
import { type Money, sumMoney, subtractMoney, isZeroMoney, toDecimalString, addMoney } from '@/core/money'

export interface OwedWish {
  readonly asOf: Day
  readonly by: 'due' | 'invoice'
  readonly group?: AgeGroup
  readonly only?: { readonly kind?: string; readonly channel?: string }
}

/** Who owes what as of a day, aged, with the foot compared to the receivables account. */
export const readOwed = async (db: Db, { asOf, by, group = 'customer', only }: OwedWish, business: Business) => {
  const { currency } = business
  const [rows, controlAccount] = await Promise.all([
    ageBy(db, { asOf, by, currency, limits: business.ageLimits, group, only }),
    sumRole(db, 'receivables', asOf, currency),
  ])
  const sum = (pick: (r: (typeof rows)[number]) => Money): Money => sumMoney(rows.map(pick), currency)
  const totals = {
    notDue: sum((r) => r.notDue),
    d1to30: sum((r) => r.d1to30),
    d31to60: sum((r) => r.d31to60),
    d61to90: sum((r) => r.d61to90),
    over90: sum((r) => r.over90),
    total: sum((r) => r.total),
    held: sum((r) => r.held),
    onAccount: sum((r) => r.onAccount),
  }
  return {
    asOf,
    by,
    group,
    rows,
    totals,
    controlAccount,
    difference: subtractMoney(totals.total, controlAccount),
    agrees: isZeroMoney(subtractMoney(totals.total, controlAccount)),
  }
}

export const owedView = async (db: Db, filter: OwedWish, business: Business) => {
  const owed = await readOwed(db, filter, business)
  const ages = (a: (typeof owed)['totals']) => ({
    notDue: toDecimalString(a.notDue),
    d1to30: toDecimalString(a.d1to30),
    d31to60: toDecimalString(a.d31to60),
    d61to90: toDecimalString(a.d61to90),
    over90: toDecimalString(a.over90),
    total: toDecimalString(a.total),
    held: toDecimalString(addMoney(a.held, a.onAccount)),
    onAccount: toDecimalString(a.onAccount),
  })
  return {
    asOf: owed.asOf,
    by: owed.by,
    limits: business.ageLimits,
    rows: owed.rows.map((r) => ({ customerId: r.customerId, key: r.key, name: r.name, ...ages(r) })),
    totals: ages(owed.totals),
    controlAccount: toDecimalString(owed.controlAccount),
    difference: toDecimalString(owed.difference),
  }
}

export { AGE_GROUPS, readFlags, type AgedRow, type AgeGroup } from '@/data/queries/receivables'
