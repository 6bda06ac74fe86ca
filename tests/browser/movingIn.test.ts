import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'
import { PASSPHRASE, writeToChoose } from './till'

/** A workshop moves in: its customers, what it sells, what was unpaid and what lay there on 1 January. Today is 10 March. */
const get = async (path: string) => (await till.request('GET', path)).body
beforeAll(async () => {
  await openEmptyDesk('moving')
  const taxCodes = [{ code: 'STD', name: 'Sales tax', components: [{ name: 'State', rate: '0.08' }] }]
  await till.request('POST', '/setup', {
    name: 'Moving in',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
    taxCodes,
  })
  await till.request('POST', '/suppliers', { name: 'Gutwerk Strings' })
  await i.signIn()
})
afterAll(closeDesk)

const bring = async (label: string, name: string, text: string): Promise<void> => {
  const path = writeToChoose(name, text)
  await driver.findElement(By.css(`input[type=file][aria-label="${label}"]`)).sendKeys(path)
}
const field = (label: string) =>
  driver.findElement(By.xpath(`//label[normalize-space()="${label}"]/following::input[1]`))

describe('moving in from spreadsheets', () => {
  test('customers and goods come first', async () => {
    await i.go('/people/import')
    await bring('File with customers', 'people.csv', 'Name,Email\nHazel Adair,hazel@adair.example\nTern Band,\n')
    await i.click('Import 2')
    await i.see('Tern Band')
    await i.go('/goods/import')
    await bring('File with goods', 'goods.csv', 'Code,Name,Price\nRO,Rosin,12.50\nVN,Violin,1000\n')
    await i.click('Import 2')
    await i.see('Violin')
  })

  test('a wrong row is told with its number, and nothing of its file is taken', async () => {
    await i.go('/books')
    await i.click('New journal entry')
    await i.click('Opening balances')
    await i.see('What you had and owed when your books began here.')
    const wrong =
      'Customer,Number,Date,Due,Amount\nHazel Adair,OLD-1,2025-11-20,2025-12-20,120\nNobody,OLD-2,2025-12-01,,80\n'
    await bring('Import: Unpaid invoices', 'invoices.csv', wrong)
    await i.see('Nothing taken from invoices.csv.')
    await i.see('there is no customer Nobody.')
  })

  test('three spreadsheets and two typed rows make an entry that is seen first', async () => {
    const right =
      'Customer,Number,Date,Due,Amount\nHazel Adair,OLD-1,2025-11-20,2025-12-20,120\nTern Band,OLD-2,2025-12-01,,80\n'
    await bring('Import: Unpaid invoices', 'invoices.csv', right)
    await i.see('2 rows from invoices.csv.')
    await bring('Import: Stock', 'stock.csv', 'Code;Quantity;Cost\nRO;20;6,00\nVN;2;600,00\n')
    await i.see('2 rows from stock.csv.')
    await bring('Import: Other accounts', 'accounts.csv', 'Account,Debit,Credit\n1020,500.00,\n')
    await i.see('1 row from accounts.csv.')
    const bill = await driver.findElement(By.css('input[role=combobox][aria-label="Add a bill of a supplier"]'))
    await bill.sendKeys('gut')
    await i.see('Gutwerk Strings')
    await bill.sendKeys(Key.ENTER)
    await field('Number: Gutwerk Strings, row 1').sendKeys('GS-1')
    await field('Date: Gutwerk Strings, row 1').sendKeys('2025-12-15')
    await field('Amount: Gutwerk Strings, row 1').sendKeys('60', Key.TAB)
    // 500 + 200 owed to us + 120 + 1200 of stock, less 60 we owe: 1,960.00 is the owner’s.
    await i.see('1,960.00')
    expect((await get('/books/trial-balance')).rows.every((r: { debit: string }) => Number(r.debit) === 0)).toBe(true)
    await i.doIt()
    await i.see('Opening balances entered.')
  })

  test('the books stand on their first day, and what was unpaid is as old as it was', async () => {
    const ties = await get('/books/ties')
    expect(ties.ties.every((t: { difference: string }) => Number(t.difference) === 0)).toBe(true)
    expect((await get('/receivables?asOf=2026-03-10')).totals).toMatchObject({ d61to90: '120.00', over90: '80.00' })
    expect((await get('/payables?asOf=2026-03-10')).totals).toMatchObject({ total: '60.00' })
    await i.go('/books/opening')
    await i.see('Entered already, from 1 Jan 2026')
    await i.go('/owed')
    await i.see('Hazel Adair')
  })
})
