import type { ChildProcess } from 'node:child_process'
import { By, error, Key, until, type WebDriver, type WebElement } from 'selenium-webdriver'
import { inject } from 'vitest'
import { openDatabase } from '@/data/connect'
import { openBrowser, setSize } from '../../scripts/browser'
import { freePort } from '../../scripts/cluster'
import { serve } from '../../scripts/serve'
import { copyDatabase } from '../setUp'

export { openBrowser, setSize }

export const TOKEN = 'a-token-for-tests'
export const PASSPHRASE = 'a long passphrase'
export const TODAY = '2026-03-10'

/** The application on a database of its own, as bin/start would serve it. */
export const openTill = async (name: string, more: Readonly<Record<string, string>> = {}) => {
  const databaseUrl = await copyDatabase(inject('clusterUrl'), `${name}_${Date.now().toString(36)}`)
  const { db, close } = openDatabase(databaseUrl)
  const port = await freePort()
  const base = `http://127.0.0.1:${port}`
  const start = (today = TODAY): Promise<ChildProcess> =>
    serve({ port, databaseUrl, env: { TILL_API_TOKEN: TOKEN, TILL_TODAY: today, TILL_CHECK_ANSWERS: '1', ...more } })
  let running = await start()
  const request = async (method: string, path: string, body?: unknown, headers: Record<string, string> = {}) => {
    const response = await fetch(`${base}/api/v1${path}`, {
      method,
      headers: {
        authorization: `Bearer ${TOKEN}`,
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      // A text is a file as it is.
      body: body === undefined || typeof body === 'string' ? body : JSON.stringify(body),
    })
    // eslint-disable-next-line @typescript-eslint/no-explicit-any -- what came is what the test is about
    const answer = (await response.json()) as any
    return {
      status: response.status,
      body: answer,
      type: response.headers.get('content-type'),
    }
  }
  return {
    base,
    db,
    request,
    /** Kills the server where it stands and starts it again, perhaps on another day. */
    restart: async (today?: string): Promise<void> => {
      running.kill('SIGKILL')
      await new Promise((r) => running.once('exit', r))
      running = await start(today)
    },
    close: async (): Promise<void> => {
      running.kill()
      await close()
    },
  }
}
export type Till = Awaited<ReturnType<typeof openTill>>

const WAIT = 15_000

/** Keys pressed since the page was opened, counted for the test of how quick a thing is. */
export const keys = { pressed: 0 }

/** Hands of a person who uses the keyboard alone. */
export const handsOn = (driver: WebDriver, base: string) => {
  const see = (text: string): Promise<WebElement> =>
    driver.wait(
      until.elementLocated(By.xpath(`//*[contains(normalize-space(.), ${JSON.stringify(text)})]`)),
      WAIT,
      `never saw “${text}”`,
    )
  const field = (label: string): Promise<WebElement> =>
    driver.wait(
      until.elementLocated(
        By.xpath(
          `//*[@aria-label=${JSON.stringify(label)} and (self::input or self::select or self::textarea or self::button)] | //*[@id=//label[normalize-space(.)=${JSON.stringify(label)}]/@for]`,
        ),
      ),
      WAIT,
      `no field “${label}”`,
    )
  /** A page that is being read anew may take away what was just found; a person simply looks again. */
  const steadily = async (work: () => Promise<void>): Promise<void> => {
    for (let attempt = 0; ; attempt++) {
      try {
        return await work()
      } catch (problem) {
        if (attempt >= 4 || !(problem instanceof error.StaleElementReferenceError)) throw problem
        await driver.sleep(200)
      }
    }
  }
  const press = async (...typed: string[]): Promise<void> => {
    keys.pressed += typed.join('').length
    await driver
      .actions()
      .sendKeys(...typed)
      .perform()
  }
  const chord = (modifier: string, key: string): Promise<void> =>
    driver.actions().keyDown(modifier).sendKeys(key).keyUp(modifier).perform()
  return {
    go: async (path: string): Promise<void> => {
      await driver.get(`${base}${path}`)
      // Pages of the owner say when they hear keys; the door and the first-run page have no such sign.
      await driver.wait(
        async () =>
          (await driver.executeScript(
            'return document.documentElement.dataset.ready === "yes" || !document.querySelector("[data-quick-line]")',
          )) === true,
        WAIT,
      )
    },
    see,
    field,
    press,
    chord,
    /** The main thing on the page. */
    doIt: (): Promise<void> => chord(Key.CONTROL, Key.ENTER),
    /** Types into a field, in place of what stands there. */
    type: (label: string, text: string): Promise<void> =>
      steadily(async () => {
        const element = await field(label)
        await driver.executeScript('arguments[0].focus()', element)
        await chord(Key.CONTROL, 'a')
        await press(text)
      }),
    /** Types into a field that finds, waits for the choice, and takes it with Enter. */
    choose: async (label: string, text: string, choice: string): Promise<void> => {
      const element = await field(label)
      await driver.executeScript('arguments[0].focus()', element)
      await chord(Key.CONTROL, 'a')
      await press(text)
      await driver.wait(
        until.elementLocated(
          By.xpath(`//*[@role='option' and contains(normalize-space(.), ${JSON.stringify(choice)})]`),
        ),
        WAIT,
        `no choice “${choice}”`,
      )
      await press(Key.ENTER)
    },
    /** Presses the button or link called so. */
    click: (name: string): Promise<void> =>
      steadily(async () => {
        const element = await driver.wait(
          until.elementLocated(
            By.xpath(
              `//*[(self::button or self::a) and (normalize-space(.)=${JSON.stringify(name)} or @aria-label=${JSON.stringify(name)})]`,
            ),
          ),
          WAIT,
          `no button “${name}”`,
        )
        // What stands in a menu is reached through it.
        const menu = await driver.executeScript<string | null>(
          `const m = arguments[0].closest('.menu'); return m && !m.matches(':popover-open') ? m.id : null`,
          element,
        )
        if (menu) {
          const opener = await driver.findElement(By.css(`[popovertarget="${menu}"]`))
          await driver.executeScript('arguments[0].focus()', opener)
          await press(Key.ENTER)
        }
        // A menu takes a moment to open, and a panel that closes gives the focus back a moment later.
        await driver.wait(
          () =>
            driver.executeScript<boolean>(
              'const had = document.activeElement === arguments[0]; arguments[0].focus(); return had',
              element,
            ),
          WAIT,
          `“${name}” cannot be focused`,
        )
        await press(Key.ENTER)
      }),
    /** Chooses from a list of the browser's own by what is read there. */
    select: async (label: string, choice: string): Promise<void> => {
      const list = await field(label)
      await list.findElement(By.xpath(`./option[normalize-space(.)=${JSON.stringify(choice)}]`)).click()
    },
    /** Chooses one of a few that are all in sight. */
    pick: async (label: string): Promise<void> => {
      const radio = await driver.findElement(
        By.xpath(`//label[contains(normalize-space(.), ${JSON.stringify(label)})]/input`),
      )
      await driver.executeScript('arguments[0].click()', radio)
    },
    /** What stands in a field. */
    value: async (label: string): Promise<string | null> => (await field(label)).getAttribute('value'),
    /** Waits until no panel is open. */
    gone: (): Promise<boolean> =>
      driver.wait(
        async () => (await driver.executeScript('return document.querySelectorAll("[role=dialog]").length')) === 0,
        WAIT,
        'the panel stays',
      ),
    text: async (css: string): Promise<string> => (await driver.findElement(By.css(css))).getText(),
    signIn: async (): Promise<void> => {
      await driver.get(`${base}/sign-in`)
      const element = await field('Passphrase')
      await element.sendKeys(PASSPHRASE, Key.ENTER)
      await see('Received today')
    },
  }
}
