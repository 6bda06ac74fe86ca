import type { Day } from '@/core/day'
import type { Database } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { forgetLooks } from '@/data/queries/glances'
import { countStagesAnew, listSaleIds } from '@/data/queries/sales'
import { readGlances } from '@/model/sale/readGlances'
import { MOST_WORKED_ON } from '@/model/today/today'

const lookedOn = new WeakMap<Database, Day>()

/** Once on each day, and when the program starts: looks at every unfinished sale, so that the owner's first look is as fast as others. */
export const lookAhead = async (db: Database, business: Business, today: Day): Promise<void> => {
  if (lookedOn.get(db) === today) return
  // Noted first: where it fails, the rest of what happens by itself goes on with the next round.
  lookedOn.set(db, today)
  await forgetLooks(db, today)
  await countStagesAnew(db)
  const ids = await listSaleIds(db, { stands: 'working' }, { limit: MOST_WORKED_ON }, today)
  await readGlances(db, ids, business, today)
}
