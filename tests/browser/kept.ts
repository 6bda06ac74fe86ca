import type { ChildProcess } from 'node:child_process'
import { resolve } from 'node:path'
import type { WebDriver } from 'selenium-webdriver'
import type { Driver } from 'selenium-webdriver/chrome'
import { complaintsOf, openBrowser as startBrowser, setSize } from '../../scripts/browser'
import { freePort } from '../../scripts/cluster'
import { serve } from '../../scripts/serve'

/* What is kept from one file of tests to the next, because starting it is most of its work (docs/decisions/25). */

export interface Server {
  readonly port: number
  readonly process: ChildProcess
  /** What it told its log of answers that broke, since it was taken. (The clockwork breaks off when a test takes its database away.) */
  readonly broken: string[]
}
type Settings = Readonly<Record<string, string>>

const idleServers: Server[] = []

const start = async (port: number, databaseUrl: string, env: Settings, broken: string[] = []): Promise<Server> => {
  const onLine = (line: string): void => void (/"msg":"broken"/.test(line) && broken.push(line))
  const program = resolve(import.meta.dirname, '../movingDoor.mjs')
  return { port, broken, process: await serve({ port, databaseUrl, env, program, onLine }) }
}

/** A server goes on with another database, or other settings. */
export const moveServer = async ({ process }: Server, databaseUrl: string, env: Settings): Promise<void> => {
  const moved = new Promise((done) => process.once('message', done))
  process.send({ ...env, DATABASE_URL: databaseUrl })
  await moved
}

/** A server on this database, with these settings: one that was given back, or a new one. */
export const takeServer = async (databaseUrl: string, env: Settings): Promise<Server> => {
  let one = idleServers.pop()
  // One that broke under its last test helps nobody.
  while (one && !one.process.connected) one = idleServers.pop()
  if (!one) return start(await freePort(), databaseUrl, env)
  await moveServer(one, databaseUrl, env)
  return one
}

/** Kills a server where it stands, and starts it again at the same address. */
export const restartServer = async (
  { port, process, broken }: Server,
  databaseUrl: string,
  env: Settings,
): Promise<Server> => {
  process.kill('SIGKILL')
  await new Promise((ended) => process.once('exit', ended))
  return start(port, databaseUrl, env, broken)
}

/** A server that is tested no more, and what broke in it meanwhile; it ends with the worker at the latest. */
export const giveBack = (server: Server): readonly string[] => {
  idleServers.push(server)
  return server.broken.splice(0)
}

/** They end with the worker, which is asked to end when its last file is done. */
const idleBrowsers: WebDriver[] = []
process.once('SIGTERM', () => {
  void Promise.allSettled(idleBrowsers.map((driver) => driver.quit())).then(() => process.exit())
})

/** A browser that knows nothing: one that was put back, or a new one. */
export const openBrowser = async (): Promise<WebDriver> => idleBrowsers.pop() ?? (await startBrowser())

/** Puts a browser back as it was opened, if it was: one window, on nothing, and nothing kept. What broke in its pages fails who used it. */
export const closeBrowser = async (driver: WebDriver | undefined): Promise<void> => {
  if (!driver) return
  await driver.executeScript('localStorage.clear(); sessionStorage.clear()')
  const [first, ...others] = await driver.getAllWindowHandles()
  for (const other of others) {
    await driver.switchTo().window(other)
    await driver.close()
  }
  await driver.switchTo().window(first!)
  await driver.get('about:blank')
  await (driver as Driver).sendDevToolsCommand('Network.clearBrowserCookies', {})
  await setSize(driver, 1280, 800)
  idleBrowsers.push(driver)
  const complaints = await complaintsOf(driver)
  if (complaints.length > 0) throw new Error(`Something broke in a page:\n${complaints.join('\n')}`)
}
