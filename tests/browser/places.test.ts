import { isDeepStrictEqual } from 'node:util'
import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'
import { PASSPHRASE } from './till'

let violin: number
beforeAll(async () => {
  await openEmptyDesk('places')
  await till.request('POST', '/setup', {
    name: 'Places',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
  })
  violin = (await till.request('POST', '/goods', { code: 'VN', name: 'Violin', kind: 'stock', price: '900.00' })).body
    .id
  await till.request('POST', '/stock-counts', {
    on: '2026-01-02',
    lines: [{ goodsId: violin, counted: '5', unitCost: '600.00' }],
  })
  await i.signIn()
})
afterAll(closeDesk)

const main = () => i.text('main')
const whereItLies = async (): Promise<string[]> => {
  const rows = await driver.findElements(By.xpath('//main//table[.//th[normalize-space()="Place"]]/tbody/tr'))
  return Promise.all(rows.map(async (r) => (await r.getText()).replace(/\s+/g, ' ')))
}
/** A panel is gone before the page behind it is read anew: rows may still be the old ones, or be replaced while read. */
const itComesToLie = async (expected: string[]): Promise<void> => {
  const now = () => whereItLies().catch(() => [])
  await driver.wait(async () => isDeepStrictEqual(await now(), expected), 8000).catch(() => undefined)
  expect(await now()).toEqual(expected)
}

describe('goods in several places', () => {
  test('with one place nobody is asked, and nobody is told', async () => {
    await i.go(`/goods/${violin}`)
    expect(await main()).not.toContain('Place')
    await i.go('/goods/stock')
    expect(await main()).not.toContain('Place')
    await i.go('/goods/count')
    expect(await main()).not.toContain('Shop')
  })

  test('a second is made, and goods are carried there by keys', async () => {
    await i.go('/settings/places')
    await i.type('Code', 'BENCH')
    await i.type('Name of the place', 'Bench')
    await i.doIt()
    await i.see('Bench added')
    await i.go(`/goods/${violin}`)
    await i.press('v')
    await i.see('Its cost goes along; nothing is posted.')
    await i.type('How many of Violin', '9')
    await i.doIt()
    await i.see('Shop has only 5 Violin, 9 needed')
    await i.type('How many of Violin', '2')
    await i.doIt()
    await i.see('2 moved to Bench.')
    await i.gone()
    await itComesToLie(['Shop 3 1,800.00', 'Bench 2 1,200.00'])
  })

  test('one that broke leaves with its reason, and its cost is said before', async () => {
    await i.go(`/goods/${violin}`)
    await i.press('a')
    await i.see('What happened')
    await i.type('How many', '1')
    await i.type('Reason', 'Fell from the wall')
    await i.see('600.00')
    await i.doIt()
    await i.see('stock value down 600.00')
    await i.gone()
    await itComesToLie(['Shop 2 1,200.00', 'Bench 2 1,200.00'])
  })

  test('one place is counted while the others stay, and the stock of any day ties to its account', async () => {
    await i.go('/goods/count')
    await i.click('Bench')
    await i.see('Save count')
    await driver.wait(async () => (await driver.getCurrentUrl()).includes('place='), 8000)
    await i.type('Counted: Violin', '3')
    await i.press(Key.TAB)
    await i.doIt()
    await i.see('stock value up 600.00')
    await i.go('/goods/stock')
    await i.see('Matches its account')
    const text = (await main()).replace(/\s+/g, ' ')
    expect(text).toContain('VN Violin Shop 2 600.00 1,200.00')
    expect(text).toContain('VN Violin Bench 3 600.00 1,800.00')
    await i.go('/goods/stock?asOf=2026-01-02')
    expect((await main()).replace(/\s+/g, ' ')).toContain('VN Violin Shop 5 600.00 3,000.00')
  })

  test('a sale says from where it is picked, and takes it from there', async () => {
    const { body: customer } = await till.request('POST', '/customers', { name: 'Hazel Adair' })
    const { body: sale } = await till.request('POST', '/sales', {
      customerId: customer.id,
      agreed: true,
      lines: [{ goodsId: violin, quantity: '3' }],
    })
    await i.go(`/sales/${sale.id}`)
    await i.click('Hand over')
    // Two lie in the shop, three at the bench: the bench alone has all of them.
    await i.see('3 of 3 in stock; 3 from Bench')
    await i.doIt()
    await i.gone()
    await i.go(`/goods/${violin}`)
    await itComesToLie(['Shop 2 1,200.00', 'Bench 0'])
  })
})
