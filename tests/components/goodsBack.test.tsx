import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test, vi } from 'vitest'
import { GoodsBack } from '@/ui/sale/GoodsBack'
import { OtherSalePanel, UsualPanel } from '@/ui/sale/TakeFrom'
import { answerCalls, refuses } from './calls'
import { button, choose, field, noteOf, press, tick, type } from './hands'
import { said } from './world'
import { TODAY } from './sheetSale'

describe('goods that come back', () => {
  const open = () =>
    render(
      <GoodsBack
        handoverId={4}
        number="H-26-4"
        today={TODAY}
        places={[]}
        lines={[
          { lineId: 1, description: 'Violin', quantity: '2', track: 'none' },
          { lineId: 2, description: 'Rosin', quantity: '5', track: 'none' },
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

describe('pieces that come back', () => {
  test('are named by their serials, to a place, or written off', async () => {
    const sent = answerCalls({ 'POST /handovers/4/returns': { status: 201, body: {} } })
    render(
      <GoodsBack
        handoverId={4}
        number="H-26-4"
        today={TODAY}
        lines={[{ lineId: 1, description: 'Viola', quantity: '2', track: 'serial' }]}
        places={[
          { id: 1, name: 'Shop' },
          { id: 2, name: 'Bench' },
        ]}
      />,
    )
    await press('Return goods')
    await type('Viola, of 2', '1')
    await type('Serials of Viola', 'V2')
    await choose('Back to', '2')
    await tick('Not fit to be sold again: write them off')
    await type('Reason', 'A crack')
    await press(/^Return goods/)
    await waitFor(() =>
      expect(sent[0]?.body).toEqual({
        on: '2026-03-02',
        reason: 'A crack',
        scrap: true,
        placeId: '2',
        lines: [{ lineId: 1, quantity: '1', serials: ['V2'] }],
      }),
    )
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
          next: null,
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

  test('a sale that is older than those listed is found', async () => {
    const bow = { id: 5, number: 1005, title: 'A bow', stands: 'settled', startedOn: '2026-01-05', total: '108.00' }
    const old = { ...bow, id: 2, number: 1002, title: 'A viola' }
    const sent = answerCalls({
      'GET /sales': ({ query }) => ({
        status: 200,
        body: query.has('search') ? { items: [old], next: null } : { items: [bow], next: '5' },
      }),
      'GET /sales/2': { status: 200, body: { lines: [] } },
    })
    const closed = vi.fn()
    render(<OtherSalePanel customerId={3} customer="Hazel Adair" onTake={() => {}} onClose={closed} />)
    await userEvent.type(await screen.findByLabelText('Older than these 1'), 'viola')
    await userEvent.click(await screen.findByText('1002 A viola'))
    await waitFor(() => expect(closed).toHaveBeenCalled())
    const asked = sent.findLast((s) => s.path === '/sales')?.query
    expect([asked?.get('customerId'), asked?.get('search')]).toEqual(['3', 'viola'])
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
