import { pino } from 'pino'

/**
 * What went wrong, and who was let in or not; one JSON line each on standard output, which bin/start writes into
 * TILL_HOME/log. Ids and reasons only: no secret, no name, no address.
 */
export const log = pino({ level: process.env.TILL_LOG ?? 'info', base: undefined })

/** Where the owner finds it. */
export const whereLogged = (): string =>
  process.env.TILL_LOG_FILE ? `look at the log, ${process.env.TILL_LOG_FILE}` : 'look at the log'

/** The path of a request without the secrets that stand in it. */
export const plainPath = (url: string): string =>
  new URL(url, 'http://here').pathname.replace(/^(\/(?:api\/)?(?:v1\/)?(?:c|calendar)\/)[^/]+/, '$1…')
