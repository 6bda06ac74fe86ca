import { render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { describe, expect, test, vi } from 'vitest'
import { day } from '@/core/day'
import { GoodsBack } from '@/ui/sale/GoodsBack'
import type { SheetSale } from '@/ui/sale/panels/parts'
import { PromiseActions } from '@/ui/sale/PromiseActions'
import { SaleActions } from '@/ui/sale/SaleActions'
import { SheetTools } from '@/ui/sale/SheetTools'
import { OtherSalePanel, UsualPanel } from '@/ui/sale/TakeFrom'
import { answerCalls, refuses } from './calls'
import { button, field, noteOf, press, type } from './hands'
import { router, said } from './setUp'
import { SALE, TODAY, violin } from './sheetSale'

const buttons = () => screen.queryAllByRole('button').map((b) => b.textContent?.trim())

describe('what can be done with a sale', () => {
  const open = (change: Partial<SheetSale>, suggested: Parameters<typeof SaleActions>[0]['suggested'] = null) =>
    render(<SaleActions sale={{ ...SALE, ...change }} version="1" today={TODAY} suggested={suggested} />)
  const done = { ...violin, toHandOver: '0', toBill: '0' }

  test.each<[string, Partial<SheetSale>, string[]]>([
    ['a draft without lines', { stands: 'draft', agreed: false, lines: [] }, []],
    [
      'a draft',
      { stands: 'draft', agreed: false },
      ['Customer accepted', 'Send estimate', 'Payment terms', 'Mark as declined'],
    ],
    [
      'an estimate that is out',
      { stands: 'offered', agreed: false },
      ['Customer accepted', 'Send again', 'Payment terms', 'Mark as declined'],
    ],
    [
      'an estimate that lapsed',
      { stands: 'lapsed', agreed: false },
      ['Customer accepted', 'Renew estimate', 'Payment terms', 'Mark as declined'],
    ],
    ['what is agreed', {}, ['Hand over', 'Invoice', 'Ask for a deposit', 'Payment terms', 'Cancel the sale']],
    ['what is done and owed', { stands: 'owing', lines: [done] }, []],
    ['what was cancelled', { stands: 'cancelled' }, []],
    ['something that can wait', { stands: 'cancelled', step: { action: 'give-back', why: 'Held money' } }, ['Not now']],
  ])('%s', (_, change, expected) => {
    answerCalls({})
    open(change)
    expect(buttons()).toEqual(expected)
  })

  test('a layaway is handed over, not billed', () => {
    answerCalls({})
    open({ promise: { ...SALE.promise, layaway: { stands: 'paid up', left: '0.00', fee: '0', back: '0' } } })
    expect(buttons()).toEqual(['Hand over', 'Payment terms', 'Cancel the sale'])
  })

  test('what is next is the primary one, taking money among them', () => {
    answerCalls({})
    const { unmount } = open({}, 'bill')
    expect(document.querySelectorAll('[data-primary]')).toHaveLength(1)
    expect(document.querySelector('[data-primary]')?.textContent).toBe('Invoice')
    unmount()
    open({ open: '108.00' }, 'money')
    expect(document.querySelectorAll('[data-primary]')).toHaveLength(1)
    expect(document.querySelector('[data-primary]')?.getAttribute('href')).toBe('/money-in?customer=3&sale=7')
  })

  test('a panel opened by the address closes for good', async () => {
    answerCalls({})
    render(<SaleActions sale={SALE} version="1" today={TODAY} start="bill" suggested={null} />)
    expect(screen.getByRole('dialog', { name: 'Invoice' })).toBeTruthy()
    await userEvent.keyboard('{Escape}')
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
    expect(router.replace).toHaveBeenCalledWith('/', { scroll: false })
  })
})

describe('what can be done about money that is promised', () => {
  const open = (promise: Partial<SheetSale['promise']>, change: Partial<SheetSale> = {}) =>
    render(
      <PromiseActions
        sale={{ ...SALE, ...change, promise: { ...SALE.promise, ...promise } }}
        today={TODAY}
        version="1"
      />,
    )
  const due = { id: 1, name: 'Invoice 1', dueOn: day('2026-04-01'), open: '50.00', late: false }
  test.each([
    ['nothing', {}, {}, []],
    [
      'a plan',
      { plans: [{ id: 1, number: 'P-1', card: '' }] },
      {},
      ['Pay off early', 'Reschedule', 'Charge card automatically'],
    ],
    ['a layaway', { layaway: { stands: 'paying in', left: '1', fee: '0', back: '0' } }, {}, ['Cancel layaway']],
    ['money held', {}, { held: '20.00' }, ['Held money']],
    ['money on their account', { onAccount: '20.00' }, {}, ['Held money']],
    ['money on their account, the sale being over', { onAccount: '20.00' }, { stands: 'settled' as const }, []],
    ['a due', { dues: [due] }, {}, ['Promise to pay', 'Write off']],
    ['a late due', { dues: [{ ...due, late: true }] }, {}, ['Promise to pay', 'Late fee', 'Write off']],
  ])('%s', (_, promise, change, expected) => {
    answerCalls({})
    open(promise, change)
    expect(buttons()).toEqual(expected)
  })
})

describe('beside a sale', () => {
  test('it is copied at today’s prices and opened to be changed', async () => {
    answerCalls({ 'POST /sales/7/copy': { status: 201, body: { id: 8, number: 1008 } } })
    render(<SheetTools sale={SALE} today={TODAY} />)
    await press('Copy to new sale')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/sales/8/change'))
    expect(said).toEqual(['Copied to sale 1008, at today’s prices.'])
  })
  test('what has no lines does not come again', () => {
    answerCalls({})
    render(<SheetTools sale={{ ...SALE, lines: [] }} today={TODAY} />)
    expect(buttons()).toEqual(['Copy to new sale', 'Customer’s page'])
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
