import { createHash, timingSafeEqual } from 'node:crypto'

const digest = (text: string): Buffer => createHash('sha256').update(text).digest()

/** Whether a code is the one the start printed. There is none when nothing was printed. */
const isTheCode = (given: unknown): boolean => {
  const code = process.env.TILL_SETUP_CODE ?? ''
  return code !== '' && typeof given === 'string' && timingSafeEqual(digest(given.trim()), digest(code))
}

/** Whoever sits at this machine may set the business up, or knows the code that the start printed. */
export const isNearOrKnowsTheCode = (request: Request, code: unknown): boolean =>
  request.headers.get('x-till-from') === 'here' || isTheCode(code)
