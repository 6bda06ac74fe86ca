import { present } from '@/core/present'
import { err, ok, type Result } from '@/core/result'
import {
  deleteAllSessions,
  deleteSession,
  findSession,
  insertSession,
  markProved,
  revokeAllTokens,
} from '@/data/queries/access'
import { updateBusiness } from '@/data/queries/business'
import type { Database } from '@/data/connect'
import { log } from '@/log'
import type { Failure } from '@/contract/failure'
import { newPassphrase } from '@/contract/inputs/access/entry'
import { noteLetIn } from './letIn'
import { proveCode } from './oneTimeCodes'
import { comparePassphrase, hashPassphrase, inTurn, provePassphrase, type Knocks } from './passphrase'
import { hashToken, makeSecret } from './secrets'

export const SESSION_DAYS = 14
/** How long the passphrase counts as typed just now. */
const PROVED_FOR = 10 * 60_000

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
): Promise<Result<{ token: string; expiresAt: Date }, Failure>> => {
  const proved = await inTurn(db, knocks, async (tx) => {
    const right = await comparePassphrase(tx, passphrase)
    return right.ok ? proveCode(tx, code) : right
  })
  if (!proved.ok) {
    log.warn({ why: proved.error.code }, 'a sign-in failed')
    return proved
  }
  return ok(await openSession(db))
}

/** A session for whoever is known to be the owner: by the passphrase, or because they set the business up just now. */
export const openSession = async (db: Database): Promise<{ token: string; expiresAt: Date }> => {
  const token = makeSecret()
  const expiresAt = new Date(Date.now() + SESSION_DAYS * 86_400_000)
  await insertSession(db, hashToken(token), expiresAt)
  return { token, expiresAt }
}

export const signedIn = async (db: Database, token: string | undefined): Promise<boolean> => {
  if (token === undefined || (await findSession(db, hashToken(token))) === null) return false
  noteLetIn(token)
  return true
}

/** Whether the passphrase was typed in a session just now. What gives everything away asks for that. */
export const provedLately = async (db: Database, token: string | undefined): Promise<boolean> => {
  const session = token === undefined ? null : await findSession(db, hashToken(token))
  return session !== null && Date.now() - session.provedAt.getTime() < PROVED_FOR
}

/** Types the passphrase again in a session that is open. */
export const proveAgain = async (db: Database, token: string, passphrase: string): Promise<Result<null, Failure>> => {
  const proved = await provePassphrase(db, passphrase)
  if (proved.ok) await markProved(db, hashToken(token))
  return proved
}

export const signOut = (db: Database, token: string): Promise<void> => deleteSession(db, hashToken(token))

/** Changes the passphrase, and ends every session and every token, this one included. */
export const changePassphrase = async (db: Database, now: string, next: string): Promise<Result<null, Failure>> => {
  const proved = await provePassphrase(db, now)
  if (!proved.ok) return proved
  const chosen = newPassphrase.safeParse(next)
  if (!chosen.success)
    return err({ code: 'invalid', errors: [{ path: 'next', message: present(chosen.error.issues[0]).message }] })
  await updateBusiness(db, { passphraseHash: await hashPassphrase(next), demoPassphrase: null })
  await deleteAllSessions(db)
  await revokeAllTokens(db)
  return ok(null)
}
