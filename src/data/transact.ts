import type { Database, Transaction } from './connect'
import { databaseError } from './databaseError'
import { takeLock } from './locks'

/** Codes after which PostgreSQL wants the transaction tried again: serialization failure, deadlock. */
const TRY_AGAIN = new Set(['40001', '40P01'])

/** Who waits for the pen in this process; so that waiting takes no connection from those who read. */
const queues = new WeakMap<Database, Promise<unknown>>()

const inTurn = <T>(db: Database, work: () => Promise<T>): Promise<T> => {
  const mine = (queues.get(db) ?? Promise.resolve()).then(work, work)
  queues.set(
    db,
    mine.catch(() => undefined),
  )
  return mine
}

const pause = (attempt: number): Promise<void> =>
  new Promise((done) => setTimeout(done, (5 + Math.random() * 25) * attempt))

/**
 * Runs work in one transaction. There is one ledger and one pen: whoever writes holds it until the transaction ends, the
 * next waits, readers never do. So no two writers wait for each other crosswise, however many hands there are; the guards
 * of the tables hold all the same. Where the database says that two hands met, it is done again (up to five times).
 */
export const transact = async <T>(db: Database, work: (tx: Transaction) => Promise<T>): Promise<T> => {
  for (let attempt = 1; ; attempt++) {
    try {
      return await inTurn(db, () =>
        db.transaction(async (tx) => {
          // What the work asks first follows at the heels of the lock: a connection does one thing after the other.
          const [pen, done] = await Promise.allSettled([takeLock(tx, 'pen'), work(tx)])
          if (pen.status === 'rejected') throw pen.reason
          if (done.status === 'rejected') throw done.reason
          return done.value
        }),
      )
    } catch (problem) {
      if (attempt >= 5 || !TRY_AGAIN.has(databaseError(problem)?.code ?? '')) throw problem
      await pause(attempt)
    }
  }
}
