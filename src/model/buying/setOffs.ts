import { money, subtractMoney, sumMoney, toDecimalString, type Money } from '@/core/money'
import type { Db } from '@/data/connect'
import { listSetOffs } from '@/data/queries/setOff'

type Filter = Parameters<typeof listSetOffs>[1]
type Part = Parameters<typeof listSetOffs>[2]

/** Set-offs, the newest first. */
export const setOffViews = async (db: Db, of: Filter, part: Part, currency: string) =>
  (await listSetOffs(db, of, part)).map(({ onDay, amount, ...s }) => ({
    ...s,
    on: onDay,
    amount: toDecimalString(money(amount, currency)),
  }))

export const setOffView = async (db: Db, id: number, currency: string) =>
  (await setOffViews(db, { id }, {}, currency))[0] ?? null

/** What a side is to be paid to owe nothing: what is open, less what is let off for paying now. */
export const neededOf = (
  sides: readonly { readonly open: Money; readonly discount?: Money }[],
  currency: string,
): Money =>
  sumMoney(
    sides.map((s) => (s.discount ? subtractMoney(s.open, s.discount) : s.open)),
    currency,
  )
