import { addDays, addMonths, type Day } from '../day'
import { decimal, isPositiveMoney, splitMoney, subtractMoney, zeroMoney, type Money } from '../money'
import type { InstallmentTerms, Rhythm } from './arrangement'
import type { Plan } from './installments'
import { stepFrom } from './steps'

export interface PaymentTerms {
  /** Days from the paper to the first part. */
  readonly net: number
  /** 1 where nothing else is said. */
  readonly parts?: number
  /** From one part to the next; a month where nothing else is said. */
  readonly every?: Rhythm
}

/**
 * The days on which the parts of an invoice on terms are due, first to last.
 *
 * @example termsDays({ net: 30 }, day('2026-01-31')) // 2026-03-02
 * @example termsDays({ net: 0, parts: 3 }, day('2026-01-31')) // 2026-01-31, 2026-02-28, 2026-03-31
 */
export const termsDays = ({ net, parts = 1, every = 'month' }: PaymentTerms, on: Day): Day[] => {
  const first = addDays(on, net)
  return Array.from({ length: parts }, (_, i) => stepFrom(first, every, i))
}

/**
 * An amount in so many parts that add up to it, the left-over cents to the earlier ones.
 *
 * @example evenly(usd('100.00'), 3) // 33.34, 33.33, 33.33
 */
export const evenly = (total: Money, count: number): Money[] =>
  splitMoney(
    total,
    Array.from({ length: count }, () => decimal(1)),
  )

interface Payment {
  readonly due: Day
  readonly payment: Money
}

/** A schedule of payments without any charge; what comes to nothing has no row. The balance is what is left of the total. */
export const planWithoutCharge = (payments: readonly Payment[], total: Money): Plan => {
  const none = zeroMoney(total.currency)
  let balance = total
  return {
    rows: payments
      .filter((p) => isPositiveMoney(p.payment))
      .map(({ due, payment }) => {
        balance = subtractMoney(balance, payment)
        return { due, payment, principal: payment, charge: none, balance }
      }),
    financed: total,
    totalCharge: none,
    totalPayments: total,
    effectiveYearlyRate: null,
  }
}

/** Steps looked at before the rhythm is given up: more than any plan has rows. */
const MOST_STEPS = 1000

/**
 * The first due of a plan that begins on a day: as agreed, or the first step of its rhythm that is not before that day.
 *
 * @example firstDueFrom({ firstDue: day('2026-01-31'), every: 'month' }, day('2026-02-10')) // 2026-02-28
 * @example firstDueFrom({ firstDue: day('2026-05-01'), every: 'week' }, day('2026-02-10')) // 2026-05-01
 */
export const firstDueFrom = ({ firstDue, every }: Pick<InstallmentTerms, 'firstDue' | 'every'>, on: Day): Day => {
  for (let n = 0; n < MOST_STEPS; n++) {
    const step = stepFrom(firstDue, every, n)
    if (step >= on) return step
  }
  return addMonths(on, 1)
}
