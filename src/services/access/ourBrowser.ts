import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { findPassphraseHash } from '@/data/queries/business'
import type { Db } from '@/data/connect'
import { noteLetIn } from './letIn'

const proofOf = (kept: string, chance: string): string =>
  createHmac('sha256', kept).update(`browser ${chance}`).digest('base64url')

/**
 * A sign for a browser in which the owner has signed in. It opens nothing: whoever shows it does not wait behind strangers who guess.
 * It is proved by what is kept of the passphrase, so that a new passphrase ends it.
 */
export const makeBrowserSign = async (db: Db): Promise<string | null> => {
  const kept = await findPassphraseHash(db)
  if (kept === null) return null
  const chance = randomBytes(16).toString('base64url')
  return `${chance}.${proofOf(kept, chance)}`
}

/** Whether a browser is one in which the owner has signed in. */
export const isOurBrowser = async (db: Db, sign: string | undefined): Promise<boolean> => {
  const [chance = '', proof = '', ...more] = (sign ?? '').split('.')
  if (sign === undefined || chance === '' || proof === '' || more.length > 0) return false
  const kept = await findPassphraseHash(db)
  if (kept === null) return false
  const [shown, right] = [Buffer.from(proof), Buffer.from(proofOf(kept, chance))]
  if (shown.length !== right.length || !timingSafeEqual(shown, right)) return false
  noteLetIn(sign)
  return true
}
