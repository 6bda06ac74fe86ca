import { render, screen, waitFor, within } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { MoneyInForm } from '@/ui/money/MoneyInForm'
import { answerCalls, refuses, type Sent } from './calls'
import { router } from './world'

const item = (dueId: number, what: string, open: string, more: object = {}) => ({
  key: `d${dueId}`,
  dueId,
  saleId: dueId,
  what,
  note: '',
  late: false,
  open,
  discount: '0.00',
  asked: open,
  ...more,
})
/** Two invoices open, the first late; 2 % off the second where it is paid today. */
const OPEN = {
  owed: '500.00',
  late: '100.00',
  held: '0.00',
  usually: 'pays in 12 days',
  items: [
    item(1, 'Invoice 2026-0001', '100.00', { late: true }),
    item(2, 'Invoice 2026-0002', '400.00', { discount: '8.00' }),
  ],
}
const PREVIEW = {
  answer: { id: 0, number: '', change: '0.00' },
  entries: [
    {
      id: 0,
      on: '2026-03-02',
      text: 'Receipt',
      source: { kind: 'receipt', id: null },
      saleId: null,
      reverses: null,
      lines: [
        { account: '1020', name: 'Bank', debit: '150.00', credit: '0.00' },
        { account: '1100', name: 'Receivables', debit: '0.00', credit: '150.00' },
      ],
    },
  ],
}
type Answer = { readonly status: number; readonly body: unknown }
/** A preview is answered as one, whatever the receipt itself comes to. */
const answers = (receipt: Answer) => ({
  'GET /customers/5/open': { status: 200, body: OPEN },
  'POST /receipts': (sent: Sent) => (sent.preview ? { status: 200, body: PREVIEW } : receipt),
})
const open = (saleId: number | null = null) =>
  render(
    <MoneyInForm
      currency="USD"
      today={day('2026-03-02')}
      customer={{ id: 5, name: 'Ines Marlowe' }}
      saleId={saleId}
      smallestCoin={1}
    />,
  )
const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
const ready = () => screen.findByLabelText('Apply to Invoice 2026-0001')
const puts = () => [field('Apply to Invoice 2026-0001').value, field('Apply to Invoice 2026-0002').value]
const take = (name: RegExp = /^Take payment /) => userEvent.click(screen.getByRole('button', { name }))

describe('money that comes in', () => {
  test('is not taken where nobody can say what is open, and is when it is asked again', async () => {
    let away = true
    const sent = answerCalls({
      ...answers({ status: 201, body: { id: 9, number: 'R-26-9', change: '0.00' } }),
      'GET /customers/5/open': () =>
        away
          ? { status: 503, body: { type: 'x', detail: 'The database does not answer just now.' } }
          : { status: 200, body: OPEN },
    })
    open()
    await userEvent.type(field('Amount'), '150')
    await take()
    expect((await screen.findByRole('alert')).textContent).toContain('What is unpaid cannot be read just now.')
    const posted = () => sent.filter((s) => s.method === 'POST' && !s.preview)
    expect(posted()).toEqual([])
    away = false
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }))
    await ready()
    await take()
    await waitFor(() =>
      expect(posted().map((s) => s.body)).toMatchObject([
        {
          for: [
            { dueId: 1, amount: '100.00' },
            { dueId: 2, amount: '50.00' },
          ],
        },
      ]),
    )
  })

  test('is proposed for the oldest first, and what is owed afterwards stands there before anything is saved', async () => {
    const sent = answerCalls(answers({ status: 200, body: PREVIEW }))
    open()
    await ready()
    await userEvent.type(field('Amount'), '150')
    expect(puts()).toEqual(['100.00', '50.00'])
    const afterwards = screen.getByText('After this payment').parentElement as HTMLElement
    // 500.00 less 150.00; the late 100.00 are paid.
    expect(within(afterwards).getByText('350.00')).toBeTruthy()
    expect(within(afterwards).getByText('Nothing late')).toBeTruthy()
    await waitFor(() => expect(sent.some((c) => c.preview)).toBe(true))
    expect(sent.filter((c) => c.method === 'POST' && !c.preview)).toEqual([])
  })

  test('settles an invoice with less where a discount comes off today', async () => {
    answerCalls(answers({ status: 200, body: PREVIEW }))
    open()
    await ready()
    // 100.00 and 392.00 settle both: 8.00 come off.
    await userEvent.type(field('Amount'), '492')
    expect(puts()).toEqual(['100.00', '392.00'])
    const afterwards = screen.getByText('After this payment').parentElement as HTMLElement
    expect(within(afterwards).getByText('0.00')).toBeTruthy()
  })

  test('goes to the sale it was asked for first', async () => {
    answerCalls(answers({ status: 200, body: PREVIEW }))
    open(2)
    await ready()
    await userEvent.type(field('Amount'), '150')
    expect(puts()).toEqual(['', '150.00'])
  })

  test('is sent as it is proposed, in one receipt, and the receipt opens', async () => {
    const sent = answerCalls(answers({ status: 201, body: { id: 11, number: 'R-2026-0001', change: '0.00' } }))
    open()
    await ready()
    await userEvent.type(field('Amount'), '150')
    await userEvent.type(field('Reference'), 'AB 12')
    await take()
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/receipts/11'))
    expect(sent.filter((c) => c.path === '/receipts' && !c.preview).at(-1)?.body).toMatchObject({
      customerId: 5,
      method: 'transfer',
      amount: '150.00',
      reference: 'AB 12',
      on: '2026-03-02',
      for: [
        { dueId: 1, amount: '100.00' },
        { dueId: 2, amount: '50.00' },
      ],
    })
  })

  test('all on account puts nothing on anything', async () => {
    const sent = answerCalls(answers({ status: 201, body: { id: 12, number: 'R-2026-0002', change: '0.00' } }))
    open()
    await ready()
    await userEvent.type(field('Amount'), '150')
    await userEvent.click(screen.getByRole('button', { name: 'Keep all on account' }))
    expect(puts()).toEqual(['', ''])
    await take()
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/receipts/12'))
    expect(sent.filter((c) => c.path === '/receipts' && !c.preview).at(-1)?.body).toMatchObject({ for: 'account' })
  })

  test('more put on things than came in is told, and cannot be taken', async () => {
    answerCalls(answers({ status: 200, body: PREVIEW }))
    open()
    await ready()
    await userEvent.type(field('Amount'), '150')
    await userEvent.clear(field('Apply to Invoice 2026-0002'))
    await userEvent.type(field('Apply to Invoice 2026-0002'), '80')
    await waitFor(() =>
      expect(screen.getByRole('alert').textContent).toBe(
        'You have applied 180.00 but received only 150.00. Reduce an amount.',
      ),
    )
    expect(screen.getByRole('button', { name: /^Take payment / })).toHaveProperty('disabled', true)
  })

  test('cash says the change before it is taken', async () => {
    answerCalls(answers({ status: 200, body: PREVIEW }))
    open()
    await ready()
    await userEvent.type(field('Amount'), '100')
    await userEvent.click(screen.getByRole('radio', { name: 'Cash' }))
    await userEvent.type(field('Cash given (if more)'), '120')
    await waitFor(() => expect(screen.getByText(/20\.00/)).toBeTruthy())
  })

  test('what is refused is told, and everything typed is still there', async () => {
    answerCalls(answers(refuses({ path: 'on', message: 'The books are closed through 28 Feb 2026.' })))
    open()
    await ready()
    await userEvent.type(field('Amount'), '150')
    await take()
    await waitFor(() =>
      expect(screen.getAllByText('The books are closed through 28 Feb 2026.').length).toBeGreaterThan(0),
    )
    expect(puts()).toEqual(['100.00', '50.00'])
    expect(field('Amount').value).toBe('150.00')
    expect(router.push).not.toHaveBeenCalled()
  })
})
