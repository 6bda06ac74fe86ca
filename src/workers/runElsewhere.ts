import { existsSync } from 'node:fs'
import { join } from 'node:path'
import Piscina from 'piscina'

/** The workers that the build puts beside the server. */
const WORKERS = {
  papers: 'workers/papers.mjs',
  tables: 'workers/tables.mjs',
  proposals: 'workers/proposals.mjs',
} as const
type WorkerName = keyof typeof WORKERS

/** So many run at once, so many may wait, and how long one may take; whoever comes beyond them is told to come again. */
const [AT_ONCE, WAITING, PATIENCE] = [2, 40, 30_000]
/** So much memory a thread may have, in megabytes: what is hostile ends the thread, not the program. */
const MEMORY = 512

const held = globalThis as { ironTillThreads?: Partial<Record<WorkerName, Piscina>> }

/** Too much waits for a thread just now. */
export class TooMuchWaits extends Error {
  readonly code = 'TOO_MUCH_WAITS'
}

const threadsOf = (name: WorkerName, file: string): Piscina => {
  held.ironTillThreads ??= {}
  held.ironTillThreads[name] ??= new Piscina({
    filename: file,
    minThreads: 0,
    maxThreads: AT_ONCE,
    maxQueue: WAITING,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY },
  })
  return held.ironTillThreads[name]
}

/**
 * Runs heavy work on another thread, so that nobody waits for it who wants something else. Where the worker is not built
 * (tests of the work itself) it runs here.
 */
export const runElsewhere = async <I, O>(name: WorkerName, input: I, here: (input: I) => Promise<O>): Promise<O> => {
  const file = join(process.cwd(), WORKERS[name])
  if (!existsSync(file)) return here(input)
  const threads = threadsOf(name, file)
  if (threads.queueSize >= WAITING) throw new TooMuchWaits(`too much waits for ${name}`)
  return (await threads.run(input, { signal: AbortSignal.timeout(PATIENCE) })) as O
}
