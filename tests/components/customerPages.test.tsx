import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { day } from '@/core/day'
import type { CustomerPage, PageLine } from '@/services/customerPage/readPage'
import { EstimateAnswer } from '@/ui/customer/EstimateAnswer'
import { PayOnPage } from '@/ui/customer/PayOnPage'
import { answerCalls, gate, refuses, type Sent } from './calls'
import { button, field, noteOf, press, tick, type } from './hands'
import { router } from './world'

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

  test('is not said yes to while it is reckoned, and a choice that could not be reckoned is taken back', async () => {
    const bridge = 'New bridge1 × 100.00 · optional100.00'
    let away = false
    const reckoned = gate()
    const sent = answerCalls(
      {
        'POST /api/c/tok/preview': () =>
          away
            ? { status: 503, body: { type: 'x', detail: 'The database does not answer just now.' } }
            : { status: 200, body: { net: '400.00', tax: '32.00', gross: '432.00' } },
      },
      () => reckoned.opened,
    )
    open()
    await tick(bridge)
    expect(button('Accept for 324.00 USD').disabled).toBe(true)
    reckoned.open()
    await waitFor(() => expect(button('Accept for 432.00 USD').disabled).toBe(false))
    away = true
    await tick(bridge)
    expect((await screen.findByRole('alert')).textContent).toContain('Your choice was not taken.')
    expect(field(bridge).checked).toBe(true)
    expect(button('Accept for 432.00 USD').disabled).toBe(false)
    expect(sent.map((s) => s.body)).toEqual([{ chosen: [3, 2] }, { chosen: [3] }])
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
