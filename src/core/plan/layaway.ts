import { present } from '@/core/present'
import { decimal, isPositiveMoney, splitMoney, subtractMoney, zeroMoney, type Money } from '../money'
import { addMonths, type Day } from '../day'
import { err, ok, type Result } from '../result'
import type { LayawayTerms } from './arrangement'
import { partOf, type Plan, type PlanError, type PlanRow } from './installments'
import { stepFrom } from './steps'

/**
 * The schedule of a layaway from the day it starts: the first payment at once, the rest evenly at the rhythm up to
 * `months` later. Paying up early or in other sizes is always allowed; the schedule only says when it is behind.
 */
export const planLayaway = (total: Money, terms: LayawayTerms, startsOn: Day): Result<Plan, PlanError> => {
  const first = terms.first ? partOf(total, terms.first) : zeroMoney(total.currency)
  if (subtractMoney(total, first).minor < 0n) return err({ code: 'first-payment-too-large', total, first })
  const ends = addMonths(startsOn, terms.months)
  const days: Day[] = []
  for (let n = 1; stepFrom(startsOn, terms.every, n) <= ends; n++) days.push(stepFrom(startsOn, terms.every, n))
  if (days.length === 0) days.push(ends)
  const rest = splitMoney(
    subtractMoney(total, first),
    days.map(() => decimal(1)),
  )
  const payments = isPositiveMoney(first) ? [{ due: startsOn, payment: first }] : []
  payments.push(...days.map((due, i) => ({ due, payment: present(rest[i]) })).filter((p) => isPositiveMoney(p.payment)))
  let balance = total
  const rows: PlanRow[] = payments.map(({ due, payment }) => {
    balance = subtractMoney(balance, payment)
    return { due, payment, principal: payment, charge: zeroMoney(total.currency), balance }
  })
  return ok({
    rows,
    financed: total,
    totalCharge: zeroMoney(total.currency),
    totalPayments: total,
    effectiveYearlyRate: decimal(0),
  })
}
