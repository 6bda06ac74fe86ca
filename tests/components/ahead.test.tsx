import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { CounterTill } from '@/ui/money/CounterTill'
import { MoneyInForm } from '@/ui/money/MoneyInForm'
import { SaleForm } from '@/ui/sale/SaleForm'
import { NO_FACTS } from '@/ui/sale/saleFacts'
import { answerCalls, type Sent } from './calls'
import { field } from './hands'
import { router } from './world'
import { STD_CODES } from './stdCodes'

/** What is searched answers late, and the first letters later than the whole word. */
const SLOW = 300
const late = (path: string) => (/^\/(goods|customers|prices)/.test(path) ? SLOW + Math.round(Math.random() * 200) : 0)

const goods = (id: number, name: string, price: string) => ({
  id,
  code: name.slice(0, 3).toUpperCase(),
  barcode: '',
  name,
  kind: 'stock',
  price,
  taxCode: 'STD',
  available: '9',
  onHand: '9',
  onTheWay: '0',
  unitCost: '1.00',
})
const SHELF = [goods(1, 'Violin', '925.00'), goods(2, 'Rosin, light', '12.50'), goods(3, 'Rosin, dark', '13.50')]
const PEOPLE = [
  { id: 5, name: 'Hazel Adair', owed: '108.00', held: '0.00', late: '0.00' },
  { id: 6, name: 'Ivo Castellan', owed: '0.00', held: '0.00', late: '0.00' },
]
const searched =
  <T extends { readonly name: string }>(all: readonly T[]) =>
  ({ query }: Sent) => ({
    status: 200,
    body: { items: all.filter((x) => x.name.toLowerCase().includes((query.get('search') ?? '').toLowerCase())) },
  })
const person = (id: number) => ({
  ...PEOPLE.find((p) => p.id === id),
  email: '',
  taxExempt: false,
  pricesIncludeTax: false,
  priceLevel: '',
  creditLimit: null,
  committed: '0.00',
  addresses: [],
})
const answers = {
  'GET /goods': searched(SHELF),
  'GET /customers': searched(PEOPLE),
  'GET /customers/5': { status: 200, body: person(5) },
  'GET /customers/6': { status: 200, body: person(6) },
  'GET /customers/7': { status: 200, body: { ...person(6), id: 7, name: 'Nora Quill' } },
  'GET /customers/look-alikes': { status: 200, body: { items: [] } },
  'POST /customers': { status: 201, body: { id: 7 } },
  'GET /prices': ({ query }: Sent) => ({
    status: 200,
    body: {
      price: SHELF.find((g) => g.id === Number(query.get('goodsId')))?.price,
      from: 'list',
      taxCode: 'STD',
      ownTaxCode: 'STD',
      available: '9',
      onTheWay: '0',
      unitCost: '1.00',
    },
  }),
  'POST /sales': { status: 201, body: { id: 9, number: 1700, lines: [] } },
}
const settings = { currency: 'USD', areas: [], roundPer: 'document' as const, codes: STD_CODES }
const quick = userEvent.setup({ delay: null })
const bodyOf = (sent: readonly Sent[], path: string) =>
  sent.find((s) => s.method === 'POST' && s.path === path && !s.preview)?.body

const openSale = () =>
  render(
    <SaleForm
      sale={null}
      today={day('2026-03-02')}
      settings={settings}
      pricesIncludeTax={false}
      kinds={['sales']}
      buyer={null}
      facts={NO_FACTS}
      lines={[]}
    />,
  )

describe('a sale typed without looking, every search late', () => {
  test('comes out as typed: goods, words of its own, prices of its own, in their order', async () => {
    const sent = answerCalls(answers, late)
    openSale()
    await quick.keyboard('hazel{Enter}violin{Enter}2{Enter}{Enter}')
    await quick.keyboard('New peg, fitted{Enter}4{Enter}18.50{Enter}')
    await quick.keyboard('rosin, dark{Enter}3{Enter}11{Enter}')
    expect(document.activeElement).toBe(field('Line 4: item'))
    await quick.click(screen.getByRole('button', { name: 'Save draft' }))
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/sales/9'))
    expect(bodyOf(sent, '/sales')).toMatchObject({
      customerId: 5,
      lines: [
        { goodsId: 1, description: 'Violin', quantity: '2', unitPrice: '925.00' },
        { description: 'New peg, fitted', quantity: '4', unitPrice: '18.50' },
        { goodsId: 3, description: 'Rosin, dark', quantity: '3', unitPrice: '11.00' },
      ],
    })
    expect((bodyOf(sent, '/sales') as { lines: object[] }).lines[1]).not.toHaveProperty('goodsId')
  })

  test('Tab takes what is typed as Enter does; somebody new is added; the focus stays where the hands are', async () => {
    const sent = answerCalls(answers, late)
    openSale()
    await quick.keyboard('Nora Quill{Enter}rosin, l{Tab}5{Tab}{Tab}')
    expect(document.activeElement).toBe(field('Line 2: item'))
    await quick.keyboard('violin')
    await waitFor(() => expect(screen.getByText(/Owes 0.00/)).toBeTruthy())
    expect(document.activeElement).toBe(field('Line 2: item'))
    expect(field('Line 2: item').value).toBe('violin')
    expect(field('Line 1: item').value).toBe('Rosin, light')
    expect(field('Line 1: quantity').value).toBe('5')
    expect(field('Line 1: price').value).toBe('12.50')
    expect(bodyOf(sent, '/customers')).toEqual({ name: 'Nora Quill' })
  })

  test('what is found for words that were typed over changes nothing', async () => {
    answerCalls(answers, (path) => (path === '/goods' ? SLOW : 0))
    openSale()
    await quick.click(field('Line 1: item'))
    await quick.keyboard('violin{Enter}')
    await quick.click(field('Line 1: item'))
    await quick.keyboard('Nothing of ours{Enter}7{Enter}2')
    await new Promise((done) => setTimeout(done, 3 * SLOW))
    expect(field('Line 1: item').value).toBe('Nothing of ours')
    expect(field('Line 1: quantity').value).toBe('7')
    expect(screen.queryByLabelText('Line 2: quantity')).toBeTruthy()
  })

  test('a line taken out before its goods were found stays out', async () => {
    answerCalls(answers, (path) => (path === '/goods' ? SLOW : 0))
    openSale()
    await quick.click(field('Line 1: item'))
    await quick.keyboard('violin{Enter}{Alt>}{Backspace}{/Alt}')
    await new Promise((done) => setTimeout(done, 2 * SLOW))
    expect(screen.queryByDisplayValue('Violin')).toBeNull()
  })

  test('note, discount and tax of a line have their keys', async () => {
    answerCalls(answers)
    openSale()
    await quick.click(field('Line 1: item'))
    await quick.keyboard('Own words{Enter}')
    await quick.keyboard('{Alt>}[KeyD]{/Alt}10%')
    await quick.keyboard('{Alt>}[KeyN]{/Alt}by Friday')
    await quick.keyboard('{Alt>}[KeyT]{/Alt}')
    expect(document.activeElement).toBe(field('Line 1: tax'))
    expect(field('Line 1: discount').value).toBe('10%')
    expect(field('Line 1: note').value).toBe('by Friday')
    expect(field('Line 1: item').value).toBe('Own words')
  })
})

test('the counter adds up what is typed blind, in its order, and sells it all', async () => {
  const sold = {
    id: 8,
    number: '2026-9',
    saleId: 7,
    receiptId: 6,
    receiptNumber: 'R-4',
    totals: { gross: '1041.34' },
    change: '58.66',
  }
  const sent = answerCalls({ ...answers, 'POST /counter-sales': { status: 201, body: sold } }, late)
  render(<CounterTill settings={{ ...settings, pricesIncludeTax: false, smallestCoin: 1 }} />)
  await quick.keyboard('rosin, light{Enter}violin{Enter}rosin, light{Enter}{Enter}')
  expect(document.activeElement).toBe(field('Cash given'))
  await quick.keyboard('1100{Enter}')
  await waitFor(() => expect(bodyOf(sent, '/counter-sales')).toBeTruthy())
  expect(bodyOf(sent, '/counter-sales')).toMatchObject({
    lines: [
      { goodsId: 2, quantity: '2', unitPrice: '12.50' },
      { goodsId: 1, quantity: '1', unitPrice: '925.00' },
    ],
    tendered: '1100.00',
  })
})

test('money in typed blind pays what is open of whom it is from', async () => {
  const item = {
    key: 'd1',
    dueId: 1,
    saleId: 4,
    what: 'Invoice 2026-1',
    dueOn: '2026-03-01',
    open: '108.00',
    late: true,
    discount: '0.00',
    asked: '108.00',
    note: '',
  }
  const sent = answerCalls(
    {
      ...answers,
      'GET /customers/5/open': {
        status: 200,
        body: { owed: '108.00', late: '108.00', held: '0.00', usually: '', items: [item] },
      },
      'POST /receipts': ({ preview }) =>
        preview
          ? { status: 200, body: { answer: {}, entries: [] } }
          : { status: 201, body: { id: 3, number: 'R-1', change: '0.00' } },
    },
    (path) => (path.startsWith('/customers') ? SLOW : 0),
  )
  render(<MoneyInForm currency="USD" today={day('2026-03-02')} customer={null} saleId={null} smallestCoin={1} />)
  await quick.keyboard('adair{Enter}60{Enter}TR-7')
  expect(field('Reference').value).toBe('TR-7')
  await quick.click(screen.getByRole('button', { name: /^Take payment/ }))
  await waitFor(() => expect(bodyOf(sent, '/receipts')).toBeTruthy())
  expect(bodyOf(sent, '/receipts')).toMatchObject({
    customerId: 5,
    amount: '60.00',
    reference: 'TR-7',
    for: [{ dueId: 1, amount: '60.00' }],
  })
})
