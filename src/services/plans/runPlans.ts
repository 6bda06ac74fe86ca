import { earnPlanInput, collectRowInput } from '@/contract/inputs/plans/runPlans'
import { present } from '@/core/present'
import { isPositiveMoney, toDecimalString } from '@/core/money'
import { findPlan, insertCollection } from '@/data/queries/plans'
import { defineCommand } from '../command'
import { found, refuse } from '@/contract/refuse'
import { writeReceipt } from '../money/takeReceipt'
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

/** Writes down what the card kept for a plan answered: a receipt for the row, or why not. Once a day for each row. */
export const collectRow = defineCommand('collect-row', collectRowInput, async (w, { dueId, approved, why }) => {
  const [seen] = await findDues(w.tx, [dueId], w.currency)
  const { sale } = await takeSale(w, found(seen, 'due', dueId).saleId)
  await lockOpenDues(w.tx, sale.customerId, w.currency)
  const due = present((await findDues(w.tx, [dueId], w.currency))[0])
  if (!isPositiveMoney(due.open)) refuse({ code: 'nothing-open' })
  const amount = toDecimalString(due.open)
  const receiptId = approved
    ? await writeReceipt(w, {
        customerId: sale.customerId,
        method: 'card',
        amount,
        reference: 'card kept for the plan',
        for: [{ dueId, amount }],
      })
    : null
  const first = await insertCollection(w.tx, { dueId, onDay: w.today, approved, why, receiptId })
  if (!first) refuse({ code: 'nothing-open' })
  return { id: receiptId ?? 0, answer: async () => ({ dueId, approved, why, receiptId }) }
})
