import { createHash, randomBytes } from 'node:crypto'

/** A secret nobody can guess: 256 random bits. */
export const makeSecret = (): string => randomBytes(32).toString('base64url')

/** What is kept of a token. Tokens are long and random, so a plain hash is enough; passphrases are hashed with argon2. */
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex')
