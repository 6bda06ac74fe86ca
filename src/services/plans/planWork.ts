import { present } from '@/core/present'
import { addDays, laterDay, type Day } from '@/core/day'
import {
  isPositiveMoney,
  shareMoney,
  smallerMoney,
  subtractMoney,
  sumMoney,
  type Money,
  negateMoney,
} from '@/core/money'
import { payoffOn, type Payoff, type StandingRow } from '@/core/plan'
import { postChargeEarned, postPayoff } from '@/core/ledger'
import type { Db } from '@/data/connect'
import {
  endPlan,
  insertPlanCharges,
  listEarnedDues,
  listPlansOfSales,
  sumPlanCharge,
  type PlanFacts,
} from '@/data/queries/plans'
import type { Work } from '../command'
import { readArrangement } from '@/contract/arrangement'
import { refuse } from '@/contract/refuse'
import { installmentTerms } from '@/model/plan/terms'
import { insertDues, listDuesOfPlan, type DueRow } from '@/data/queries/due'
import { insertFills, listFillsOfDues } from '@/data/queries/fill'
import { insertHeldMoves } from '@/data/queries/held'

export const standingRow = (d: DueRow): StandingRow => ({
  due: d.dueOn,
  principal: subtractMoney(d.amount, d.charge),
  charge: d.charge,
  open: d.open,
})

/** The one plan that runs on a sale, or the one named. */
export const takePlan = async (w: Work, saleId: number, planId: number | undefined): Promise<PlanFacts> => {
  const live = (await listPlansOfSales(w.tx, [saleId], w.currency)).filter((p) => p.endedOn === null)
  const named = planId === undefined ? live : live.filter((p) => p.id === planId)
  if (named.length === 0) refuse({ code: 'no-plan' })
  if (named.length > 1) refuse({ code: 'which-plan', count: named.length })
  return present(named[0])
}

const chargeOf = (plan: PlanFacts, currency: string) => {
  const terms = readArrangement(plan.terms)
  return terms.kind === 'installments' ? installmentTerms(terms, currency).charge : undefined
}

/** What would settle a plan on a day, from its rows. */
export const quotePayoff = async (
  db: Db,
  plan: PlanFacts,
  on: Day,
  currency: string,
): Promise<Payoff & { readonly rows: readonly DueRow[] }> => {
  const rows = await listDuesOfPlan(db, plan.id, currency)
  const quote = payoffOn(
    rows.map(standingRow),
    { startedOn: plan.startedOn, charge: chargeOf(plan, currency), currency },
    on,
  )
  return { ...quote, rows }
}

/**
 * Earns the charge of every row due through a day that was not earned yet: dated the row's day, or the first open day
 * after it where its period is closed. What a plan earns is shared over its rows by their charge.
 */
export const earnRows = async (w: Work, plan: PlanFacts, through: Day): Promise<number> => {
  const [rows, done, { added, unearned }] = [
    await listDuesOfPlan(w.tx, plan.id, w.currency),
    await listEarnedDues(w.tx, plan.id),
    await sumPlanCharge(w.tx, plan.id, w.currency),
  ]
  const shares = shareMoney(
    added,
    rows.map((r) => r.charge),
  )
  const firstOpen = w.business.closedThrough ? addDays(w.business.closedThrough, 1) : plan.startedOn
  let left = unearned
  let earned = 0
  for (const [i, row] of rows.entries()) {
    const amount = smallerMoney(present(shares[i]), left)
    if (row.dueOn > through || done.has(row.id) || !isPositiveMoney(amount)) continue
    const on = laterDay(row.dueOn, firstOpen)
    if (on > through) continue
    const entryId = await w.post(
      postChargeEarned({
        on,
        text: `Charge earned, plan ${plan.number}, ${row.label}, ${plan.customerName}`,
        amount,
      }),
      { kind: 'plan', id: plan.id, saleId: plan.saleId, customerId: plan.customerId },
    )
    await insertPlanCharges(w.tx, [
      { planId: plan.id, dueId: row.id, onDay: on, amount: negateMoney(amount).minor, why: 'earned', entryId },
    ])
    left = subtractMoney(left, amount)
    earned++
  }
  return earned
}

/** Refuses to change a plan on a day before something that happened to its rows since. */
export const refuseBeforeLater = async (w: Work, rows: readonly DueRow[], on: Day): Promise<void> => {
  if (on >= w.today) return
  const later = (
    await listFillsOfDues(
      w.tx,
      rows.map((r) => r.id),
      w.currency,
    )
  )
    .map((f) => f.on)
    .filter((d) => d > on)
  const last = later.sort().at(-1)
  if (last) refuse({ code: 'not-before', from: last, what: 'Something was paid or changed on this plan since.' })
}

/**
 * Ends a plan's charge on a day: what is earned by then is earned, what is not is given back off the last rows (beyond
 * what is open: held on account). Answers what was given back.
 */
export const endCharge = async (w: Work, plan: PlanFacts, on: Day): Promise<Money> => {
  if (on < plan.startedOn) refuse({ code: 'before-plan', startedOn: plan.startedOn })
  await refuseBeforeLater(w, await listDuesOfPlan(w.tx, plan.id, w.currency), on)
  await earnRows(w, plan, on)
  const { givenBack, rows } = await quotePayoff(w.tx, plan, on, w.currency)
  const { unearned } = await sumPlanCharge(w.tx, plan.id, w.currency)
  const open = sumMoney(
    rows.map((r) => r.open),
    w.currency,
  )
  const offReceivables = smallerMoney(givenBack, open)
  const onAccount = subtractMoney(givenBack, offReceivables)
  if (isPositiveMoney(unearned) || isPositiveMoney(givenBack)) {
    const entry = postPayoff({
      on,
      text: `Charge given back, plan ${plan.number}, ${plan.customerName}`,
      unearned,
      offReceivables,
      onAccount,
    })
    const entryId = await w.post(entry, { kind: 'plan', id: plan.id, saleId: plan.saleId, customerId: plan.customerId })
    await insertPlanCharges(w.tx, [
      { planId: plan.id, onDay: on, amount: negateMoney(unearned).minor, why: 'ended', entryId },
    ])
    let left = offReceivables
    const fills: Parameters<typeof insertFills>[1][number][] = []
    for (const row of [...rows].reverse()) {
      const part = smallerMoney(left, row.open)
      if (isPositiveMoney(part))
        fills.push({ dueId: row.id, onDay: on, amount: part.minor, kind: 'given-back', entryId })
      left = subtractMoney(left, part)
    }
    await insertFills(w.tx, fills)
    if (isPositiveMoney(onAccount))
      await insertHeldMoves(w.tx, [
        {
          customerId: plan.customerId,
          saleId: null,
          kind: 'account',
          onDay: on,
          amount: onAccount.minor,
          why: 'payoff',
          entryId,
        },
      ])
  }
  return givenBack
}

/** Closes rows: what is open of them moves on to new dues. Nothing is posted; the same is owed. */
export const moveRows = async (w: Work, rows: readonly DueRow[], on: Day): Promise<Money> => {
  const open = rows.filter((r) => isPositiveMoney(r.open))
  await insertFills(
    w.tx,
    open.map((r) => ({ dueId: r.id, onDay: on, amount: r.open.minor, kind: 'moved' as const })),
  )
  return sumMoney(
    open.map((r) => r.open),
    w.currency,
  )
}

export interface PaidOff {
  readonly givenBack: Money
  readonly toPay: Money
  /** The dues that it takes to settle the plan now. */
  readonly dues: readonly { readonly id: number; readonly open: Money }[]
}

/** Ends a plan early: the charge stops, what is to come is due on the day. Rows that were due before keep their own days. */
export const payOffIn = async (w: Work, plan: PlanFacts, on: Day): Promise<PaidOff> => {
  const givenBack = await endCharge(w, plan, on)
  const rows = await listDuesOfPlan(w.tx, plan.id, w.currency)
  const moved = await moveRows(
    w,
    rows.filter((r) => r.dueOn > on),
    on,
  )
  const [dueId] = isPositiveMoney(moved)
    ? await insertDues(w.tx, [
        {
          invoiceId: plan.invoiceId,
          saleId: plan.saleId,
          customerId: plan.customerId,
          issuedOn: on,
          dueOn: on,
          amount: moved.minor,
          moved: moved.minor,
          label: `payoff of plan ${plan.number}`,
        },
      ])
    : []
  await endPlan(w.tx, plan.id, { endedOn: on, endedAs: 'paid off' })
  const dues = [
    ...rows.filter((r) => r.dueOn <= on && isPositiveMoney(r.open)),
    ...(dueId === undefined ? [] : [{ id: dueId, open: moved }]),
  ].map((d) => ({ id: d.id, open: d.open }))
  return {
    givenBack,
    dues,
    toPay: sumMoney(
      dues.map((d) => d.open),
      w.currency,
    ),
  }
}
