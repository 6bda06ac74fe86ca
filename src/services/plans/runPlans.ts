import { beginCollectionInput, earnPlanInput } from '@/contract/inputs/plans/runPlans'
import { present } from '@/core/present'
import { isPositiveMoney, toDecimalString, type Money } from '@/core/money'
import { findAskedForDue, sumPaymentsUnderWay } from '@/data/queries/cardPayments'
import { findPlan } from '@/data/queries/plans'
import { defineCommand } from '../command'
import { found, refuse } from '@/contract/refuse'
import { askPayment } from '../money/cardPayment'
import { takeSale } from '../sales/saleWork'
import { earnRows } from './planWork'
import { findDues, lockOpenDues } from '@/data/queries/due'

/** Earns the charge of a plan's rows whose day has come. Doing it again does nothing. */
export const earnPlan = defineCommand('earn-plan', earnPlanInput, async (w, { planId }) => {
  const seen = found(await findPlan(w.tx, planId, w.currency), 'plan', planId)
  await takeSale(w, seen.saleId)
  const plan = present(await findPlan(w.tx, planId, w.currency))
  const earned = plan.endedOn === null ? await earnRows(w, plan, w.today) : 0
  return { id: planId, answer: async () => ({ planId, earned }) }
})

/**
 * A row of a plan is to be collected from the card kept for it: written down before the card is asked. What was asked for and not
 * answered (the program ended in between) is asked for again by its reference; nothing is, while something is being paid already.
 */
export const beginCollection = defineCommand('begin-collection', beginCollectionInput, async (w, { dueId }) => {
  const [seen] = await findDues(w.tx, [dueId], w.currency)
  const { sale } = await takeSale(w, found(seen, 'due', dueId).saleId)
  await lockOpenDues(w.tx, sale.customerId, w.currency)
  const due = present((await findDues(w.tx, [dueId], w.currency))[0])
  const plan = due.planId === null ? null : await findPlan(w.tx, due.planId, w.currency)
  if (!plan || plan.card === '') return refuse({ code: 'no-plan' })
  const { customerId } = sale
  const asked = async (): Promise<{ readonly reference: string; readonly amount: Money }> => {
    const underWay = await sumPaymentsUnderWay(w.tx, { customerId, saleId: sale.id }, w.currency)
    if (!isPositiveMoney(due.open) || isPositiveMoney(underWay)) return refuse({ code: 'nothing-open' })
    const reference = await askPayment(w, { customerId, saleId: sale.id, dueId, amount: due.open })
    return { reference, amount: due.open }
  }
  const { reference, amount } = (await findAskedForDue(w.tx, dueId, w.currency)) ?? (await asked())
  return {
    id: dueId,
    answer: async () => ({ card: plan.card, reference, amount: toDecimalString(amount) }),
  }
})
