import { replica, type Database } from '@/data/connect'
import { followsUpTo, writtenUpTo } from '@/data/queries/replica'
import { log } from '@/log'
import { within } from './within'

/** How long a replica may take to say that it knows all that was written, and how long one that failed is left alone, in milliseconds. */
const [PATIENCE, REST] = [150, 5_000]
/** A replica that is a moment behind is asked again after so long. */
const AGAIN = 15

let restsUntil = -Infinity

/**
 * Whether a replica knows everything that was saved until a moment. One that follows nobody any more (it was made the server
 * that is written to, or never was a replica) does not count: it may tell another story.
 */
const knowsAll = async (follower: Database, at: string): Promise<boolean> => {
  for (const end = performance.now() + PATIENCE / 2; ;) {
    const { follows, there } = await followsUpTo(follower, at)
    if (!follows || there) return follows
    if (performance.now() > end) return false
    await new Promise((next) => setTimeout(next, AGAIN))
  }
}

/**
 * The database that reports and files are read from: the replica named in DATABASE_READ_URL as soon as it knows all that
 * was saved before it was asked, else the one that is written to. So no report is older than what its reader has seen.
 */
export const forReports = async (db: Database): Promise<Database> => {
  const follower = replica()
  if (!follower || performance.now() < restsUntil) return db
  // Where it is written that does not answer in time, the replica is not to blame: whoever reads will be told.
  const at = await within(PATIENCE, writtenUpTo(db)).catch(() => null)
  if (at === null) return db
  try {
    return (await within(PATIENCE, knowsAll(follower, at))) ? follower : db
  } catch (problem) {
    restsUntil = performance.now() + REST
    log.warn({ err: problem }, 'the replica does not answer; reports are read from where is written')
    return db
  }
}
