import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { freePort } from '../../scripts/cluster'

const root = resolve(import.meta.dirname, '../..')
export const TOKEN = 'a-token-for-faults'

export const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms))

/** Waits until something is so; says what it waited for where it never was. */
export const eventually = async (
  what: string,
  is: () => boolean | Promise<boolean>,
  within = 30_000,
): Promise<void> => {
  const end = Date.now() + within
  while (!(await is())) {
    if (Date.now() > end) throw new Error(`never so within ${within} ms: ${what}`)
    await pause(100)
  }
}

export interface Started {
  readonly process: ChildProcess
  readonly said: () => string
  /** Resolves with the exit code; null where a signal ended it. */
  readonly ended: Promise<number | null>
}

/** Runs the start as its command does, in a folder and on a port of its own. */
export const begin = (home: string, port: number, env: Record<string, string> = {}): Started => {
  const started = spawn(process.execPath, ['scripts/launch.mjs'], {
    cwd: root,
    env: {
      ...process.env,
      TILL_HOME: home,
      PORT: String(port),
      TILL_DEMO: '0',
      TILL_API_TOKEN: TOKEN,
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  started.stdout?.on('data', (d: Buffer) => (said += d.toString()))
  started.stderr?.on('data', (d: Buffer) => (said += d.toString()))
  return {
    process: started,
    said: () => said,
    ended: new Promise((done) => started.once('exit', (code) => done(code))),
  }
}

export interface Answered {
  readonly status: number
  readonly type: string
  // oxlint-disable-next-line typescript/no-explicit-any -- what came is what the test is about
  readonly body: any
  readonly ms: number
}

/** One call; a connection that fails is an answer of status 0, with what broke. */
export const ask = async (
  port: number,
  method: string,
  path: string,
  body?: unknown,
  key?: string,
): Promise<Answered> => {
  const began = performance.now()
  try {
    const response = await fetch(`http://127.0.0.1:${port}${path}`, {
      method,
      headers: {
        authorization: `Bearer ${TOKEN}`,
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(key ? { 'idempotency-key': key } : {}),
      },
      body: body === undefined ? undefined : JSON.stringify(body),
      signal: AbortSignal.timeout(30_000),
    })
    const text = await response.text()
    return {
      status: response.status,
      type: response.headers.get('content-type') ?? '',
      body: text.startsWith('{') ? JSON.parse(text) : text,
      ms: performance.now() - began,
    }
  } catch (broken) {
    return { status: 0, type: '', body: String(broken), ms: performance.now() - began }
  }
}

/** Asks as a till does: told to come back, it does so under its key. What was done is done once all the same. */
export const persist = async (asked: () => Promise<Answered>): Promise<Answered> => {
  for (const end = Date.now() + 60_000; ;) {
    const told = await asked()
    if (told.status !== 503 || !told.body.detail || Date.now() > end) return told
    await pause(200)
  }
}

export const makeHomeFolder = (): string => mkdtempSync(join(tmpdir(), 'iron-till-faults-'))
export const dropHome = (home: string): void => rmSync(home, { recursive: true, force: true })

export const open = async (home: string, env: Record<string, string> = {}) => {
  const port = await freePort()
  const started = begin(home, port, env)
  await eventually(
    'the start is open',
    () => started.said().includes('is open at') || started.process.exitCode !== null,
    120_000,
  )
  if (!started.said().includes('is open at')) throw new Error(`the start ended: ${started.said().slice(-600)}`)
  return { ...started, port }
}

/** The first process of the private database of a folder. */
export const postmaster = (home: string): number =>
  Number(readFileSync(join(home, 'postgres/postmaster.pid'), 'utf8').split('\n')[0])

export const runs = (pid: number): boolean => {
  try {
    process.kill(pid, 0)
    return !/^\S+ \(.*\) Z/.test(readFileSync(`/proc/${pid}/stat`, 'utf8'))
  } catch {
    return false
  }
}

export const PASSPHRASE = 'a long passphrase'
export const setUp = (port: number) =>
  ask(port, 'POST', '/api/v1/setup', { name: 'Faults', currency: 'USD', passphrase: PASSPHRASE })

/** The owner at the door, as the page there asks. */
export const signIn = (port: number, passphrase = PASSPHRASE): Promise<Response> =>
  fetch(`http://127.0.0.1:${port}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: `http://127.0.0.1:${port}` },
    body: JSON.stringify({ passphrase }),
  })
export const addCustomer = (port: number, name: string, key?: string) =>
  ask(port, 'POST', '/api/v1/customers', { name }, key)
