import { By, Key, until, type WebDriver } from 'selenium-webdriver'
import { openBrowser } from './browser'

const base = process.argv[2] ?? 'http://127.0.0.1:3000'
const WAIT = 15_000

/** A hand at the keyboard that counts what it presses; a chord counts as one. */
const handOf = (driver: WebDriver) => {
  let keys = 0
  const press = async (...typed: string[]): Promise<void> => {
    keys += typed.join('').length
    await driver
      .actions()
      .sendKeys(...typed)
      .perform()
  }
  const chord = async (key: string, ...held: string[]): Promise<void> => {
    keys += 1
    const actions = driver.actions()
    for (const k of held) actions.keyDown(k)
    actions.sendKeys(key)
    for (const k of held) actions.keyUp(k)
    await actions.perform()
  }
  const see = (text: string) =>
    driver.wait(
      until.elementLocated(By.xpath(`//*[contains(normalize-space(.), ${JSON.stringify(text)})]`)),
      WAIT,
      `never saw “${text}”`,
    )
  /** Waits until the page is there and its first field is entered, as a person looks before typing. */
  const entered = (label: string) =>
    driver.wait(
      async () => (await driver.executeScript('return document.activeElement.getAttribute("aria-label")')) === label,
      WAIT,
      `“${label}” is not entered`,
    )
  return {
    press,
    chord,
    see,
    entered,
    /** Field by field, each ended with Enter. */
    type: async (...fields: string[]) => {
      for (const typed of fields) await press(...(typed === '' ? [Key.ENTER] : [typed, Key.ENTER]))
    },
    /** Where the owner starts from; reading a page is not typing. */
    begin: async (): Promise<void> => {
      await driver.get(`${base}/today`)
      await driver.wait(
        async () => driver.executeScript<boolean>('return document.documentElement.dataset.ready === "yes"'),
        WAIT,
      )
      await driver.sleep(500)
      keys = 0
    },
    pressed: () => keys,
  }
}
type Hand = ReturnType<typeof handOf>

/** What an owner does every day, with the keyboard alone, as far as its page says that it is done. */
const JOBS: readonly (readonly [string, (h: Hand, driver: WebDriver) => Promise<unknown>])[] = [
  [
    'A phone order of a new customer, three lines',
    async (h) => {
      await h.press('n')
      await h.entered('Customer')
      await h.type(
        `Mara Quist ${Date.now() % 1000}`,
        'rosin, dark',
        '2',
        '',
        'mute',
        '1',
        '',
        'Fit a new bridge',
        '1',
        '85',
      )
      await h.chord(Key.ENTER, Key.CONTROL, Key.SHIFT)
      await h.see('Order')
      await h.see('Ordered')
    },
  ],
  [
    'A counter sale, cash and change',
    async (h) => {
      await h.chord('2', Key.ALT)
      await h.entered('Item: name, code or barcode')
      await h.type('mute', '', '50')
      await h.see('received')
    },
  ],
  [
    'A receipt for three invoices',
    async (h, driver) => {
      await h.chord('4', Key.ALT)
      await h.entered('From customer')
      await h.type('riverside', '2900', 'TR-1')
      await h.chord(Key.ENTER, Key.CONTROL)
      await h.see('Receipt R-')
      await driver.wait(until.urlContains('/receipts/'), WAIT)
    },
  ],
  [
    'Reminders to all who are late',
    async (h) => {
      await h.chord('5', Key.ALT)
      await h.see('selected')
      await h.press('a', 'R')
      await h.see('ready in Mail')
    },
  ],
  [
    'The drawer’s close, by its total (from its page)',
    async (h, driver) => {
      await driver.get(`${base}/money-in/drawer`)
      await h.see('Close the day')
      await driver.executeScript(
        `[...document.querySelectorAll('label')].find((l) => l.textContent === 'Or just the total').control.focus()`,
      )
      await h.press('199.21')
      await h.press(Key.ENTER, Key.ENTER)
      await h.see('counted')
    },
  ],
]

const main = async (): Promise<void> => {
  const driver = await openBrowser()
  const hand = handOf(driver)
  try {
    await driver.get(`${base}/sign-in`)
    await driver.sleep(700)
    await driver.findElement(By.css('[data-primary]')).click()
    await driver.sleep(2000)
    console.log('| job | keys | seconds of the pages | at two keys a second |\n|---|---:|---:|---:|')
    for (const [name, job] of JOBS) {
      await hand.begin()
      const begun = performance.now()
      await job(hand, driver)
      const seconds = (performance.now() - begun) / 1000
      console.log(
        `| ${name} | ${hand.pressed()} | ${seconds.toFixed(1)} | ${(hand.pressed() / 2 + seconds).toFixed(0)} s |`,
      )
    }
  } finally {
    await driver.quit()
  }
}

await main()
