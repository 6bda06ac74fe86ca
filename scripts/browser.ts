import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Builder, logging, type WebDriver } from 'selenium-webdriver'
import chrome from 'selenium-webdriver/chrome'

process.env.SE_OFFLINE = 'true'
process.env.SE_AVOID_STATS = 'true'

const FLAGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--hide-scrollbars',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
  '--force-device-scale-factor=1',
  '--window-size=1280,800',
  '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost',
  '--disable-features=OptimizationHints,MediaRouter',
]

/** The browser without windows takes half the time; the whole one shows PDF, and is used where a machine has no other. */
const binaryOf = (whole: boolean): string =>
  !whole && existsSync('/usr/lib/chromium/chromium-headless-shell')
    ? join(import.meta.dirname, 'headlessShell.sh')
    : '/usr/bin/chromium'

/** A browser window of its own, 1280 × 800. */
export const openBrowser = async ({ whole = false } = {}): Promise<WebDriver> => {
  const options = new chrome.Options()
  options.setChromeBinaryPath(binaryOf(whole))
  const profile = mkdtempSync(join(tmpdir(), 'iron-till-browser-'))
  options.addArguments(...FLAGS, `--user-data-dir=${profile}`)
  const heard = new logging.Preferences()
  heard.setLevel(logging.Type.BROWSER, logging.Level.SEVERE)
  options.setLoggingPrefs(heard)
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
    .build()
  // Looked for every 40 ms; the driver's own way is every 200.
  const { wait, quit } = driver
  driver.wait = ((...[what, within, why, every = 40]: Parameters<typeof wait>) =>
    wait.call(driver, what, within, why, every)) as typeof wait
  driver.quit = async () => {
    await quit.call(driver)
    // The last of its processes may write for a moment longer.
    rmSync(profile, { recursive: true, force: true, maxRetries: 10, retryDelay: 50 })
  }
  await setSize(driver, 1280, 800)
  return driver
}

/** What went wrong in pages since this was asked before: what broke in a script, and what the policy of pages refused. An answer that refuses is none of it. */
export const complaintsOf = async (driver: WebDriver): Promise<readonly string[]> => {
  const said = await driver.manage().logs().get(logging.Type.BROWSER)
  return said.map(({ message }) => message).filter((message) => !message.includes('Failed to load resource'))
}

export const setSize = (driver: WebDriver, width: number, height: number): Promise<unknown> =>
  (driver as chrome.Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: false,
  }) as Promise<unknown>
