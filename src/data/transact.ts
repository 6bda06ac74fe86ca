import type { Database, Transaction } from './connect'
import { databaseError } from './databaseError'
import { takeLock } from './locks'
import { turns } from './turns'

/** Codes after which PostgreSQL wants the transaction tried again: serialization failure, deadlock. */
const TRY_AGAIN = new Set(['40001', '40P01'])

/** Of one process: one that writes, and one at the lock of the database, with what it asks first, who goes on as soon as the other is kept. */
const AT_THE_PEN = 2

/** Who waits for their turn takes no connection from those who read meanwhile. */
const turnsAt = new WeakMap<Database, ReturnType<typeof turns>>()
const turnsOf = (db: Database) => {
  const known = turnsAt.get(db) ?? turns(AT_THE_PEN)
  turnsAt.set(db, known)
  return known
}

/** Of a transaction: statements whose answers nobody waits for. */
interface Unanswered {
  readonly written: Promise<unknown>[]
  last?: Promise<unknown>
}
const unanswered = new WeakMap<Transaction, Unanswered>()
const unansweredOf = (tx: Transaction): Unanswered => {
  const known = unanswered.get(tx) ?? { written: [] }
  unanswered.set(tx, known)
  return known
}
/** Asked now, and once: a query of Drizzle's is asked anew whenever somebody waits for it. That it broke is no failure before anybody looks. */
const askNow = (asked: Promise<unknown>): Promise<unknown> => {
  const answer = asked.then((done) => done)
  answer.catch(() => undefined)
  return answer
}

/**
 * What was written is not waited for: what is asked next follows at its heels, and is answered with it. It must have been asked at
 * once (`insertInto`), or it is overtaken. Where it is refused, so is whatever follows, and `transact` throws what refused it.
 */
export const goOnFrom = (tx: Transaction, written: Promise<unknown>): void =>
  void unansweredOf(tx).written.push(askNow(written))

/** The same of what a transaction writes last: its end follows at its heels, and takes everything back where it is refused. */
export const sayLast = (tx: Transaction, words: Promise<unknown>): void => {
  unansweredOf(tx).last = askNow(words)
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
      const { value, last } = await turnsOf(db).inTurn(() =>
        db.transaction(async (tx) => {
          // What the work asks first follows at the heels of the lock: a connection does one thing after the other.
          const [pen, done] = await Promise.allSettled([takeLock(tx, 'pen'), work(tx)])
          if (pen.status === 'rejected') throw pen.reason
          if (done.status === 'rejected') throw done.reason
          const { written, last } = unansweredOf(tx)
          await Promise.all(written)
          return { value: done.value, last }
        }),
      )
      await last
      return value
    } catch (problem) {
      if (attempt >= 5 || !TRY_AGAIN.has(databaseError(problem)?.code ?? '')) throw problem
      await pause(attempt)
    }
  }
}
