import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { isMainThread, MessageChannel } from 'node:worker_threads'
import Piscina from 'piscina'
import { keptOnce } from '@/core/keptOnce'

/**
 * The workers that the build puts beside the server; so much memory a thread of each may have, in megabytes, and so long it is kept
 * when nothing is asked of it, in milliseconds. A thread that has too much mostly ends alone, but may take the program along: files of
 * others are read by `runApart`.
 */
const WORKERS = {
  papers: { file: 'workers/papers.mjs', memory: 512, kept: 60_000 },
  proposals: { file: 'workers/proposals.mjs', memory: 512, kept: 60_000 },
  lists: { file: 'workers/lists.mjs', memory: 1_024, kept: 600_000 },
} as const
type WorkerName = keyof typeof WORKERS

/** So many run at once, so many may wait, and how long one may take; whoever comes beyond them is told to come again. */
const [AT_ONCE, WAITING, PATIENCE] = [2, 40, 30_000]

const held = () => keptOnce('ironTillThreads', (): Partial<Record<WorkerName, Piscina>> => ({}))

/** Too much waits for a thread just now. */
export class TooMuchWaits extends Error {
  readonly code = 'TOO_MUCH_WAITS'
}

const threadsOf = (name: WorkerName, file: string): Piscina =>
  (held()[name] ??= new Piscina({
    filename: file,
    minThreads: 0,
    maxThreads: AT_ONCE,
    maxQueue: WAITING,
    idleTimeout: WORKERS[name].kept,
    resourceLimits: { maxOldGenerationSizeMb: WORKERS[name].memory },
  }))

/** Where a thread tells how far it is, if somebody listens: a number between 0 and 1. */
export interface Telling {
  readonly tell?: { postMessage(done: number): void }
}

/** Who waits for long work: stops it, and hears how far it is. */
export interface Waiting {
  readonly signal?: AbortSignal
  readonly onProgress?: (done: number) => void
  /** How long it may take, in milliseconds, where that is not as usual. */
  readonly patience?: number
}

/**
 * Runs heavy work on another thread, so that nobody waits for it who wants something else. Where the worker is not built
 * (tests of the work itself), and on another thread already, it runs here.
 */
export const runElsewhere = async <I extends object, O>(
  name: WorkerName,
  input: I,
  here: (input: I & Telling) => Promise<O>,
  { signal, onProgress, patience = PATIENCE }: Waiting = {},
): Promise<O> => {
  // Known only where it runs: a build that looked for it would take the whole project along.
  const file = join(/* turbopackIgnore: true */ process.cwd(), WORKERS[name].file)
  // Put together anew only where somebody listens: an input may be large.
  if (!isMainThread || !existsSync(file))
    return here(onProgress ? { ...input, tell: { postMessage: onProgress } } : input)
  const threads = threadsOf(name, file)
  if (threads.queueSize >= WAITING) throw new TooMuchWaits(`too much waits for ${name}`)
  const late = AbortSignal.timeout(patience)
  const ended = signal ? AbortSignal.any([signal, late]) : late
  const { port1, port2 } = new MessageChannel()
  try {
    if (onProgress) port1.on('message', onProgress)
    const done = onProgress
      ? threads.run({ ...input, tell: port2 }, { signal: ended, transferList: [port2] })
      : threads.run(input, { signal: ended })
    return (await done) as O
  } finally {
    port1.close()
  }
}
