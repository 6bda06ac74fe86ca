import type { z } from 'zod'
import {
  quotePayoffInput,
  payOffPlanInput,
  reschedulePlanInput,
  keepCardInput,
} from '@/contract/inputs/plans/changePlan'
import { isPositiveMoney, sumMoney, toDecimalString, negateMoney } from '@/core/money'
import { planInstallments, spreadRest, type Plan } from '@/core/plan'
import { endPlan, insertPlanCharges, keepPlanCard, sumPlanCharge } from '@/data/queries/plans'
import { defineCommand, paperDay } from '../command'
import { keepArrangement } from '@/contract/arrangement'
import { orRefuse, refuse, refuseAt } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { takeSale } from '../sales/saleWork'
import { writeReceipt } from '../money/takeReceipt'
import { installmentTerms } from '@/model/plan/terms'
import {
  earnRows,
  endCharge,
  moveRows,
  payOffIn,
  quotePayoff,
  refuseBeforeLater,
  standingRow,
  takePlan,
} from './planWork'
import { writePlan } from './startPlan'
import { listDuesOfPlan, lockOpenDues } from '@/data/queries/due'

/** What would pay a plan off on a day; nothing is saved. */
export const quotePlanPayoff = defineCommand('quote-payoff', quotePayoffInput, async (w, input) => {
  const plan = await takePlan(w, input.saleId, input.planId)
  const onDay = input.on ?? w.today
  if (onDay < plan.startedOn) refuse({ code: 'before-plan', startedOn: plan.startedOn })
  const q = await quotePayoff(w.tx, plan, onDay, w.currency)
  return {
    id: plan.id,
    answer: async () => ({
      planId: plan.id,
      on: onDay,
      open: toDecimalString(
        sumMoney(
          q.rows.map((r) => r.open),
          w.currency,
        ),
      ),
      earned: toDecimalString(q.earned),
      givenBack: toDecimalString(q.givenBack),
      payoff: toDecimalString(q.toPay),
    }),
  }
})

/** Pays a plan off early: the charge that is not earned is given back, the rest is due now, and taken where a method is named. */
export const payOffPlan = defineCommand('pay-off-plan', payOffPlanInput, async (w, input) => {
  const { sale } = await takeSale(w, input.saleId)
  await lockOpenDues(w.tx, sale.customerId, w.currency)
  const plan = await takePlan(w, input.saleId, input.planId)
  const onDay = paperDay(w, input.on)
  const { givenBack, toPay, dues } = await payOffIn(w, plan, onDay)
  const receiptId =
    input.method && isPositiveMoney(toPay)
      ? await writeReceipt(w, {
          customerId: sale.customerId,
          on: onDay,
          method: input.method,
          amount: toDecimalString(toPay),
          for: dues.map((d) => ({ dueId: d.id, amount: toDecimalString(d.open) })),
        })
      : null
  await refreshSale(w, sale.id)
  return {
    id: plan.id,
    answer: async () => ({
      planId: plan.id,
      on: onDay,
      payoff: toDecimalString(toPay),
      givenBack: toDecimalString(givenBack),
      receiptId,
    }),
  }
})

/**
 * New rows for what is open of a plan: the old ones end, and their history stays. Without a charge of its own the open
 * charge comes along to the cent; with one, what was not earned is given back first, and the new one is made on the rest.
 */
export const reschedulePlan = defineCommand('reschedule-plan', reschedulePlanInput, async (w, input) => {
  const { sale } = await takeSale(w, input.saleId)
  await lockOpenDues(w.tx, sale.customerId, w.currency)
  const plan = await takePlan(w, input.saleId, input.planId)
  const onDay = paperDay(w, input.on)
  if (onDay < plan.startedOn) refuse({ code: 'before-plan', startedOn: plan.startedOn })
  if (input.firstDue < onDay) refuseAt('firstDue', 'The first payment cannot be due before the day of the change.')
  const terms = newTerms(input)
  if (input.charge) await endCharge(w, plan, onDay)
  else await earnRows(w, plan, onDay)
  const rows = await listDuesOfPlan(w.tx, plan.id, w.currency)
  await refuseBeforeLater(
    w,
    rows.filter((r) => isPositiveMoney(r.open)),
    onDay,
  )
  const { unearned } = await sumPlanCharge(w.tx, plan.id, w.currency)
  const moved = await moveRows(w, rows, onDay)
  if (!isPositiveMoney(moved)) refuse({ code: 'nothing-open' })
  const next = input.charge
    ? orRefuse(planInstallments(moved, installmentTerms(terms, w.currency)))
    : orRefuse(spreadRest(rows.map(standingRow), terms, w.currency))
  await insertPlanCharges(w.tx, [
    { planId: plan.id, onDay, amount: negateMoney(unearned).minor, why: 'carried' as const },
  ])
  await endPlan(w.tx, plan.id, { endedOn: onDay, endedAs: 'rescheduled' })
  const madeId = await writePlan(w, {
    saleId: sale.id,
    customerId: sale.customerId,
    customerName: sale.customerName,
    invoiceId: plan.invoiceId,
    startedOn: onDay,
    terms: keepArrangement({ ...readableTerms(plan.terms), ...terms }),
    plan: next,
    replacesId: plan.id,
    card: plan.card,
    ...(input.charge ? {} : { carried: unearned }),
  })
  await refreshSale(w, sale.id)
  return {
    id: madeId,
    answer: async () => ({ planId: madeId, replaces: plan.id, ...rowsView(next) }),
  }
})

/** The terms of the new rows, as a plan keeps them. */
const newTerms = ({ count, every, firstDue, roundUpTo, charge }: z.output<typeof reschedulePlanInput>) => ({
  kind: 'installments' as const,
  count,
  every,
  firstDue,
  ...(roundUpTo ? { roundUpTo } : {}),
  ...(charge ? { charge } : {}),
})

const rowsView = ({ rows, totalPayments }: Pick<Plan, 'rows' | 'totalPayments'>) => ({
  rows: rows.map((r) => ({
    due: r.due,
    payment: toDecimalString(r.payment),
    principal: toDecimalString(r.principal),
    charge: toDecimalString(r.charge),
    balance: toDecimalString(r.balance),
  })),
  totalPayments: toDecimalString(totalPayments),
})

/** What of the old terms lives on: how late charges are made. The first payment was made, the charge is told anew. */
const readableTerms = (terms: unknown): Record<string, unknown> => {
  const { graceDays, lateCharge, charge } = terms as Record<string, unknown>
  return { ...(graceDays ? { graceDays } : {}), ...(lateCharge ? { lateCharge } : {}), ...(charge ? { charge } : {}) }
}

/** Whoever keeps cards: takes a number, answers what it is called from then on, or null where it is no card. */
export type CardKeeper = (card: { readonly number: string }) => string | null

/** Keeps a card for a plan, to collect its rows from by itself; without a number, forgets it. The number itself is not kept. */
export const keepCardForPlan = (keep: CardKeeper) =>
  defineCommand('keep-card', keepCardInput, async (w, input) => {
    await takeSale(w, input.saleId)
    const plan = await takePlan(w, input.saleId, input.planId)
    const card = input.number === undefined ? '' : keep({ number: input.number })
    if (card === null) return refuseAt('number', 'A card number has sixteen digits.')
    await keepPlanCard(w.tx, plan.id, card)
    return {
      id: plan.id,
      answer: async () => ({ planId: plan.id, card: card === '' ? null : card.slice(-4) }),
    }
  })
