import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { day } from '@/core/day'
import type { CustomerPage, PageLine } from '@/services/customerPage/readPage'
import type { BasketView } from '@/services/shopfront/readShop'
import { EstimateAnswer } from '@/ui/customer/EstimateAnswer'
import { PayOnPage } from '@/ui/customer/PayOnPage'
import { Shop } from '@/ui/customer/Shop'
import { OwnerBasket } from '@/ui/shopfront/OwnerBasket'
import { answerCalls, refuses, type Sent } from './calls'
import { button, field, noteOf, press, tick, type } from './hands'
import { router, said } from './world'

const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path)?.body

const line = (id: number, description: string, change: Partial<PageLine> = {}): PageLine => ({
  id,
  kind: 'work',
  description,
  note: '',
  quantity: '1',
  each: '100.00',
  less: '',
  sum: '100.00',
  choice: 'none',
  choiceGroup: '',
  chosen: true,
  pictureFileId: null,
  ...change,
})
type Sale = NonNullable<CustomerPage['sale']>
const ESTIMATE: Sale = {
  number: 1007,
  title: 'A violin put right',
  stands: 'offered',
  version: 2,
  validUntil: day('2026-03-31'),
  agreedOn: null,
  noteAbove: '',
  note: '',
  conditions: 'Ours until paid for.',
  off: '0.00',
  totals: { net: '300.00', tax: '24.00', gross: '324.00' },
  lines: [
    line(1, 'Open and close'),
    line(2, 'New bridge', { choice: 'optional', chosen: false }),
    line(3, 'Gut strings', { choice: 'alternative', choiceGroup: 'Strings' }),
    line(4, 'Steel strings', { choice: 'alternative', choiceGroup: 'Strings', chosen: false }),
  ],
} as Sale
const open = (change: Partial<Sale> = {}) =>
  render(<EstimateAnswer token="tok" sale={{ ...ESTIMATE, ...change }} currency="USD" />)

describe('an estimate on the customer’s page', () => {
  test('shows goods that have a picture, and only those', () => {
    answerCalls({})
    open({ lines: [line(1, 'Open and close'), line(2, 'Gut strings', { pictureFileId: 31 })] })
    const pictures = [...document.querySelectorAll('img')].map((p) => p.getAttribute('src'))
    expect(pictures).toEqual(['/api/shop/pictures/31'])
  })

  test('is put together by them, with what it comes to', async () => {
    const sent = answerCalls({
      'POST /api/c/tok/preview': { status: 200, body: { net: '400.00', tax: '32.00', gross: '432.00' } },
      'POST /api/c/tok/accept': { status: 200, body: {} },
    })
    open()
    await tick('New bridge1 × 100.00 · optional100.00')
    expect(await screen.findByText('432.00')).toBeTruthy()
    expect(bodyOf(sent, '/api/c/tok/preview')).toEqual({ chosen: [3, 2] })
    await type('Your name', 'Hazel Adair')
    await type('Your PO number (optional)', 'PO 7')
    await press('Accept for 432.00 USD')
    await waitFor(() => expect(router.refresh).toHaveBeenCalled())
    expect(bodyOf(sent, '/api/c/tok/accept')).toEqual({
      version: 2,
      chosen: [3, 2],
      name: 'Hazel Adair',
      note: '',
      purchaseOrder: 'PO 7',
    })
  })

  test('lets them take one of several, the other then being left', async () => {
    const sent = answerCalls({
      'POST /api/c/tok/preview': { status: 200, body: { net: '300.00', tax: '24.00', gross: '324.00' } },
    })
    open()
    await tick('Steel strings1 × 100.00 · Strings: choose one100.00')
    await waitFor(() => expect(bodyOf(sent, '/api/c/tok/preview')).toEqual({ chosen: [4] }))
  })

  test('is refused with a word, which needs a name', async () => {
    const sent = answerCalls({ 'POST /api/c/tok/refuse': refuses({ path: 'name', message: 'Your name is needed.' }) })
    open()
    await tick('Decline')
    expect(screen.queryByLabelText('Your PO number (optional)')).toBeNull()
    await type('Reason (optional)', 'Too dear')
    await press('Decline estimate')
    await waitFor(() => expect(noteOf(field('Your name'))).toBe('Your name is needed.'))
    expect(bodyOf(sent, '/api/c/tok/refuse')).toEqual({ version: 2, name: '', reason: 'Too dear' })
    expect(field('Reason (optional)').value).toBe('Too dear')
  })

  test.each([
    [{ stands: 'lapsed' }, 'This estimate expired on 31 Mar 2026. Contact us and we will renew it.'],
    [{ stands: 'agreed', agreedOn: day('2026-03-03') }, 'Accepted on 3 Mar 2026'],
    [{ stands: 'declined' }, 'Estimate 1007, declined'],
    [{}, 'Estimate 1007, valid until 31 Mar 2026'],
  ] as const)('says where it stands: %j', (change, says) => {
    answerCalls({})
    open(change)
    expect(screen.getByText(says)).toBeTruthy()
    // Only an offer can be answered.
    expect(screen.queryByRole('radio', { name: 'Accept' }) === null).toBe('stands' in change)
  })
})

describe('paying on the customer’s page', () => {
  test('takes the card for what is open, and thanks', async () => {
    const sent = answerCalls({
      'POST /api/c/tok/pay': { status: 200, body: { receipt: { number: 'R-26-9', amount: '50.00' } } },
    })
    render(<PayOnPage token="tok" currency="USD" what="open" amount="108.00" />)
    expect(field('Amount, USD').value).toBe('108.00')
    await type('Amount, USD', '50')
    await type('Card number', '4000 0000 0000 1111')
    await press('Pay by card')
    expect((await screen.findByRole('status')).textContent).toBe(
      'Thank you. 50.00 USD was paid; your receipt is R-26-9.',
    )
    expect(bodyOf(sent, '/api/c/tok/pay')).toEqual({ what: 'open', amount: '50.00', card: '4000 0000 0000 1111' })
  })

  test('says what the card says, and keeps what was typed', async () => {
    answerCalls({ 'POST /api/c/tok/pay': { status: 409, body: { type: 'x', detail: 'The card was refused.' } } })
    render(<PayOnPage token="tok" currency="USD" what="deposit" amount="108.00" />)
    await type('Card number', '4000 0000 0000 0001')
    await press('Pay by card')
    expect((await screen.findByRole('alert')).textContent).toBe('The card was refused.')
    expect(field('Card number').value).toBe('4000 0000 0000 0001')
  })

  test('once: a second press while the card is asked does nothing', async () => {
    let answer: (r: Response) => void = () => {}
    const fetched = vi.fn((_url: string) => new Promise<Response>((r) => (answer = r)))
    vi.stubGlobal('fetch', fetched)
    render(<PayOnPage token="tok" currency="USD" what="open" amount="108.00" />)
    await press('Pay by card')
    expect(button('Asking the card …').disabled).toBe(true)
    await press('Asking the card …')
    expect(fetched).toHaveBeenCalledTimes(1)
    answer(Response.json({ receipt: { number: 'R-1', amount: '108.00' } }))
    expect(await screen.findByRole('status')).toBeTruthy()
  })
})

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
  const shop = (start: BasketView | null) =>
    render(<Shop things={things as never} start={start} currency="USD" withTax={false} />)

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

  test('that was ordered meanwhile leads to its sale', () => {
    answerCalls({})
    render(<OwnerBasket start={{ ...BASKET, saleId: 30 }} currency="USD" />)
    expect(screen.getByText('open sale').getAttribute('href')).toBe('/sales/30')
    expect(screen.queryByRole('button', { name: 'Create order' })).toBeNull()
  })
})
