import { existsSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pixelmatch from 'pixelmatch'
import { PNG } from 'pngjs'
import type { WebDriver } from 'selenium-webdriver'

/** How the main views looked when somebody last looked at them and found them right. */
const ACCEPTED = join(import.meta.dirname, 'views')
/** So much of a picture may be otherwise: a browser of another day draws some letters a hair beside. */
const MOST = 0.004

/** Half as wide and high, each point the mean of four: what was drawn a hair otherwise does not count, what moved does. */
const halved = (whole: PNG): PNG => {
  const half = new PNG({ width: whole.width >> 1, height: whole.height >> 1 })
  const row = whole.width * 4
  for (let y = 0; y < half.height; y++)
    for (let x = 0; x < half.width; x++)
      for (let part = 0; part < 4; part++) {
        const at = y * 2 * row + x * 8 + part
        const four = [at, at + 4, at + row, at + row + 4].map((i) => whole.data[i]!)
        half.data[(y * half.width + x) * 4 + part] = four.reduce((sum, v) => sum + v, 0) >> 2
      }
  return half
}

/** So long nothing changes on a page before its picture is taken, in milliseconds: what it asks for after it came has come, too. */
const QUIET = 300

/** Nothing blinks or moves while a picture is taken. */
const STILL = `const style = document.createElement('style')
  style.textContent = '*, *::before, *::after { caret-color: transparent !important; animation: none !important; transition: none !important }'
  document.head.append(style)
  const done = arguments[0]
  const take = () => document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(done)))
  let quiet = setTimeout(take, ${QUIET})
  new MutationObserver(() => {
    clearTimeout(quiet)
    quiet = setTimeout(take, ${QUIET})
  }).observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true })`

/** How many points of two pictures differ so that it is seen, and where. */
const compare = (before: PNG, now: PNG): { off: number; where: PNG } => {
  const where = new PNG({ width: now.width, height: now.height })
  if (before.width !== now.width || before.height !== now.height) return { off: Infinity, where }
  return { off: pixelmatch(before.data, now.data, where.data, now.width, now.height, { threshold: 0.12 }), where }
}

/**
 * Compares what a browser shows with the picture that was accepted under a name. `npm run views` accepts what is shown
 * now: look at the pictures it writes before they are committed.
 */
export const looksAsAccepted = async (driver: WebDriver, name: string): Promise<void> => {
  await driver.executeAsyncScript(STILL)
  const now = halved(PNG.sync.read(Buffer.from(await driver.takeScreenshot(), 'base64')))
  const file = join(ACCEPTED, `${name.replaceAll(' ', '-')}.png`)
  if (process.env.TILL_ACCEPT) {
    mkdirSync(ACCEPTED, { recursive: true })
    writeFileSync(file, PNG.sync.write(now))
    return
  }
  if (!existsSync(file)) throw new Error(`Nobody accepted how “${name}” looks yet: npm run views`)
  const { off, where } = compare(PNG.sync.read(readFileSync(file)), now)
  const share = off / (now.width * now.height)
  if (share <= MOST) return
  const folder = mkdtempSync(join(tmpdir(), 'iron-till-views-'))
  writeFileSync(join(folder, `${name}.png`), PNG.sync.write(now))
  writeFileSync(join(folder, `${name}-where.png`), PNG.sync.write(where))
  throw new Error(
    `“${name}” looks otherwise than accepted: ${(share * 100).toFixed(2)} % of it. See ${folder}; if it is right, npm run views accepts it.`,
  )
}
