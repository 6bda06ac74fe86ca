import type { Day } from '@/core/day'
import type { Database } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { keepLooks, listSeen, readSnapshot, type Look } from '@/data/queries/glances'
import { goodsIn, pack, toldOf, unpacked, type Glance, type Told } from './glance'
import { readStories } from './readStories'

/** Stories read at a time, so that memory does not grow with the trade. */
const AT_ONCE = 500

/** Of so many at a time looks are kept: all that are unfinished, or a page of any; not of a file of a hundred thousand. */
export const MOST_KEPT = 2_000

/**
 * Sales as lists show them, in the order of the ids. A look at a sale is kept, and taken from there until anything it was
 * told from has changed: triggers note what, and every look says which changes it had seen. For pages alone: a command reads stories, or
 * who looks would wait until its transaction ends.
 */
export const readGlances = async (
  db: Database,
  ids: readonly number[],
  business: Business,
  today: Day,
): Promise<readonly Glance[]> => {
  const glances = new Map<number, Glance>()
  const untold: Glance['sale'][] = []
  for (const { sale, told } of await listSeen(db, ids, today))
    if (told === null) untold.push(sale)
    else glances.set(sale.id, { sale, ...unpacked(told, business.currency) })
  for (let at = 0; at < untold.length; at += AT_ONCE) {
    const part = untold.slice(at, at + AT_ONCE)
    const told = await tellAnew(db, part, business, today, ids.length <= MOST_KEPT)
    for (const sale of part) {
      const one = told.get(sale.id)
      if (one) glances.set(sale.id, { sale, ...one })
    }
  }
  return ids.flatMap((id) => glances.get(id) ?? [])
}

const tellAnew = async (
  db: Database,
  sales: readonly Glance['sale'][],
  business: Business,
  today: Day,
  keeping: boolean,
): Promise<ReadonlyMap<number, Told>> => {
  const seen = await readSnapshot(db)
  const ids = sales.map((s) => s.id)
  const told = new Map<number, Told>()
  const looks: Look[] = []
  for (const story of await readStories(db, ids, business, today)) {
    const one = toldOf(story)
    told.set(story.sale.id, one)
    if (keeping) looks.push({ saleId: story.sale.id, goods: goodsIn(story), told: pack(one) })
  }
  // Where it cannot be kept (a full disk, a database for reading alone), it is told anew next time.
  if (looks.length > 0) await keepLooks(db, looks, today, seen).catch(() => undefined)
  return told
}
