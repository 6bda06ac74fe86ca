import { spawn, type ChildProcess } from 'node:child_process'
import { join, resolve } from 'node:path'
import { asRoot, othersMayEnter } from './home'

const root = resolve(import.meta.dirname, '..')
/** Room for what a page is made of and needs no longer, in MB: with the 16 that are usual it is swept up twice as often. */
const YOUNG = '--max-semi-space-size=32'

/** How long it may take to answer, in milliseconds: a small machine reads for long. One that breaks ends, and is not waited for. */
const PATIENCE = 120_000

export interface ServerOptions {
  readonly port: number
  readonly databaseUrl: string
  readonly host?: string
  readonly env?: Readonly<Record<string, string>>
  /** What is run: the front door, or a program that opens it. */
  readonly program?: string
  /** Told each line the application logs; its errors go to standard error where nobody listens. */
  readonly onLine?: (line: string) => void
}

/** The application needs no rights of root: where another user may read it, it runs as that one. */
const asUser = (): readonly string[] =>
  asRoot && othersMayEnter(join(root, '.next/standalone'))
    ? ['--reuid=postgres', '--regid=postgres', '--init-groups']
    : []

const eachLine = (stream: NodeJS.ReadableStream | null, tell: (line: string) => void): void => {
  let rest = ''
  stream?.on('data', (chunk: Buffer) => {
    const lines = (rest + chunk.toString()).split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines) if (line.trim() !== '') tell(line)
  })
}

/** Starts the built application behind its front door, and waits until it answers. It ends with us, however we end. */
export const serve = async ({
  port,
  databaseUrl,
  host = '127.0.0.1',
  env = {},
  program = 'door.mjs',
  onLine,
}: ServerOptions): Promise<ChildProcess> => {
  const run = [process.execPath, YOUNG, program]
  const user = asUser()
  const [command, ...args] = user.length > 0 ? ['setpriv', ...user, ...run] : run
  const server = spawn(command!, args, {
    cwd: join(root, '.next/standalone'),
    env: {
      ...process.env,
      ...env,
      NODE_ENV: 'production',
      PORT: String(port),
      HOSTNAME: host,
      DATABASE_URL: databaseUrl,
      NEXT_TELEMETRY_DISABLED: '1',
    },
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
  })
  let said = ''
  const hear = (line: string) => {
    said = `${said}\n${line}`.slice(-2000)
    if (onLine) onLine(line)
    else if (/"level":[56]0/.test(line)) process.stderr.write(`${line}\n`)
  }
  eachLine(server.stdout, hear)
  eachLine(server.stderr, hear)
  for (const end = Date.now() + PATIENCE; Date.now() < end;) {
    if (server.exitCode !== null) throw new Error(`The application stopped at once. It said: ${said.slice(-600)}`)
    const up = await fetch(`http://127.0.0.1:${port}/api/health`).then(
      (r) => r.ok,
      () => false,
    )
    if (up) return server
    await new Promise((r) => setTimeout(r, 50))
  }
  server.kill()
  throw new Error(`The application did not answer on port ${port}. It said: ${said.slice(-600)}`)
}
