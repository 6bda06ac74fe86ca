import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, error, Key, type WebDriver, type WebElement } from 'selenium-webdriver'
import { inject } from 'vitest'
import { openDatabase } from '@/data/connect'
import { setSize } from '../../scripts/browser'
import { copyDatabase } from '../setUp'
import { closeBrowser, giveBack, openBrowser, moveServer, restartServer, takeServer } from './kept'

export { closeBrowser, openBrowser, setSize }

/** Of this worker, and gone when it ends. */
let folder: string | null = null
process.once('exit', () => folder && rmSync(folder, { recursive: true, force: true }))
/** A file to be chosen, in a place of its own: a field does not notice when the same is chosen again. Answers where it lies. */
export const writeToChoose = (name: string, text: string): string => {
  folder ??= mkdtempSync(join(tmpdir(), 'iron-till-files-'))
  const path = join(mkdtempSync(join(folder, 'one-')), name)
  writeFileSync(path, text)
  return path
}

export const TOKEN = 'a-token-for-tests'
export const PASSPHRASE = 'a long passphrase'
export const TODAY = '2026-03-10'

/** The application on a database of its own, as bin/start would serve it. */
export const openTill = async (name: string, more: Readonly<Record<string, string>> = {}) => {
  const databaseUrl = await copyDatabase(inject('clusterUrl'), `${name}_${process.pid}_${Date.now().toString(36)}`)
  const { db, close } = openDatabase(databaseUrl)
  const on = (today: string) => ({
    TILL_LOG: 'error',
    TILL_API_TOKEN: TOKEN,
    TILL_TODAY: today,
    TILL_CHECK_ANSWERS: '1',
    // Who wants another says so; a server that was moved on must not keep it.
    TMPDIR: tmpdir(),
    ...more,
  })
  let server = await takeServer(databaseUrl, on(TODAY))
  const base = `http://127.0.0.1:${server.port}`
  const request = async (method: string, path: string, body?: unknown, headers: Record<string, string> = {}) => {
    const response = await fetch(`${base}/api/v1${path}`, {
      method,
      headers: {
        authorization: `Bearer ${TOKEN}`,
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      // A text is a file as it is, and so are bytes.
      body: typeof body === 'string' || body instanceof Buffer ? body : JSON.stringify(body),
    })
    // oxlint-disable-next-line typescript/no-explicit-any -- what came is what the test is about
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
    /** From now on it is another day. */
    moveTo: (today: string): Promise<void> => moveServer(server, databaseUrl, on(today)),
    /** Kills the server where it stands and starts it again, perhaps on another day. */
    restart: async (today = TODAY): Promise<void> => {
      server = await restartServer(server, databaseUrl, on(today))
    },
    close: async (): Promise<void> => {
      const broken = giveBack(server)
      await close()
      // A page that shows something else instead, or asks once more, would hide it.
      if (broken.length > 0) throw new Error(`The server broke while it was tested:\n${broken.join('\n')}`)
    },
  }
}
export type Till = Awaited<ReturnType<typeof openTill>>

/** How long something is waited for until it is there, at most: of how quick it is the bench tells. */
const WAIT = 30_000

/** Keys pressed since the page was opened, counted for the test of how quick a thing is. */
export const keys = { pressed: 0 }

/** Looks for something in the page by its words, in the page itself: one look is one question. */
const lookFor = `
  const plain = (text) => text.replace(/\\s+/g, ' ').trim()
  const first = (css, holds) => [...document.querySelectorAll(css)].find(holds) ?? null
  const named = (name) => (e) => plain(e.textContent) === name || e.getAttribute('aria-label') === name
  /** All that stands on the page to be read, scripts left out. */
  const words = () => {
    const walker = document.createTreeWalker(document, NodeFilter.SHOW_TEXT, ({ parentElement }) =>
      /^(SCRIPT|STYLE|TEMPLATE)$/.test(parentElement?.tagName) ? NodeFilter.FILTER_REJECT : NodeFilter.FILTER_ACCEPT,
    )
    const parts = []
    while (walker.nextNode()) parts.push(walker.currentNode.data)
    return plain(parts.join(''))
  }
  const field = (label) => {
    const labels = [...document.querySelectorAll('label[for]')].filter((l) => plain(l.textContent) === label)
    const ids = new Set(labels.map((l) => l.htmlFor))
    return first(
      '[id], [aria-label]',
      (e) => ids.has(e.id) || (e.getAttribute('aria-label') === label && e.matches('input, select, textarea, button')),
    )
  }
  return `

/** Hands of a person who uses the keyboard alone. */
export const handsOn = (driver: WebDriver, base: string) => {
  const find = (expression: string, text: string, why: string): Promise<WebElement> =>
    driver.wait(() => driver.executeScript<WebElement>(lookFor + expression, text), WAIT, why)
  const see = (text: string, most = WAIT): Promise<boolean> =>
    driver.wait(
      () => driver.executeScript<boolean>(`${lookFor} words().includes(arguments[0])`, text),
      most,
      `never saw “${text}”`,
    )
  const field = (label: string): Promise<WebElement> => find('field(arguments[0])', label, `no field “${label}”`)
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
      await find(
        `first('[role=option]', (e) => plain(e.textContent).includes(arguments[0]))`,
        choice,
        `no choice “${choice}”`,
      )
      await press(Key.ENTER)
    },
    /** Presses the button or link called so. */
    click: (name: string): Promise<void> =>
      steadily(async () => {
        const element = await find(`first('button, a', named(arguments[0]))`, name, `no button “${name}”`)
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
      const radio = await find(
        `first('label > input', (e) => plain(e.parentElement.textContent).includes(arguments[0]))`,
        label,
        `no choice “${label}”`,
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
