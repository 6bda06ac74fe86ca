import { spawnSync } from 'node:child_process'
import { chownSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { asRoot, postgresUser, SetUpProblem } from './home'

/** The folder of the newest PostgreSQL there is, or null. */
export const findPostgres = (): string | null => {
  const base = '/usr/lib/postgresql'
  const versions = existsSync(base) ? readdirSync(base).filter((v) => existsSync(join(base, v, 'bin/initdb'))) : []
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0]
  return newest ? join(base, newest, 'bin') : null
}

/** How PostgreSQL's programs are run: it refuses to run as root, so root runs them as the postgres user; and they end with us. */
export const asPostgres = (signal: 'INT' | 'KILL'): string[] => [
  ...(asRoot ? ['--reuid=postgres', '--regid=postgres', '--init-groups'] : []),
  '--pdeathsig',
  signal,
]

export const postgresEnvironment = (): NodeJS.ProcessEnv => {
  const env: NodeJS.ProcessEnv = { ...process.env, LC_ALL: 'C.UTF-8' }
  delete env.PGPORT
  return env
}

/** Runs one of PostgreSQL's programs to its end, or to ours. */
export const runTool = (bin: string, program: string, args: readonly string[]): { ok: boolean; output: string } => {
  const done = spawnSync('setpriv', [...asPostgres('KILL'), join(bin, program), ...args], {
    encoding: 'utf8',
    cwd: '/',
    env: postgresEnvironment(),
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  return { ok: done.status === 0, output: `${done.stdout}${done.stderr}`.trim() }
}

/** Beside its place, until it is whole. */
const MAKING = '.making'

/** What starts that were killed in the middle of it left behind: their helpers end a moment after them, and write until then. */
const throwAwayHalfMade = async (data: string): Promise<void> => {
  for (const name of readdirSync(dirname(data)))
    if (name.startsWith(`${basename(data)}${MAKING}`))
      for (let tried = 1; ; tried++)
        try {
          rmSync(join(dirname(data), name), { recursive: true, force: true })
          break
        } catch (written) {
          if (tried === 100) throw written
          await new Promise((r) => setTimeout(r, 100))
        }
}

/**
 * Makes the data of a new server, with its superuser, whose secret is asked for; or not, where all of it is thrown away. Whole or not at
 * all: a start that is killed meanwhile leaves nothing the next one would take for a database.
 */
export const createData = async (
  bin: string,
  data: string,
  secret: string,
  auth: 'scram-sha-256' | 'trust',
): Promise<void> => {
  mkdirSync(dirname(data), { recursive: true })
  if (existsSync(data) && readdirSync(data).length > 0)
    throw new SetUpProblem(
      `There are files in ${data}, and they are no database. Move them elsewhere, then start again.`,
    )
  await throwAwayHalfMade(data)
  const making = `${data}${MAKING}-${process.pid}`
  mkdirSync(making, { mode: 0o700 })
  const passwordFile = `${making}.password`
  writeFileSync(passwordFile, secret, { mode: 0o600 })
  if (asRoot) {
    const { uid, gid } = postgresUser()
    chownSync(making, uid, gid)
    chownSync(passwordFile, uid, gid)
  }
  const made = runTool(bin, 'initdb', [
    '-D',
    making,
    '-U',
    'till',
    '--pwfile',
    passwordFile,
    `--auth=${auth}`,
    '-E',
    'UTF8',
    '--locale=C.UTF-8',
  ])
  rmSync(passwordFile, { force: true })
  if (!made.ok) {
    rmSync(making, { recursive: true, force: true })
    throw new SetUpProblem(
      `The database could not be made in ${data}. It said: ${made.output.split('\n').slice(-3).join(' ')}`,
    )
  }
  renameSync(making, data)
}
