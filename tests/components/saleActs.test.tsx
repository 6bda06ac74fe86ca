import { render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { describe, expect, test, vi } from 'vitest'
import { day } from '@/core/day'
import { Keys } from '@/ui/Keys'
import { GoodsBack } from '@/ui/sale/GoodsBack'
import type { SheetSale } from '@/ui/sale/panels/parts'
import { SaleActs } from '@/ui/sale/SaleActs'
import { saleActsOf } from '@/ui/sale/saleActs'
import { OtherSalePanel, UsualPanel } from '@/ui/sale/TakeFrom'
import { answerCalls, refuses } from './calls'
import { button, field, noteOf, press, type } from './hands'
import { router, said } from './setUp'
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
      Lines: ['Change order'],
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

describe('goods that come back', () => {
  const open = () =>
    render(
      <GoodsBack
        handoverId={4}
        number="H-26-4"
        today={TODAY}
        lines={[
          { lineId: 1, description: 'Violin', quantity: '2' },
          { lineId: 2, description: 'Rosin', quantity: '5' },
        ]}
      />,
    )
  test('are all of them where nothing else is said', async () => {
    const sent = answerCalls({ 'POST /handovers/4/returns': { status: 201, body: {} } })
    open()
    await press('Return goods')
    expect(field('Violin, of 2').placeholder).toBe('all that may come back')
    await type('Reason', 'Wrong size')
    await press(/^Return goods/)
    await waitFor(() => expect(said).toEqual(['The goods are back, and can be handed over again.']))
    expect(sent[0]?.body).toEqual({ on: '2026-03-02', reason: 'Wrong size' })
  })
  test('are so many of some, which is marked where it is too many', async () => {
    const sent = answerCalls({
      'POST /handovers/4/returns': refuses({ path: 'lines.0.quantity', message: '2 may come back.' }),
    })
    open()
    await press('Return goods')
    await type('Violin, of 2', '3')
    await type('Reason', 'Wrong size')
    await press(/^Return goods/)
    await waitFor(() => expect(noteOf(field('Violin, of 2'))).toBe('2 may come back.'))
    expect(sent[0]?.body).toMatchObject({ lines: [{ lineId: 1, quantity: '3' }] })
  })
})

describe('lines taken from elsewhere', () => {
  test('from what they usually take, in the quantity of last time', async () => {
    answerCalls({
      'GET /customers/3/usual': {
        status: 200,
        body: {
          items: [
            {
              goodsId: 2,
              name: 'Rosin',
              lastOn: '2026-02-01',
              lastQuantity: '6',
              lastPrice: '11.50',
              times: 1,
              perMonth: '0.5',
              available: '20',
              price: '12.00',
              priceFrom: 'list',
              taxCode: 'STD',
              unitCost: '6',
            },
          ],
        },
      },
    })
    const taken = vi.fn()
    render(<UsualPanel customerId={3} customer="Hazel Adair" onTake={taken} onClose={() => {}} />)
    const row = await screen.findByText(/last 6 at 11.50 on 1 Feb 2026 · bought 1 time, 0.5 a month · 20 available/)
    await userEvent.click(row)
    expect(taken.mock.calls[0]![0]).toMatchObject([{ goodsId: 2, quantity: '6', unitPrice: '12.00' }])
    expect(screen.getByText('· added')).toBeTruthy()
  })

  test('from another sale, what is dropped there left out', async () => {
    const saved = (id: number, description: string, quantity: string, kind = 'work') => ({
      id,
      kind,
      description,
      quantity,
      note: '',
      goodsId: null,
      unitPrice: '10',
      priceFrom: '',
      discountPercent: '0',
      discountAmount: '0.00',
      taxCode: 'STD',
      choice: 'none',
      choiceGroup: '',
      chosen: true,
      deliverTo: '',
      expectedCost: '',
    })
    answerCalls({
      'GET /sales': {
        status: 200,
        body: {
          items: [{ id: 5, number: 1005, title: 'A bow', stands: 'settled', startedOn: '2026-01-05', total: '108.00' }],
        },
      },
      'GET /sales/5': {
        status: 200,
        body: { lines: [saved(1, 'Bow', '', 'heading'), saved(2, 'Rehair', '1'), saved(3, 'Grip', '0')] },
      },
    })
    const [taken, closed] = [vi.fn(), vi.fn()]
    render(<OtherSalePanel customerId={3} customer="Hazel Adair" onTake={taken} onClose={closed} />)
    await userEvent.click(await screen.findByText('1005 A bow'))
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(taken.mock.calls[0]![0].map((l: { description: string }) => l.description)).toEqual(['Bow', 'Rehair'])
  })

  test('where there is nothing yet, it says what will stand there', async () => {
    answerCalls({
      'GET /customers/3/usual': { status: 200, body: { items: [] } },
      'GET /sales': { status: 200, body: { items: [] } },
    })
    render(<UsualPanel customerId={3} customer="Hazel Adair" onTake={() => {}} onClose={() => {}} />)
    expect(await screen.findByText(/No purchases yet/)).toBeTruthy()
    expect(button('Close')).toBeTruthy()
  })
})
