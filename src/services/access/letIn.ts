import { keptOnce } from '@/core/keptOnce'
import { hashToken } from './secrets'

/** So long the front door remembers whom it let in, in milliseconds, and so many of them. */
const [REMEMBERED, MOST] = [10 * 60_000, 1_000]

/** Until when whoever showed what has this hash is known. */
const knownUntil = () => keptOnce('ironTillLetIn', () => new Map<string, number>())

/** What was shown opened the door. */
export const noteLetIn = (token: string): void => {
  const known = knownUntil()
  const hash = hashToken(token)
  known.delete(hash)
  known.set(hash, Date.now() + REMEMBERED)
  const [oldest = hash] = known.keys()
  if (known.size > MOST) known.delete(oldest)
}

/** Whether what is shown opened the door lately. It says who waits with whom, and opens nothing. */
export const wasLetIn = (token: string): boolean => (knownUntil().get(hashToken(token)) ?? 0) > Date.now()
