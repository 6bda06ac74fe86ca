import { till, driver, i, openDesk, closeDesk, get } from './shopDesk'
import { By, Key, until } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { handsOn, keys, closeBrowser, openBrowser } from './till'

beforeAll(openDesk)
afterAll(closeDesk)

/** Drags a line of a sale to the place of another, as a hand does it: the grips come with its first movement. */
const dragLine = async (from: number, to: number) => {
  const grip = (n: number) => By.css(`[aria-label="Move line ${n}"]`)
  await driver.actions().move({ x: 400, y: 300 }).move({ x: 410, y: 310 }).perform()
  await driver.wait(until.elementLocated(grip(from)), 5_000)
  const [held, place] = [await driver.findElement(grip(from)), await driver.findElement(grip(to))]
  await driver.actions().move({ origin: held }).press().move({ origin: held, y: -10 }).perform()
  await driver.actions().move({ origin: place, y: -2 }).perform()
  await driver.actions().release().perform()
}

describe('with the customer on the phone', () => {
  test('an order for a new customer takes under 90 seconds of keys', async () => {
    keys.pressed = 0
    await i.go('/today')
    await i.press('n')
    await i.see('New sale')
    await i.choose('Customer', 'Ines Marlowe', 'Add “Ines Marlowe” as a new customer')
    await i.see('Owes 0.00')
    await i.type('Email for the estimate', 'ines@mail.example')
    await i.choose('Line 1: item', 'case', 'Fitted case')
    await i.type('Line 1: quantity', '4')
    await i.see('3 available')
    await i.press(Key.ENTER)
    await i.choose('Line 2: item', '21001', 'Rosin')
    await i.type('Line 2: quantity', '12')
    // the step from ten on
    await i.see('from 10')
    // 4 × 185.00 + 12 × 11.00 = 872.00; tax 71.94
    await i.see('943.94')
    await i.click('Save as order')
    await i.see('Short: Fitted case, 3 of 4 in stock')
    // A practised hand presses three keys a second.
    expect(keys.pressed / 3).toBeLessThan(90)
    const [sale] = (await get('/sales?limit=1')).items
    expect(await get(`/customers/${sale.customerId}`)).toMatchObject({ email: 'ines@mail.example' })
  })

  test('whoever looks like somebody known is shown before a double is made, and a double is joined', async () => {
    await i.go('/sales/new')
    await i.choose('Customer', 'Inez Marlowe', 'Add “Inez Marlowe” as a new customer')
    await i.see('Did you mean one of these?')
    await i.click('No, add “Inez Marlowe” as new')
    await i.see('Owes 0.00')
    const both = (await get('/customers?search=marlowe')).items as { id: number; name: string }[]
    const [kept, gone2] = [both.find((c) => c.name.startsWith('Ines'))!, both.find((c) => c.name.startsWith('Inez'))!]
    await i.go(`/people/${kept.id}`)
    await i.click('Merge')
    await i.choose('Duplicate to merge', 'Inez', 'Inez Marlowe')
    await i.see('Inez Marlowe owes 0.00')
    await i.doIt()
    await i.see('merged into')
    await i.go(`/people/${gone2.id}`)
    await i.see('Ines Marlowe')
    expect((await get('/customers?search=marlowe')).items).toHaveLength(1)
  })

  test('rows pasted from a spreadsheet become lines; keys put them in order; a group has its sum', async () => {
    await i.go('/sales/new?customer=2')
    await i.see('Price list: Schools')
    await driver.executeScript(`
      const field = document.querySelector('[aria-label="Line 1: item"]')
      const data = new DataTransfer()
      data.setData('text', 'Pegs\\t2\\t34.00\\nBridge\\t1\\t18.90')
      field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))`)
    // 68.00 + 18.90
    await i.see('86.90')
    // Dragged by its grip the second line comes first, and back again.
    for (const first of ['Bridge', 'Pegs']) {
      await dragLine(2, 1)
      await driver.wait(async () => (await (await i.field('Line 1: item')).getAttribute('value')) === first, 5_000)
    }
    await i.click('Add heading')
    await i.type('Line 3: heading', 'Small things')
    for (const n of [3, 2]) {
      const field = await i.field(`Line ${n}: heading`)
      await driver.executeScript('arguments[0].focus()', field)
      await i.chord(Key.ALT, Key.ARROW_UP)
    }
    await i.type('Line 1: heading', 'Small things')
    await i.type('Discount on total', '6.90')
    // 80.00 and 6.60
    await i.see('86.60')
    await i.type('Line 2: discount', '5 apples')
    await i.see('10% or 6.00')
    await i.type('Line 2: discount', '50%')
    await i.click('Save draft')
    await i.see('Small things')
    const [sale] = (await get('/sales?limit=1')).items
    const { lines, totals } = await get(`/sales/${sale.id}`)
    expect(lines.map((l: { kind: string; description: string }) => l.description)).toEqual([
      'Small things',
      'Pegs',
      'Bridge',
    ])
    // 34.00 + 18.90 − 6.90 = 46.00
    expect(totals.net).toBe('46.00')
  })

  test('a level’s price says where it comes from, and one key puts on what they usually take', async () => {
    await till.request('POST', '/sales', {
      customerId: 2,
      agreed: true,
      lines: [{ goodsId: 2, quantity: '3' }],
    })
    await i.go('/sales/new?customer=2')
    await i.click('Usually buys')
    await i.see('last 3 at 11.25')
    await driver.findElement(By.xpath("//*[@role='dialog']//li//button")).sendKeys(Key.ENTER)
    await i.see('added')
    await i.press(Key.ESCAPE)
    await i.gone()
    await i.see('Schools, 10% off list price')
    // 33.75 and 2.784 → 2.78
    await i.see('36.53')
  })
})

describe('an estimate', () => {
  let saleId = 0
  /** Where the last e-mail says that its customer finds their own page. */
  const linkInMail = async (): Promise<string> => {
    const [mail] = (await get('/mailbox')).items
    return new URL(/http\S+\/c\/\S+/.exec(mail.body)![0]).pathname
  }
  test('with choices is mailed, changed, and its versions stand beside each other', async () => {
    const lines = [
      { goodsId: 1, quantity: '1' },
      { goodsId: 3, quantity: '1', choice: 'alternative', choiceGroup: 'Bows' },
      {
        description: 'A finer bow',
        quantity: '1',
        unitPrice: '640.00',
        choice: 'alternative',
        choiceGroup: 'Bows',
      },
      { goodsId: 2, quantity: '2', choice: 'optional' },
    ]
    saleId = (await till.request('POST', '/sales', { customerId: 2, title: 'Outfit', lines })).body.id
    await i.go(`/sales/${saleId}`)
    await i.click('Send estimate')
    await i.see('Email it with a link to')
    const message = await i.field('Message')
    // The day is the one in the field above it, and nobody reads braces.
    expect(await message.getAttribute('value')).toMatch(/valid until 9 Apr 2026[^{]*\[link to the customer’s page\]/)
    await i.doIt()
    await i.see('Sent to alder@mail.example.')
    await i.gone()
    await i.go(`/sales/${saleId}/change`)
    await i.type('Line 1: quantity', '2')
    await i.doIt()
    await i.see('the customer cannot answer until it is sent again')
    // Another window that had it open before does not put it back.
    await i.go(`/sales/${saleId}/change`)
    await till.request('POST', `/sales/${saleId}/change`, { note: 'Rosin is dark.' })
    await i.type('Line 1: quantity', '3')
    await i.doIt()
    await i.see('was changed or accepted since you opened it')
    expect(await (await i.field('Line 1: quantity')).getAttribute('value')).toBe('3')
    await i.go(await linkInMail())
    await i.see('We are revising your estimate.')
    expect(await driver.findElement(By.css('main')).getText()).not.toMatch(/Outfit|Your documents|Accept/)
    await till.request('POST', `/sales/${saleId}/offer`, {})
    await i.go(`/sales/${saleId}`)
    await i.click('What changed')
    await i.see('Version 2, estimate')
    await i.see('1 line')
    expect(await driver.findElement(By.css('main mark')).getText()).toBe('1')
  })

  test('is accepted on the customer’s page with their choice, and is an order without a line typed again', async () => {
    await till.request('POST', '/post', { paper: 'estimate', paperId: saleId })
    await till.request('POST', `/post/${(await get('/post?limit=1')).items[0].id}/send`, {})
    const path = await linkInMail()
    const other = await openBrowser()
    try {
      const they = handsOn(other, till.base)
      await they.go(path)
      await they.see('Outfit')
      const body = await other.findElement(By.css('body')).getText()
      expect(body).not.toMatch(/margin|there|cost/i)
      const choose = async (text: string) =>
        other.findElement(By.xpath(`//label[contains(., "${text}")]/input`)).sendKeys(Key.SPACE)
      await choose('A finer bow')
      await choose('optional')
      // 2 × 166.50 + 640.00 + 22.50 = 995.50; tax 82.12875 → 82.13
      await they.see('1,077.63')
      await they.type('Your name', 'Ms. Alder')
      await they.type('Your PO number (optional)', 'AS-12')
      await they.press(Key.ENTER)
      await they.see('Accepted on')
    } finally {
      await closeBrowser(other)
    }
    await i.go(`/sales/${saleId}`)
    await i.see('Accepted by Ms. Alder, on their page, PO AS-12')
    expect(await get(`/sales/${saleId}`)).toMatchObject({ stands: 'agreed', totals: { gross: '1077.63' } })
  })

  test('changes after agreement make a new agreed version; what was dropped stays visible', async () => {
    await i.go(`/sales/${saleId}/change`)
    await i.click('Remove line 4')
    await i.choose('Line 4: item', 'Engraving', 'Use “Engraving” as typed')
    await i.type('Line 4: price', '25')
    await i.doIt()
    await i.see('The earlier version is kept')
    await i.see('Engraving')
    const sale = await get(`/sales/${saleId}`)
    expect(sale.lines.find((l: { description: string }) => l.description === 'Rosin')).toMatchObject({
      agreed: '0',
    })
    const { items } = await get(`/sales/${saleId}/versions`)
    expect(items.map((v: { kind: string }) => v.kind)).toEqual(['offered', 'offered', 'agreed', 'changed'])
  })
})
