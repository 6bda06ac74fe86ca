import { err, ok, type Result } from '../result'
import {
  compareMoney,
  isPositiveMoney,
  smallerMoney,
  subtractMoney,
  sumMoney,
  zeroMoney,
  type Money,
} from '../money'
import type { Day } from '../day'

export interface OpenDue {
  readonly id: number
  readonly saleId: number
  readonly dueOn: Day
  readonly open: Money
}

/** What a sale was asked to pay ahead and has not paid. */
export interface DepositAsked {
  readonly saleId: number
  readonly open: Money
}

/** What one receipt pays. The three parts add up to the amount received. */
export interface Filling {
  readonly dues: readonly { readonly dueId: number; readonly amount: Money }[]
  readonly held: readonly { readonly saleId: number; readonly amount: Money }[]
  readonly onAccount: Money
}

/** A wish of the owner: so much on this due, or so much for this sale. */
export type Wish =
  { readonly dueId: number; readonly amount: Money } | { readonly saleId: number; readonly amount: Money }

export type FillError =
  | { readonly code: 'more-than-open'; readonly dueId: number; readonly open: Money; readonly asked: Money }
  | { readonly code: 'due-not-open'; readonly dueId: number }
  | { readonly code: 'more-than-received'; readonly received: Money; readonly asked: Money }

const byDate = (a: OpenDue, b: OpenDue): number =>
  a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : a.id - b.id

const pour = (dues: readonly OpenDue[], amount: Money) => {
  let left = amount
  const filled: { dueId: number; amount: Money }[] = []
  for (const due of [...dues].sort(byDate)) {
    const part = smallerMoney(left, due.open)
    if (!isPositiveMoney(part)) continue
    filled.push({ dueId: due.id, amount: part })
    left = subtractMoney(left, part)
  }
  return { filled, left }
}

/**
 * Oldest first: dues by due date (earlier id first on the same day), then deposits asked for and not paid, in the order
 * given; the rest stays on account.
 */
export const fillOldest = (
  open: { readonly dues: readonly OpenDue[]; readonly deposits: readonly DepositAsked[] },
  amount: Money,
): Filling => {
  const { filled, left } = pour(open.dues, amount)
  let rest = left
  const held: { saleId: number; amount: Money }[] = []
  for (const ask of open.deposits) {
    const part = smallerMoney(rest, ask.open)
    if (!isPositiveMoney(part)) continue
    held.push({ saleId: ask.saleId, amount: part })
    rest = subtractMoney(rest, part)
  }
  return { dues: filled, held, onAccount: rest }
}

/**
 * As the owner wishes: a due takes what it is given, at most its open part; a sale takes its own dues oldest first, and
 * what is left over is held for it. What no wish names stays on account.
 */
export const fillNamed = (
  dues: readonly OpenDue[],
  wishes: readonly Wish[],
  amount: Money,
): Result<Filling, FillError> => {
  const asked = sumMoney(
    wishes.map((w) => w.amount),
    amount.currency,
  )
  if (compareMoney(asked, amount) > 0) return err({ code: 'more-than-received', received: amount, asked })
  const open = new Map(dues.map((d) => [d.id, d]))
  const filled = new Map<number, Money>()
  const held = new Map<number, Money>()
  const put = (into: Map<number, Money>, key: number, part: Money) =>
    into.set(key, sumMoney([into.get(key) ?? zeroMoney(amount.currency), part], amount.currency))
  const take = (dueId: number, part: Money) => {
    const due = open.get(dueId)!
    open.set(dueId, { ...due, open: subtractMoney(due.open, part) })
    put(filled, dueId, part)
  }
  for (const wish of wishes) {
    if ('dueId' in wish) {
      const due = open.get(wish.dueId)
      if (!due) return err({ code: 'due-not-open', dueId: wish.dueId })
      if (compareMoney(wish.amount, due.open) > 0) {
        return err({ code: 'more-than-open', dueId: wish.dueId, open: due.open, asked: wish.amount })
      }
      take(wish.dueId, wish.amount)
    } else {
      const ofSale = pour(
        [...open.values()].filter((d) => d.saleId === wish.saleId),
        wish.amount,
      )
      ofSale.filled.forEach((f) => take(f.dueId, f.amount))
      if (isPositiveMoney(ofSale.left)) put(held, wish.saleId, ofSale.left)
    }
  }
  return ok({
    dues: [...filled].map(([dueId, part]) => ({ dueId, amount: part })),
    held: [...held].map(([saleId, part]) => ({ saleId, amount: part })),
    onAccount: subtractMoney(amount, asked),
  })
}
