import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { By } from 'selenium-webdriver'
import { openBrowser } from './browser'

const folder = resolve(import.meta.dirname, '../demo/pictures')

/** The pictures of the demo's goods as PNG, from their drawings: run it when a drawing was changed. */
const main = async (): Promise<void> => {
  const driver = await openBrowser()
  try {
    for (const name of readdirSync(folder).filter((f) => f.endsWith('.svg'))) {
      const drawing = readFileSync(resolve(folder, name), 'utf8').replace('<svg ', '<svg width="160" height="160" ')
      await driver.get(`data:text/html,${encodeURIComponent(`<body style="margin:0">${drawing}`)}`)
      const picture = await driver.findElement(By.css('svg')).takeScreenshot()
      writeFileSync(resolve(folder, name.replace('.svg', '.png')), Buffer.from(picture, 'base64'))
    }
  } finally {
    await driver.quit()
  }
}

void main()
