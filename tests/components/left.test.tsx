import { fireEvent, render, screen, waitFor } from '@testing-library/react'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { day } from '@/core/day'
import { OrderForm } from '@/ui/buying/OrderForm'
import { CountForm } from '@/ui/goods/CountForm'
import { CounterTill } from '@/ui/money/CounterTill'
import { MoneyInForm } from '@/ui/money/MoneyInForm'
import { CustomerForm } from '@/ui/people/CustomerForm'
import { NO_CUSTOMER, type CustomerDraft } from '@/ui/people/customerDraft'
import { emptyLine } from '@/ui/sale/lineDraft'
import { SaleForm } from '@/ui/sale/SaleForm'
import { NO_FACTS } from '@/ui/sale/saleFacts'
import { INES } from './buyer'
import { answerCalls, refuses } from './calls'
import { userEvent } from './hand'
import { field, press, type } from './hands'
import { STD_CODES } from './stdCodes'
import { address, router, said } from './world'

const TODAY = day('2026-03-02')
const ORLA = { status: 200, body: { items: [{ id: 5, name: 'Orla Vance', email: '' }], next: null } }
const SUPPLIERS = { status: 200, body: { items: [{ id: 3, name: 'Halden String Works' }], next: null } }
const ROSIN = { id: 7, code: 'RO', name: 'Rosin', kind: 'stock', price: '12.50', available: '3', piece: null }
const offer = () => screen.queryByRole('button', { name: 'Bring it back' })
const bringBack = () => press('Bring it back')
const find = async (label: string, typed: string, choice: RegExp) => {
  await userEvent.type(field(label), typed)
  await screen.findByRole('option', { name: choice })
  await userEvent.keyboard('{Enter}')
}

const customer = (start: CustomerDraft = NO_CUSTOMER, id: number | null = null) => (
  <CustomerForm id={id} start={start} currency="USD" today={TODAY} levels={[]} areas={[]} />
)

describe('what is typed and left unsent', () => {
  beforeEach(() => void answerCalls({}))

  test('is offered to whoever comes back, and put there only when they ask', async () => {
    const { unmount } = render(customer())
    expect(offer()).toBeNull()
    await type('Name', 'Ann Ash')
    unmount()
    const again = render(customer())
    expect(field('Name').value).toBe('')
    await bringBack()
    expect(field('Name').value).toBe('Ann Ash')
    expect(document.activeElement).toBe(field('Name'))
    expect(offer()).toBeNull()
    // Left once more, it is there once more.
    again.unmount()
    render(customer())
    expect(offer()).toBeTruthy()
  })

  test('is not offered where nothing was typed, on another page, or where the form begins with something else by now', async () => {
    render(customer()).unmount()
    const { unmount } = render(customer({ ...NO_CUSTOMER, name: 'Ann' }, 4))
    expect(offer()).toBeNull()
    await type('Name', 'Anna')
    unmount()
    const changed = render(customer({ ...NO_CUSTOMER, name: 'Ann', phone: '555' }, 4))
    expect(offer()).toBeNull()
    changed.unmount()
    const { path } = address
    address.path = '/elsewhere'
    const elsewhere = render(customer({ ...NO_CUSTOMER, name: 'Ann' }, 4))
    expect(offer()).toBeNull()
    elsewhere.unmount()
    address.path = path
    render(customer({ ...NO_CUSTOMER, name: 'Ann' }, 4))
    expect(offer()).toBeTruthy()
  })

  test('changes places with what was typed meanwhile: neither is lost', async () => {
    const { unmount } = render(customer())
    await type('Name', 'First')
    unmount()
    render(customer())
    await type('Name', 'Second')
    await bringBack()
    expect(field('Name').value).toBe('First')
    await bringBack()
    expect(field('Name').value).toBe('Second')
  })

  test('is gone when it was sent, and kept when it was refused', async () => {
    answerCalls({ 'POST /customers': refuses({ path: 'email', message: 'Taken.' }) })
    const { unmount } = render(customer())
    await type('Name', 'Ann Ash')
    await press('Add customer')
    await screen.findAllByText('Taken.')
    unmount()
    answerCalls({ 'POST /customers': { status: 201, body: { id: 7, name: 'Ann Ash' } } })
    const again = render(customer())
    await bringBack()
    await press('Add customer')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/people/7'))
    again.unmount()
    render(customer())
    expect(offer()).toBeNull()
  })

  test('is gone too where the page was left while it was being sent', async () => {
    let answer = (): void => {}
    const sent = new Promise<void>((resolve) => (answer = resolve))
    answerCalls({ 'POST /customers': { status: 201, body: { id: 7, name: 'Ann Ash' } } }, () => sent)
    const { unmount } = render(customer())
    await type('Name', 'Ann Ash')
    await press('Add customer')
    unmount()
    answer()
    await waitFor(() => expect(said).toEqual(['Ann Ash added.']))
    render(customer())
    expect(offer()).toBeNull()
  })
})

test('what nobody answered is the same command still when it is brought back and sent again', async () => {
  const keys: string[] = []
  vi.stubGlobal('fetch', async (url: string, init: RequestInit = {}) => {
    if (init.method !== 'POST') return Response.json({ items: [], next: null })
    keys.push(new Headers(init.headers).get('idempotency-key') ?? '')
    if (keys.length === 1) throw new TypeError('the line is down')
    return Response.json({ id: 7, name: 'Ann Ash' }, { status: 201 })
  })
  const { unmount } = render(customer())
  await type('Name', 'Ann Ash')
  await press('Add customer')
  await screen.findByText(/No connection to Iron Till/)
  unmount()
  const again = render(customer())
  await bringBack()
  await press('Add customer')
  await waitFor(() => expect(router.push).toHaveBeenCalledWith('/people/7'))
  again.unmount()
  // Once it was answered, the same once more is another one.
  render(customer())
  await type('Name', 'Ann Ash')
  await press('Add customer')
  await waitFor(() => expect(keys).toHaveLength(3))
  expect(keys[1]).toBe(keys[0])
  expect(keys[2]).not.toBe(keys[0])
})

test('an order is brought back with its supplier’s name', async () => {
  answerCalls({ 'GET /suppliers': SUPPLIERS, 'GET /goods': { status: 200, body: { items: [ROSIN], next: null } } })
  const start = { supplierId: '', wantedBy: '', confirmedFor: '', note: '', lines: [] }
  const order = <OrderForm id={null} supplier="" today={TODAY} start={start} />
  const { unmount } = render(order)
  await find('Supplier', 'hal', /Halden/)
  await find('Add an item: name, code or barcode', 'ros', /^Rosin/)
  await type('How many: Rosin', '24')
  unmount()
  render(order)
  expect(field('Supplier').value).toBe('')
  await bringBack()
  expect(field('Supplier').value).toBe('Halden String Works')
  expect(field('How many: Rosin').value).toBe('24')
})

const SALE = {
  today: TODAY,
  settings: { currency: 'USD', areas: [], roundPer: 'document', codes: STD_CODES },
  pricesIncludeTax: false,
  kinds: ['sales'],
  facts: NO_FACTS,
} as const

test('a sale is brought back with its customer, its lines and what else was said of it', async () => {
  answerCalls({})
  const sale = <SaleForm {...SALE} sale={null} buyer={INES} lines={[]} />
  const { unmount } = render(sale)
  await type('Title', 'Two bows')
  await userEvent.type(field('Line 1: item'), 'A bow{Tab}')
  await type('Line 1: quantity', '2')
  unmount()
  render(sale)
  expect(field('Title').value).toBe('')
  await bringBack()
  expect(field('Title').value).toBe('Two bows')
  expect(field('Line 1: item').value).toBe('A bow')
  expect(field('Line 1: quantity').value).toBe('2')
})

test('what is told of lines is nothing typed', async () => {
  const price = {
    price: '10.00',
    from: 'list',
    available: '9',
    onTheWay: '0',
    unitCost: '4.00',
    taxCode: 'STD',
    ownTaxCode: 'STD',
  }
  const sent = answerCalls({ 'GET /prices': { status: 200, body: price } })
  const line = { ...emptyLine('STD'), lineId: 1, goodsId: 7, description: 'A bow', quantity: '1', unitPrice: '10.00' }
  const opened = { id: 4, number: 1004, agreed: false, total: '10.00', edition: 'e1' }
  const sale = <SaleForm {...SALE} sale={opened} buyer={null} lines={[line]} />
  const { unmount } = render(sale)
  await waitFor(() => expect(sent.filter((c) => c.path === '/prices')).toHaveLength(1))
  // Its cost is told: 10.00 less 4.00 are 60 percent.
  await screen.findAllByText(/60%/)
  unmount()
  render(sale)
  expect(offer()).toBeNull()
})

test('money, the counter and a count are brought back', async () => {
  answerCalls({
    'GET /customers': ORLA,
    'GET /customers/5/open': { status: 200, body: { owed: '0.00', held: '0.00', usually: '', items: [] } },
    'GET /goods': { status: 200, body: { items: [ROSIN], next: null } },
  })
  const money = <MoneyInForm currency="USD" today={TODAY} customer={null} saleId={null} smallestCoin={1} />
  const first = render(money)
  await type('Amount', '125.00')
  await type('Reference', 'for the cello')
  first.unmount()
  const again = render(money)
  await bringBack()
  expect(field('Amount').value).toBe('125.00')
  expect(field('Reference').value).toBe('for the cello')
  again.unmount()

  const settings = {
    currency: 'USD',
    areas: [],
    roundPer: 'document',
    codes: STD_CODES,
    pricesIncludeTax: false,
    smallestCoin: 1,
  }
  const till = <CounterTill settings={settings as never} />
  const counter = render(till)
  await find('Item: name, code or barcode', 'ros', /^Rosin/)
  counter.unmount()
  const after = render(till)
  expect(screen.queryByText('Rosin')).toBeNull()
  await bringBack()
  expect(await screen.findByText('Rosin')).toBeTruthy()
  after.unmount()

  const lines = [
    { key: 'g1', goodsId: 1, code: 'C', name: 'Case', onHand: '2', unitCost: '90', track: 'none' as const },
  ]
  const count = <CountForm currency="USD" today={TODAY} placeId={null} lines={lines as never} />
  const counting = render(count)
  fireEvent.change(field('Counted: Case'), { target: { value: '3' } })
  counting.unmount()
  render(count)
  expect(field('Counted: Case').value).toBe('')
  await bringBack()
  expect(field('Counted: Case').value).toBe('3')
})
