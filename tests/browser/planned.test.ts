import { till, driver, i, openDesk, closeDesk, get, ORLA, agreed, handOverAndBill, take, tiesAgree } from './moneyDesk'
import { By } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'

beforeAll(openDesk)
afterAll(closeDesk)

describe('corrected, moved, and paid for others', () => {
  test('an invoice credited with its new draft in one step, what was paid going straight back', async () => {
    const sale = await agreed('200.00', 'A bridge')
    await i.go(`/sales/${sale}`)
    await handOverAndBill()
    await take(sale, '216.50')
    const invoice = (await get(`/sales/${sale}`)).invoices[0]
    await i.go(`/invoices/${invoice.id}`)
    await i.see('Customers owe 216.50 more; 200.00 earned')
    await i.click('Credit')
    const again = await driver.findElement(By.xpath("//label[contains(., 'make the draft at once')]/input"))
    await driver.executeScript('arguments[0].click()', again)
    const refund = await driver.findElement(By.xpath("//select[option[contains(., 'goes back in cash')]]"))
    await refund.sendKeys('goes back in cash')
    await i.type('Why', 'Wrong name')
    await i.doIt()
    await i.see('Draft of an invoice')
    const now = await get(`/sales/${sale}`)
    expect(now.invoices.map((v: { kind: string; status: string }) => `${v.kind} ${v.status}`)).toEqual([
      'invoice issued',
      'credit-note issued',
      'invoice draft',
    ])
    expect((await get(`/customers/${ORLA}`)).held).toBe('0.00')
    await tiesAgree()
  })

  test('a sale called off keeps a fee of what is held, and moves the rest', async () => {
    const [one, two] = [await agreed('300.00', 'A lute'), await agreed('80.00', 'A strap')]
    for (const id of [one, two])
      await till.request('POST', `/sales/${id}/arrangement`, { kind: 'deposit', percent: '50' })
    await till.request('POST', '/receipts', {
      method: 'cash',
      amount: '150.00',
      for: [{ saleId: one, amount: '150.00' }],
    })
    await i.go(`/sales/${one}`)
    await i.click('Held money')
    await i.pick('move it to another sale')
    await i.type('How much', '40.00')
    await i.doIt()
    await i.see('it is still held')
    await i.gone()
    await i.click('Cancel')
    await i.type('Why', 'Changed their mind')
    await i.type('Kept as a fee', '25.00')
    await i.doIt()
    await i.see('is cancelled')
    await i.gone()
    expect(await get(`/sales/${one}`)).toMatchObject({ stands: 'cancelled', money: { held: '0.00' } })
    const held = await get('/held')
    expect(held.rows.find((r: { saleId: number }) => r.saleId === two).amount).toBe('40.00')
    await tiesAgree()
  })

  test('a parent pays for a child: one receipt for two customers’ papers', async () => {
    const bills: number[] = []
    for (const customerId of [3, 4]) {
      const { id } = (
        await till.request('POST', '/sales', {
          customerId,
          agreed: true,
          lines: [{ description: 'Lessons', quantity: '1', unitPrice: '40.00' }],
        })
      ).body
      await till.request('POST', `/sales/${id}/handovers`, {})
      await till.request('POST', `/sales/${id}/invoices`, { what: 'remaining', issue: true })
      bills.push(id)
    }
    await i.go('/money-in?customer=3')
    await i.see('Afterwards')
    await i.choose('They pay for somebody else too', 'Piers', 'Piers Hallow')
    await i.see('Piers Hallow: Invoice')
    await i.type('Amount', '86.60')
    await i.doIt()
    await i.see('What it paid')
    for (const id of bills) expect((await get(`/sales/${id}`)).stands).toBe('settled')
    await i.go('/receipts')
    await i.type('Exactly', '86.60')
    await i.click('Show')
    await i.see('1 receipt')
    await tiesAgree()
  })

  test('the customer sees the rows of the plan on their own page, and pays one', async () => {
    const sale = await agreed('277.14', 'A case')
    await till.request('POST', `/sales/${sale}/arrangement`, {
      kind: 'installments',
      count: 3,
      every: 'month',
      firstDue: '2026-03-10',
    })
    await till.request('POST', `/sales/${sale}/handovers`, {})
    await till.request('POST', `/sales/${sale}/invoices`, { what: 'remaining', issue: true })
    const link = (await till.request('POST', `/sales/${sale}/links`, {})).body
    await driver.get(till.base + new URL(link.address).pathname)
    await i.see('payment 1 of 3')
    await i.see('payment 3 of 3')
    await i.see('Where your money stands')
  })

  test('a card kept for a plan collects on its day; Settings say what a layaway begins with', async () => {
    const sale = await agreed('100.00', 'Strings')
    await till.request('POST', `/sales/${sale}/arrangement`, {
      kind: 'installments',
      count: 2,
      every: 'month',
      firstDue: '2026-04-10',
    })
    await till.request('POST', `/sales/${sale}/handovers`, {})
    await till.request('POST', `/sales/${sale}/invoices`, { what: 'remaining', issue: true })
    await i.go(`/sales/${sale}`)
    await i.click('Collect by card')
    await i.type('Card number', '4000 0000')
    await i.doIt()
    await i.see('A card number has sixteen digits.')
    await i.type('Card number', '4000 0000 0000 1111')
    await i.doIt()
    await i.see('each row is collected on its day')
    await i.gone()
    await i.see('collected from the card that ends in 1111')
    await i.go('/settings')
    await i.type('within months', '5')
    await i.type('For a cheque that bounced', '17.50')
    await i.click('Keep')
    await i.see('New arrangements begin so')
    await i.go(`/sales/${await agreed('90.00', 'A stand')}?do=pay-how`)
    await i.pick('layaway: goods stay until paid up')
    await driver.wait(async () => (await (await i.field('Paid up within months')).getAttribute('value')) === '5', 8000)
  })
})

describe('the drawer, and what is owed from every side', () => {
  test('cash in, a count that is short, and the day that says so', async () => {
    await i.go('/money-in/drawer')
    await i.type('How much', '150.00')
    await i.type('What for', 'Float')
    await i.click('Put in')
    await i.see('150.00 put in')
    await i.see('Float')
    const { now } = await get('/drawer')
    await i.type('or only the sum', (Number(now) - 1).toFixed(2))
    await i.doIt()
    await i.see('1.00 short')
    await tiesAgree()
  })

  test('expected money is drawn by the worker, and answers what if', async () => {
    await till.request('POST', `/sales/${await agreed('50.00')}/handovers`, {})
    const late = await agreed('250.00', 'A case')
    await till.request('POST', `/sales/${late}/arrangement`, { kind: 'terms', net: 7 })
    await till.request('POST', `/sales/${late}/handovers`, {})
    await till.request('POST', `/sales/${late}/invoices`, { what: 'handed-over', issue: true })
    await i.go('/owed/expected')
    await i.see('Most likely')
    const customer = await driver.findElement(By.xpath("//select[option[contains(., 'Orla Vance')]]"))
    await customer.sendKeys('Orla')
    await i.see('In the first four weeks')
  })

  test('invoices are found by what they are, and the list is kept by name', async () => {
    await i.go('/invoices?state=open')
    await i.see('all that fit, credit notes taken off')
    await i.click('Keep this list')
    await i.type('Name of this list', 'Still open')
    await i.click('Keep')
    await i.see('Still open')
    await i.go('/invoices')
    await i.click('Still open')
    await driver.wait(async () => (await driver.getCurrentUrl()).includes('state=open'), 8000)
    const { items, totals } = await get('/invoices?state=open')
    const sum = items.reduce((s: number, r: { open: string }) => s + Math.round(Number(r.open) * 100), 0)
    expect(Math.round(Number(totals.open) * 100)).toBe(sum)
  })

  test('reminders get firmer, and the same one is not written twice', async () => {
    await till.restart('2026-04-20')
    await i.go(`/owed?customer=${ORLA}#customer`)
    await i.click('Write the first reminder')
    await i.see('waits in Post')
    await i.see('second reminder from')
    const refused = await till.request('POST', `/customers/${ORLA}/reminders`, {})
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringContaining('A reminder went out on 20 Apr 2026.'),
    ])
    await i.go('/owed/held')
    await i.see('equals its account')
  })
})
