import { present } from '@/core/present'
import { addDays, addMonths, type Day } from '@/core/day'
import {
  decimal,
  isPositiveMoney,
  parseMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  zeroMoney,
  type Decimal,
  type Money,
} from '@/core/money'
import { partOf, planInstallments, planLayaway, stepFrom, type InstallmentTerms, type Plan } from '@/core/plan'
import type { Arrangement } from '@/contract/arrangement'
import { orRefuse, refuse } from '@/contract/refuse'

type Of<K extends Arrangement['kind']> = Extract<Arrangement, { kind: K }>

/** Layaway where nothing else was said: three months, a payment a month. */
const LAYAWAY = { months: 3, every: 'month' } as const

const read = (text: string, currency: string, path: string): Money => {
  const parsed = parseMoney(text, currency)
  return parsed.ok
    ? parsed.value
    : refuse({ code: 'invalid', errors: [{ path, message: `Not an amount in ${currency}: ${text}` }] })
}

/** The terms of installments as the core reads them. */
export const installmentTerms = (chosen: Of<'installments'>, currency: string): InstallmentTerms => ({
  kind: 'installments',
  count: chosen.count,
  every: chosen.every,
  firstDue: chosen.firstDue,
  roundUpTo: chosen.roundUpTo,
  firstPayment: chosen.firstPayment === undefined ? undefined : read(chosen.firstPayment, currency, 'firstPayment'),
  charge:
    chosen.charge && 'flat' in chosen.charge
      ? { flat: read(chosen.charge.flat, currency, 'charge.flat') }
      : chosen.charge,
})

/** The schedule of a layaway that starts on a day. */
export const layawayPlan = (chosen: Of<'layaway'>, total: Money, startsOn: Day): ReturnType<typeof planLayaway> =>
  planLayaway(
    total,
    {
      kind: 'layaway',
      months: chosen.months ?? LAYAWAY.months,
      every: chosen.every ?? LAYAWAY.every,
      first:
        chosen.firstPayment === undefined
          ? chosen.firstPercent && { percent: chosen.firstPercent }
          : { amount: read(chosen.firstPayment, total.currency, 'firstPayment') },
    },
    startsOn,
  )

/** The parts of a bill on terms: their days and amounts, adding up to it. */
export const termsDays = (chosen: Of<'terms'>, on: Day): Day[] => {
  const first = addDays(on, chosen.net)
  return Array.from({ length: chosen.parts ?? 1 }, (_, i) => stepFrom(first, chosen.every ?? 'month', i))
}

/** What the stages of a deposit come to; the last never asks for more than is left of the total. */
export const depositStages = (
  chosen: Of<'deposit'>,
  total: Money,
): { readonly amount: Money; readonly when: string; readonly percent: Decimal | null }[] => {
  const stages = chosen.stages ?? [{ percent: chosen.percent, amount: chosen.amount }]
  let left = total
  return stages.map((s, i) => {
    const wish = s.percent
      ? partOf(total, { percent: s.percent })
      : read(present(s.amount), total.currency, `stages.${i}.amount`)
    const amount = wish.minor > left.minor ? left : wish
    left = subtractMoney(left, amount)
    return { amount, when: 'when' in s ? (s.when ?? '') : '', percent: s.percent ?? null }
  })
}

/** The rows of any arrangement for a total that starts on a day: what it means, before anything is saved. */
export const planOf = (chosen: Arrangement, total: Money, startsOn: Day, currency: string): Plan => {
  switch (chosen.kind) {
    case 'installments':
      return orRefuse(planInstallments(total, installmentTerms(chosen, currency)))
    case 'layaway':
      return orRefuse(layawayPlan(chosen, total, startsOn))
    case 'deposit': {
      const stages = depositStages(chosen, total).map((s) => s.amount)
      const rest = subtractMoney(total, sumMoney(stages, currency))
      return plainRows(
        [...stages, rest].map((payment) => ({ due: startsOn, payment })),
        total,
      )
    }
    case 'terms': {
      const dues = termsDays(chosen, startsOn)
      return plainRows(splitDays(dues, total), total)
    }
    case 'now':
      return plainRows([{ due: startsOn, payment: total }], total)
  }
}

const splitDays = (dues: readonly Day[], total: Money) =>
  evenly(total, dues.length).map((payment, i) => ({ due: present(dues[i]), payment }))

/** An amount in so many parts, the left-over cents to the earlier ones. */
export const evenly = (total: Money, count: number): Money[] =>
  splitMoney(
    total,
    Array.from({ length: count }, () => decimal(1)),
  )

const plainRows = (payments: readonly { readonly due: Day; readonly payment: Money }[], total: Money): Plan => {
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

/** The first due of a plan that begins on a day: as agreed, or the first step of the rhythm that is not before it. */
export const firstDueFrom = (terms: InstallmentTerms, on: Day): Day => {
  for (let n = 0; n < 1000; n++) {
    const step = stepFrom(terms.firstDue, terms.every, n)
    if (step >= on) return step
  }
  return addMonths(on, 1)
}
