import { By, until } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, test } from 'vitest'
import { closeFullDesk, driver, openFullDesk, till } from './everyDesk'
import { handsOn, setSize } from './till'
import { looksAsAccepted } from './views'

beforeAll(async () => {
  await openFullDesk('views')
  // What waits may be sent by the clock at any moment: it is gone before anybody looks.
  const waiting = async () => (await till.request('GET', '/post?state=waiting')).body.items as { id: number }[]
  for (const { id } of await waiting()) await till.request('POST', `/post/${id}/send`)
  await driver.wait(async () => (await waiting()).length === 0, 20_000)
})
afterAll(closeFullDesk)

const VIEWS = [
  ['today', '/today'],
  ['counter', '/counter'],
  ['sales', '/sales'],
  ['new sale', '/sales/new?customer=2'],
  ['sale', '/sales/1'],
  ['invoices', '/invoices'],
  ['invoice', '/invoices/1'],
  ['money in', '/money-in?customer=2'],
  ['owed', '/owed'],
  ['goods', '/goods'],
  ['thing', '/goods/1'],
  ['customer', '/people/2'],
  ['buying', '/buying'],
  ['profit and loss', '/books?view=profit-and-loss'],
  ['settings', '/settings'],
] as const
/** What a page says when what it asks for has come. */
const SAYS: Readonly<Record<string, string>> = { 'money in': 'After this payment' }
const ON_A_PHONE = [
  ['today on a phone', '/today'],
  ['counter on a phone', '/counter'],
  ['sale on a phone', '/sales/1'],
] as const

describe('every main view looks as it was accepted', () => {
  test.each(VIEWS)('%s', async (name, path) => {
    await handsOn(driver, till.base).go(path)
    const says = SAYS[name]
    if (says) await driver.wait(until.elementLocated(By.xpath(`//*[text()="${says}"]`)), 10_000)
    await looksAsAccepted(driver, name)
  })
  test.each(ON_A_PHONE)('%s', async (name, path) => {
    await setSize(driver, 390, 844)
    await handsOn(driver, till.base).go(path)
    await looksAsAccepted(driver, name)
    await setSize(driver, 1280, 800)
  })
})
