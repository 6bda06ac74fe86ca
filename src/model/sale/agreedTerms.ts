import { addMoney, isPositiveMoney, parseMoney, sumMoney, zeroMoney, type Money } from '@/core/money'
import type { Day } from '@/core/day'
import { lateChargeOf, layawayStanding, partOf, type LayawayStanding, type Plan } from '@/core/plan'
import type { LineState } from '@/core/sale'
import type { Business } from '@/data/queries/business'
import type { SaleRow } from '@/data/queries/sales'
import type { PlanFacts } from '@/data/queries/plans'
import { readArrangement, type Arrangement } from '@/contract/arrangement'
import { readPart, readUsual } from '@/contract/usualArrangements'
import { layawayPlan } from '@/model/plan/terms'
import type { DueRow } from '@/data/queries/due'
import type { FillKind } from '@/data/queries/fill'

/** What of a sale's facts the derivations about promises read. */
export interface PromiseFacts {
  readonly sale: SaleRow
  readonly dues: readonly DueRow[]
  readonly charges: readonly { readonly forDueId: number | null }[]
  readonly plans: readonly PlanFacts[]
  readonly business: Business
  readonly today: Day
}

/** Kinds of fills that lower what is owed without a bill being taken back. */
export const LESSENS: readonly FillKind[] = ['discount', 'given-back', 'write-off']

export const layawayOf = (
  f: PromiseFacts,
  arrangement: Arrangement,
  total: Money,
  lines: readonly LineState[],
  held: Money,
  billed: Money,
): { readonly plan: Plan; readonly standing: LayawayStanding } | null => {
  if (arrangement.kind !== 'layaway' || !f.sale.agreedOn) return null
  const plan = layawayPlan(arrangement, total, f.sale.agreedOn)
  if (!plan.ok) return null
  const standing = layawayStanding(
    plan.value.rows,
    addMoney(held, billed),
    {
      graceDays: arrangement.graceDays ?? 0,
      handedOver: isPositiveMoney(billed) && lines.every((l) => l.toHandOver.lte(0)),
      givenUp: f.sale.closedAs === 'cancelled',
    },
    f.today,
  )
  return { plan: plan.value, standing }
}

/** Late charges that the arrangement (or Settings) would make today, where none was made. */
export const lateChargesOf = (f: PromiseFacts): readonly { readonly due: DueRow; readonly amount: Money }[] => {
  const usual = readUsual(f.business.usualArrangements).late
  return f.dues
    .filter(
      (d) => d.dueOn < f.today && d.beyond.minor !== d.amount.minor && !f.charges.some((c) => c.forDueId === d.id),
    )
    .map((due) => {
      const terms = f.plans.find((p) => p.id === due.planId)?.terms
      const own = terms === undefined ? null : readArrangement(terms)
      const of =
        own?.kind === 'installments' && own.lateCharge ? { charge: own.lateCharge, graceDays: own.graceDays } : usual
      const rule = { graceDays: of.graceDays ?? 0, charge: readPart(of.charge, f.business.currency) }
      return { due, amount: lateChargeOf(due, rule, f.today) }
    })
    .filter((c) => isPositiveMoney(c.amount))
}

/** What was asked ahead, tax included: by the arrangement, or by the requests written where they ask for more. */
export const askedAhead = (
  arrangement: Arrangement,
  gross: Money,
  requests: readonly { readonly amount: Money }[],
  currency: string,
): Money => {
  const requested = sumMoney(
    requests.map((r) => r.amount),
    currency,
  )
  if (arrangement.kind !== 'deposit') return requested
  const wish = arrangement.stages?.[0] ?? arrangement
  const arranged = wish.percent ? partOf(gross, { percent: wish.percent }) : depositAmount(wish.amount, currency)
  return requested.minor > arranged.minor ? requested : arranged
}

const depositAmount = (text: string | undefined, currency: string): Money => {
  const parsed = text === undefined ? null : parseMoney(text, currency)
  return parsed?.ok ? parsed.value : zeroMoney(currency)
}
