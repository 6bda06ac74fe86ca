import { Key } from 'selenium-webdriver'
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { till, driver, i, openDesk, closeDesk, get, newest } from './shopDesk'

beforeAll(openDesk)
afterAll(closeDesk)

/** Everything in one go, without a look between: what is in brackets is typed with Control or Alt. */
const DO_IT = { with: Key.CONTROL, key: Key.ENTER }
const place = (key: string) => ({ with: Key.ALT, key })
const inOneGo = (...typed: readonly (string | typeof DO_IT)[]) => {
  const go = driver.actions()
  for (const t of typed)
    if (typeof t === 'string') go.sendKeys(t)
    else go.keyDown(t.with).sendKeys(t.key).keyUp(t.with)
  return go.perform()
}

describe('typed in one go, over a line that answers 0.3 seconds late', () => {
  beforeEach(async () => {
    await i.go('/today')
    await driver.executeScript(`
      const fetched = window.fetch
      window.fetch = async (...asked) => {
        await new Promise((r) => setTimeout(r, 300))
        return fetched(...asked)
      }`)
  })
  const line = (...fields: string[]) => fields.flatMap((typed) => [typed, Key.ENTER])

  test('a whole trade: written, accepted, handed over, invoiced and paid', async () => {
    // 150.00 and 8.25 % of tax: 12.375, half up.
    await inOneGo(
      ...['n', ...line('alder', 'Neck reset', '1', '150'), DO_IT, 'a', DO_IT, 'h', DO_IT, 'i', DO_IT],
      ...['t', '162.38', DO_IT],
    )
    // Five things are sent one after the other, by a machine that does much else.
    await i.see('Receipt R-', 60_000)
    expect(await newest()).toMatchObject({
      customer: 'Alder Street',
      stands: 'settled',
      totals: { gross: '162.38' },
      money: { open: '0.00' },
    })
  })

  test('somebody new, and their order', async () => {
    await inOneGo(place('8'), 'n', ...line('Wren Hollis', 'Bridge', '1', '40'), DO_IT, 'a', DO_IT)
    await i.see('Ordered')
    expect(await newest()).toMatchObject({ customer: 'Wren Hollis', stands: 'agreed', totals: { net: '40.00' } })
  })

  test('what is owed on a day: in forty days', async () => {
    await inOneGo(place('5'), Key.TAB, '+40', Key.ENTER)
    // 10 March and forty days.
    await i.see('Matches the receivables account on 19 Apr 2026')
  })

  test('two sales at the counter', async () => {
    await inOneGo(place('2'), ...line('rosin', '', '20', 'rosin', 'rosin', '', '50'))
    // 2 × 12.50 = 25.00; tax 2.0625
    await i.see('27.06 received')
    const { items } = await get('/receipts?limit=2')
    // 12.50; tax 1.03125
    expect(items).toMatchObject([{ amount: '27.06' }, { amount: '13.53' }])
  })

  test('two receipts, one after the other', async () => {
    const sold = await till.request('POST', '/sales', {
      customerId: 2,
      agreed: true,
      lines: [{ description: 'Set-up', quantity: '1', unitPrice: '100.00' }],
    })
    await till.request('POST', `/sales/${sold.body.id}/invoices`, { what: 'remaining', issue: true })
    await inOneGo(
      ...[place('4'), ...line('alder', '58.25'), 'A-1', DO_IT],
      ...[place('4'), ...line('alder', '50'), 'A-2', DO_IT],
    )
    await i.see('A-2')
    await i.see('Receipt R-')
    const { items } = await get('/receipts?limit=2')
    expect(items).toMatchObject([
      { amount: '50.00', reference: 'A-2' },
      { amount: '58.25', reference: 'A-1' },
    ])
  })
})

describe('one panel after the other', () => {
  const ordered = async () => {
    const { body: sale } = await till.request('POST', '/sales', {
      customerId: 2,
      agreed: true,
      lines: [{ description: 'Set-up', quantity: '3', unitPrice: '100.00' }],
    })
    await i.go(`/sales/${sale.id}`)
    return sale.id
  }
  /** Pages read anew come 0.7 seconds late, and parts that open on demand as they come over a slow line. */
  const slowed = () =>
    driver.executeScript(`
      const fetched = window.fetch
      window.fetch = async (...asked) => {
        if (new Headers(asked[1]?.headers).has('rsc')) await new Promise((r) => setTimeout(r, 700))
        return fetched(...asked)
      }
      new MutationObserver(() => {
        if (document.body.textContent.includes('has changed since')) window.saidChanged = true
      }).observe(document.body, { childList: true, subtree: true })`)
  // 2 of 3 were handed over, at 100.00 and 8.25 % of tax.
  const isBilled = async (sale: number) =>
    expect((await get(`/sales/${sale}`)).invoices).toMatchObject([{ status: 'issued', gross: '216.50' }])

  test('is opened when the one before has closed: what it proposes is of after', async () => {
    const sale = await ordered()
    await slowed()
    await i.press('h')
    await i.type('How many: Set-up', '2')
    await i.doIt()
    await i.see('Handed over to')
    await i.gone()
    await i.press('i')
    await i.doIt()
    await i.see('issued')
    await i.gone()
    await isBilled(sale)
    expect(await driver.executeScript('return window.saidChanged ?? null')).toBeNull()
  })

  test('typed in one go: h 2 Ctrl Enter, i Ctrl Enter; the second Ctrl Enter of a double press does nothing', async () => {
    const sale = await ordered()
    await slowed()
    await inOneGo('h', '2', DO_IT, DO_IT, 'i', DO_IT)
    await i.see('issued')
    await i.gone()
    await isBilled(sale)
  })

  test('from a list: its first row is opened, and worked on before it is there', async () => {
    const sale = await ordered()
    await slowed()
    await inOneGo(place('3'), Key.ARROW_DOWN, Key.ENTER, 'h', '2', DO_IT)
    await i.see('Handed over to')
    await i.gone()
    expect((await get(`/sales/${sale}`)).lines).toMatchObject([{ handedOver: '2' }])
  })

  test('from field to field by Tab, before the panel is there: how many, and of which day', async () => {
    const sale = await ordered()
    await inOneGo('h', '2', Key.TAB, Key.TAB, '2026-03-09', DO_IT)
    await i.see('Handed over to')
    await i.gone()
    expect((await get(`/sales/${sale}`)).handovers).toMatchObject([{ on: '2026-03-09' }])
  })

  test('what is typed while a server says nothing is in its field in the end', async () => {
    await ordered()
    await driver.executeScript(`
      const fetched = window.fetch
      window.fetch = async (...asked) => {
        if (asked[1]?.method === 'POST' && !String(asked[0]).includes('preview')) await new Promise((r) => setTimeout(r, 9000))
        return fetched(...asked)
      }`)
    await i.press('h')
    await i.type('How many: Set-up', '2')
    await inOneGo(DO_IT, '.5')
    await driver.wait(async () => (await i.value('How many: Set-up')) === '2.5', 8000)
    await i.see('Handed over to')
  })

  test('what is refused keeps what was typed', async () => {
    const sale = await ordered()
    await slowed()
    await i.press('h')
    await i.type('How many: Set-up', '4')
    await i.doIt()
    await i.see('Only 3')
    expect(await i.value('How many: Set-up')).toBe('4')
    await i.type('How many: Set-up', '2')
    await i.doIt()
    await i.see('Handed over to')
    await i.gone()
    expect((await get(`/sales/${sale}`)).lines).toMatchObject([{ handedOver: '2' }])
  })
})
