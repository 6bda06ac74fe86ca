import { present } from '@/core/present'
import { err, ok, type Result } from '@/core/result'
import { deleteAllSessions, markProved, revokeAllTokens } from '@/data/queries/access'
import { findBusiness, updateBusiness } from '@/data/queries/business'
import type { Database } from '@/data/connect'
import { log } from '@/log'
import type { Failure } from '@/contract/failure'
import { newPassphrase } from '@/contract/inputs/access/entry'
import { easyToGuess } from './easyToGuess'
import { proveCode } from './oneTimeCodes'
import { comparePassphrase, hashPassphrase, inTurn, provePassphrase, type Knocks } from './passphrase'
import { hashToken } from './secrets'
import { openSession } from './session'

/** What the owner shows at the door; the code where one is asked for. */
interface Shown {
  readonly passphrase: string
  readonly code?: string | undefined
}

/** Opens a session for the owner. The token goes into a cookie; only its hash is kept. */
export const signIn = async (
  db: Database,
  { passphrase, code }: Shown,
  knocks: Knocks,
  agent = '',
): Promise<Result<{ token: string; expiresAt: Date }, Failure>> => {
  const proved = await inTurn(db, knocks, async (tx) => {
    const right = await comparePassphrase(tx, passphrase)
    return right.ok ? proveCode(tx, code) : right
  })
  if (!proved.ok) {
    log.warn({ why: proved.error.code }, 'a sign-in failed')
    return proved
  }
  return ok(await openSession(db, agent))
}

/** Types the passphrase again in a session that is open. */
export const proveAgain = async (db: Database, token: string, passphrase: string): Promise<Result<null, Failure>> => {
  const proved = await provePassphrase(db, passphrase)
  if (proved.ok) await markProved(db, hashToken(token))
  return proved
}

/** Changes the passphrase, and ends every session and every token, this one included. */
export const changePassphrase = async (db: Database, now: string, next: string): Promise<Result<null, Failure>> => {
  const proved = await provePassphrase(db, now)
  if (!proved.ok) return proved
  const chosen = newPassphrase.safeParse(next)
  const wrong = chosen.success
    ? await easyToGuess(next, (await findBusiness(db))?.name ?? '')
    : present(chosen.error.issues[0]).message
  if (wrong !== null) return err({ code: 'invalid', errors: [{ path: 'next', message: wrong }] })
  await updateBusiness(db, { passphraseHash: await hashPassphrase(next), demoPassphrase: null })
  await deleteAllSessions(db)
  await revokeAllTokens(db)
  return ok(null)
}
