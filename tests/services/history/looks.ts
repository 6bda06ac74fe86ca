import { day, type Day } from '@/core/day'
import { present } from '@/core/present'
import { findBusiness } from '@/data/queries/business'
import { listSeen } from '@/data/queries/glances'
import { countStands, listSaleIds } from '@/data/queries/sales'
import { isOut, saysAsSent } from '@/model/sale/asSent'
import { toldOf } from '@/model/sale/glance'
import { readGlances } from '@/model/sale/readGlances'
import { readStories } from '@/model/sale/readStories'
import { readVersions } from '@/model/sale/versions'
import type { TestShop } from '../shop'

/** Sales whose kept look is not what their papers say; looking keeps it, so that the next look is at what was kept. */
export const looksThatAreOff = async ({ db }: TestShop, today: Day, most = 5000): Promise<unknown[]> => {
  const business = present(await findBusiness(db))
  const ids = await listSaleIds(db, {}, { limit: most }, today)
  const [glances, stories] = [await readGlances(db, ids, business, today), await readStories(db, ids, business, today)]
  const heads = new Map((await listSeen(db, ids, today)).map((x) => [x.sale.id, x.sale]))
  const plain = (what: unknown) => JSON.stringify(what, (_, v: unknown) => (typeof v === 'bigint' ? v.toString() : v))
  return glances.flatMap(({ sale, ...told }, i) => {
    const story = present(stories[i])
    const [kept, now] = [plain([sale, told]), plain([heads.get(story.sale.id), toldOf(story)])]
    return kept === now ? [] : [{ kept, now }]
  })
}

/** Sales of which it is kept wrongly whether their estimate was changed since it was sent. */
export const reworkedThatAreOff = async ({ db }: TestShop): Promise<unknown[]> => {
  const business = present(await findBusiness(db))
  const far = day('2199-01-01')
  const stories = await readStories(db, await listSaleIds(db, {}, { limit: 5000 }, far), business, far)
  const found = await Promise.all(
    stories.map(async (story) => {
      const { id, reworked } = story.sale
      const differs = isOut(story.sale) && !saysAsSent(story, await readVersions(db, id, business.currency))
      return reworked === differs ? [] : [{ id, reworked }]
    }),
  )
  return found.flat()
}

/** Stages of which another number of sales is kept than there are. */
export const countsThatAreOff = async ({ db }: TestShop): Promise<unknown[]> => {
  const far = day('2199-01-01')
  const [kept, ids] = [await countStands(db, far), await listSaleIds(db, {}, { limit: 10_000 }, far)]
  const counted = await Promise.all(
    Object.keys(kept).map(async (stands) => [
      stands,
      (await listSaleIds(db, { stands }, { limit: 10_000 }, far)).length,
    ]),
  )
  const all = Object.values(kept).reduce((sum, n) => sum + n, 0)
  return [
    ...counted.filter(([stands, n]) => kept[String(stands)] !== n),
    ...(all === ids.length ? [] : [['all', all, ids.length]]),
  ]
}
