import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { DOINGS } from '@/ui/sale/saleActs'
import { barriers, closeFullDesk, driver, looksRight, openFullDesk, panelLooksRight, till } from './everyDesk'
import { handsOn, setSize } from './till'

beforeAll(() => openFullDesk('everyone'))
afterAll(closeFullDesk)

const VIEWS = [
  '/today',
  '/counter',
  '/sales',
  '/sales/new',
  '/sales/1',
  '/sales/1/change',
  '/invoices/1',
  '/handovers/1',
  '/receipts',
  '/receipts/1',
  '/money-in?customer=2',
  '/owed?customer=2',
  '/goods',
  '/goods/1',
  '/goods/new',
  '/goods/count',
  '/people',
  '/people/2',
  '/people/2/edit',
  '/books',
  '/books?view=trial-balance',
  '/books?view=profit-and-loss',
  '/books?view=balance-sheet',
  '/books?view=cash-flow',
  '/books/opening',
  '/books?view=tax',
  '/books?view=ties',
  '/books?view=tax&code=1&component=1',
  '/books/accounts/5',
  '/books/entries/1',
  '/settings',
  '/settings/business',
  '/settings/payments',
]

describe('every main view', () => {
  test.each(VIEWS)(
    '%s has no barrier that axe can find, one heading, and nothing over the side: zoomed too, and on a phone',
    looksRight,
  )
  test('a colour that cannot be read is found in the last row of a list, though its rows are judged once for all', async () => {
    await handsOn(driver, till.base).go('/books?view=trial-balance')
    expect(await barriers()).toEqual([])
    await driver.executeScript(`[...document.querySelectorAll('tbody td')].at(-1).style.color = '#c8c8c8'`)
    expect(await barriers()).toEqual([expect.stringMatching(/^color-contrast: /)])
  })
  test('a panel keeps the focus, says its name, and closes with Escape', async () => {
    const i = handsOn(driver, till.base)
    await i.go('/sales/2')
    await i.click('Customer accepted')
    await i.see('Customer PO number')
    await driver.sleep(300)
    expect(await barriers('[role=dialog]')).toEqual([])
    await i.press('\uE00C')
    await driver.wait(
      async () => (await driver.executeScript('return document.querySelectorAll("[role=dialog]").length')) === 0,
      5000,
    )
  })
  test('every panel of a sale keeps its place on a phone', async () => {
    await setSize(driver, 390, 844)
    try {
      for (const doing of DOINGS) expect([doing, await panelLooksRight(`/sales/1?do=${doing}`)]).toEqual([doing, []])
    } finally {
      await setSize(driver, 1280, 800)
    }
  })
  test('the keys are told and lead to the places', async () => {
    const i = handsOn(driver, till.base)
    await i.go('/today')
    await i.see('Open business')
    await i.press('?')
    await i.see('go to the quick line')
    await i.press('\uE00C')
    await i.press('/')
    await i.press('case')
    await i.see('Case for Worshipful')
  })
})

test('a figure typed the moment a field is entered is not lost', async () => {
  const i = handsOn(driver, till.base)
  await i.go('/money-in')
  const field = await i.field('Amount')
  const typed = await driver.executeAsyncScript(
    `const [field, done] = arguments
     field.focus()
     setTimeout(() => {
       document.execCommand('insertText', false, '7')
       setTimeout(() => { document.execCommand('insertText', false, '5'); done(field.value) }, 200)
     }, 0)`,
    field,
  )
  expect(typed).toBe('75')
})
