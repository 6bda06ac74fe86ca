import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { SETTINGS_SECTIONS } from '@/ui/settings/sections'
import { keys, PASSPHRASE } from './till'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'

beforeAll(() => openEmptyDesk('first'))
afterAll(closeDesk)
const stepsSeen = async (): Promise<string[]> => {
  await i.go('/today')
  const links = await driver.findElements(By.css('[aria-label="First steps"] [data-row]'))
  return Promise.all(links.map((l) => l.getText()))
}

describe('from the first page to the first receipt', () => {
  test('takes less than three minutes of typing', async () => {
    keys.pressed = 0
    const begun = performance.now()
    await i.go('/')
    await i.type('Business name', 'Tern Strings')
    await i.type('Tax rate, %', '8.25')
    await i.type('Passphrase', PASSPHRASE)
    await i.press(Key.ENTER)
    // Who set it up is in, and told what to begin with.
    await i.see('First steps')
    expect(await stepsSeen()).toEqual([
      'Address and tax ID',
      'What you sell',
      'Figures from before',
      'A first sale',
      'A backup',
    ])
    await i.click('What you sell')
    await i.type('Code', 'CASE')
    await i.type('Name', 'Fitted case')
    await i.type('Price', '185')
    await i.doIt()
    await i.see('Stock card')
    await i.go('/goods/count')
    await i.type('Counted: Fitted case', '3')
    await i.type('Cost of new ones: Fitted case', '100')
    await i.doIt()
    await i.see('stock value up 300.00')
    await i.go('/counter')
    await i.choose('Item: name, code or barcode', 'case', 'Fitted case')
    await i.press(Key.ENTER)
    await i.press('250', Key.ENTER)
    // 185.00 and 15.26 (15.2625) tax
    await i.see('200.26 received')
    await i.see('Change 49.74')
    // A hand that types two keys a second, and the time the pages took.
    expect(keys.pressed / 2 + (performance.now() - begun) / 1000).toBeLessThan(180)
  })

  test('each step goes by itself when its fact is there, or when it is left out', async () => {
    expect(await stepsSeen()).toEqual(['Address and tax ID', 'Figures from before', 'A backup'])
    await i.click('Skip: Figures from before')
    await i.see('is left out')
    await i.click('Address and tax ID')
    await i.type('Address', '7 Mill Lane')
    await i.type('Tax ID (printed on every document)', '41-2207')
    await i.type('IBAN', 'DE89 3704 0044 0532 0130 01')
    await i.doIt()
    await i.see('This is no IBAN')
    await i.type('IBAN', 'DE89 3704 0044 0532 0130 00')
    await i.doIt()
    await i.see('Saved.')
    expect(await stepsSeen()).toEqual(['A backup'])
    const saved = await fetch(`${till.base}/api/v1/export/everything.json`, {
      headers: { authorization: 'Bearer a-token-for-tests' },
    })
    expect(saved.status).toBe(200)
    expect(await stepsSeen()).toEqual([])
  })
})

describe('the settings', () => {
  test('are found by typing, and every field the search knows stands on its page', async () => {
    await i.go('/settings')
    await i.type('Find a setting', 'returned')
    await i.see('Returned-check fee')
    await i.press(Key.ENTER)
    await i.see('Save payment defaults')
    for (const section of SETTINGS_SECTIONS) {
      await i.go(`/settings/${section.id}`)
      const text = await driver.findElement(By.css('main')).getText()
      for (const field of section.fields) expect(text).toContain(field)
    }
  })
})

describe('a business of another region', () => {
  test('writes its amounts and reads its dates as that region does, from the moment it is chosen', async () => {
    await i.go('/settings/business')
    await i.select('Region', 'Germany')
    await i.click('Save')
    await i.see('Saved.')
    await i.go('/goods')
    await i.see('185,00')
    await i.go('/money-in')
    await i.type('Amount', '1.250,5')
    await i.type('Date', '4/5')
    await i.see('means 4 May')
    await i.press(Key.TAB)
    expect(await i.value('Amount')).toBe('1.250,50')
    await i.go('/settings/business')
    await i.select('Region', 'United States')
    await i.click('Save')
    await i.see('Saved.')
    await i.go('/goods')
    await i.see('185.00')
  })
})

describe('what waits on Today', () => {
  test('is done in a panel over it; what is postponed folds away and comes back', async () => {
    const { body: customer } = await till.request('POST', '/customers', { name: 'Hazel Adair' })
    const { body: sale } = await till.request('POST', '/sales', {
      customerId: customer.id,
      agreed: true,
      lines: [{ description: 'Set-up', quantity: '1', unitPrice: '80.00' }],
    })
    await i.go('/today')
    await i.press(Key.ARROW_DOWN)
    await i.press('b')
    await i.see('Until')
    await i.doIt()
    await i.see('Postponed to')
    await i.gone()
    await i.see('Postponed or dismissed: 1')
    expect(new URL(await driver.getCurrentUrl()).pathname).toBe('/today')
    await driver.executeScript('document.querySelector("details").open = true')
    await i.click('Bring back: Hazel Adair')
    await i.see('It waits again.')
    await i.click('Hand over: Hazel Adair')
    await driver.wait(async () => (await driver.findElements(By.css('[role=dialog]'))).length === 1)
    await i.doIt()
    await i.gone()
    expect((await till.request('GET', `/sales/${sale.id}`)).body.lines[0].handedOver).toBe('1')
    expect(new URL(await driver.getCurrentUrl()).pathname).toBe('/today')
    await i.see('Handed over on')
  })
})
