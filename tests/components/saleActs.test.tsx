import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { Keys } from '@/ui/Keys'
import type { SheetSale } from '@/ui/sale/panels/parts'
import { answerTo } from '@/ui/sale/answerTo'
import { SaleActs } from '@/ui/sale/SaleActs'
import { saleActsOf } from '@/ui/sale/saleActs'
import { answerCalls } from './calls'
import { button, field, press, type } from './hands'
import { router, said } from './world'
import { SALE, TODAY, violin } from './sheetSale'

const open = (
  change: Partial<SheetSale> = {},
  promise: Partial<SheetSale['promise']> = {},
  suggested: Parameters<typeof SaleActs>[0]['suggested'] = null,
) => {
  answerCalls({})
  const sale = { ...SALE, ...change, promise: { ...SALE.promise, ...promise } }
  return render(<SaleActs sale={sale} version="1" today={TODAY} suggested={suggested} />)
}
const nameOf = (e: Element): string => e.getAttribute('aria-label') ?? ''
/** The buttons in sight, the suggested one first. */
const inSight = () => [...document.querySelectorAll('.btn')].map(nameOf)
/** What the menu offers, each part by its name. */
const inMenu = () =>
  Object.fromEntries(
    [...document.querySelectorAll('.menu [role=group]')].map((g) => [
      nameOf(g),
      [...g.querySelectorAll('a, button')].map(nameOf),
    ]),
  )
const all = () => [...document.querySelectorAll('.btn, .menu a, .menu button')].map(nameOf)

describe('what can be done with a sale', () => {
  const done = { ...violin, toHandOver: '0', toBill: '0' }

  test.each<[string, Partial<SheetSale>, string[]]>([
    ['a draft without lines', { stands: 'draft', agreed: false, lines: [] }, ['Change lines', 'Copy to new sale']],
    ['a draft', { stands: 'draft', agreed: false }, ['Customer accepted', 'Send estimate', 'Change lines', 'More']],
    [
      'an estimate that is out',
      { stands: 'offered', agreed: false },
      ['Customer accepted', 'Send again', 'Change lines', 'More'],
    ],
    [
      'an estimate that lapsed',
      { stands: 'lapsed', agreed: false },
      ['Customer accepted', 'Renew estimate', 'Change lines', 'More'],
    ],
    ['what is ordered', {}, ['Hand over', 'Invoice', 'Take payment', 'More']],
    [
      'what is done and owed',
      { stands: 'owing', open: '108.00', lines: [done] },
      ['Take payment', 'Change order', 'Copy to new sale', 'More'],
    ],
    ['what is settled', { stands: 'settled', lines: [done] }, ['Change order', 'Copy to new sale', 'More']],
    ['what was canceled', { stands: 'cancelled', lines: [done] }, ['Copy to new sale', 'More']],
  ])('%s', (_, change, expected) => {
    open(change)
    expect(inSight()).toEqual(expected)
  })

  test('stands in one menu by what it changes', () => {
    open({ step: { action: 'bill', why: 'Invoice what was handed over' } })
    expect(inMenu()).toEqual({
      Lines: [
        'Change order',
        'Pick',
        'Order from supplier',
        'Strike off',
        'Set aside for this sale first',
        'Release what is set aside',
      ],
      Documents: ['Order confirmation (PDF)', 'Pick list (PDF)', 'Email', 'Customer’s page'],
      Money: ['Ask for a deposit', 'Payment terms'],
      'This sale': ['Not now', 'Copy to new sale', 'Repeat', 'Cancel the sale'],
    })
  })

  test('never has one key for two things, whatever the sale is like', () => {
    const due = { id: 1, name: 'Invoice 1', dueOn: day('2026-01-01'), open: '50.00', late: true }
    const everything = {
      plans: [{ id: 1, number: 'P-1', card: '' }],
      layaway: { stands: 'paying in', left: '1', fee: '0', back: '0' },
      dues: [due],
      onAccount: '20.00',
    }
    for (const stands of ['draft', 'offered', 'lapsed', 'agreed', 'owing', 'settled', 'declined', 'cancelled'] as const)
      for (const layaway of [everything.layaway, null])
        for (const kind of ['now', 'layaway', 'installments']) {
          const promise = { ...SALE.promise, ...everything, layaway }
          const step = { action: 'bill', why: '' }
          const agreed = ['agreed', 'owing', 'settled', 'cancelled'].includes(stands)
          const acts = saleActsOf({
            ...SALE,
            stands,
            agreed,
            step,
            held: '1',
            open: '1',
            arrangement: { kind },
            promise,
          })
          expect(new Set(acts.map((a) => a.key)).size).toBe(acts.length)
          expect(new Set(acts.map((a) => a.id)).size).toBe(acts.length)
          // These keys work on every page.
          for (const a of acts) expect(['n', '/', '?', '.']).not.toContain(a.key)
        }
  })

  test('a layaway is handed over, not billed', () => {
    open({}, { layaway: { stands: 'paid up', left: '0.00', fee: '0', back: '0' } })
    expect(inSight()).toEqual(['Hand over', 'Take payment', 'Change order', 'More'])
    expect(all()).not.toContain('Invoice')
    expect(all()).toContain('Cancel layaway')
  })

  test('what is next is the primary one; a reminder has the payment beside it', () => {
    const { unmount } = open({}, {}, 'bill')
    expect([...document.querySelectorAll('[data-primary]')].map(nameOf)).toEqual(['Invoice'])
    unmount()
    const due = { id: 1, name: 'Invoice 1', dueOn: day('2026-01-01'), open: '108.00', late: true }
    const late = open({ stands: 'owing', open: '108.00' }, { dues: [due] }, 'remind')
    expect(inSight().slice(0, 2)).toEqual(['Send reminder', 'Take payment'])
    late.unmount()
    open({ open: '108.00' }, {}, 'take')
    expect(document.querySelector('[data-primary]')?.getAttribute('href')).toBe('/money-in?customer=3&sale=7')
  })

  test('a step is answered by the act that does it; a drafted invoice is issued, not made again', () => {
    expect(answerTo('bill', false)).toBe('bill')
    expect(answerTo('bill', true)).toBe('issue')
    expect(answerTo('remind', true)).toBe('remind')
    expect(answerTo('collect', false)).toBe('take')
    // Whether they said yes is for the owner to know.
    expect(answerTo('ask-again', false)).toBeNull()
  })

  test('who stands on one still stands on it when it becomes the suggested one', () => {
    const { rerender } = open({}, {}, 'hand-over')
    button('Invoice').focus()
    rerender(<SaleActs sale={SALE} version="2" today={TODAY} suggested="bill" />)
    expect(inSight()[0]).toBe('Invoice')
    expect(nameOf(document.activeElement!)).toBe('Invoice')
  })

  test('what is typed stays when the sale changes meanwhile, and says so; until something is, it begins anew', async () => {
    answerCalls({})
    const at = (version: string, toHandOver: string) => (
      <SaleActs
        sale={{ ...SALE, lines: [{ ...violin, fromShelf: false, toHandOver }] }}
        version={version}
        today={TODAY}
        start="hand-over"
        suggested={null}
      />
    )
    const { rerender } = render(at('1', '5'))
    rerender(at('2', '4'))
    const name = `How many: ${violin.description}`
    await screen.findByLabelText(name)
    expect(field(name).value).toBe('4')
    expect(screen.queryByText(/has changed since/)).toBeNull()
    await type(name, '3')
    rerender(at('3', '2'))
    expect(field(name).value).toBe('3')
    expect(screen.getByText(/This sale has changed since you opened this/)).toBeTruthy()
    await press('Start over with what is true now')
    expect(field(name).value).toBe('2')
    expect(screen.queryByText(/has changed since/)).toBeNull()
  })

  test('a panel opened by the address closes for good', async () => {
    answerCalls({})
    render(<SaleActs sale={SALE} version="1" today={TODAY} start="bill" suggested={null} />)
    expect(screen.getByRole('dialog', { name: 'Invoice' })).toBeTruthy()
    await userEvent.keyboard('{Escape}')
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
    expect(router.replace).toHaveBeenCalledWith('/', { scroll: false })
  })

  test('it is copied at today’s prices and opened to be changed', async () => {
    answerCalls({ 'POST /sales/7/copy': { status: 201, body: { id: 8, number: 1008 } } })
    render(<SaleActs sale={{ ...SALE, lines: [] }} version="1" today={TODAY} suggested={null} />)
    await press('Copy to new sale')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/sales/8/change'))
    expect(said).toEqual(['Copied to sale 1008, at today’s prices.'])
  })
})

test('who has gone elsewhere before the answer comes is not called away from there', async () => {
  let answer = () => {}
  const held = new Promise<void>((done) => (answer = done))
  const sent = answerCalls({ 'POST /sales/7/copy': { status: 201, body: { id: 8, number: 1008 } } }, () => held)
  const { unmount } = render(<SaleActs sale={SALE} version="1" today={TODAY} suggested={null} />)
  await press('More')
  await press('Copy to new sale')
  await waitFor(() => expect(sent).toHaveLength(1))
  unmount()
  answer()
  await waitFor(() => expect(said).toEqual(['Copied to sale 1008, at today’s prices.']))
  expect(router.push).not.toHaveBeenCalled()
})

describe('what can be done about money that is promised', () => {
  const due = { id: 1, name: 'Invoice 1', dueOn: day('2026-04-01'), open: '50.00', late: false }
  const about = ['Pay off early', 'Reschedule', 'Charge card automatically', 'Cancel layaway', 'Held money']
  const known = [...about, 'Send reminder', 'Promise to pay', 'Late fee', 'Write off']
  test.each<[string, Partial<SheetSale['promise']>, Partial<SheetSale>, string[]]>([
    ['nothing', {}, {}, []],
    ['a plan', { plans: [{ id: 1, number: 'P-1', card: '' }] }, {}, about.slice(0, 3)],
    ['a layaway', { layaway: { stands: 'paying in', left: '1', fee: '0', back: '0' } }, {}, ['Cancel layaway']],
    ['money held', {}, { held: '20.00' }, ['Held money']],
    ['money on their account', { onAccount: '20.00' }, {}, ['Held money']],
    ['money on their account, the sale being over', { onAccount: '20.00' }, { stands: 'settled' }, []],
    ['a due', { dues: [due] }, {}, ['Promise to pay', 'Write off']],
    [
      'a late due',
      { dues: [{ ...due, late: true }] },
      {},
      ['Send reminder', 'Promise to pay', 'Late fee', 'Write off'],
    ],
  ])('%s', (_, promise, change, expected) => {
    open(change, promise)
    expect(all().filter((name) => known.includes(name))).toEqual(expected)
  })
})

describe('the keys of a page', () => {
  test('do what their button does, are told by ?, and rest while something is typed', async () => {
    answerCalls({})
    render(
      <>
        <Keys />
        <input aria-label="Elsewhere" />
        <SaleActs sale={SALE} version="1" today={TODAY} suggested="hand-over" />
      </>,
    )
    await userEvent.keyboard('?')
    const rows = [...screen.getByRole('dialog').querySelectorAll('tr')].map((r) => r.textContent)
    expect(rows).toContain('hHand over')
    expect(rows).toContain('xCancel the sale')
    await userEvent.keyboard('{Escape}')
    await userEvent.type(field('Elsewhere'), 'i')
    expect(screen.queryByRole('dialog')).toBeNull()
    field('Elsewhere').blur()
    await userEvent.keyboard('i')
    expect(screen.getByRole('dialog', { name: 'Invoice' })).toBeTruthy()
    await userEvent.keyboard('{Escape}')
    await userEvent.keyboard('t')
    expect(router.push).toHaveBeenCalledWith('/money-in?customer=3&sale=7')
  })
})
