import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { CounterTill } from '@/ui/money/CounterTill'
import { answerCalls, refuses } from './calls'

const ROSIN = {
  id: 3,
  code: 'ROS',
  name: 'Rosin',
  kind: 'stock',
  price: '12.50',
  taxCode: 'STD',
  available: '2',
  onHand: '2',
  onTheWay: '0',
  unitCost: '4.00',
}
const SOLD = {
  id: 8,
  number: '2026-0009',
  saleId: 7,
  receiptId: 6,
  receiptNumber: 'R-2026-0004',
  totals: { net: '12.50', tax: '1.03', gross: '13.53' },
  change: '6.47',
}
const answers = (sale: Parameters<typeof answerCalls>[0][string] = { status: 201, body: SOLD }) => ({
  'GET /goods': { status: 200, body: { items: [ROSIN], next: null } },
  'POST /counter-sales': sale,
})
const open = (smallestCoin = 1) =>
  render(
    <CounterTill
      settings={{
        currency: 'USD',
        pricesIncludeTax: false,
        roundPer: 'document',
        smallestCoin,
        codes: [
          {
            id: 1,
            code: 'STD',
            name: 'Standard',
            treatment: 'taxed',
            rateId: 1,
            rates: [{ id: 1, components: [{ id: 1, name: 'State', rate: '0.0825' }] }],
          },
        ],
      }}
    />,
  )
const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
/** Types a few letters, waits for the choice, and takes it. */
const add = async () => {
  await userEvent.type(field('Item: name, code or barcode'), 'ros')
  await screen.findByRole('option', { name: /Rosin/ })
  await userEvent.keyboard('{Enter}')
  await screen.findByLabelText('How many: Rosin')
}
const posted = (sent: ReturnType<typeof answerCalls>) => sent.filter((c) => c.path === '/counter-sales')

describe('the counter', () => {
  test('adds up with tax, and one more of the same is two of one line', async () => {
    answerCalls(answers())
    open()
    await add()
    // 12.50 and 1.03 (1.03125) tax.
    expect(screen.getByRole('button', { name: 'Take payment 13.53' })).toBeTruthy()
    await add()
    expect(field('How many: Rosin').value).toBe('2')
    // 25.00 and 2.06 (2.0625) tax.
    expect(screen.getByRole('button', { name: 'Take payment 27.06' })).toBeTruthy()
  })

  test('says when more is sold than lies there', async () => {
    answerCalls(answers())
    open()
    await add()
    const more = screen.getByRole('button', { name: 'One more: Rosin' })
    await userEvent.click(more)
    await userEvent.click(more)
    expect(screen.getByText(/2 available; the rest is set aside or out of stock/)).toBeTruthy()
  })

  test('tells the change before the money is taken, and what is missing where it is too little', async () => {
    answerCalls(answers())
    open()
    await add()
    await userEvent.type(field('Cash given'), '20')
    expect(screen.getByText('change 6.47')).toBeTruthy()
    await userEvent.clear(field('Cash given'))
    await userEvent.type(field('Cash given'), '10')
    expect(screen.getByText('3.53 short')).toBeTruthy()
    expect(screen.getByRole('button', { name: /^Take / })).toHaveProperty('disabled', true)
  })

  test('rounds cash to the smallest coin, and a card to the cent', async () => {
    answerCalls(answers())
    open(5)
    await add()
    // 13.53 in five-cent coins is 13.55.
    expect(screen.getByRole('button', { name: 'Take payment 13.55' })).toBeTruthy()
    await userEvent.click(screen.getByRole('radio', { name: 'Card' }))
    expect(screen.getByRole('button', { name: 'Take payment 13.53' })).toBeTruthy()
  })

  test('sells by Enter in the tender: once, and is ready for the next', async () => {
    const sent = answerCalls(answers())
    open()
    await add()
    await userEvent.type(field('Cash given'), '20{Enter}{Enter}')
    await screen.findByText('13.53 received')
    expect(posted(sent)).toHaveLength(1)
    expect(posted(sent)[0]?.body).toMatchObject({
      lines: [{ goodsId: 3, quantity: '1', unitPrice: '12.50', taxCode: 'STD' }],
      method: 'cash',
      tendered: '20.00',
    })
    expect(screen.getByText('Change 6.47')).toBeTruthy()
    expect(screen.queryByLabelText('How many: Rosin')).toBeNull()
    await waitFor(() => expect(document.activeElement).toBe(field('Item: name, code or barcode')))
  })

  test('keeps everything where the sale is refused', async () => {
    const sent = answerCalls(answers(refuses({ path: 'tendered', message: 'The drawer was closed for today.' })))
    open()
    await add()
    await userEvent.click(screen.getByRole('button', { name: /^Take / }))
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('The drawer was closed for today.'))
    expect(posted(sent)).toHaveLength(1)
    expect(field('How many: Rosin').value).toBe('1')
  })
})
