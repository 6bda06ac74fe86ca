import type { Database } from '@/data/connect'
import { wallClock } from '@/core/day'
import { browserName } from '@/core/browserName'
import { deleteSession, findSession, insertSession, listSessions } from '@/data/queries/access'
import { noteLetIn } from './letIn'
import { hashToken, makeSecret } from './secrets'

export const SESSION_DAYS = 14
/** The hour of the night at which sessions end. */
const ENDS_AT = 3
/** How long the passphrase counts as typed just now. */
const PROVED_FOR = 10 * 60_000

/** The last night within the days of a session: nobody is sent to the door in the midst of typing. */
export const lastNight = (from: Date): Date => {
  const end = new Date(from.getTime() + SESSION_DAYS * 86_400_000)
  const { hour, minute } = wallClock(end)
  const since = ((hour - ENDS_AT + 24) % 24) * 60 + minute
  return new Date(Math.floor(end.getTime() / 60_000 - since) * 60_000)
}

/**
 * A session for whoever is known to be the owner: by what was shown, or because they set the business up just now. Only the hash of its
 * token is kept. `agent` is what the browser says of itself.
 */
export const openSession = async (db: Database, agent: string): Promise<{ token: string; expiresAt: Date }> => {
  const token = makeSecret()
  const expiresAt = lastNight(new Date())
  await insertSession(db, { tokenHash: hashToken(token), expiresAt, browser: browserName(agent) })
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

/** Where the owner is signed in, and which of it is here: the session of a token. */
export const sessionsSeenFrom = async (db: Database, token: string | undefined) => {
  const mine = token === undefined ? null : hashToken(token)
  return (await listSessions(db)).map(({ tokenHash, ...s }) => ({ ...s, here: tokenHash === mine }))
}

export const signOut = (db: Database, token: string): Promise<void> => deleteSession(db, hashToken(token))
