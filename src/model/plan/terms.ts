import { present } from '@/core/present'
import type { Day } from '@/core/day'
import { parseMoney, subtractMoney, sumMoney, type Decimal, type Money } from '@/core/money'
import {
  depositStages,
  evenly,
  planInstallments,
  planLayaway,
  planWithoutCharge,
  termsDays,
  type InstallmentTerms,
  type Plan,
} from '@/core/plan'
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

/** The stages of a deposit as they were agreed: what each asks for, and when. */
export const stagesOf = (
  chosen: Of<'deposit'>,
  total: Money,
): { readonly amount: Money; readonly when: string; readonly percent: Decimal | null }[] => {
  const stages = chosen.stages ?? [{ percent: chosen.percent, amount: chosen.amount }]
  const amounts = depositStages(
    total,
    stages.map((s, i) =>
      s.percent ? { percent: s.percent } : { amount: read(present(s.amount), total.currency, `stages.${i}.amount`) },
    ),
  )
  return stages.map((s, i) => ({
    amount: present(amounts[i]),
    when: 'when' in s ? (s.when ?? '') : '',
    percent: s.percent ?? null,
  }))
}

/** The rows of any arrangement for a total that starts on a day: what it means, before anything is saved. */
export const planOf = (chosen: Arrangement, total: Money, startsOn: Day, currency: string): Plan => {
  switch (chosen.kind) {
    case 'installments':
      return orRefuse(planInstallments(total, installmentTerms(chosen, currency)))
    case 'layaway':
      return orRefuse(layawayPlan(chosen, total, startsOn))
    case 'deposit': {
      const stages = stagesOf(chosen, total).map((s) => s.amount)
      const rest = subtractMoney(total, sumMoney(stages, currency))
      return planWithoutCharge(
        [...stages, rest].map((payment) => ({ due: startsOn, payment })),
        total,
      )
    }
    case 'terms': {
      const days = termsDays(chosen, startsOn)
      const parts = evenly(total, days.length)
      return planWithoutCharge(
        days.map((due, i) => ({ due, payment: present(parts[i]) })),
        total,
      )
    }
    case 'now':
      return planWithoutCharge([{ due: startsOn, payment: total }], total)
  }
}
