import { present } from '@/core/present'
import { addMoney, isPositiveMoney, smallerMoney, subtractMoney, type Money } from '../money'
import { compareDays, type Day } from '../day'
import { discountWith } from './aboutDue'

/** What a due of the invoice that is credited is made of, on the day of the credit. None is below zero. */
export interface DueParts {
  readonly id: number
  readonly dueOn: Day
  readonly open: Money
  /** Given up as a bad debt. */
  readonly writtenOff: Money
  /** Paid in money, and what came off for paying it early. */
  readonly paid: Money
  readonly discount: Money
}

/** What a credit takes of a due. */
export interface DueCredited {
  readonly dueId: number
  readonly open: Money
  /** Taken back from bad debts. */
  readonly writtenOff: Money
  /** Money that is the customer's again. */
  readonly paid: Money
  /** The discount that shrinks with it. */
  readonly discount: Money
}

export interface CreditedDues {
  readonly dues: readonly DueCredited[]
  /** What no due bears: a counter sale has none, its money came at once. */
  readonly beyond: Money
}

const byDate = (a: DueParts, b: DueParts): number => compareDays(a.dueOn, b.dueOn) || a.id - b.id

/**
 * What a credit gives back: first what is open, then what was written off, then what was really paid; the discount for
 * paying early shrinks with what it was given on (rounded once; with the last of it goes the rest of it). The parts and
 * `beyond` add up to the credit.
 *
 * @example 1,080.00 paid with 1,047.60 and 32.40 off: a credit of 540.00 gives 523.80 back, and 16.20 of the discount ends
 */
export const creditDues = (dues: readonly DueParts[], credit: Money): CreditedDues => {
  const inOrder = [...dues].sort(byDate)
  let left = credit
  const take = (most: Money): Money => {
    const part = smallerMoney(left, most)
    left = subtractMoney(left, part)
    return part
  }
  const open = inOrder.map((d) => take(d.open))
  const writtenOff = inOrder.map((d) => take(d.writtenOff))
  const settled = inOrder.map((d) => take(addMoney(d.paid, d.discount)))
  return {
    dues: inOrder
      .map((d, i): DueCredited => {
        const discount = discountWith(d.discount, present(settled[i]), addMoney(d.paid, d.discount))
        return {
          dueId: d.id,
          open: present(open[i]),
          writtenOff: present(writtenOff[i]),
          discount,
          paid: subtractMoney(present(settled[i]), discount),
        }
      })
      .filter((d) => [d.open, d.writtenOff, d.paid, d.discount].some(isPositiveMoney)),
    beyond: left,
  }
}
