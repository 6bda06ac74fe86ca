import type { Database } from '@/data/connect'
import { apiTokenIsValid, insertApiToken } from '@/data/queries/access'
import { hashToken, makeSecret } from './secrets'

/** Makes a token for another program. It is shown once; only its hash is kept. */
export const makeApiToken = async (db: Database, name: string): Promise<string> => {
  const token = `till_${makeSecret()}`
  await insertApiToken(db, name, hashToken(token))
  return token
}

/** Whether a bearer token opens the HTTP interface: one made in Settings, or the one given in TILL_API_TOKEN. */
export const tokenOpens = async (db: Database, token: string): Promise<boolean> => {
  const given = process.env.TILL_API_TOKEN
  if (given && hashToken(given) === hashToken(token)) return true
  return apiTokenIsValid(db, hashToken(token))
}
