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

let waiting = 0
let last: Promise<unknown> = Promise.resolve()

/** One at a time here, so that waiting takes no connection; and one at a time on all servers. */
const oneAtATime = async <T>(db: Database, work: (tx: Db) => Promise<T>): Promise<T> => {
  const mine = last.then(() =>
    db.transaction(async (tx) => {
      await takeLock(tx, 'door')
      const [done] = await Promise.all([work(tx), new Promise((next) => setTimeout(next, SLOT))])
      return done
    }),
  )
  last = mine.catch(() => undefined)
  return mine
}

/**
 * Proves the owner by the passphrase. One is compared at a time, with a short queue: guessing goes faster neither for
 * many hands nor for many servers, and takes the machine from nobody who works.
 */
export const provePassphrase = async (db: Database, passphrase: string): Promise<Result<null, Failure>> => {
  if (waiting >= MOST_WAITING) return err({ code: 'too-many-tries' })
  waiting++
  try {
    return await oneAtATime(db, async (tx) => {
      const kept = await findPassphraseHash(tx)
      if (kept === null) return err({ code: 'not-set-up' as const })
      return passphrase.length <= 200 && (await verify(kept, passphrase))
        ? ok(null)
        : err({ code: 'wrong-passphrase' as const })
    })
  } finally {
    waiting--
  }
}
