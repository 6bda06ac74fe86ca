import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import type { BasketView } from '@/services/shopfront/readShop'
import { Shop } from '@/ui/customer/Shop'
import { OwnerBasket } from '@/ui/shopfront/OwnerBasket'
import { answerCalls, refuses, type Sent } from './calls'
import { field, noteOf, press, tick, type } from './hands'
import { router, said } from './world'

const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path)?.body

const BASKET: BasketView = {
  id: 4,
  turn: 3,
  name: '',
  email: '',
  phone: '',
  deliverTo: '',
  note: '',
  startedOn: day('2026-03-02'),
  saleId: null,
  lines: [
    {
      goodsId: 2,
      name: 'Rosin',
      code: 'RO',
      quantity: '2',
      price: '12',
      priceFrom: 'list',
      available: '20',
      sum: '24.00',
    },
  ],
  totals: { net: '24.00', tax: '1.92', gross: '25.92' },
} as BasketView

describe('the shopfront', () => {
  const things = [
    { id: 2, name: 'Rosin', note: 'Dark', price: '12', there: '20', pictureFileId: null },
    { id: 3, name: 'A violin', note: '', price: '1000', there: '0', pictureFileId: null },
  ]
  type Shown = Parameters<typeof Shop>[0]
  const ALL = { search: '', page: 1 }
  const shop = (start: BasketView | null, look: Partial<Pick<Shown, 'things' | 'asked' | 'more'>> = {}) =>
    render(
      <Shop
        {...{ things: things as never, asked: ALL, more: false, ...look }}
        start={start}
        currency="USD"
        withTax={false}
      />,
    )

  test('of a few things has no search and no pages', () => {
    shop(null)
    expect(screen.queryByRole('search')).toBeNull()
    expect(screen.queryByRole('navigation', { name: 'Pages' })).toBeNull()
    expect(screen.queryByRole('link', { name: /^Your basket/ })).toBeNull()
  })

  test('of many is searched and turned over, and what is looked for stays in the address', () => {
    shop(BASKET, { asked: { search: 'rosin, dark', page: 2 }, more: true })
    expect(screen.getByRole('search').getAttribute('action')).toBe('/shop')
    expect(screen.getByRole<HTMLInputElement>('searchbox', { name: 'Search the shop' }).value).toBe('rosin, dark')
    const ways = ['Previous page', 'Next page', 'Show all items', 'Your basket: 25.92']
    expect(ways.map((name) => screen.getByRole('link', { name }).getAttribute('href'))).toEqual([
      '/shop?search=rosin%2C+dark',
      '/shop?search=rosin%2C+dark&page=3',
      '/shop',
      '#basket',
    ])
  })

  test('says where nothing matches, and keeps the basket', () => {
    shop(BASKET, { things: [], asked: { search: 'harp', page: 1 } })
    expect(screen.getByRole('status').textContent).toBe('No item in the shop matches “harp”.')
    expect(screen.getByText('25.92')).toBeTruthy()
  })

  test('puts things in a basket, which says what it comes to', async () => {
    const sent = answerCalls({ 'POST /api/shop/lines': { status: 200, body: BASKET } })
    shop(null)
    expect(screen.getByText('Your basket is empty.')).toBeTruthy()
    expect(screen.getByText('Made or ordered for you')).toBeTruthy()
    await press('Add to basket: Rosin')
    expect(await screen.findByText('25.92')).toBeTruthy()
    expect(bodyOf(sent, '/api/shop/lines')).toEqual({ goodsId: 2, quantity: '1' })
    await press('Rosin: one more')
    await waitFor(() => expect(bodyOf(sent, '/api/shop/lines')).toEqual({ goodsId: 2, quantity: '3' }))
  })

  test('tells who it is for before it is ordered, and at which turn', async () => {
    const sent = answerCalls({
      'POST /api/shop/basket': { status: 200, body: { ...BASKET, turn: 4, name: 'Zeno Quill' } },
      'POST /api/shop/order': { status: 200, body: { number: 1009, paid: false } },
    })
    shop(BASKET)
    await type('Your name', 'Zeno Quill')
    await tick('On invoice')
    await press('Order')
    expect(await screen.findByText(/We will send you an invoice/)).toBeTruthy()
    expect(bodyOf(sent, '/api/shop/order')).toEqual({ turn: 4, total: '25.92', pay: 'bill' })
  })

  test('is ordered as it was seen: with what came meanwhile it is looked at first', async () => {
    const [rosin] = BASKET.lines
    const more = {
      ...BASKET,
      turn: 5,
      lines: [{ ...rosin!, quantity: '9' }],
      totals: { ...BASKET.totals, gross: '116.64' },
    }
    const sent = answerCalls({
      'POST /api/shop/basket': { status: 200, body: more },
      'POST /api/shop/order': refuses(),
    })
    shop(BASKET)
    await press('Order')
    expect(await screen.findByText('116.64')).toBeTruthy()
    // The turn that was seen is over: the server refuses it.
    expect(bodyOf(sent, '/api/shop/order')).toMatchObject({ turn: 3, total: '25.92' })
  })

  test('is ordered by one press, also while the last thing typed is still on its way', async () => {
    const sent = answerCalls({
      'POST /api/shop/basket': { status: 200, body: { ...BASKET, turn: 4, name: 'Zeno Quill' } },
      'POST /api/shop/order': {
        status: 200,
        body: { number: 1009, paid: true, receipt: { number: 'R-26-7', amount: '1025.92' } },
      },
    })
    shop({ ...BASKET, name: 'Zeno' })
    await type('Your name', 'Zeno Quill')
    await press('Order')
    // What was paid and what was ordered stays to be kept.
    expect((await screen.findByRole('status')).textContent).toContain(
      'You paid 1,025.92 USD by card; your receipt is R-26-7.',
    )
    expect(screen.getByText('Thank you, Zeno Quill')).toBeTruthy()
    expect(screen.getByRole('cell', { name: 'Rosin' })).toBeTruthy()
    expect(screen.getByText('25.92')).toBeTruthy()
    expect(bodyOf(sent, '/api/shop/order')).toMatchObject({ turn: 4, pay: 'card' })
  })

  test('loses nothing of what is typed or pressed while an answer is on its way', async () => {
    const sent = answerCalls(
      {
        'POST /api/shop/lines': ({ body }) => {
          const { quantity } = body as { quantity: string }
          return {
            status: 200,
            body: { ...BASKET, turn: 10 + Number(quantity), lines: [{ ...BASKET.lines[0], quantity }] },
          }
        },
        'POST /api/shop/basket': ({ body }) => ({ status: 200, body: { ...BASKET, turn: 20, ...(body as object) } }),
      },
      () => 300,
    )
    shop(BASKET)
    // Two presses, one after the other: 2, 3, 4.
    await press('Rosin: one more')
    await press('Rosin: one more')
    await type('Your name', 'Zeno Quill')
    await type('Email', 'zeno@mail.example')
    await waitFor(() => expect(bodyOf(sent, '/api/shop/lines')).toEqual({ goodsId: 2, quantity: '4' }))
    await type('Phone', '0123')
    await waitFor(() =>
      expect(bodyOf(sent, '/api/shop/basket')).toMatchObject({ name: 'Zeno Quill', email: 'zeno@mail.example' }),
    )
    await new Promise((done) => setTimeout(done, 700))
    expect(['Your name', 'Email', 'Phone'].map((label) => field(label).value)).toEqual([
      'Zeno Quill',
      'zeno@mail.example',
      '0123',
    ])
  })

  test('marks what is missing, and says why a card did not pay', async () => {
    answerCalls({
      'POST /api/shop/basket': refuses({ path: 'name', message: 'Your name is needed.' }),
    })
    shop(BASKET)
    await press('Order')
    await waitFor(() => expect(noteOf(field('Your name'))).toBe('Your name is needed.'))
  })
})

describe('a basket from the owner’s side', () => {
  test('is changed while the customer looks on, and made an order of somebody known', async () => {
    const sent = answerCalls({
      'POST /baskets/4/lines': {
        status: 200,
        body: { ...BASKET, turn: 4, totals: { ...BASKET.totals, gross: '64.80' } },
      },
      'PATCH /baskets/4': { status: 200, body: { ...BASKET, turn: 5, name: 'Zeno' } },
      'POST /baskets/4/order': { status: 201, body: { saleId: 30, number: 1030 } },
    })
    render(<OwnerBasket start={BASKET} currency="USD" />)
    await type('How many: Rosin', '5')
    expect(await screen.findByText('64.80')).toBeTruthy()
    expect(bodyOf(sent, '/baskets/4/lines')).toEqual({ goodsId: 2, quantity: '5' })
    await type('Name', 'Zeno')
    await press('Create order')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/sales/30'))
    expect(bodyOf(sent, '/baskets/4')).toEqual({ name: 'Zeno' })
    expect(bodyOf(sent, '/baskets/4/order')).toEqual({ turn: 5, pay: 'bill' })
    expect(said).toEqual(['Order 1030 created.'])
  })

  test('keeps each of several changes that come faster than their answers, and orders nothing where one is refused', async () => {
    let refusing = false
    const sent = answerCalls(
      {
        'POST /baskets/4/lines': ({ body }) => {
          const { quantity } = body as { quantity: string }
          return { status: 200, body: { ...BASKET, turn: 4, lines: [{ ...BASKET.lines[0], quantity }] } }
        },
        'PATCH /baskets/4': ({ body }) =>
          refusing
            ? refuses({ path: 'phone', message: 'That is no phone number.' })
            : {
                status: 200,
                body: { ...BASKET, turn: 5, lines: [{ ...BASKET.lines[0], quantity: '12' }], ...(body as object) },
              },
      },
      () => 200,
    )
    render(<OwnerBasket start={BASKET} currency="USD" />)
    await type('How many: Rosin', '12')
    await type('Name', 'Zeno')
    await type('Email', 'zeno@mail.example')
    await press('Create order')
    await waitFor(() => expect(sent.filter((s) => s.method === 'PATCH')).toHaveLength(2))
    expect(bodyOf(sent, '/baskets/4/lines')).toEqual({ goodsId: 2, quantity: '12' })
    expect(sent.filter((s) => s.method === 'PATCH').map((s) => s.body)).toEqual([
      { name: 'Zeno' },
      { email: 'zeno@mail.example' },
    ])
    expect(field('How many: Rosin').value).toBe('12')
    await waitFor(() => expect(bodyOf(sent, '/baskets/4/order')).toBeTruthy())
    refusing = true
    await type('Phone', 'x')
    await press('Create order')
    expect(await screen.findByText('That is no phone number.')).toBeTruthy()
    expect(sent.filter((s) => s.path === '/baskets/4/order')).toHaveLength(1)
  })

  test('that was ordered meanwhile leads to its sale', () => {
    answerCalls({})
    render(<OwnerBasket start={{ ...BASKET, saleId: 30 }} currency="USD" />)
    expect(screen.getByText('open sale').getAttribute('href')).toBe('/sales/30')
    expect(screen.queryByRole('button', { name: 'Create order' })).toBeNull()
  })
})
