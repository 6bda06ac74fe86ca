import { z } from 'zod'
import { toDecimalString, type Decimal } from '@/core/money'
import { partOf, planInstallments, planLayaway, type Plan } from '@/core/plan'
import { isPositiveMoney, subtractMoney, zeroMoney, type Money } from '@/core/money'
import type { Day } from '@/core/day'
import { defineCommand, type Work } from '../command'
import { arrangement, type Arrangement } from '../input/arrangement'
import { on, positiveAmount } from '../input/fields'
import { orRefuse } from '../refuse'

/** Layaway where nothing else was said: three months, a payment a month. */
const LAYAWAY = { months: 3, every: 'month' } as const

const input = z.intersection(z.object({ total: positiveAmount, on }), arrangement)

const planOf = (w: Work, chosen: Arrangement, total: Money, startsOn: Day): Plan => {
  const rate = null
  switch (chosen.kind) {
    case 'installments':
      return orRefuse(
        planInstallments(total, {
          kind: 'installments',
          count: chosen.count,
          every: chosen.every,
          firstDue: chosen.firstDue,
          roundUpTo: chosen.roundUpTo,
          firstPayment:
            chosen.firstPayment === undefined ? undefined : w.money(chosen.firstPayment, 'firstPayment'),
          charge:
            chosen.charge && 'flat' in chosen.charge
              ? { flat: w.money(chosen.charge.flat, 'charge.flat') }
              : chosen.charge,
        }),
      )
    case 'layaway':
      return orRefuse(
        planLayaway(
          total,
          {
            kind: 'layaway',
            months: chosen.months ?? LAYAWAY.months,
            every: chosen.every ?? LAYAWAY.every,
            first:
              chosen.firstPayment === undefined
                ? chosen.firstPercent && { percent: chosen.firstPercent }
                : { amount: w.money(chosen.firstPayment, 'firstPayment') },
          },
          startsOn,
        ),
      )
    case 'deposit':
    case 'now':
    case 'terms': {
      const rows = ahead(w, chosen, total, startsOn)
      return {
        rows,
        financed: total,
        totalCharge: zeroMoney(w.currency),
        totalPayments: total,
        effectiveYearlyRate: rate,
      }
    }
  }
}

/** Deposits in their stages and the rest; one payment where nothing is paid ahead. */
const ahead = (w: Work, chosen: Arrangement, total: Money, startsOn: Day): Plan['rows'] => {
  const stages =
    chosen.kind === 'deposit' ? (chosen.stages ?? [{ percent: chosen.percent, amount: chosen.amount }]) : []
  const payments = stages.map((s, i) =>
    s.percent ? partOf(total, { percent: s.percent }) : w.money(s.amount!, `stages.${i}.amount`),
  )
  const rest = payments.reduce(subtractMoney, total)
  let balance = total
  return [...payments, rest].filter(isPositiveMoney).map((payment) => {
    balance = subtractMoney(balance, payment)
    return { due: startsOn, payment, principal: payment, charge: zeroMoney(w.currency), balance }
  })
}

const asPercentRate = (rate: Decimal | null): string | null => rate && rate.toFixed(4)

/** What an arrangement means for a total: rows and sums. Nothing is saved. */
export const previewPlan = defineCommand('preview-plan', input, async (w, chosen) => {
  const plan = planOf(w, chosen, w.money(chosen.total, 'total'), chosen.on ?? w.today)
  return {
    id: 0,
    answer: async () => ({
      rows: plan.rows.map((r) => ({
        due: r.due,
        payment: toDecimalString(r.payment),
        principal: toDecimalString(r.principal),
        charge: toDecimalString(r.charge),
        balance: toDecimalString(r.balance),
      })),
      financed: toDecimalString(plan.financed),
      totalCharge: toDecimalString(plan.totalCharge),
      totalPayments: toDecimalString(plan.totalPayments),
      effectiveYearlyRate: asPercentRate(plan.effectiveYearlyRate),
    }),
  }
})
