import { resolve } from 'node:path'
import { DEMO_PASSPHRASE, loadDemo } from '../demo/load'
import { openDatabase } from '../src/data/connect'
import { migrate } from '../src/data/migrate'
import { findBusiness } from '../src/data/queries/business'
import { makeApiToken } from '../src/services/access/tokens'
import { businessDate } from '../src/services/clock'
import { build } from './build'
import { freePort, makeHome, SetUpProblem, startCluster, type Cluster } from './cluster'
import { serve } from './serve'

const root = resolve(import.meta.dirname, '..')
const say = (text: string): void => console.log(text)

const main = async (): Promise<void> => {
  const home = resolve(root, process.env.TILL_HOME ?? '.till')
  const port = Number(process.env.PORT ?? 3000)
  const host = process.env.TILL_HOST ?? '127.0.0.1'
  await freePort(port).catch(() => {
    throw new SetUpProblem(
      `Port ${port} is taken by another program. Stop that one, or choose another port: PORT=3100 bin/start`,
    )
  })
  makeHome(home)
  let cluster: Cluster | null = null
  if (process.env.DATABASE_URL) say('Database: the one named in DATABASE_URL.')
  else {
    say(`Database: starting the private server of ${home} …`)
    cluster = await startCluster({ home })
  }
  const url = process.env.DATABASE_URL ?? cluster!.url
  const { db, close } = openDatabase(url)
  try {
    say('Database: bringing its tables up to date …')
    await migrate(db)
    const existed = (await findBusiness(db)) !== null
    if (!existed && process.env.TILL_DEMO !== '0') {
      say('Demo: filling the workshop with eighteen months of trade (under a minute) …')
      const hasty = openDatabase(url, { hasty: true })
      const loaded = await loadDemo(hasty.db, businessDate(), (done) =>
        process.stdout.write(`\r  ${done} `),
      ).finally(hasty.close)
      say(
        `\r  ${loaded.sales} sales for ${loaded.customers} customers, ${loaded.goods} goods, in ${loaded.seconds} s.`,
      )
    }
    const business = await findBusiness(db)
    const token =
      process.env.TILL_API_TOKEN ??
      (business?.demoPassphrase ? await makeApiToken(db, 'printed at start') : null)
    say('Application: building where something changed (about a minute the first time) …')
    build()
    say('Application: starting …')
    const server = await serve({ port, databaseUrl: url, host })
    say('')
    say(`Iron Till is open at http://127.0.0.1:${port}`)
    if (business?.demoPassphrase) say(`  passphrase of the demo: ${DEMO_PASSPHRASE}`)
    else if (!business) say('  no business yet: open the address and set it up.')
    if (token) say(`  token for the HTTP interface: ${token}`)
    say('  Ctrl+C stops it; everything is kept.')
    let stopping = false
    const stop = async (code: number) => {
      if (stopping) return
      stopping = true
      say('\nStopping …')
      server.kill('SIGTERM')
      await close()
      cluster?.stop()
      process.exit(code)
    }
    process.on('SIGINT', () => void stop(0))
    process.on('SIGTERM', () => void stop(0))
    server.on('exit', () => void stop(1))
  } catch (problem) {
    await close()
    cluster?.stop()
    throw problem
  }
}

main().catch((problem: unknown) => {
  const text = problem instanceof Error ? problem.message : String(problem)
  const disk = /ENOSPC|No space left/.test(text)
    ? ' The disk is full; make room and start again, nothing was broken.'
    : ''
  console.error(`\nIron Till did not start. ${text}${disk}`)
  process.exit(1)
})
