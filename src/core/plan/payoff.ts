import { money, roundToMoney, subtractMoney, sumMoney, toDecimal, zeroMoney, type Money } from '../money'
import { daysBetween, type Day } from '../day'
import type { Charge } from './arrangement'

/** A row of a plan as it stands: what it asked, and what of it is open. */
export interface StandingRow {
  readonly due: Day
  readonly principal: Money
  readonly charge: Money
  readonly open: Money
}

export interface Payoff {
  /** Charge earned through the day of the payoff, of all rows. */
  readonly earned: Money
  /** Charge that is given back. */
  readonly givenBack: Money
  /** What settles the plan on that day: what is open less what is given back. Negative where more was paid ahead than is owed. */
  readonly toPay: Money
}

/**
 * What pays a plan off on a day. With a yearly rate the charge is earned row by row, the row that runs by its days
 * (actuarial); a flat charge is earned evenly over all days from the start to the last row. A day before the start
 * earns nothing, a day after the last row everything.
 *
 * @example 300.00 flat over 300 days, paid off after 100: 100.00 earned, 200.00 given back
 */
export const payoffOn = (
  rows: readonly StandingRow[],
  plan: { readonly startedOn: Day; readonly charge?: Charge; readonly currency: string },
  on: Day,
): Payoff => {
  const sum = (pick: (r: StandingRow) => Money): Money => sumMoney(rows.map(pick), plan.currency)
  const whole = sum((r) => r.charge)
  const earned =
    plan.charge && 'yearlyRate' in plan.charge
      ? earnedByRows(rows, plan.startedOn, on, plan.currency)
      : earnedByDays(whole, plan.startedOn, rows.at(-1)?.due ?? plan.startedOn, on)
  const givenBack = subtractMoney(whole, earned)
  return {
    earned,
    givenBack,
    toPay: subtractMoney(
      sum((r) => r.open),
      givenBack,
    ),
  }
}

/** The share of an amount for the days gone of a span, rounded once; nothing before it, all of it after. */
const earnedByDays = (whole: Money, from: Day, to: Day, on: Day): Money => {
  const [gone, all] = [daysBetween(from, on), daysBetween(from, to)]
  if (gone <= 0) return zeroMoney(whole.currency)
  if (gone >= all) return whole
  return roundToMoney(toDecimal(whole).times(gone).div(all), whole.currency)
}

const earnedByRows = (rows: readonly StandingRow[], startedOn: Day, on: Day, currency: string): Money =>
  sumMoney(
    rows.map((row, i) => earnedByDays(row.charge, rows[i - 1]?.due ?? startedOn, row.due, on)),
    currency,
  )

/** Charge first, then principal: what of a row's charge and principal is open. */
export const openParts = (row: StandingRow): { readonly charge: Money; readonly principal: Money } => {
  const filled = row.principal.minor + row.charge.minor - row.open.minor
  const charge = row.charge.minor > filled ? row.charge.minor - filled : 0n
  const { currency } = row.open
  return { charge: money(charge, currency), principal: money(row.open.minor - charge, currency) }
}
