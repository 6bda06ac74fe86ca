import { execFileSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import {
  accessSync,
  chmodSync,
  chownSync,
  constants,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { dirname, join, resolve } from 'node:path'

/** Something stands in the way of a start that a person can put right. */
export class SetUpProblem extends Error {}

export const asRoot = process.getuid?.() === 0

/** The user whom root runs the database (and, where it may enter, the application) as. */
export const postgresUser = (): { uid: number; gid: number } => {
  const ids = (flag: string) => Number(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }))
  return { uid: ids('-u'), gid: ids('-g') }
}

/** Whether another user may reach a folder: every folder above it must be open to pass through. */
export const othersMayEnter = (folder: string): boolean => {
  for (let at = resolve(folder); ; at = dirname(at)) {
    if (existsSync(at) && (statSync(at).mode & 0o001) === 0) return false
    if (at === dirname(at)) return true
  }
}

/** Makes the home folder, open to its owner alone, or says what stands in the way. */
export const makeHome = (home: string): void => {
  try {
    mkdirSync(home, { recursive: true, mode: 0o700 })
    accessSync(home, constants.W_OK)
    chmodSync(home, 0o700)
    if (asRoot && othersMayEnter(dirname(home))) {
      // The database's own user has its data in there; root may enter all the same.
      const { uid, gid } = postgresUser()
      chownSync(home, uid, gid)
    }
  } catch (problem) {
    throw new SetUpProblem(
      `The folder ${home} cannot be written (${(problem as Error).message}). Give yourself the right to, or set TILL_HOME to another folder.`,
    )
  }
}

/** When a process began, in the clock of the machine: two processes of one number differ in it. Null where it does not run. */
const startOf = (pid: number): string | null => {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    return fields[0] === 'Z' ? null : (fields[19] ?? null)
  } catch {
    return null
  }
}

/** Whole or not at all, also where the disk is full or the program is killed meanwhile. Readable by its owner alone. */
const writeWhole = (file: string, text: string): void => {
  const beside = `${file}.${process.pid}`
  writeFileSync(beside, text, { mode: 0o600 })
  renameSync(beside, file)
}

interface Holder {
  readonly pid: number
  readonly started: string | null
  /** The application it started, where it got so far. */
  readonly server?: { readonly pid: number; readonly started: string | null }
  readonly address?: string
}

export interface HomeLock {
  /** Writes down what this start has started, for a next one to clean up after a crash. */
  readonly note: (more: { serverPid?: number; address?: string }) => void
  readonly release: () => void
}

const runs = (p: { readonly pid: number; readonly started: string | null }): boolean =>
  p.started !== null && startOf(p.pid) === p.started

const read = (file: string): Holder | null => {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Holder
  } catch {
    return null
  }
}

/** Ends an application whose start was killed before it could. */
const endOrphan = async (server: Holder['server']): Promise<void> => {
  if (!server || !runs(server)) return
  process.kill(server.pid, 'SIGTERM')
  for (let i = 0; i < 100 && runs(server); i++) {
    if (i === 90) process.kill(server.pid, 'SIGKILL')
    await new Promise((r) => setTimeout(r, 100))
  }
}

/** One folder, one program: holds the home folder for this process, or says who does and touches nothing. */
export const lockHome = async (home: string): Promise<HomeLock> => {
  const file = join(home, 'running.json')
  let mine: Holder = { pid: process.pid, started: startOf(process.pid) }
  for (let attempt = 0; ; attempt++) {
    try {
      writeFileSync(file, JSON.stringify(mine), { flag: 'wx', mode: 0o600 })
      break
    } catch (problem) {
      if ((problem as NodeJS.ErrnoException).code !== 'EEXIST' || attempt >= 5) throw problem
      const holder = read(file)
      if (holder && runs(holder))
        throw new SetUpProblem(
          `Iron Till already runs on the folder ${home} (process ${holder.pid}${holder.address ? `, ${holder.address}` : ''}). Use that one, stop it first, or set TILL_HOME to another folder.`,
        )
      await endOrphan(holder?.server)
      rmSync(file, { force: true })
    }
  }
  return {
    note: ({ serverPid, address }) => {
      mine = {
        ...mine,
        ...(serverPid ? { server: { pid: serverPid, started: startOf(serverPid) } } : {}),
        ...(address ? { address } : {}),
      }
      writeWhole(file, JSON.stringify(mine))
    },
    release: () => {
      if (read(file)?.pid === process.pid) rmSync(file, { force: true })
    },
  }
}

/** Whether a program runs on the home folder now. */
export const runsOn = (home: string): boolean => {
  const holder = read(join(home, 'running.json'))
  return holder !== null && runs(holder)
}

/** A secret of the home folder, made when it is first asked for and readable by its owner alone. An empty file is none. */
export const keptSecret = (home: string, name: string): string => {
  const file = join(home, name)
  const kept = existsSync(file) ? readFileSync(file, 'utf8').trim() : ''
  if (kept !== '') return kept
  const made = randomBytes(24).toString('hex')
  writeWhole(file, made)
  return made
}
