import type { Day } from '@/core/day'
import type { Database } from '@/data/connect'
import type { Changed, Moment } from '@/data/queries/glances'
import { keptOnce } from '@/core/keptOnce'
import type { Remembered } from './glance'

/** What a server remembers of a database: looks of a day that were true at a moment. Never changed, only replaced as a whole. */
interface Memory {
  readonly today: Day
  readonly at: Moment
  readonly looks: ReadonlyMap<number, Remembered>
}

/** So many are remembered: twice what Today looks at. */
const MOST_REMEMBERED = 4_000

const memories = keptOnce('ironTillGlances', () => new WeakMap<Database, Memory>())

/** What is remembered of a database now. */
export const recall = (db: Database): Memory | null => memories.get(db) ?? null

/** The looks that nothing of what changed is about. */
const stillTrue = (
  looks: ReadonlyMap<number, Remembered>,
  since: readonly Changed[],
): ReadonlyMap<number, Remembered> => {
  if (since.length === 0) return looks
  const of = (what: Changed[0]) => new Set(since.flatMap(([kind, id]) => (kind === what ? [id] : [])))
  const [sales, goods, customers] = [of('s'), of('g'), of('c')]
  if (of('h').size > 0) return new Map()
  return new Map(
    [...looks].filter(
      ([id, look]) =>
        !sales.has(id) && !customers.has(look.glance.sale.customerId) && !look.goods.some((g) => goods.has(g)),
    ),
  )
}

interface Since {
  readonly now: Moment
  /** Null where nobody knows what changed: then nothing is remembered. */
  readonly since: readonly Changed[] | null
  readonly today: Day
}

/** What can be remembered of before, and a way to add to it what is looked at since. */
export const changeMemory = (before: Memory | null, { now, since, today }: Since) => {
  const looks = before && since ? stillTrue(before.looks, since) : new Map<number, Remembered>()
  return {
    looks,
    /** All looks, remembered unless somebody else remembered others meanwhile: theirs may be of a later moment. */
    keep: (db: Database, ids: readonly number[], added: ReadonlyMap<number, Remembered>) => {
      const all = added.size === 0 ? looks : new Map([...looks, ...added])
      if (recall(db) !== before) return all
      const asked = new Set(ids)
      const few = all.size <= MOST_REMEMBERED ? all : new Map([...all].filter(([id]) => asked.has(id)))
      memories.set(db, { today, at: now, looks: few })
      return all
    },
  }
}
