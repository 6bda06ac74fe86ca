import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'
import { PASSPHRASE, writeToChoose } from './till'

/** February: an invoice of 108.00 paid by transfer, its tax 8.00, an account fee of 4.50. Today is 10 March. */
const post = async (path: string, body: object) => (await till.request('POST', path, body)).body
const get = async (path: string) => (await till.request('GET', path)).body
let number: string
beforeAll(async () => {
  await openEmptyDesk('month')
  const taxCodes = [{ code: 'STD', name: 'Sales tax', components: [{ name: 'State', rate: '0.08' }] }]
  await post('/setup', {
    name: 'Month',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
    taxCodes,
  })
  const customerId = (await post('/customers', { name: 'Hazel Adair' })).id
  const lines = [{ description: 'Neck reset', quantity: '1', unitPrice: '100.00' }]
  const sale = await post('/sales', { customerId, agreed: true, on: '2026-02-03', lines })
  await post(`/sales/${sale.id}/handovers`, { on: '2026-02-10' })
  number = (await post(`/sales/${sale.id}/invoices`, { what: 'remaining', issue: true, on: '2026-02-10' })).number
  await i.signIn()
})
afterAll(closeDesk)

const choose = async (name: string, text: string): Promise<void> => {
  await driver.findElement(By.css('input[type=file]')).sendKeys(writeToChoose(name, text))
}

describe('the end of a month', () => {
  test('begins with a bank account and a statement whose columns are said once', async () => {
    await i.go('/books/month?month=2026-02')
    await i.see('Nothing is at the bank.')
    await i.go('/money-in/statements')
    await i.click('New bank account')
    await i.type('Name', 'House bank')
    await i.doIt()
    await i.see('House bank added.')
    await i.gone()
    await choose(
      'february.csv',
      `My bank;;;\nPosting date;Details;Amount;Balance\n27.02.2026;Account fee;-4,50;103,50\n12.02.2026;ADAIR HAZEL ${number};108,00;108,00\n`,
    )
    await i.see('Which column is what?')
    // What the headings say is filled in already.
    await i.doIt()
    await i.see('its number is in the text')
    expect(new URL(await driver.getCurrentUrl()).pathname).toMatch(/^\/money-in\/statements\/\d+$/)
  })

  test('goes on line by line, by keys alone', async () => {
    await i.press(Key.ARROW_DOWN)
    await i.press(Key.ENTER)
    await i.see('Undo')
    expect((await get('/receipts')).items).toMatchObject([{ amount: '108.00', on: '2026-02-12' }])
    await i.press('o')
    await i.see('Text of such lines')
    const account = await driver.findElement(By.xpath('//label[normalize-space()="Account"]/following::select[1]'))
    await account.sendKeys('6110')
    await driver.findElement(By.xpath('//label[contains(., "Always, automatically")]')).click()
    await i.doIt()
    await i.gone()
    await i.see('Finish')
    expect((await get('/bank/rules')).items).toMatchObject([{ contains: 'Account fee', always: true }])
  })

  test('a line is undone and settled again; then the statement is finished', async () => {
    const { items } = await get('/bank/statements')
    await i.go(`/money-in/statements/${items[0].id}`)
    await i.press(Key.ARROW_DOWN)
    // The first line is the receipt: its button has the focus.
    await i.press('u')
    await i.see('The line is open again.')
    expect((await get(`/bank/statements/${items[0].id}`)).open).toBe(1)
    await i.see('its number is in the text')
    await i.press('1')
    await i.see('Undo')
    await i.click('Finish')
    await i.see('Done. It stays as it is.')
    expect((await get('/bank/statements')).items).toMatchObject([{ done: true, difference: '0.00', open: 0 }])
  })

  test('its tax is filed and paid, each figure down to its document', async () => {
    await i.go('/books?view=tax')
    await i.click('New tax return')
    await i.doIt()
    await i.see('What it is made of')
    expect((await i.text('main')).replace(/\s+/g, ' ')).toContain('On sales STD State 8% 100.00 8.00')
    await i.click('Mark as filed')
    await i.see('Its figures are fixed from now on.')
    await i.doIt()
    await i.see('Filed. Its figures stay as they are.')
    await i.click('Pay')
    await i.doIt()
    await i.see('8.00 paid.')
    expect((await get('/tax-returns')).items).toMatchObject([{ state: 'paid', totals: { due: '8.00' } }])
  })

  test('and all that is left is to close it', async () => {
    await i.go('/books/month?month=2026-02')
    await i.see('Net profit 95.50.')
    const { steps } = await get('/month?month=2026-02')
    // The statement reaches the 27th, and nothing moved at the bank after it.
    expect(steps.filter((s: { done: boolean }) => !s.done).map((s: { key: string }) => s.key)).toEqual(['closed'])
    await i.go('/books?view=closings')
    await i.click('Close a period')
    await i.type('Closed through', '2026-02-28')
    await i.doIt()
    await i.see('Closed. Nothing can be dated in it any more.')
    expect((await get('/month?month=2026-02')).steps.at(-1)).toMatchObject({ key: 'closed', done: true })
    const { ties } = await get('/books/ties')
    expect(ties.filter((t: { difference: string }) => Number(t.difference) !== 0)).toEqual([])
  })
})

describe('the accounts and the years', () => {
  test('an account is added, renamed and merged', async () => {
    await i.go('/books?view=accounts')
    await i.click('New account')
    await i.type('Code', '6045')
    await i.type('Name', 'Stamps')
    await i.doIt()
    await i.see('6045 Stamps added.')
    await i.gone()
    await i.click('Stamps')
    await i.click('Change')
    await i.type('Name', 'Postage')
    await i.doIt()
    await i.see('Postage saved.')
    expect((await get('/accounts')).items.find((a: { code: string }) => a.code === '6045').name).toBe('Postage')
  })

  test('a backup is made and told', async () => {
    await i.go('/settings/data')
    await i.click('Back up now')
    await i.see('No folder for backups is known to this start.')
  })
})
