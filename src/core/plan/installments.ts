import { present } from '@/core/present'
import {
  addMoney,
  decimal,
  HUNDRED,
  isPositiveMoney,
  wholeUnit,
  money,
  multiplyMoney,
  power,
  roundToMoney,
  smaller,
  smallerMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  ZERO,
  zeroMoney,
  type Decimal,
  type Money,
} from '../money'
import { err, ok, type Result } from '../result'
import type { Day } from '../day'
import type { InstallmentTerms, Rhythm } from './arrangement'
import { overAYear, stepFrom, stepsPerYear } from './steps'

export interface PlanRow {
  readonly due: Day
  readonly payment: Money
  readonly principal: Money
  readonly charge: Money
  /** Principal still open after this row. */
  readonly balance: Money
}

export interface Plan {
  readonly rows: readonly PlanRow[]
  readonly financed: Money
  readonly totalCharge: Money
  readonly totalPayments: Money
  /** A fraction: 0.1268 for 12.68 %; null where nothing is financed. */
  readonly effectiveYearlyRate: Decimal | null
}

export type PlanError =
  | { readonly code: 'first-payment-too-large'; readonly total: Money; readonly first: Money }
  | { readonly code: 'payment-does-not-cover-charge' }

/**
 * The schedule of an installment plan.
 *
 * Without a charge, or with a flat one, financed + charge is split evenly (left-over cents to the earlier rows). With a
 * yearly rate each payment is P·r ÷ (1 − (1+r)^−n) rounded once, the charge of a row is the rounded period rate on the
 * balance before it, and the last row takes what remains. `roundUpTo` lifts every payment to a step; the last row takes
 * the rest, and rows that are no longer needed fall away.
 *
 * @example 1,970.00 with 350.00 first over 9 months: 9 × 180.00
 * @example 1,800.00 at 0.12 over 12 months: 11 × 159.93 and 159.90, together 1,919.13
 */
export const planInstallments = (total: Money, terms: InstallmentTerms): Result<Plan, PlanError> => {
  const first = terms.firstPayment ?? zeroMoney(total.currency)
  const financed = subtractMoney(total, first)
  if (financed.minor < 0n) return err({ code: 'first-payment-too-large', total, first })
  const yearlyRate = terms.charge && 'yearlyRate' in terms.charge ? terms.charge.yearlyRate : ZERO
  const rows = yearlyRate.gt(0)
    ? fallingBalance(financed, yearlyRate.div(stepsPerYear(terms.every)), terms)
    : evenRows(financed, flatCharge(financed, terms), terms)
  if (!rows) return err({ code: 'payment-does-not-cover-charge' })
  const totalCharge = sumMoney(
    rows.map((r) => r.charge),
    total.currency,
  )
  return ok({
    rows,
    financed,
    totalCharge,
    totalPayments: sumMoney(
      rows.map((r) => r.payment),
      total.currency,
    ),
    effectiveYearlyRate: isPositiveMoney(financed)
      ? effectiveYearlyRate(
          financed,
          rows.map((r) => r.payment),
          terms.every,
        )
      : null,
  })
}

const flatCharge = (financed: Money, { charge }: InstallmentTerms): Money =>
  charge && 'flat' in charge
    ? charge.flat
    : charge && 'flatPercent' in charge
      ? multiplyMoney(financed, charge.flatPercent.div(HUNDRED))
      : zeroMoney(financed.currency)

const roundUp = (amount: Money, roundUpTo: number | undefined): Money => {
  if (!roundUpTo) return amount
  const step = BigInt(roundUpTo) * wholeUnit(amount.currency)
  return money(((amount.minor + step - 1n) / step) * step, amount.currency)
}

const evenRows = (financed: Money, charge: Money, terms: InstallmentTerms): PlanRow[] => {
  const whole = addMoney(financed, charge)
  const even = splitMoney(
    whole,
    Array.from({ length: terms.count }, () => decimal(1)),
  )
  const payments: Money[] = []
  let left = whole
  for (const part of even) {
    const payment = payments.length === terms.count - 1 ? left : smallerMoney(left, roundUp(part, terms.roundUpTo))
    if (!isPositiveMoney(payment)) break
    payments.push(payment)
    left = subtractMoney(left, payment)
  }
  const charges = splitMoney(
    charge,
    payments.map((p) => decimal(p.minor)),
  )
  let balance = financed
  return payments.map((payment, i) => {
    const principal = subtractMoney(payment, present(charges[i]))
    balance = subtractMoney(balance, principal)
    return { due: stepFrom(terms.firstDue, terms.every, i), payment, principal, charge: present(charges[i]), balance }
  })
}

const fallingBalance = (financed: Money, rate: Decimal, terms: InstallmentTerms): PlanRow[] | null => {
  const level = toDecimal(financed)
    .times(rate)
    .div(decimal(1).minus(decimal(1).div(power(rate.plus(1), terms.count))))
  const payment = roundUp(roundToMoney(level, financed.currency), terms.roundUpTo)
  const rows: PlanRow[] = []
  let balance = financed
  for (let i = 0; i < terms.count && isPositiveMoney(balance); i++) {
    const charge = multiplyMoney(balance, rate)
    const principal = i === terms.count - 1 ? balance : smallerMoney(balance, subtractMoney(payment, charge))
    if (!isPositiveMoney(principal)) return null
    balance = subtractMoney(balance, principal)
    rows.push({
      due: stepFrom(terms.firstDue, terms.every, i),
      payment: addMoney(principal, charge),
      principal,
      charge,
      balance,
    })
  }
  return rows
}

/** Digits after the point that a rate shown to four places needs, and many more: no money depends on it. */
const DIGITS = 24
const CLOSE = decimal('1e-12')
/** More than tenfold a period is not told apart. */
const MOST = decimal(10)

/**
 * The yearly rate at which the payments are worth what was financed, payments one step apart and the first one step after
 * the start, compounded over a year; to four places of the fraction (0.01 %), half away from zero. Zero where no more is
 * paid than was financed.
 *
 * Found by Newton's method on the rate of a step: what the payments are worth falls with the rate, ever more slowly, so
 * from zero the steps rise towards the rate and never pass it.
 */
export const effectiveYearlyRate = (financed: Money, payments: readonly Money[], every: Rhythm): Decimal => {
  const target = decimal(financed.minor)
  const paid = payments.map((p) => decimal(p.minor))
  let rate = ZERO
  for (let i = 0; i < 100; i++) {
    const factor = decimal(1).div(rate.plus(1)).round(DIGITS)
    let [worth, slope] = [ZERO, ZERO]
    for (const [n, p] of [...paid.entries()].reverse()) {
      worth = worth.times(factor).plus(p).round(DIGITS)
      slope = slope
        .times(factor)
        .plus(p.times(n + 1))
        .round(DIGITS)
    }
    const over = worth.times(factor).minus(target)
    if (over.lte(0)) break
    const step = over.div(slope.times(factor).times(factor)).round(DIGITS)
    rate = rate.plus(step)
    if (step.lt(CLOSE) || rate.gt(MOST)) break
  }
  return overAYear(smaller(rate, MOST).plus(1), every).minus(1).round(4)
}

/**
 * What a part comes to: the amount, or the percentage of the total, rounded once. Never more than the total.
 *
 * @example partOf(usd('412.50'), { percent: decimal(25) }) // 103.13
 */
export const partOf = (total: Money, part: { readonly percent: Decimal } | { readonly amount: Money }): Money =>
  'amount' in part ? part.amount : multiplyMoney(total, part.percent.div(HUNDRED))
