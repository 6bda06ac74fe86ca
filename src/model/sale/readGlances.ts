import type { Day } from '@/core/day'
import type { Database } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { keepLooks, listSeen, readChanges, readSnapshot, type Look } from '@/data/queries/glances'
import { changeMemory, recall } from './glanceMemory'
import { goodsIn, pack, toldOf, unpack, type Glance, type Remembered } from './glance'
import { readStories } from './readStories'

/** Stories read at a time, so that memory does not grow with the trade. */
const AT_ONCE = 500

/** Of so many at a time looks are kept: all that are unfinished, or a page of any; not of a file of a hundred thousand. */
export const MOST_KEPT = 2_000

/**
 * Sales as lists show them, in the order of the ids. A look at a sale is kept, and taken from there until anything it was
 * told from has changed: triggers note what, and every look says which changes it had seen. For pages alone: a command reads stories, or
 * who looks would wait until its transaction ends. A server remembers what it has looked at, and asks what changed since.
 */
export const readGlances = async (
  db: Database,
  ids: readonly number[],
  business: Business,
  today: Day,
): Promise<readonly Glance[]> => {
  const inOrder = (looks: ReadonlyMap<number, Remembered>): readonly Glance[] =>
    ids.flatMap((id) => looks.get(id)?.glance ?? [])
  if (ids.length === 0) return []
  if (ids.length > MOST_KEPT) return inOrder(await lookAt(db, ids, business, today))
  // The moment comes before the looks: what changes after it is found the next time.
  const before = recall(db)
  const { now, since } = await readChanges(db, before && before.today === today ? before.at : null)
  const memory = changeMemory(before, { now, since, today })
  const unknown = ids.filter((id) => !memory.looks.has(id))
  const looks = unknown.length === 0 ? new Map<number, Remembered>() : await lookAt(db, unknown, business, today)
  return inOrder(memory.keep(db, ids, looks))
}

/** Looks at sales: those that are kept and still true, the others told anew. */
const lookAt = async (
  db: Database,
  ids: readonly number[],
  business: Business,
  today: Day,
): Promise<Map<number, Remembered>> => {
  const looks = new Map<number, Remembered>()
  const untold: Glance['sale'][] = []
  for (const { sale, told, goods } of await listSeen(db, ids, today))
    if (told === null) untold.push(sale)
    else looks.set(sale.id, { glance: { sale, ...unpack(told, business.currency) }, goods })
  for (let at = 0; at < untold.length; at += AT_ONCE) {
    const part = untold.slice(at, at + AT_ONCE)
    const told = await tellAnew(db, part, business, today, ids.length <= MOST_KEPT)
    for (const sale of part) {
      const one = told.get(sale.id)
      if (one) looks.set(sale.id, { glance: { sale, ...one.told }, goods: one.goods })
    }
  }
  return looks
}

const tellAnew = async (
  db: Database,
  sales: readonly Glance['sale'][],
  business: Business,
  today: Day,
  keeping: boolean,
) => {
  const seen = await readSnapshot(db)
  const ids = sales.map((s) => s.id)
  const stories = (await readStories(db, ids, business, today)).map((story) => ({
    saleId: story.sale.id,
    goods: goodsIn(story),
    told: toldOf(story),
  }))
  const looks: Look[] = keeping ? stories.map((s) => ({ ...s, told: pack(s.told) })) : []
  // Where it cannot be kept (a full disk, a database for reading alone), it is told anew next time.
  if (looks.length > 0) await keepLooks(db, looks, today, seen).catch(() => undefined)
  return new Map(stories.map(({ saleId, ...one }) => [saleId, one]))
}
