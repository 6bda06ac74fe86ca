import { Key, By, type WebDriver } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { handsOn, keys, openBrowser, openTill, PASSPHRASE, type Till } from './till'

let till: Till
let driver: WebDriver
let i: ReturnType<typeof handsOn>
beforeAll(async () => {
  till = await openTill('front')
  const r = till.request
  await r('POST', '/setup', {
    name: 'Tern Strings',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
    taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'Tax', rate: '0.0825' }] }],
  })
  await r('POST', '/price-levels', { code: 'SCHOOL', name: 'Schools', percentOff: '10' })
  await r('POST', '/customers', { name: 'Alder Street', email: 'alder@mail.example', priceLevel: 'SCHOOL' })
  await r('POST', '/goods', {
    code: 'CASE',
    name: 'Fitted case',
    kind: 'stock',
    price: '185.00',
    onShopfront: true,
  })
  await r('POST', '/goods', {
    code: 'ROS',
    name: 'Rosin',
    kind: 'stock',
    price: '12.50',
    onShopfront: true,
    barcode: '21001',
    prices: [{ fromQuantity: '10', price: '11.00' }],
  })
  await r('POST', '/goods', { code: 'BOW', name: 'Bow', kind: 'stock', price: '229.00' })
  await r('POST', '/stock-counts', {
    lines: [
      { goodsId: 1, counted: '3', unitCost: '90.00' },
      { goodsId: 2, counted: '40', unitCost: '6.00' },
      { goodsId: 3, counted: '2', unitCost: '120.00' },
    ],
  })
  driver = await openBrowser()
  i = handsOn(driver, till.base)
  await i.signIn()
})
afterAll(async () => {
  await driver?.quit()
  await till?.close()
})

const get = async (path: string) => (await till.request('GET', path)).body
const gone = () =>
  driver.wait(
    async () => (await driver.executeScript('return document.querySelectorAll("[role=dialog]").length')) === 0,
    8000,
    'the panel stays',
  )

describe('with the customer on the phone', () => {
  test('an order for a new customer takes under 90 seconds of keys', async () => {
    keys.pressed = 0
    await i.go('/today')
    await i.press('n')
    await i.see('New sale')
    await i.choose('For', 'Ines Marlowe', 'Add “Ines Marlowe” as a new customer')
    await i.see('owes 0.00')
    await i.type('E-mail, for the estimate', 'ines@mail.example')
    await i.choose('Line 1: what', 'case', 'Fitted case')
    await i.type('Line 1: quantity', '4')
    await i.see('3 there')
    await i.press(Key.ENTER)
    await i.choose('Line 2: what', '21001', 'Rosin')
    await i.type('Line 2: quantity', '12')
    // the step from ten on
    await i.see('from 10')
    // 4 × 185.00 + 12 × 11.00 = 872.00; tax 71.94
    await i.see('943.94')
    await i.click('They agreed already')
    await i.see('Short: 4 Fitted case agreed, 3 on the shelf')
    // A practised hand presses three keys a second.
    expect(keys.pressed / 3).toBeLessThan(90)
    const [sale] = (await get('/sales?limit=1')).items
    expect(await get(`/customers/${sale.customerId}`)).toMatchObject({ email: 'ines@mail.example' })
  })

  test('whoever looks like somebody known is shown before a double is made, and a double is joined', async () => {
    await i.go('/sales/new')
    await i.choose('For', 'Inez Marlowe', 'Add “Inez Marlowe” as a new customer')
    await i.see('Is “Inez Marlowe” one of these?')
    await i.click('No, add “Inez Marlowe”')
    await i.see('owes 0.00')
    const both = (await get('/customers?search=marlowe')).items as { id: number; name: string }[]
    const [kept, gone2] = [both.find((c) => c.name.startsWith('Ines'))!, both.find((c) => c.name.startsWith('Inez'))!]
    await i.go(`/people/${kept.id}`)
    await i.click('Join')
    await i.choose('The other record', 'Inez', 'Inez Marlowe')
    await i.see('Inez Marlowe owes 0.00')
    await i.doIt()
    await i.see('all papers stand here now')
    await i.go(`/people/${gone2.id}`)
    await i.see('Ines Marlowe')
    expect((await get('/customers?search=marlowe')).items).toHaveLength(1)
  })

  test('rows pasted from a spreadsheet become lines; keys put them in order; a group has its sum', async () => {
    await i.go('/sales/new?customer=2')
    await i.see('prices: SCHOOL')
    await driver.executeScript(`
      const field = document.querySelector('[aria-label="Line 1: what"]')
      const data = new DataTransfer()
      data.setData('text', 'Pegs\\t2\\t34.00\\nBridge\\t1\\t18.90')
      field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))`)
    // 68.00 + 18.90
    await i.see('86.90')
    await i.click('add a heading')
    await i.type('Line 3: heading', 'Small things')
    for (const n of [3, 2]) {
      const field = await i.field(`Line ${n}: heading`)
      await driver.executeScript('arguments[0].focus()', field)
      await i.chord(Key.ALT, Key.ARROW_UP)
    }
    await i.type('Line 1: heading', 'Small things')
    await i.type('Off the whole', '6.90')
    // 80.00 and 6.60
    await i.see('86.60')
    await i.type('Line 2: less', '5 apples')
    await i.see('10% or 6.00')
    await i.type('Line 2: less', '50%')
    await i.click('Write it down')
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
    await i.click('What they usually take')
    await i.see('3 at 11.25')
    await driver.findElement(By.xpath("//*[@role='dialog']//li//button")).sendKeys(Key.ENTER)
    await i.see('on the sale')
    await i.press(Key.ESCAPE)
    await gone()
    await i.see('Schools, 10 % off the list')
    // 33.75 and 2.784 → 2.78
    await i.see('36.53')
  })
})

describe('an estimate', () => {
  let saleId = 0
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
    await i.see('mail it, with a link to')
    await i.see('the way to their own page')
    await i.doIt()
    await i.see('Mailed to alder@mail.example.')
    await gone()
    await i.go(`/sales/${saleId}/change`)
    await i.type('Line 1: quantity', '2')
    await i.doIt()
    await i.see('Send again')
    await till.request('POST', `/sales/${saleId}/offer`, {})
    await i.go(`/sales/${saleId}`)
    await i.click('what changed')
    await i.see('Version 2, estimate')
    await i.see('1 line')
    expect(await driver.findElement(By.css('main mark')).getText()).toBe('1')
  })

  test('is accepted on the customer’s page with their choice, and is an order without a line typed again', async () => {
    await till.request('POST', '/post', { paper: 'estimate', paperId: saleId })
    await till.request('POST', `/post/${(await get('/post?limit=1')).items[0].id}/send`, {})
    const [mail] = (await get('/mailbox')).items
    const path = new URL(/http\S+\/c\/\S+/.exec(mail.body)![0]).pathname
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
      await choose('if you like')
      // 2 × 166.50 + 640.00 + 22.50 = 995.50; tax 82.12875 → 82.13
      await they.see('1,077.63')
      await they.type('Your name', 'Ms. Alder')
      await they.type('Your order number, if you have one', 'AS-12')
      await they.press(Key.ENTER)
      await they.see('Agreed on')
    } finally {
      await other.quit()
    }
    await i.go(`/sales/${saleId}`)
    await i.see('Agreed by Ms. Alder, on their page, order AS-12')
    expect(await get(`/sales/${saleId}`)).toMatchObject({ stands: 'agreed', totals: { gross: '1077.63' } })
  })

  test('changes after agreement make a new agreed version; what was dropped stays visible', async () => {
    await i.go(`/sales/${saleId}/change`)
    await i.click('Line 4 away')
    await i.choose('Line 4: what', 'Engraving', '“Engraving”, as typed')
    await i.type('Line 4: each', '25')
    await i.doIt()
    await i.see('the version before is kept')
    await i.see('Engraving')
    const sale = await get(`/sales/${saleId}`)
    expect(sale.lines.find((l: { description: string }) => l.description === 'Rosin')).toMatchObject({
      agreed: '0',
    })
    const { items } = await get(`/sales/${saleId}/versions`)
    expect(items.map((v: { kind: string }) => v.kind)).toEqual(['offered', 'offered', 'agreed', 'changed'])
  })
})

describe('Post', () => {
  test('mail that fails waits, is tried again, and arrives once', async () => {
    const sale = (await till.request('POST', '/sales', { customerId: 2, lines: [{ goodsId: 2, quantity: '1' }] })).body
    await till.request('POST', `/sales/${sale.id}/offer`, {})
    await i.go(`/sales/${sale.id}`)
    await i.click('Mail it')
    await i.see('With it goes')
    await i.type('To', 'alder@busy.example')
    await i.doIt()
    await i.see('It waits in Post')
    await gone()
    await i.go('/post?state=waiting')
    await i.press(Key.ARROW_DOWN, Key.ENTER)
    await i.see('Try again now')
    await i.doIt()
    await i.see('sent, 10 Mar 2026, tried 2 times')
    const arrived = (await get('/mailbox')).items.filter(
      (m: { recipient: string }) => m.recipient === 'alder@busy.example',
    )
    expect(arrived).toHaveLength(1)
  })

  test('what bounced comes first today, and is put off or put away', async () => {
    const sale = (await till.request('POST', '/sales', { customerId: 2, lines: [{ goodsId: 2, quantity: '1' }] })).body
    const letter = (
      await till.request('POST', '/post', { paper: 'estimate', paperId: sale.id, to: 'x@bounce.example' })
    ).body
    await till.request('POST', `/post/${letter.id}/send`, {})
    await i.go('/today')
    await i.see('A letter came back: Nobody of that name at bounce.example.')
    await i.go(`/sales/${sale.id}?do=put-off`)
    await i.type('Until', '+7')
    await i.press(Key.ENTER)
    await i.doIt()
    await i.see('It comes back on 17 Mar 2026.')
    expect((await get(`/sales/${sale.id}`)).next).toEqual([])
  })
})

describe('the shopfront', () => {
  test('a basket is corrected by the owner while the customer looks on, and ordered without retyping', async () => {
    await till.request('PATCH', '/settings', { shopfrontOpen: true })
    const other = await openBrowser()
    try {
      const they = handsOn(other, till.base)
      await they.go('/shop')
      await they.click('Into the basket: Rosin')
      await they.see('13.53') // 12.50 and 1.03
      await i.go('/sales/baskets')
      await i.press(Key.ARROW_DOWN, Key.ENTER)
      await i.type('How many: Rosin', '10')
      // theirs follows: 10 × 11.00 and 9.08
      await they.see('119.08')
      await i.type('Name', 'Zeno Quill')
      await i.press(Key.TAB)
      await other.wait(async () => (await (await they.field('Your name')).getAttribute('value')) === 'Zeno Quill', 8000)
      await they.type('E-mail', 'zeno@mail.example')
      await they.type('Card number', '1234 5678 9012 0001')
      await they.click('Order')
      await they.see('It is not paid yet: The card was refused')
    } finally {
      await other.quit()
    }
    const [sale] = (await get('/sales?limit=1&channel=shopfront')).items
    expect(await get(`/sales/${sale.id}`)).toMatchObject({
      stands: 'offered',
      totals: { gross: '119.08' },
      next: [{ action: 'confirm-order' }],
    })
    await i.see('It was ordered')
    // What a stranger orders binds nobody until the owner says yes.
    await i.go(`/sales/${sale.id}`)
    await i.click('They agree')
    await i.see('All of it, or what they take')
    await i.doIt()
    await i.see('Agreed with Zeno Quill')
    expect(await get(`/sales/${sale.id}`)).toMatchObject({
      stands: 'agreed',
      next: [{ action: 'ask-deposit', amount: '119.08' }, {}],
    })
  })
})

describe('goods', () => {
  test('come from a spreadsheet: bad rows are told, nothing is half imported', async () => {
    await i.go('/goods/import')
    const csv = ['code,name,price', 'N1,New thing,5.00', 'N2,,6.00', 'N3,Dear,free'].join('\n')
    await driver.executeScript(
      `const data = new DataTransfer()
       data.items.add(new File([arguments[0]], 'goods.csv', { type: 'text/csv' }))
       const input = document.querySelector('input[type=file]')
       input.files = data.files
       input.dispatchEvent(new Event('change', { bubbles: true }))`,
      csv,
    )
    await i.see('2 cannot be read')
    await i.see('A price is written like 19.90')
    expect((await get('/goods?search=N1')).items).toEqual([])
    await i.doIt()
    await i.see('1 goods added, 0 changed.')
    expect((await get('/goods?search=N1')).items).toMatchObject([{ name: 'New thing', price: '5' }])
  })

  test('a layout of one’s own is made and holds', async () => {
    await i.go('/settings/papers/estimate')
    await i.type('Name of this layout', 'Plain')
    await i.type('Title, instead of “Estimate”', 'What it would cost')
    await i.doIt()
    await i.see('Plain is kept.')
    expect((await get('/layouts')).items).toMatchObject([
      { paper: 'estimate', usual: true, spec: { title: 'What it would cost' } },
    ])
  })
})

describe('the quick line', () => {
  test('completes while typing, says what it would do, and does it', async () => {
    const sale = (
      await till.request('POST', '/sales', { customerId: 2, title: 'Quick', lines: [{ goodsId: 2, quantity: '1' }] })
    ).body
    await i.go('/today')
    await i.press('/')
    await i.press('agr')
    await i.see('agree 1042')
    await i.press(Key.ENTER)
    await i.press(String(sale.number))
    await i.see(`They agree to sale ${sale.number}`)
    await i.press(Key.ENTER)
    await i.see(`Sale ${sale.number} is agreed`)
    await i.go('/today')
    await i.press('/')
    await i.press(`decline ${sale.number}: too dear`)
    await i.see('They declined sale')
    await i.press(Key.ENTER)
    await i.see('Change what is agreed instead')
  })
})

test('a sale that comes again is issued on its day by the clock, and mailed', async () => {
  const sale = (
    await till.request('POST', '/sales', {
      customerId: 2,
      title: 'Rental',
      lines: [{ description: 'Rental, month', quantity: '1', unitPrice: '26.00' }],
    })
  ).body
  await i.go(`/sales/${sale.id}`)
  await i.click('Comes again')
  await i.type('First on', '1 4')
  await i.press(Key.ENTER)
  const radio = await driver.findElement(By.xpath("//label[contains(., 'by itself')]/input"))
  await radio.sendKeys(Key.SPACE)
  await i.doIt()
  await i.see('It comes again, first on 01 Apr 2026.')
  await i.go('/sales/coming')
  await i.see('Rental')
  await till.restart('2026-04-02')
  let invoices: { subject: string; state: string }[] = []
  await driver.wait(async () => {
    invoices = (await get('/post?limit=5')).items.filter((p: { paper: string }) => p.paper === 'invoice')
    return invoices[0]?.state === 'sent'
  }, 15_000)
  expect(invoices).toHaveLength(1)
  // 26.00 and 2.145 → 2.15
  expect((await get('/sales?limit=1')).items[0]).toMatchObject({
    title: 'Rental',
    stands: 'owing',
    startedOn: '2026-04-01',
    total: '28.15',
  })
  const { body } = await till.request('GET', '/books/ties')
  expect(body.ties.every((t: { difference: string }) => t.difference === '0.00')).toBe(true)
})

test('a tax rate changes from a day on, and papers of that day take it', async () => {
  await i.go('/settings')
  await i.type('From', '+1')
  await i.type('Percent, Tax', '9,5')
  await i.click('Change the rate')
  await i.see('A percentage is written like 8.25.')
  await i.type('Percent, Tax', '9.5')
  await i.click('Change the rate')
  await i.see('STD has these rates from that day on.')
  await i.see('from 03 Apr 2026: Tax 9.5 %')
  const [std] = (await get('/tax-codes')).items
  expect(std).toMatchObject({
    components: [{ rate: '0.0825' }],
    rates: [{ from: null }, { from: '2026-04-03', components: [{ rate: '0.095' }] }],
  })
})
