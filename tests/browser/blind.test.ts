import { Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { till, driver, i, openDesk, closeDesk, get, newest } from './shopDesk'

beforeAll(openDesk)
afterAll(closeDesk)

/** Every search of the page answers 1.2 seconds late from now on. */
const slowed = () =>
  driver.executeScript(`
    const fetched = window.fetch
    window.fetch = async (...asked) => {
      if (/\\/api\\/v1\\/(goods|customers|prices)/.test(String(asked[0]))) await new Promise((r) => setTimeout(r, 1200))
      return fetched(...asked)
    }`)
/** Types on and on: a line for each field, ended by Enter. */
const blind = async (...fields: string[]) => {
  for (const typed of fields) await i.press(...(typed === '' ? [Key.ENTER] : [typed, Key.ENTER]))
}
const focused = () =>
  driver.executeScript<string>(
    'const at = document.activeElement; return at.getAttribute("aria-label") ?? at.labels?.[0]?.textContent ?? ""',
  )
describe('typed without looking, with searches that answer 1.2 seconds late', () => {
  test('a whole sale comes out as typed, for a known customer', async () => {
    await i.go('/sales/new')
    await slowed()
    await blind('alder', 'fitted', '2', '', 'Engraving the lid', '3', '7.50', '21001', '12', '', 'Bow', '1', '200')
    expect(await focused()).toBe('Line 5: item')
    await i.doIt()
    await i.see('Draft saved')
    const sale = await newest()
    expect(sale.customer).toBe('Alder Street')
    expect(sale.lines).toMatchObject([
      // The school pays ten percent less, and still less for ten and more of rosin.
      { goodsId: 1, description: 'Fitted case', quantity: '2', unitPrice: '166.5' },
      { goodsId: null, description: 'Engraving the lid', quantity: '3', unitPrice: '7.5' },
      { goodsId: 2, description: 'Rosin', quantity: '12' },
      { goodsId: 3, description: 'Bow', quantity: '1', unitPrice: '200' },
    ])
    const price = (await get('/prices?goodsId=2&quantity=12&customerId=2&withTax=false')).price
    expect(Number(sale.lines[2].unitPrice)).toBe(Number(price))
  })

  test('somebody new is added, and what is typed meanwhile stays in its fields', async () => {
    await i.go('/sales/new')
    await slowed()
    await blind('Osric Fenwick', 'bow', '2', '')
    await i.press('Case cover')
    await i.see('Owes 0.00')
    expect(await focused()).toBe('Line 2: item')
    const second = await i.field('Line 2: item')
    expect(await second.getAttribute('value')).toBe('Case cover')
    await blind('', '1', '15')
    await i.doIt()
    await i.see('Draft saved')
    expect(await newest()).toMatchObject({
      customer: 'Osric Fenwick',
      lines: [
        { description: 'Bow', quantity: '2', unitPrice: '229' },
        { description: 'Case cover', quantity: '1', unitPrice: '15' },
      ],
    })
  })

  test('typed on from the key that opens the page, before the page is there', async () => {
    await i.go(`/sales/${(await newest()).id}`)
    // Every one of these letters would do something on the page that is left.
    await i.press('n', 'alder', Key.ENTER, 'bow', Key.ENTER, '1', Key.ENTER, '150', Key.ENTER)
    await driver.wait(async () => (await focused()) === 'Line 2: item', 8000)
    await i.see('Price list:')
    await i.doIt()
    await i.see('Draft saved')
    expect(await newest()).toMatchObject({
      customer: 'Alder Street',
      stands: 'draft',
      lines: [{ goodsId: 3, quantity: '1', unitPrice: '150' }],
    })
    await i.chord(Key.ALT, '2')
    await i.press('rosin', Key.ENTER, Key.ENTER)
    await driver.wait(async () => (await focused()) === 'Cash given', 8000)
  })

  test('the counter sells what was typed', async () => {
    await i.go('/counter')
    await slowed()
    await blind('rosin', 'bow', '21001', '')
    // 2 × 12.50 + 229.00 = 254.00; tax 20.955 → 20.96 (half up): 274.96
    await blind('300')
    await i.see('274.96 received')
    await i.see('Change 25.04')
    expect(await newest()).toMatchObject({ totals: { gross: '274.96' } })
  })

  test('money in is put on what is open', async () => {
    const sold = await till.request('POST', '/sales', {
      customerId: 2,
      agreed: true,
      lines: [{ description: 'Set-up', quantity: '1', unitPrice: '100.00' }],
    })
    await till.request('POST', `/sales/${sold.body.id}/invoices`, { what: 'remaining', issue: true })
    await i.go('/money-in')
    await slowed()
    await blind('alder', '58.25', 'TR-9')
    await i.doIt()
    await i.see('Receipt R-')
    const [receipt] = (await get('/receipts?limit=1')).items
    expect(receipt).toMatchObject({ amount: '58.25', reference: 'TR-9' })
    // 108.25 less 58.25
    expect(await get('/customers/2')).toMatchObject({ owed: '50.00' })
  })
})

describe('typed where the customer is known already', () => {
  test('goes from field to field by Tab, whatever line comes below meanwhile; also in a sale that is changed', async () => {
    await i.go('/sales/new?customer=2')
    await i.press('Rehair the viola bow', Key.TAB, '2', Key.TAB, '50')
    expect(await focused()).toBe('Line 1: price')
    await i.doIt()
    await i.see('Draft saved')
    const { id } = await newest()
    await i.go(`/sales/${id}/change`)
    await i.press('Polish the frog', Key.TAB, '12', Key.TAB, '1', '5')
    await i.doIt()
    await i.see('saved.')
    expect((await newest()).lines).toMatchObject([
      { description: 'Rehair the viola bow', quantity: '2', unitPrice: '50' },
      { description: 'Polish the frog', quantity: '12', unitPrice: '15' },
    ])
  })

  test('a quantity before anything else stays where it is typed, and asks what it is of', async () => {
    await i.go('/sales/new?customer=2')
    await i.press(Key.TAB, '4', '5')
    expect(await focused()).toBe('Line 1: quantity')
    await i.doIt()
    await i.see('A line needs goods or a description.')
    expect(await (await i.field('Line 1: quantity')).getAttribute('value')).toBe('45')
  })
})

describe('figures that are none', () => {
  test.each([
    ['abc', 'Write a number, such as 2 or 1.5.'],
    ['-3', 'This cannot be below zero.'],
  ])('%s is told at its field, and nothing is saved', async (typed, says) => {
    const before = (await get('/sales?limit=1')).items[0].id
    await i.go('/sales/new?customer=2')
    await blind('Bow string', typed, '9')
    await i.see(says)
    await i.doIt()
    await i.see('Line 1:')
    const field = await i.field('Line 1: quantity')
    expect(await field.getAttribute('aria-invalid')).toBe('true')
    expect(await field.getAttribute('value')).toBe(typed)
    expect((await get('/sales?limit=1')).items[0].id).toBe(before)
  })
})

describe('the menu of a sale, by keys', () => {
  test('opens with a point, is walked with arrows, and every act has its key', async () => {
    const sale = await till.request('POST', '/sales', {
      customerId: 2,
      lines: [{ goodsId: 3, quantity: '1' }],
    })
    await i.go(`/sales/${sale.body.id}`)
    await i.press('.')
    await driver.wait(async () => (await focused()) === 'Estimate (PDF)', 5000)
    await i.press(Key.ARROW_DOWN)
    expect(await focused()).toBe('Customer’s page')
    await i.press(Key.ESCAPE)
    await i.press('?')
    await i.see('On this page')
    await i.see('Mark as declined')
    await i.press(Key.ESCAPE)
    await i.gone()
    await i.press('a')
    await i.see('Customer accepted')
    await i.doIt()
    await i.see('Ordered')
    await i.gone()
    await i.press('y')
    await i.see('Payment terms')
    await i.press(Key.ESCAPE)
    await i.gone()
    await i.press('e')
    await i.see('Save changed order')
  })
})
