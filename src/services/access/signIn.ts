import { hash, verify } from '@node-rs/argon2'
import { err, ok, type Result } from '@/core/result'
import { deleteAllSessions, deleteSession, insertSession, sessionIsOpen } from '@/data/queries/access'
import { findPassphraseHash, updateBusiness } from '@/data/queries/business'
import type { Database } from '@/data/connect'
import type { Failure } from '../failure'
import { hashToken, makeSecret } from './secrets'

export const SESSION_DAYS = 30

/** Wrong tries slow down the next ones, for everybody: one owner, one passphrase. */
let failures = 0
const patience = (): Promise<void> =>
  new Promise((resolve) => setTimeout(resolve, Math.min(failures, 10) * 300))

/** Opens a session for the owner. The token goes into a cookie; only its hash is kept. */
export const signIn = async (
  db: Database,
  passphrase: string,
): Promise<Result<{ token: string; expiresAt: Date }, Failure>> => {
  await patience()
  const kept = await findPassphraseHash(db)
  if (kept === null) return err({ code: 'not-set-up' })
  if (passphrase.length > 200 || !(await verify(kept, passphrase))) {
    failures++
    return err({ code: 'wrong-passphrase' })
  }
  failures = 0
  const token = makeSecret()
  const expiresAt = new Date(Date.now() + SESSION_DAYS * 86_400_000)
  await insertSession(db, hashToken(token), expiresAt)
  return ok({ token, expiresAt })
}

export const signedIn = async (db: Database, token: string | undefined): Promise<boolean> =>
  token !== undefined && (await sessionIsOpen(db, hashToken(token)))

export const signOut = (db: Database, token: string): Promise<void> => deleteSession(db, hashToken(token))

/** Changes the passphrase and ends every session, this one included. */
export const changePassphrase = async (
  db: Database,
  now: string,
  next: string,
): Promise<Result<null, Failure>> => {
  const kept = await findPassphraseHash(db)
  if (kept === null || !(await verify(kept, now))) return err({ code: 'wrong-passphrase' })
  if (next.length < 8 || next.length > 200)
    return err({ code: 'invalid', errors: [{ path: 'next', message: 'Between 8 and 200 characters.' }] })
  await updateBusiness(db, { passphraseHash: await hash(next), demoPassphrase: null })
  await deleteAllSessions(db)
  return ok(null)
}
