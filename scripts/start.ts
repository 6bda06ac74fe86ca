import { randomBytes } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { createStream } from 'rotating-file-stream'
import { DEMO_PASSPHRASE } from '../demo/passphrase'
import { APP_ROLE, grantApp } from '../src/data/appRole'
import { openDatabase } from '../src/data/connect'
import { emptyHalfFilled, fillWhole } from '../src/data/fillWhole'
import { alone } from '../src/data/locks'
import { migrate } from '../src/data/migrate'
import { deleteSecondProof } from '../src/data/queries/secondProof'
import { findBusiness } from '../src/data/queries/business'
import { makeApiToken } from '../src/services/access/tokens'
import { opens } from '../src/services/access/seal'
import { businessDate, pinnedDay } from '../src/services/clock'
import { formatDay } from '../src/core/day'
import { build } from './build'
import { backupFolder, endServers, startCluster, tryPort, type Cluster } from './cluster'
import { restoreHere } from './restoreHere'
import { keptSecret, lockHome, makeHome, SetUpProblem, type HomeLock } from './home'
import { serve } from './serve'
import { sayProblem } from './sayProblem'
import { log as programLog } from '../src/log'

const root = resolve(import.meta.dirname, '..')
const say = (text: string): void => console.log(text)
// What the program logs while it is set up would stand between the sentences said here.
programLog.level = 'silent'

/** What this start has begun, to be ended in the other order, however far it came. */
const begun: { lock?: HomeLock; cluster?: Cluster; stopServer?: () => Promise<void> } = {}

let stopping = false
/** Ends what was begun, and this program. Said once: whoever comes later finds it stopping. */
const stop = async (code: number, why: () => void): Promise<void> => {
  if (stopping) return
  stopping = true
  why()
  await begun.stopServer?.()
  await begun.cluster?.stop()
  await endServers()
  begun.lock?.release()
  process.exit(code)
}
const finish = (code: number): Promise<void> =>
  stop(code, () => say('\nStopping: requests under way are finished, then the database is closed …'))

const readPort = (): number => {
  const given = process.env.PORT ?? '3000'
  const port = Number(given)
  if (!/^\d+$/.test(given) || port < 1 || port > 65_535)
    throw new SetUpProblem(`PORT is a number from 1 to 65535; it is “${given}”. Give another one: PORT=3100 bin/start`)
  return port
}

/** Where the application and the watch over the database write what went wrong: a few files, the oldest thrown away. */
const openLog = (home: string): ((line: string) => void) => {
  const folder = join(home, 'log')
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const file = createStream('till.log', { path: folder, size: '5M', maxFiles: 8, mode: 0o600 })
  // A full disk must not end the program: what cannot be written down is not written down.
  file.on('error', () => {})
  return (line) => void file.write(`${line}\n`)
}

/** So often may the application end by itself within so many milliseconds: beyond that it would only end again. */
const ENDINGS = { atMost: 3, within: 60_000 } as const

/** Counts how often the application ended by itself; `another` says whether it is worth starting it again. */
const fewEndings = () => {
  let at: readonly number[] = []
  return {
    another: (): boolean => {
      const now = Date.now()
      at = [...at.filter((when) => when > now - ENDINGS.within), now]
      return at.length <= ENDINGS.atMost
    },
  }
}

const prepareDatabase = async (
  url: string,
  appSecret: string | null,
): Promise<{ passphrase: boolean; there: boolean; token: string | null }> => {
  const { db, close } = openDatabase(url, { patient: true })
  const prepare = async () => {
    say('Database: bringing its tables up to date …')
    if (await emptyHalfFilled(db))
      say('Demo: the start before this one ended in the middle of it; what it left is thrown away.')
    await migrate(db)
    const existed = (await findBusiness(db)) !== null
    if (!existed && process.env.TILL_DEMO !== '0') {
      say('Demo: filling the workshop with eighteen months of trade (about a minute) …')
      const hasty = openDatabase(url, { hasty: true })
      // Every command there is comes with it: a start that has its business already does without.
      const { loadDemo } = await import('../demo/load')
      const load = () => loadDemo(hasty.db, businessDate(), (done) => process.stdout.write(`\r  ${done} `))
      const loaded = await fillWhole(db, load).finally(hasty.close)
      say(`\r  ${loaded.sales} sales for ${loaded.customers} customers, ${loaded.goods} goods, in ${loaded.seconds} s.`)
    }
    const business = await findBusiness(db)
    if (business && businessDate() < business.openedOn)
      throw new SetUpProblem(
        `Today is ${formatDay(businessDate())} (TILL_TODAY), before the business opened on ${formatDay(business.openedOn)}. Pin a later day, or leave TILL_TODAY away.`,
      )
    if (business && !opens(business.smtpUrl))
      say(
        'The address of the mail server was sealed with another key. Give every server the same TILL_SEAL_KEY, or type it anew in the settings; until then letters wait.',
      )
    if (process.env.TILL_FORGET_CODES === '1') {
      await deleteSecondProof(db)
      say('One-time codes are off, as TILL_FORGET_CODES asks: signing in takes the passphrase alone.')
    }
    if (appSecret !== null) await grantApp(db, appSecret)
    const demo = Boolean(business?.demoPassphrase)
    const token =
      demo && !process.env.TILL_API_TOKEN ? await makeApiToken(db, { name: 'printed at start', days: 30 }) : null
    return { passphrase: demo, there: business !== null, token }
  }
  const waits = () => say('Database: another server is bringing it up to date; waiting for it …')
  return alone(url, 'tables', waits, prepare).finally(close)
}

const main = async (): Promise<void> => {
  process.on('SIGINT', () => void finish(0))
  process.on('SIGTERM', () => void finish(0))
  process.on('SIGHUP', () => void finish(0))
  const home = resolve(root, process.env.TILL_HOME ?? '.till')
  const port = readPort()
  pinnedDay()
  const host = process.env.TILL_HOST ?? '127.0.0.1'
  makeHome(home)
  begun.lock = await lockHome(home)
  await tryPort(port).catch(() => {
    throw new SetUpProblem(
      `Port ${port} is taken by another program. Stop that one, or choose another port: PORT=3100 bin/start`,
    )
  })
  // Servers of one business share the key: what one of them sealed, another opens.
  const sealKey = (process.env.TILL_SEAL_KEY ??= keptSecret(home, 'secret.seal'))
  const log = openLog(home)
  const note = (text: string) => {
    log(JSON.stringify({ level: 40, time: Date.now(), msg: text }))
    if (!stopping) say(text)
  }
  let [adminUrl, url] = [process.env.DATABASE_URL ?? '', process.env.DATABASE_URL ?? '']
  if (adminUrl) say('Database: the one named in DATABASE_URL.')
  else {
    say(`Database: starting the private server of ${home} …`)
    begun.cluster = await startCluster({ home, say: note })
    adminUrl = begun.cluster.url
    url = `postgres://${APP_ROLE}:${keptSecret(home, 'secret.app')}@127.0.0.1:${begun.cluster.port}/postgres`
  }
  const appSecret = begun.cluster ? keptSecret(home, 'secret.app') : null
  const { passphrase, there, token } = await prepareDatabase(adminUrl, appSecret)
  if (stopping) return
  say('Application: building where something changed (about a minute the first time) …')
  build()
  if (stopping) return
  say('Application: starting …')
  const code = there ? '' : randomBytes(5).toString('hex')
  let restoring = false
  const endings = fewEndings()
  const startServer = async (said: string): Promise<void> => {
    const server = await serve({
      port,
      databaseUrl: url,
      host,
      onLine: log,
      env: {
        TILL_LOG_FILE: join(home, 'log/till.log'),
        TILL_SETUP_CODE: code,
        TILL_BACKUPS: backupFolder(home),
        TILL_RESTORES: '1',
        TILL_RESTORE_SAID: said,
      },
    })
    const gone = new Promise<void>((done) => server.once('exit', () => done()))
    begun.stopServer = async () => {
      server.kill('SIGTERM')
      await Promise.race([gone, new Promise((r) => setTimeout(r, 9_000))])
      server.kill('SIGKILL')
    }
    server.on('exit', (status) => {
      if (restoring || stopping) return
      const why = `The application ended by itself (${status ?? 'killed'}). The log says why: ${join(home, 'log/till.log')}`
      if (!endings.another()) return void stop(1, () => say(why))
      note(`${why}. It is started again …`)
      startServer('').then(
        () => note('The application is back.'),
        (problem: unknown) => stop(1, () => console.error(sayProblem(problem))),
      )
    })
    server.on('message', (message: unknown) => {
      if (typeof message !== 'object' || message === null || !('restore' in message)) return
      void restoreHere(
        { restore: String(message.restore) },
        (answer) => void (server.connected && server.send(answer)),
        {
          databaseUrl: adminUrl,
          sealKey,
          say: note,
          stop: async () => {
            restoring = true
            await begun.stopServer?.()
          },
          start: async (why) => {
            await prepareDatabase(adminUrl, appSecret)
            await startServer(why)
            restoring = false
          },
        },
      ).catch((problem: unknown) => stop(1, () => console.error(sayProblem(problem))))
    })
    begun.lock?.note({ serverPid: server.pid, address: `http://127.0.0.1:${port}` })
  }
  await startServer('')
  say('')
  say(`Iron Till is open at http://127.0.0.1:${port}`)
  if (passphrase) say(`  passphrase of the demo: ${DEMO_PASSPHRASE}`)
  else if (!there)
    say(`  no business yet: open the address and set it up. From another machine it asks for this code, once: ${code}`)
  if (token) say(`  token for the HTTP interface (30 days): ${token}`)
  else if (process.env.TILL_API_TOKEN) say('  the token given in TILL_API_TOKEN opens the HTTP interface.')
  say(`  what goes wrong is written to ${join(home, 'log/till.log')}`)
  say('  Ctrl+C stops it; everything is kept.')
}

main().catch((problem: unknown) => stop(1, () => console.error(`\nIron Till did not start. ${sayProblem(problem)}`)))
