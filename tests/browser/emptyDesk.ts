import type { WebDriver } from 'selenium-webdriver'
import { handsOn, closeBrowser, openBrowser, openTill, type Till } from './till'

/** The program before it is set up, and a hand before it. */
export let till: Till
export let driver: WebDriver
export let i: ReturnType<typeof handsOn>

export const openEmptyDesk = async (name: string): Promise<void> => {
  till = await openTill(name)
  driver = await openBrowser()
  i = handsOn(driver, till.base)
}
export const closeDesk = async (): Promise<void> => {
  await closeBrowser(driver)
  await till?.close()
}
