import { existsSync, readdirSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { checkBackup, restoreBackup } from '../src/data/backup/restore'
import { NotABackup } from '../src/data/backup/format'
import { dataFolder, endServers, startCluster } from './cluster'
import { forgetSealed } from './forgetSealed'
import { keptSecret, lockHome, makeHome, SetUpProblem } from './home'
import { sayProblem } from './sayProblem'

const root = resolve(import.meta.dirname, '..')

const main = async (): Promise<void> => {
  const given = process.argv[2]
  if (!given) throw new SetUpProblem('Say which file: bin/restore FILE')
  const path = resolve(given)
  if (!existsSync(path)) throw new SetUpProblem(`There is no file ${path}.`)
  const { business, made, rows } = await checkBackup(path)
  const done = () => console.log(`Restored ${rows} rows of “${business}” as of ${made}. Start it with bin/start.`)
  if (process.env.DATABASE_URL) {
    await restoreBackup(process.env.DATABASE_URL, path)
    return done()
  }
  const home = resolve(root, process.env.TILL_HOME ?? '.till')
  const fresh = !existsSync(home) || readdirSync(home).length === 0
  const existed = existsSync(home)
  const data = dataFolder(home)
  makeHome(home)
  const lock = await lockHome(home)
  let restored = false
  try {
    const cluster = await startCluster({ home })
    try {
      await restoreBackup(cluster.url, path)
      for (const told of await forgetSealed(cluster.url, keptSecret(home, 'secret.seal'))) console.log(told)
      restored = true
    } finally {
      await cluster.stop()
      await endServers()
    }
  } finally {
    lock.release()
    // A place that was made for it is gone again where it came to nothing.
    if (!restored && fresh) {
      rmSync(data, { recursive: true, force: true })
      for (const name of existsSync(home) ? readdirSync(home) : [])
        rmSync(join(home, name), { recursive: true, force: true })
      if (!existed) rmSync(home, { recursive: true, force: true })
    }
  }
  done()
}

main().then(
  () => process.exit(0),
  (problem: unknown) => {
    console.error(`Nothing was restored. ${problem instanceof NotABackup ? problem.message : sayProblem(problem)}`)
    process.exit(1)
  },
)
