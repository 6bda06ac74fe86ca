import { isPositiveMoney, smallerMoney, subtractMoney, zeroMoney, type Money } from '../money'
import { addDays, type Day } from '../day'
import type { Part } from './arrangement'
import { partOf, type PlanRow } from './installments'

export const LAYAWAY_STANDS = ['paying in', 'behind', 'paid up', 'handed over', 'given up'] as const
export type LayawayStands = (typeof LAYAWAY_STANDS)[number]

export interface LayawayStanding {
  readonly stands: LayawayStands
  /** What the schedule asked through the day and did not come. */
  readonly behind: Money
  /** The day of the oldest row that is not paid in full. */
  readonly behindSince: Day | null
  /** The next row to come that is not paid in full yet, and what of it is missing. */
  readonly next: { readonly due: Day; readonly open: Money } | null
  /** What is missing until it is paid up. */
  readonly left: Money
  /** Every row of the schedule, with what came of it. */
  readonly rows: readonly { readonly due: Day; readonly payment: Money; readonly came: Money; readonly open: Money }[]
}

/**
 * Where a layaway stands on a day. Payments fill the rows from the first; a row is behind when its day and the grace days
 * after it have passed (the last grace day is still in time). Paid up means all of it came, whatever the schedule says.
 */
export const layawayStanding = (
  rows: readonly PlanRow[],
  paid: Money,
  terms: { readonly graceDays: number; readonly handedOver: boolean; readonly givenUp: boolean },
  on: Day,
): LayawayStanding => {
  const none = zeroMoney(paid.currency)
  let left = paid
  const filled = rows.map(({ due, payment }) => {
    const came = smallerMoney(left, payment)
    left = subtractMoney(left, came)
    return { due, payment, came, open: subtractMoney(payment, came) }
  })
  const open = filled.filter((row) => isPositiveMoney(row.open))
  const late = open.filter((row) => addDays(row.due, terms.graceDays) < on)
  const sum = (of: readonly { readonly open: Money }[]): Money =>
    of.reduce((s, r) => ({ ...s, minor: s.minor + r.open.minor }), none)
  const stands = terms.givenUp
    ? 'given up'
    : terms.handedOver
      ? 'handed over'
      : open.length === 0
        ? 'paid up'
        : late.length > 0
          ? 'behind'
          : 'paying in'
  return {
    stands,
    behind: sum(late),
    behindSince: late[0]?.due ?? null,
    next: open.find((row) => !late.includes(row)) ?? null,
    left: sum(open),
    rows: filled,
  }
}

/** The fee for giving up: an amount, or a percentage of the total with tax; never more than was paid. */
export const givingUpFee = (fee: Part | undefined, total: Money, paid: Money): Money =>
  fee ? smallerMoney(partOf(total, fee), paid) : zeroMoney(paid.currency)

/** The late charge on a row: an amount, or a percentage of what is open of it; none through the last grace day. */
export const lateChargeOf = (
  row: { readonly dueOn: Day; readonly open: Money },
  terms: { readonly graceDays: number; readonly charge?: Part },
  on: Day,
): Money =>
  terms.charge && isPositiveMoney(row.open) && addDays(row.dueOn, terms.graceDays) < on
    ? partOf(row.open, terms.charge)
    : zeroMoney(row.open.currency)
