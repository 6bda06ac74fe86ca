import { hash, verify } from '@node-rs/argon2'
import { err, ok, type Result } from '@/core/result'
import { findPassphraseHash } from '@/data/queries/business'
import type { Database, Db } from '@/data/connect'
import { takeLock } from '@/data/locks'
import type { Failure } from '@/contract/failure'

export const hashPassphrase = (passphrase: string): Promise<string> => hash(passphrase)

/** A proof takes at least so long, so that fewer than ten a second are tried, whoever asks. */
const SLOT = 120
/** So many may wait at one server; who comes beyond them is told to come again. */
const MOST_WAITING = 6

/** Who knocks: somebody nobody knows, or who is let in already or came from this browser before. */
export type Knocks = 'stranger' | 'house'

interface Queue {
  waiting: number
  last: Promise<unknown>
}
const queues: Readonly<Record<Knocks, Queue>> = {
  stranger: { waiting: 0, last: Promise.resolve() },
  house: { waiting: 0, last: Promise.resolve() },
}

/** One at a time here, so that waiting takes no connection; and one at a time on all servers. */
const oneAtATime = async <T>(db: Database, queue: Queue, work: (tx: Db) => Promise<T>): Promise<T> => {
  const mine = queue.last.then(() =>
    db.transaction(async (tx) => {
      await takeLock(tx, 'door')
      const [done] = await Promise.all([work(tx), new Promise((next) => setTimeout(next, SLOT))])
      return done
    }),
  )
  queue.last = mine.catch(() => undefined)
  return mine
}

/** Whether a passphrase is the one. */
export const comparePassphrase = async (tx: Db, passphrase: string): Promise<Result<null, Failure>> => {
  const kept = await findPassphraseHash(tx)
  if (kept === null) return err({ code: 'not-set-up' })
  return passphrase.length <= 200 && (await verify(kept, passphrase)) ? ok(null) : err({ code: 'wrong-passphrase' })
}

/**
 * Does what compares a passphrase. One is compared at a time, with a short queue: guessing goes faster neither for
 * many hands nor for many servers, and takes the machine from nobody who works. The house does not wait behind strangers' guesses, but
 * for the one that is being compared.
 */
export const inTurn = async <T>(
  db: Database,
  knocks: Knocks,
  work: (tx: Db) => Promise<Result<T, Failure>>,
): Promise<Result<T, Failure>> => {
  const queue = queues[knocks]
  if (queue.waiting >= MOST_WAITING) return err({ code: 'too-many-tries' })
  queue.waiting++
  try {
    return await oneAtATime(db, queue, work)
  } finally {
    queue.waiting--
  }
}

/** Proves the owner, who is signed in, by the passphrase once more. */
export const provePassphrase = (db: Database, passphrase: string): Promise<Result<null, Failure>> =>
  inTurn(db, 'house', (tx) => comparePassphrase(tx, passphrase))
