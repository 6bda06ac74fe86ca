import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { keptOnce } from '@/core/keptOnce'
import { turns } from '@/data/turns'
import { log } from '@/log'
import { TooMuchWaits } from './runElsewhere'

/**
 * What reads a file, by what it is: programs that the build puts beside the server, and how much memory each may have with all that it
 * unpacks into, in megabytes.
 */
const READERS = {
  tables: { file: 'workers/tables.mjs', memory: 1_000 },
  invoices: { file: 'workers/invoices.mjs', memory: 1_000 },
  statements: { file: 'workers/statements.mjs', memory: 1_000 },
  cards: { file: 'workers/cards.mjs', memory: 1_000 },
  // As much as a document may take for it, each time it is drawn.
  marks: { file: 'workers/marks.mjs', memory: 400 },
} as const

/** So many run at once, so many may wait. */
const [AT_ONCE, WAITING] = [2, 20]
/** How long a file is read at most, in milliseconds: the largest we take need a few seconds, and who waits for an answer waits for fifteen. */
const PATIENCE = 12_000
/** What JavaScript may hold in such a process, in megabytes. */
const HEAP = 512
/**
 * What the kernel holds such a process to: seconds of computing (should we have ended before it has), blocks of 512 bytes in a file that
 * it lays aside, kilobytes of memory. One that cannot be set is lower already.
 */
const limitsOf = (memory: number): string => `ulimit -t 15; ulimit -f 130000; ulimit -d ${memory * 1_000}`

/** So much is kept of what it said before it ended, in letters. */
const SAID = 1_000

const line = () => keptOnce('ironTillReaders', () => turns(AT_ONCE))

/** What it answered, or null where it ended before. */
const ask = (program: string, memory: number, file: object, folder: string): Promise<unknown> =>
  new Promise((done, fail) => {
    const limited = `${limitsOf(memory)}; exec "$0" "$@"`
    const reader = spawn('/bin/sh', ['-c', limited, process.execPath, `--max-old-space-size=${HEAP}`, program], {
      // It knows nothing of ours, neither the database nor a secret, and lays aside only where we throw it away.
      env: { NODE_ENV: 'production', TMPDIR: folder },
      stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
      serialization: 'advanced',
      timeout: PATIENCE,
      killSignal: 'SIGKILL',
    })
    let answer: unknown = null
    let said = ''
    reader.stderr?.on('data', (words: Buffer) => (said = `${said}${words}`.slice(-SAID)))
    reader.once('message', (told) => {
      answer = told
      reader.kill('SIGKILL')
    })
    reader.once('error', fail)
    reader.once('close', (code, signal) => {
      if (answer === null) log.warn({ program, code, signal, said }, 'a file was not read')
      done(answer)
    })
    reader.send(file, () => {})
  })

/**
 * Has somebody's file read by a process of its own, which what is hostile or too much ends, and nothing else. Null where it ended before
 * the file was read: it was too large unpacked, or without an end. Where no reader is built (tests of the reading itself), it is read here.
 */
export const runApart = async <I extends object, O>(
  name: keyof typeof READERS,
  input: I,
  here: (input: I) => Promise<O>,
): Promise<O | null> => {
  // Known only where it runs: a build that looked for it would take the whole project along.
  const { file, memory } = READERS[name]
  const program = join(/* turbopackIgnore: true */ process.cwd(), file)
  if (!existsSync(program)) return here(input)
  if (line().waiting() >= WAITING) throw new TooMuchWaits(`too much waits for ${name}`)
  return line().inTurn(async () => {
    const folder = await mkdtemp(join(tmpdir(), 'iron-till-read-'))
    try {
      return (await ask(program, memory, input, folder)) as O | null
    } finally {
      await rm(folder, { recursive: true, force: true })
    }
  })
}
