import { till, driver, i, openDesk, closeDesk, get, ORLA, agreed, handOverAndBill, take, tiesAgree } from './moneyDesk'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { TODAY } from './till'

beforeAll(openDesk)
afterAll(closeDesk)

describe('from agreement to settled', () => {
  test('on terms, paid early: the discount is shown before, and taken by itself', async () => {
    const sale = await agreed('1000.00')
    await i.go(`/sales/${sale}?do=pay-how`)
    await i.pick('Net days')
    await i.type('Early-payment discount, %', '2')
    await i.type('If paid within (days)', '10')
    await i.see('Dates assume you invoice today')
    await i.doIt()
    await i.see('Payment terms saved.')
    await i.gone()
    await handOverAndBill()
    // 1,082.50 − 21.65
    await i.see('Pay 1,060.85 by 20 Mar 2026 to settle Invoice 2026-0001')
    await i.go(`/money-in?customer=${ORLA}&sale=${sale}`)
    await i.see('1,060.85 settles it today (21.65 discount)')
    await i.type('Amount', '1060.85')
    await i.see('Discounts for early payment')
    await i.doIt()
    await i.see('Early-payment discount 21.65')
    expect(await get(`/sales/${sale}`)).toMatchObject({ stands: 'settled', money: { open: '0.00' } })
    await tiesAgree()
  })

  test('a deposit in two stages, asked one after the other, comes off the bill', async () => {
    const sale = await agreed('2000.00')
    await i.go(`/sales/${sale}?do=pay-how`)
    await i.pick('Deposit first')
    await i.type('First deposit, % of total incl. tax', '30')
    await i.type('Second deposit, %', '70')
    await i.type('When the second is due', 'when it is strung')
    // 30 % and 70 % of 2,165.00
    await i.see('649.50')
    await i.see('1,515.50')
    await i.doIt()
    await i.see('Payment terms saved.')
    await i.gone()
    await i.click('Ask for a deposit')
    await i.click('Request stage 1')
    await i.see('Deposit not received yet')
    await take(sale, '649.50')
    await i.see('more is held for customers: theirs until it is earned')
    await i.go(`/sales/${sale}?do=ask-deposit`)
    await i.see('when it is strung')
    await i.click('Request stage 2')
    await i.gone()
    await take(sale, '1,515.50')
    await i.go(`/sales/${sale}`)
    await handOverAndBill()
    expect(await get(`/sales/${sale}`)).toMatchObject({ stands: 'settled', money: { held: '0.00', open: '0.00' } })
    await tiesAgree()
  })

  test('layaway: goods stay while it is paid in, and go with their bill when it is paid up', async () => {
    const sale = await agreed('600.00', 'A half-size violin')
    await i.go(`/sales/${sale}?do=pay-how`)
    await i.pick('Layaway (goods stay until paid)')
    await i.type('First payment, %', '20')
    await i.type('Pay in full within (months)', '3')
    // 649.50: 129.90 first, then 3 × 173.20
    await i.see('129.90')
    await i.see('173.20')
    await i.doIt()
    await i.see('Payment terms saved.')
    await i.gone()
    await take(sale, '300.00')
    await i.go(`/sales/${sale}`)
    await i.see('In progress, 349.50 left to pay')
    await i.go('/owed/layaways')
    await i.see('In progress')
    await i.go(`/money-in?customer=${ORLA}&sale=${sale}`)
    await i.see('Layaway, sale')
    await i.type('Amount', '349.50')
    await i.doIt()
    await i.see('Applied to')
    await i.go(`/sales/${sale}`)
    await i.see('Layaway paid up')
    await i.click('Hand over')
    await i.doIt()
    await i.see('and invoiced')
    expect(await get(`/sales/${sale}`)).toMatchObject({ stands: 'settled', money: { held: '0.00', billed: '649.50' } })
    await tiesAgree()
  })

  test('a layaway given up: the fee, the refund and the goods in one step', async () => {
    const sale = await agreed('400.00', 'A ukulele')
    await till.request('POST', `/sales/${sale}/arrangement`, {
      kind: 'layaway',
      firstPercent: '10',
      months: 2,
      fee: { percent: '5' },
    })
    await till.request('POST', '/receipts', {
      method: 'cash',
      amount: '100.00',
      for: [{ saleId: sale, amount: '100.00' }],
    })
    await i.go(`/sales/${sale}`)
    await i.click('Cancel layaway')
    // 5 % of 433.00 = 21.65, so 78.35 goes back
    await i.see('78.35')
    await i.doIt()
    await i.see('Layaway canceled: 21.65 fee kept, 78.35 refunded.')
    await i.gone()
    expect(await get(`/sales/${sale}`)).toMatchObject({ stands: 'cancelled', money: { held: '0.00' } })
    await tiesAgree()
  })

  test('installments: preview with its rate, paid row by row, then paid off early with what is given back', async () => {
    // 1,662.82 + 137.18 = 1,800.00
    const sale = await agreed('1662.82', 'A viola')
    await i.go(`/sales/${sale}?do=pay-how`)
    await i.pick('Installments (goods go now)')
    await i.type('Number of payments', '12')
    await i.type('First payment due', '4/10')
    await i.type('Interest rate per year, %', '12')
    await i.see('159.93')
    await i.see('1,800.00 financed, 12.68% effective annual rate')
    await i.doIt()
    await i.see('Payment terms saved.')
    await i.gone()
    await handOverAndBill()
    await i.see('payment 12 of 12')
    await take(sale, '159.93')
    await i.go('/owed/plans')
    await i.see('P-2026-0001')
    // What counts is dated today or before, so the day of the first row has come.
    await till.moveTo('2026-04-10')
    await i.go(`/sales/${sale}`)
    await i.click('Pay off early')
    // After the first row: principal 1,658.07; 18.00 of 119.13 earned, 101.13 given back.
    await i.see('1,658.07')
    await i.see('101.13')
    await i.doIt()
    await i.see('Paid off: 1,658.07. Finance charge waived: 101.13.')
    // The page is read anew: it would break off where its day went away under it.
    await i.gone()
    await till.moveTo(TODAY)
    expect(await get(`/sales/${sale}`)).toMatchObject({ stands: 'settled' })
    await tiesAgree()
  })

  test('the rest arranged anew keeps its history and adds up', async () => {
    const sale = await agreed('554.27', 'A bow')
    // 554.27 + 45.73 = 600.00 in three
    await till.request('POST', `/sales/${sale}/arrangement`, {
      kind: 'installments',
      count: 3,
      every: 'month',
      firstDue: '2026-04-10',
    })
    await till.request('POST', `/sales/${sale}/handovers`, {})
    await till.request('POST', `/sales/${sale}/invoices`, { what: 'handed-over', issue: true })
    await i.go(`/sales/${sale}`)
    await i.click('Reschedule')
    await i.type('Number of payments', '6')
    await i.doIt()
    await i.see('Rescheduled: 600.00 in 6 payments.')
    await i.gone()
    await i.see('rescheduled on 10 Mar 2026')
    await i.see('payment 6 of 6')
    expect((await get(`/sales/${sale}`)).money.open).toBe('600.00')
    await tiesAgree()
  })
})

describe('money that comes back, and money that does not', () => {
  test('a cheque that bounced opens what it had paid, with the fees on both sides', async () => {
    const sale = await agreed('100.00', 'A set-up')
    await i.go(`/sales/${sale}`)
    await handOverAndBill()
    const receipt = (
      await till.request('POST', '/receipts', {
        method: 'cheque',
        amount: '108.25',
        for: [{ saleId: sale, amount: '108.25' }],
      })
    ).body
    await i.go('/money-in/bank')
    await i.see('108.25')
    await i.doIt()
    await i.see('goes to the bank')
    await i.go(`/receipts/${receipt.id}`)
    await i.click('Payment bounced')
    await i.type('Reason given by the bank', 'No funds')
    await i.type('Bank’s fee to you', '9.00')
    await i.type('Fee to the customer', '15.00')
    await i.doIt()
    await i.see('Bounced on 10 Mar 2026')
    expect((await get(`/sales/${sale}`)).money.open).toBe('123.25')
    await i.go(`/sales/${sale}?do=promise`)
    await i.see('Returned-check fee')
    await i.type('Will pay by', '+7')
    await i.doIt()
    await i.see('Saved. If the money does not arrive')
    await i.gone()
    await i.click('Write off')
    await i.type('Reason', 'Moved away')
    await i.doIt()
    await i.see('written off')
    await i.gone()
    expect((await get(`/sales/${sale}`)).money.open).not.toBe('123.25')
    await tiesAgree()
  })

  test('two windows pay the same due at once: the second is told, and nothing is lost of what was typed', async () => {
    const sale = await agreed('100.00', 'Pegs fitted')
    await i.go(`/sales/${sale}`)
    await handOverAndBill()
    const first = await driver.getWindowHandle()
    await i.go(`/money-in?customer=${ORLA}&sale=${sale}`)
    await i.type('Amount', '108.25')
    await driver.switchTo().newWindow('window')
    await i.go(`/money-in?customer=${ORLA}&sale=${sale}`)
    await i.type('Amount', '108.25')
    await i.see('108.25')
    await i.doIt()
    await i.see('Applied to')
    await driver.close()
    await driver.switchTo().window(first)
    await i.doIt()
    await i.see('paid')
    expect(await (await i.field('Amount')).getAttribute('value')).toContain('108.25')
    const { items } = await get('/receipts?limit=1')
    expect(items[0].amount).toBe('108.25')
    expect((await get(`/sales/${sale}`)).money.open).toBe('0.00')
    expect((await get(`/customers/${ORLA}`)).held).toBe('0.00')
  })
})
