import { until } from 'selenium-webdriver'
import type { WebDriver } from 'selenium-webdriver'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { handsOn, closeBrowser, openBrowser, openTill, PASSPHRASE, type Till } from './till'

let till: Till
let driver: WebDriver
let i: ReturnType<typeof handsOn>
const post = async (path: string, body: unknown = {}) => {
  const { status, body: answer } = await till.request('POST', path, body)
  expect(status, JSON.stringify(answer)).toBeLessThan(300)
  return answer
}
const get = async (path: string) => (await till.request('GET', path)).body

beforeAll(async () => {
  till = await openTill('waysback')
  await post('/setup', {
    name: 'Tern Strings',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
    taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'Tax', rate: '0.08' }] }],
  })
  await post('/customers', { name: 'Orla Vance', email: 'orla@mail.example' })
  await post('/goods', { code: 'CASE', name: 'Case', kind: 'stock', price: '185.00' })
  await post('/stock-counts', { on: '2026-01-02', lines: [{ goodsId: 1, counted: '5', unitCost: '100.00' }] })
  driver = await openBrowser()
  i = handsOn(driver, till.base)
  await i.signIn()
})
afterAll(async () => {
  await closeBrowser(driver)
  await till?.close()
})

const ORLA = 2
const agreed = (lines: readonly unknown[]) => post('/sales', { customerId: ORLA, agreed: true, title: 'Cases', lines })
const balanceOf = async (account: string): Promise<string> =>
  (await get('/books/trial-balance')).rows.find((r: { account: string }) => r.account === account)?.debit ?? '0.00'
const tiesAgree = async (): Promise<void> =>
  expect((await get('/books/ties')).ties.filter((t: { difference: string }) => t.difference !== '0.00')).toEqual([])

test('goods that came back lie on the shelf at what they had cost, and can be handed over again', async () => {
  const sale = await agreed([{ goodsId: 1, quantity: '3' }])
  const handover = await post(`/sales/${sale.id}/handovers`)
  expect(await balanceOf('1200')).toBe('200.00') // 5 × 100 − 3 × 100
  await i.go(`/handovers/${handover.id}`)
  await i.click('Return goods')
  await i.type('Case, of 3', '4')
  await i.type('Reason', 'Wrong colour')
  await i.doIt()
  await i.see('Only 3 Case of this handover can be returned') // at its field, and what was typed stays
  expect(await (await i.field('Reason')).getAttribute('value')).toBe('Wrong colour')
  await i.type('Case, of 3', '1')
  await i.doIt()
  await i.see('The goods are back, and can be handed over again.')
  expect(await balanceOf('1200')).toBe('300.00')
  await i.go(`/sales/${sale.id}`)
  await i.see('Wrong colour')
  await tiesAgree()
  // What is invoiced comes back with a credit note: the handover no longer offers it.
  await post(`/sales/${sale.id}/invoices`, { what: 'handed-over', issue: true })
  await i.go(`/handovers/${handover.id}`)
  await i.see('Packing slip (PDF)')
  expect(await i.text('main')).not.toContain('Return goods')
})

test('a refund that was a mistake: its money is held again', async () => {
  const sale = await agreed([{ description: 'A restored cello', quantity: '1', unitPrice: '1000.00' }])
  await post('/receipts', {
    customerId: ORLA,
    method: 'transfer',
    amount: '300.00',
    for: [{ saleId: sale.id, amount: '300.00' }],
  })
  await post('/refunds', { customerId: ORLA, saleId: sale.id, amount: '120.00', method: 'cash' })
  await i.go(`/sales/${sale.id}`)
  await i.see('Refund ')
  await i.click('take back')
  await i.see('The money is back where it went from')
  await i.type('Reason', 'Never left the drawer')
  await i.doIt()
  await i.see('The refund is voided; its money is held again.')
  expect((await get(`/sales/${sale.id}`)).money.held).toBe('300.00')
  await tiesAgree()
})

test('money given back from the account is held again, from the customer’s own page', async () => {
  await post('/receipts', { customerId: ORLA, method: 'transfer', amount: '75.00', for: 'account' })
  await post('/refunds', { customerId: ORLA, amount: '75.00', method: 'cash' })
  await i.go(`/people/${ORLA}`)
  await i.see('Refunded from their account')
  await i.click('take back')
  await i.type('Reason', 'The wrong Orla')
  await i.doIt()
  await i.see('The refund is voided; its money is held again.')
  await i.go(`/people/${ORLA}`)
  await i.see('voided 10 Mar 2026')
  const ahead = (await get('/held')).rows.filter((r: { kind: string }) => r.kind === 'account')
  expect(ahead).toMatchObject([{ customerId: ORLA, amount: '75.00' }])
  await tiesAgree()
})

test('what was written off is owed after all', async () => {
  const sale = await agreed([{ description: 'A bridge', quantity: '1', unitPrice: '50.00' }])
  await post(`/sales/${sale.id}/handovers`)
  const invoice = await post(`/sales/${sale.id}/invoices`, { what: 'remaining', issue: true })
  await post(`/dues/${invoice.dues[0].id}/write-off`, { reason: 'Gone away' })
  expect((await get(`/sales/${sale.id}`)).money.open).toBe('0.00')
  await i.go(`/sales/${sale.id}`)
  await i.click('take back')
  await i.see('owed again: the loss is taken back')
  await i.type('Reason', 'She wrote')
  await i.doIt()
  await i.see('It is owed again.')
  expect((await get(`/sales/${sale.id}`)).money.open).toBe('54.00')
  await tiesAgree()
})

test('a closed period is reopened with the passphrase, and both stand in the list', async () => {
  await i.go('/books')
  await i.click('Close a period')
  await i.type('Closed through', '2026-01-31')
  await i.doIt()
  await i.see('Reopen a period')
  await i.go('/books')
  await i.click('Reopen a period')
  await i.type('Reason', 'A bill was forgotten')
  await i.type('Your passphrase again', 'not it at all')
  await i.doIt()
  await i.see('Wrong passphrase')
  expect(await (await i.field('Reason')).getAttribute('value')).toBe('A bill was forgotten')
  await i.type('Your passphrase again', PASSPHRASE)
  await i.doIt()
  await i.see('Reopened. It stands in the list of closings.')
  await i.go('/books?view=closings')
  await i.see('Closed through 31 Jan 2026')
  await i.see('A bill was forgotten')
})

test('a link that was given away is turned off', async () => {
  const sale = await agreed([{ description: 'A bow', quantity: '1', unitPrice: '80.00' }])
  const { address } = await post(`/sales/${sale.id}/links`)
  const open = () => fetch(new URL(new URL(address, till.base).pathname, till.base))
  expect(await (await open()).text()).toContain('A bow')
  await i.go(`/people/${ORLA}`)
  await i.see('Links to their page')
  await i.click(`Turn off the link to sale ${sale.number}`)
  await i.see('The link is turned off.')
  expect(await (await open()).text()).toContain('This page is not open')
})

test('what was just done can be taken back over a panel that was opened since, which stays', async () => {
  await i.go('/today')
  await i.click('Skip: Address and tax ID')
  await i.see('Undo')
  await i.press('?')
  await i.see('go to the quick line')
  await driver.findElement({ css: '[data-sonner-toast] button' }).click()
  await i.see('It is back.')
  expect(await i.text('[role=dialog]')).toContain('go to the quick line')
  await i.press('\uE00C')
  await i.click('Skip: Address and tax ID')
  await i.see('Undo')
})

test('what was typed and left is offered to whoever comes back, by a key as by a click', async () => {
  await i.go('/sales/new')
  await i.choose('Customer', 'orla', 'Orla Vance')
  await i.type('Line 1: item', 'A bow rehaired')
  await i.press('\uE004') // Tab
  await i.type('Line 1: quantity', '2')
  await i.click('Goods')
  await i.see('New goods')
  await driver.navigate().back()
  await i.see('What you typed here before was not saved.')
  expect(await i.value('Line 1: item')).toBe('')
  await i.click('Bring it back')
  expect(await i.value('Customer')).toBe('Orla Vance')
  expect(await i.value('Line 1: item')).toBe('A bow rehaired')
  await i.type('Line 1: price', '40')
  await i.doIt()
  await i.see('Draft saved: sale')
  await driver.findElement({ css: 'a[href="/sales"]' }).click()
  await (await driver.wait(until.elementLocated({ css: 'a[href="/sales/new"]' }))).click()
  await i.see('nothing is recorded in the books yet')
  expect(await driver.executeScript('return document.body.textContent.includes("Bring it back")')).toBe(false)
})

test('who signs out takes everything along: the window shows nothing of it any more, however far it goes back', async () => {
  await i.go(`/people/${ORLA}`)
  await i.click('Goods')
  await i.see('New goods')
  await i.go('/settings/access')
  await i.click('Goods')
  await i.see('New goods')
  await driver.navigate().back()
  await i.click('Sign out')
  await i.field('Passphrase')
  for (let pages = 0; pages < 4; pages++) {
    await driver.navigate().back()
    await i.field('Passphrase')
    expect(await i.text('body')).not.toMatch(/Orla|Case|Received today/)
  }
})
