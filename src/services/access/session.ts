import type { Database } from '@/data/connect'
import { deleteSession, findSession, insertSession } from '@/data/queries/access'
import { noteLetIn } from './letIn'
import { hashToken, makeSecret } from './secrets'

export const SESSION_DAYS = 14
/** How long the passphrase counts as typed just now. */
const PROVED_FOR = 10 * 60_000

/** A session for whoever is known to be the owner: by what was shown, or because they set the business up just now. Only the hash of its token is kept. */
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

export const signOut = (db: Database, token: string): Promise<void> => deleteSession(db, hashToken(token))
