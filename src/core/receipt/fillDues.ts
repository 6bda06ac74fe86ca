import { present } from '@/core/present'
import { err, ok, type Result } from '../result'
import {
  addMoney,
  compareMoney,
  isPositiveMoney,
  smallerMoney,
  subtractMoney,
  sumMoney,
  zeroMoney,
  type Money,
} from '../money'
import { compareDays, type Day } from '../day'
import { discountTaken, settlesToday } from './proposeFill'

export interface OpenDue {
  readonly id: number
  readonly saleId: number
  readonly dueOn: Day
  readonly open: Money
  /** What comes off when the rest is paid now, in time; left out where nothing does. Never more than is open. */
  readonly discount?: Money
}

/** What is put on a due: the money, and the discount that is taken with it where that settles the due. */
export interface DueFilled {
  readonly dueId: number
  readonly amount: Money
  readonly discount?: Money
}

/** What a sale was asked to pay ahead and has not paid. */
export interface DepositAsked {
  readonly saleId: number
  readonly open: Money
}

/** What one receipt pays. The three parts (discounts aside) add up to the amount received. */
export interface Filling {
  readonly dues: readonly DueFilled[]
  readonly held: readonly { readonly saleId: number; readonly amount: Money }[]
  readonly onAccount: Money
}

/** A wish of the owner: so much on this due, or so much for this sale. */
export type Wish =
  | { readonly dueId: number; readonly amount: Money }
  | { readonly saleId: number; readonly amount: Money }

export type FillError =
  | { readonly code: 'more-than-open'; readonly dueId: number; readonly open: Money; readonly asked: Money }
  | { readonly code: 'due-not-open'; readonly dueId: number }
  | { readonly code: 'more-than-received'; readonly received: Money; readonly asked: Money }

const byDate = (a: OpenDue, b: OpenDue): number => compareDays(a.dueOn, b.dueOn) || a.id - b.id

const pour = (dues: readonly OpenDue[], amount: Money) => {
  let left = amount
  const filled: DueFilled[] = []
  for (const due of [...dues].sort(byDate)) {
    const settles = due.discount ? settlesToday({ open: due.open, discount: due.discount }) : due.open
    const part = smallerMoney(left, settles)
    if (!isPositiveMoney(part)) continue
    filled.push(withDiscount(due, part))
    left = subtractMoney(left, part)
  }
  return { filled, left }
}

/** The discount is taken by itself when the money and it settle the due; money beyond that leaves less of it. */
const withDiscount = (due: OpenDue, amount: Money): DueFilled => {
  const discount = due.discount && discountTaken({ open: due.open, discount: due.discount }, amount)
  return discount && isPositiveMoney(discount) ? { dueId: due.id, amount, discount } : { dueId: due.id, amount }
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
  const filled = new Map<number, DueFilled>()
  const held = new Map<number, Money>()
  const take = ({ dueId, amount: part, discount }: DueFilled) => {
    const due = present(open.get(dueId))
    const before = filled.get(dueId)
    const whole = before ? addMoney(before.amount, part) : part
    open.set(dueId, { ...due, open: subtractMoney(due.open, discount ? addMoney(part, discount) : part) })
    filled.set(dueId, discount ? { dueId, amount: whole, discount } : { dueId, amount: whole })
  }
  for (const wish of wishes) {
    if ('dueId' in wish) {
      const due = open.get(wish.dueId)
      if (!due) return err({ code: 'due-not-open', dueId: wish.dueId })
      if (compareMoney(wish.amount, due.open) > 0) {
        return err({ code: 'more-than-open', dueId: wish.dueId, open: due.open, asked: wish.amount })
      }
      take(withDiscount(due, wish.amount))
    } else {
      const ofSale = pour(
        [...open.values()].filter((d) => d.saleId === wish.saleId),
        wish.amount,
      )
      ofSale.filled.forEach(take)
      if (isPositiveMoney(ofSale.left))
        held.set(wish.saleId, addMoney(held.get(wish.saleId) ?? zeroMoney(amount.currency), ofSale.left))
    }
  }
  return ok({
    dues: [...filled.values()],
    held: [...held].map(([saleId, part]) => ({ saleId, amount: part })),
    onAccount: subtractMoney(amount, asked),
  })
}
