import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'
import { keys, PASSPHRASE, writeToChoose } from './till'

/** A month in which much was paid: twenty invoices, twenty receipts in the books, and twenty-two bills of one power company. */
const post = async (path: string, body: object) => (await till.request('POST', path, body)).body
const rows: string[] = ['Date;Text;Amount;Balance']
let balance = 0
const row = (on: string, text: string, cents: number): void => {
  balance += cents
  rows.push(`${on};${text};${(cents / 100).toFixed(2)};${(balance / 100).toFixed(2)}`)
}
beforeAll(async () => {
  await openEmptyDesk('long')
  await post('/setup', { name: 'Long', currency: 'USD', openingDate: '2026-01-01', passphrase: PASSPHRASE })
  const customerId = (await post('/customers', { name: 'Hazel Adair' })).id
  const other = (await post('/customers', { name: 'Orla Quinn' })).id
  await post('/bank/accounts', {
    name: 'House bank',
    format: { columns: { on: 'Date', text: 'Text', amount: 'Amount', balance: 'Balance' } },
  })
  const accounts = (await till.request('GET', '/accounts')).body.items as { id: number; code: string }[]
  await post('/bank/rules', {
    contains: 'POWER CO',
    accountId: accounts.find((a) => a.code === '6010')!.id,
    always: true,
  })
  for (let n = 0; n < 20; n++) {
    const lines = [{ description: 'Repair', quantity: '1', unitPrice: `${100 + n}.00` }]
    const sale = await post('/sales', { customerId, agreed: true, on: '2026-02-02', lines })
    const invoice = await post(`/sales/${sale.id}/invoices`, { what: 'remaining', issue: true, on: '2026-02-02' })
    await post('/receipts', {
      customerId: other,
      method: 'transfer',
      amount: `${300 + n}.00`,
      for: 'account',
      on: '2026-02-10',
    })
    row('2026-02-12', `ADAIR ${invoice.number}`, Math.round(Number(invoice.totals.gross) * 100))
    row('2026-02-12', 'TRANSFER QUINN ORLA', (300 + n) * 100)
  }
  for (let n = 0; n < 22; n++) row('2026-02-20', `POWER CO ${n}`, -(1_000 + n))
  await i.signIn()
}, 120_000)
afterAll(closeDesk)

const settledLines = () =>
  driver.executeScript<number>(
    'return [...document.querySelectorAll("tr[data-of-line]")].filter((r) => r.textContent.includes("Undo")).length',
  )

test('a statement of 62 lines is settled by keys alone, one a line, while what they could be is looked for', async () => {
  await i.go('/money-in/statements')
  const path = writeToChoose('february.csv', `${rows.join('\n')}\n`)
  await driver.findElement(By.css('input[type=file]')).sendKeys(path)
  await i.see('Its number is in the text'.toLowerCase())
  const before = keys.pressed
  const began = Date.now()
  await i.press(Key.ARROW_DOWN)
  // Nobody waits for one line before taking the next.
  for (let n = 1; n <= 62; n++) await i.press(Key.ENTER)
  await driver.wait(async () => (await settledLines()) === 62, 60_000, 'not every line is settled')
  // What it took stands in docs/minutes.md.
  process.stderr.write(`62 lines: ${((Date.now() - began) / 1000).toFixed(1)} s of the pages\n`)
  expect(keys.pressed - before).toBe(63)
  const { items } = (await till.request('GET', '/bank/statements')).body
  const statement = (await till.request('GET', `/bank/statements/${items[0].id}`)).body
  expect(statement).toMatchObject({ open: 0, count: 62, difference: '0.00' })
  await i.click('Finish')
  await i.see('done')
  expect(
    (await till.request('GET', '/books/ties')).body.ties.every(
      (t: { difference: string }) => Number(t.difference) === 0,
    ),
  ).toBe(true)
})
