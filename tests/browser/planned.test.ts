import { till, driver, i, openDesk, closeDesk, get, ORLA, agreed, handOverAndBill, take, tiesAgree } from './moneyDesk'
import { By, until } from 'selenium-webdriver'
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
    await i.click('Credit note')
    await i.pick('corrected draft')
    const refund = await driver.findElement(By.xpath("//select[option[contains(., 'Refund in cash')]]"))
    await refund.sendKeys('Refund in cash')
    await i.type('Reason', 'Wrong name')
    await i.doIt()
    await i.see('Draft invoice')
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
    await i.pick('Move it to another sale')
    await i.type('Amount', '40.00')
    await i.doIt()
    await i.see('it is still held')
    await i.gone()
    await i.click('Cancel the sale')
    await i.type('Reason', 'Changed their mind')
    await i.type('Cancellation fee', '25.00')
    await i.doIt()
    await i.see('is canceled')
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
    await i.see('After this payment')
    await i.choose('Also paying for another customer', 'Piers', 'Piers Hallow')
    await i.see('Piers Hallow: Invoice')
    await i.type('Amount', '86.60')
    await i.doIt()
    await i.see('Applied to')
    for (const id of bills) expect((await get(`/sales/${id}`)).stands).toBe('settled')
    await i.go('/receipts')
    await i.type('Exact amount', '86.60')
    await i.click('Apply')
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
    await i.see('Your balance')
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
    await i.click('Charge card automatically')
    await i.type('Card number', '4000 0000')
    await i.doIt()
    await i.see('A card number has sixteen digits.')
    await i.type('Card number', '4000 0000 0000 1111')
    await i.doIt()
    await i.see('it is charged on each due date')
    await i.gone()
    await i.see('charged to the card ending 1111')
    await i.go('/settings/payments')
    await i.type('Layaway: pay in full within (months)', '5')
    await i.type('Returned-check fee', '17.50')
    await i.click('Save payment defaults')
    await i.see('Applies to new sales')
    await i.go(`/sales/${await agreed('90.00', 'A stand')}?do=pay-how`)
    await i.pick('Layaway (goods stay until paid)')
    await driver.wait(
      async () => (await (await i.field('Pay in full within (months)')).getAttribute('value')) === '5',
      8000,
    )
  })
})

describe('the drawer, and what is owed from every side', () => {
  test('cash in, a count that is short, and the day that says so', async () => {
    await i.go('/money-in/drawer')
    await i.type('Amount', '150.00')
    await i.type('Reason', 'Float')
    await i.click('Put in')
    await i.see('150.00 put in')
    await i.see('Float')
    const { now } = await get('/drawer')
    await i.type('Or just the total', (Number(now) - 1).toFixed(2))
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
    await i.see('Expected')
    const customer = await driver.findElement(By.xpath("//select[option[contains(., 'Everyone pays')]]"))
    await driver.wait(until.elementIsVisible(customer), 8000)
    await customer.sendKeys('Orla')
    await i.see('In the first four weeks')
  })

  test('invoices are found by what they are, and the list is kept by name', async () => {
    await i.go('/invoices?state=open')
    await i.see('Total, less credit notes')
    await i.click('Save this view')
    await i.type('Name of this list', 'Still open')
    await i.click('Save')
    await i.see('Still open')
    await i.go('/invoices')
    await i.click('Still open')
    await driver.wait(async () => (await driver.getCurrentUrl()).includes('state=open'), 8000)
    const { items, totals } = await get('/invoices?state=open')
    const sum = items.reduce((s: number, r: { open: string }) => s + Math.round(Number(r.open) * 100), 0)
    expect(Math.round(Number(totals.open) * 100)).toBe(sum)
  })

  test('reminders get firmer, and the same one is not written twice', async () => {
    await till.moveTo('2026-04-20')
    await i.go(`/owed?customer=${ORLA}#customer`)
    await i.click('Send first reminder')
    const to = await i.field('To')
    if ((await to.getAttribute('value')) === '') await i.type('To', 'orla@mail.example')
    await i.doIt()
    await i.gone()
    await i.see('The second reminder can go from')
    const refused = await till.request('POST', `/customers/${ORLA}/reminders`, {})
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringContaining('A reminder was sent on 20 Apr 2026.'),
    ])
    await i.go('/owed/held')
    await i.see('Matches its account')
  })
})
