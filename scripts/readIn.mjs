// @ts-check
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'

/** So long after the start, and with such pauses, in milliseconds. */
const AFTER = 4_000
const PAUSE = 20

/** A page, or a route, which the framework goes on to read in with its first request. @typedef {{ routeModule?: { ensureUserland?: () => Promise<void> } }} Entry */

/**
 * Reads in calls, and the pages that nobody opened yet, one after the other: whoever opens them later need not wait for it. What cannot be
 * read in is read in when it is opened, and says then why not.
 */
const readIn = async () => {
  const { ironTill } = /** @type {{ ironTill?: { readIn: () => Promise<unknown> } }} */ (globalThis)
  await ironTill?.readIn()
  const server = join(import.meta.dirname, '.next/server')
  const require = createRequire(import.meta.url)
  /** @type {Record<string, string>} */
  const pages = JSON.parse(readFileSync(join(server, 'app-paths-manifest.json'), 'utf8'))
  for (const file of Object.values(pages)) {
    await new Promise((next) => setTimeout(next, PAUSE))
    try {
      /** @type {Entry} */
      const entry = require(join(server, file))
      await entry.routeModule?.ensureUserland?.()
    } catch {
      continue
    }
  }
}

export const readInLater = () => {
  setTimeout(() => void readIn().catch(() => {}), AFTER).unref()
}
