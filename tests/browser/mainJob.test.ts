import { Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { PASSPHRASE } from './till'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'

beforeAll(() => openEmptyDesk('main'))
afterAll(closeDesk)

const rows = (body: { rows: { account: string; debit: string; credit: string }[] }) =>
  Object.fromEntries(body.rows.map((r) => [r.account, r.debit === '0.00' ? `-${r.credit}` : r.debit]))

describe('from an empty shop to money, with the keyboard alone', () => {
  test('the business is set up on the first-run page', async () => {
    await i.go('/')
    await i.type('Business name', 'Tern Strings')
    await i.type('Tax rate, %', '8.25')
    await i.type('First day of your books', '1 1 2026')
    await i.type('Passphrase', 'short')
    await i.press(Key.ENTER)
    await i.see('At least 8 characters.')
    await i.type('Passphrase', 'tern-strings-26')
    await i.press(Key.ENTER)
    await i.see('tries this first')
    await i.type('Passphrase', PASSPHRASE)
    await i.press(Key.ENTER)
    // Who set it up is in, without typing it again.
    await i.see('Nothing to do')
  })

  test('goods are added and counted', async () => {
    await i.go('/goods/new')
    await i.type('Code', 'CASE')
    await i.type('Name', 'Fitted case')
    await i.type('Price', '185')
    await i.doIt()
    await i.see('Stock card')
    await i.go('/goods/count')
    await i.type('Counted: Fitted case', '3')
    await i.type('Cost of new ones: Fitted case', '50*2')
    await i.doIt()
    // 3 × 100.00
    await i.see('stock value up 300.00')
  })

  test('a new customer is added while typing, and an estimate written and sent', async () => {
    await i.go('/today')
    await i.press('n')
    await i.see('New sale')
    await i.choose('Customer', 'Ines Marlowe', 'Add “Ines Marlowe” as a new customer')
    await i.see('Owes 0.00')
    await i.choose('Line 1: item', 'case', 'Fitted case')
    await i.type('Line 1: quantity', '5')
    await i.press(Key.ENTER)
    await i.choose('Line 2: item', 'Fitting', 'Use “Fitting” as typed')
    await i.type('Line 2: price', '80-10%')
    // 5 × 185.00 + 72.00 = 997.00; tax 82.2525 → 82.25
    await i.see('1,079.25')
    await i.doIt()
    await i.see('Send the estimate, or save it as an order.')
    await i.click('Send estimate')
    await i.see('no stock is set aside')
    await i.doIt()
    await i.see('Estimate sent. Wait for the answer, or follow up.')
    await i.see('Estimate 1 sent')
  })

  test('they agree, and what is short is told at once', async () => {
    await i.click('Customer accepted')
    await i.type('Customer PO number', 'IM-7')
    await i.type('Needed by', '+14')
    await i.doIt()
    await i.see('Short: Fitted case, 3 of 5 in stock')
    await i.see('PO IM-7')
  })

  test('a part is handed over and billed', async () => {
    await i.click('Hand over')
    await i.see('3 of 5 in stock')
    await i.doIt()
    await i.see('The cost of goods is posted.')
    await i.click('Invoice')
    await i.type('Date', 't')
    await i.doIt()
    // 3 × 185.00 + 72.00 = 627.00; tax 51.7275 → 51.73
    await i.see('Invoice 2026-0001 issued: 678.73.')
  })

  test('money comes in, in part', async () => {
    await i.go('/today')
    await i.press('/')
    await i.press('take 200 transfer from marlowe')
    await i.see('200.00 on invoice 2026-0001')
    await i.press(Key.ENTER)
    await i.see('Receipt R-2026-0001')
    await i.see('In the books')
  })

  test('Owed shows the rest in its column, and opens down to the invoice', async () => {
    await i.chord(Key.ALT, '5')
    await i.see('Owed to you')
    await i.type('As of', '+40')
    await i.press(Key.ENTER)
    // pays when billed, so due 10 March; 40 days later it is 31–60 days old
    await i.see('Matches the receivables account on 19 Apr 2026')
    expect(await i.text('main table tbody tr')).toMatch(/Ines Marlowe\s+478\.73\s+478\.73/)
    await i.press(Key.ESCAPE)
    await driver.executeScript('document.activeElement.blur()')
    await i.press(Key.ARROW_DOWN, Key.ENTER)
    await i.click('Invoice 2026-0001')
    await i.see('Accounts receivable')
  })

  test('the trial balance agrees with figures computed by hand', async () => {
    const { body } = await till.request('GET', '/books/trial-balance')
    expect(rows(body)).toEqual({
      '1020': '200.00', // the transfer
      '1100': '478.73', // 678.73 − 200.00
      '2201': '-51.73', // tax of the one invoice
      '4000': '-555.00', // 3 cases
      '4010': '-72.00', // the fitting
      '5000': '300.00', // 3 cases at 100.00
      '5100': '-300.00', // found by the count
    })
    expect(body.difference).toBe('0.00')
    await i.go('/books?view=ties')
    await i.see('Do they agree?')
    expect(await driver.executeScript('return document.body.innerText.includes("✗")')).toBe(false)
    await i.click('Receivables: unpaid invoices')
    await i.see('Owed to you')
    await i.go('/books?view=tax')
    await i.click('Sales tax')
    await i.see('What it is made of')
    await i.click('All tax codes')
    await i.see('tax due')
  })

  test('a draft is changed on its page, then issued', async () => {
    const sale = (
      await till.request('POST', '/sales', {
        customerId: 2,
        lines: [{ description: 'Lessons', quantity: '4', unitPrice: '30.00' }],
      })
    ).body
    await till.request('POST', `/sales/${sale.id}/agree`, {})
    const draft = (await till.request('POST', `/sales/${sale.id}/invoices`, { what: 'remaining' })).body
    await i.go(`/invoices/${draft.id}`)
    await i.click('Change')
    await i.type('Invoice: Lessons', '3')
    await i.doIt()
    // 3 × 30.00 = 90.00; tax 7.425 → 7.43
    await i.see('97.43')
    await i.see('Draft saved.')
    await driver.wait(
      async () => (await driver.executeScript('return document.querySelectorAll("[role=dialog]").length')) === 0,
      5000,
    )
    await i.click('Issue invoice')
    await i.see('Invoice 2026-0002 issued. Balance due 97.43.')
  })

  test('the counter sells in three steps', async () => {
    await till.request('POST', '/stock-counts', {
      lines: [{ goodsId: 1, counted: '10', unitCost: '100.00' }],
    })
    await i.chord(Key.ALT, '2')
    await i.choose('Item: name, code or barcode', 'CASE', 'Fitted case')
    await i.see('200.26') // 185.00 + 15.26
    await i.press(Key.ENTER)
    await i.press('220')
    await i.see('change 19.74')
    await i.press(Key.ENTER)
    await i.see('200.26 received')
    const { body } = await till.request('GET', '/books/ties')
    expect(body.ties.every((t: { difference: string }) => t.difference === '0.00')).toBe(true)
  })
})
