import { databaseError } from '@/data/databaseError'
import { log, plainPath, whereLogged } from '@/log'
import type { Asked } from './asked'
import { problem } from './problem'

/** How long an answer may take, in milliseconds, before whoever asks is told that it takes too long. */
const PATIENCE = 15_000

/** Codes of the client and the server that mean: the database is not there, or not now. */
const AWAY =
  /^(ECONNREFUSED|ECONNRESET|EPIPE|ENOTFOUND|ETIMEDOUT|CONNECT_TIMEOUT|CONNECTION_(CLOSED|ENDED|DESTROYED)|57P0[123]|53300|08\w{3}|25P03|25006|XX000)$/
const TOO_LONG = /^(57014|55P03|ABORT_ERR|TOO_MUCH_WAITS)$/
const FULL = /^(53100|58030|53200|ENOSPC)$/

export const codeOf = (broken: unknown): string => {
  const database = databaseError(broken)?.code
  if (database) return database
  for (let at = broken; at instanceof Error; at = at.cause) {
    if ('code' in at && typeof at.code === 'string') return at.code
    if (at.name === 'AbortError') return 'ABORT_ERR'
  }
  return ''
}

/** Whether the database is what does not answer. */
export const isAway = (broken: unknown): boolean => AWAY.test(codeOf(broken)) || FULL.test(codeOf(broken))

/** Tells the log what broke and where. What does not answer just now comes back by itself, and says so to whoever asks. */
export const logBroken = (request: { readonly method: string; readonly url: string }, broken: unknown): void => {
  const code = codeOf(broken)
  const at = { method: request.method, path: plainPath(request.url) }
  if (FULL.test(code)) log.error({ code, ...at }, 'the disk is full')
  else if (!AWAY.test(code) && !TOO_LONG.test(code)) log.error({ err: broken, ...at }, 'broken')
}

const later = { headers: { 'retry-after': '2' } }

/** What broke, as whoever asked is told it. What nobody expected is told the log. */
export const answerBroken = (request: Asked, broken: unknown, owner: boolean): Response => {
  const code = codeOf(broken)
  if (FULL.test(code)) {
    logBroken(request, broken)
    return problem(
      503,
      'disk-full',
      'There is no room left on the disk, so nothing was saved. Make room, then do it again; it goes on by itself.',
      [],
      later,
    )
  }
  if (AWAY.test(code))
    return problem(
      503,
      'database-away',
      'The database does not answer just now. Nothing was saved; try again in a few seconds.',
      [],
      later,
    )
  if (TOO_LONG.test(code))
    return problem(503, 'too-slow', 'That took too long and was stopped. Nothing was saved; try again.', [], later)
  if (code === '22003')
    return problem(
      422,
      'too-large',
      'One of the numbers is too large to be kept. Nothing was saved; look at quantities and prices.',
    )
  if (code === '22021' || code === '22P05')
    return problem(422, 'unreadable', 'Something in it cannot be kept as text. Nothing was saved; type it anew.')
  if (code === 'ERR_WORKER_OUT_OF_MEMORY')
    return problem(
      422,
      'too-much-at-once',
      'That is too much for one file. Narrow it, by days for instance, and try again.',
    )
  logBroken(request, broken)
  return problem(
    500,
    'broken',
    owner
      ? `That did not work, and nothing was saved. Try again; if it stays, ${whereLogged()}.`
      : 'That did not work, and nothing was saved. Try again in a moment.',
  )
}

class Impatient extends Error {}

/** Does the work of an answer. Whatever breaks becomes a sentence; what takes too long is said to. */
export const answering = async (
  request: Asked,
  work: () => Promise<Response>,
  { owner = false, within = PATIENCE }: { readonly owner?: boolean; readonly within?: number } = {},
): Promise<Response> => {
  let timer: NodeJS.Timeout | undefined
  const patience = new Promise<never>((_, give) => {
    timer = setTimeout(() => give(new Impatient()), within)
  })
  try {
    return await Promise.race([work(), patience])
  } catch (broken) {
    if (broken instanceof Impatient)
      return problem(
        503,
        'too-slow',
        'That takes too long just now. It may have been saved or not: send it again with the same Idempotency-Key.',
        [],
        later,
      )
    return answerBroken(request, broken, owner)
  } finally {
    clearTimeout(timer)
  }
}
