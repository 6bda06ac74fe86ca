import { listPlansToEarn, listToCollect } from '@/data/queries/plans'
import type { Till } from '@/services/command'
import { settleCardPayment } from '@/services/money/cardPayment'
import { beginCollection, earnPlan } from '@/services/plans/runPlans'
import { askKeptCard } from '@/standins/card/askCard'

/** A card that refused is asked again after so many days. */
const ASK_AGAIN_AFTER = 3

/** What plans do by themselves on a day: earn their charges, and collect from the cards kept for them. */
export const runDuePlans = async (
  till: Till,
): Promise<{ readonly earned: number; readonly collected: number; readonly refused: number }> => {
  let [earned, collected, refused] = [0, 0, 0]
  for (const planId of await listPlansToEarn(till.db, till.today)) {
    const done = await earnPlan.answer(till, { planId }, null)
    if (done.ok) earned += done.value.earned
  }
  for (const row of await listToCollect(till.db, till.today, ASK_AGAIN_AFTER)) {
    const begun = await beginCollection.answer(till, { dueId: row.dueId }, null)
    if (!begun.ok) continue
    const answer = await askKeptCard(begun.value)
    const done = await settleCardPayment.run(till, { reference: begun.value.reference, ...answer })
    if (!done.ok) continue
    if (answer.approved) collected++
    else refused++
  }
  return { earned, collected, refused }
}
