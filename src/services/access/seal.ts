import { createCipheriv, createDecipheriv, createHash, randomBytes } from 'node:crypto'
import { keptOnce } from '@/core/keptOnce'

/** Where no key is given (tests), one of this process: what it sealed opens as long as it runs. */
const ownKey = (): Buffer => keptOnce('ironTillSeal', () => randomBytes(32))

const keyOf = (): Buffer =>
  createHash('sha256')
    .update(process.env.TILL_SEAL_KEY ?? ownKey())
    .digest()

const MARK = 'sealed:'

/** A secret that must be used again later, so that it does not stand in clear: AES-256-GCM with the key of the home folder. */
export const seal = (secret: string): string => {
  const iv = randomBytes(12)
  const cipher = createCipheriv('aes-256-gcm', keyOf(), iv)
  const body = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()])
  return `${MARK}${Buffer.concat([iv, cipher.getAuthTag(), body]).toString('base64')}`
}

/** Opens what was sealed. What was kept before there was a seal is given back as it is. */
export const unseal = (kept: string): string => {
  if (!kept.startsWith(MARK)) return kept
  const bytes = Buffer.from(kept.slice(MARK.length), 'base64')
  const cipher = createDecipheriv('aes-256-gcm', keyOf(), bytes.subarray(0, 12))
  cipher.setAuthTag(bytes.subarray(12, 28))
  return Buffer.concat([cipher.update(bytes.subarray(28)), cipher.final()]).toString('utf8')
}

/** Whether what is kept opens here: another server's key may have sealed it. */
export const opens = (kept: string): boolean => {
  try {
    unseal(kept)
    return true
  } catch {
    return false
  }
}
