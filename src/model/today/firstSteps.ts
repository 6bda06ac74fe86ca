import { FIRST_STEPS, type FirstStep } from '@/core/kinds'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { readFirstFacts } from '@/data/queries/firstFacts'

/** The first steps that are neither done nor skipped, in their order; none once a business is under way. */
export const readFirstSteps = async (db: Db, business: Business): Promise<readonly FirstStep[]> => {
  const open = FIRST_STEPS.filter((step) => !business.stepsSkipped.includes(step))
  if (open.length === 0) return []
  const facts = await readFirstFacts(db)
  const done: Readonly<Record<FirstStep, boolean>> = {
    business: business.address !== '' && business.taxNumber !== '',
    goods: facts.goods,
    opening: facts.opening,
    sale: facts.sale,
    backup: business.exportedOn !== null,
  }
  return open.filter((step) => !done[step])
}
