import { timingSafeEqual } from 'node:crypto'
import type { Database } from '@/data/connect'
import { findApiToken, insertApiToken } from '@/data/queries/access'
import { log } from '@/log'
import { hashToken, makeSecret } from './secrets'

interface TokenWish {
  readonly name: string
  /** How many days it opens. */
  readonly days: number
  /** It may look, and change nothing. */
  readonly readOnly?: boolean
}

/** Makes a token for another program. It is shown once; only its hash is kept. */
export const makeApiToken = async (db: Database, { name, days, readOnly = false }: TokenWish): Promise<string> => {
  const token = `till_${makeSecret()}`
  const expiresAt = new Date(Date.now() + days * 86_400_000)
  const id = await insertApiToken(db, { name, tokenHash: hashToken(token), expiresAt, readOnly })
  log.info({ tokenId: id, days, readOnly }, 'a token was made')
  return token
}

/** What a bearer token opens. */
export type Opens = 'everything' | 'reading' | 'nothing'

/** What a bearer token opens: one made in Settings, or the one given in TILL_API_TOKEN. */
export const tokenOpens = async (db: Database, token: string): Promise<Opens> => {
  const given = process.env.TILL_API_TOKEN
  if (given && timingSafeEqual(Buffer.from(hashToken(given)), Buffer.from(hashToken(token)))) return 'everything'
  const found = await findApiToken(db, hashToken(token))
  if (!found) return 'nothing'
  if (found.fresh) log.info({ tokenId: found.id }, 'a token is used')
  return found.readOnly ? 'reading' : 'everything'
}
