import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { day } from '@/core/day'
import { DoPanel } from '@/ui/sale/SaleActions'
import type { Doing, SheetLine } from '@/ui/sale/actions'
import type { SheetSale } from '@/ui/sale/panels/parts'
import { answerCalls, refuses, type Sent } from './calls'
import { button, choose, field, noteOf, press, rowsOf, tick, type } from './hands'
import { said } from './setUp'

const TODAY = day('2026-03-02')

const violin: SheetLine = {
  id: 1,
  kind: 'stock',
  description: 'Violin',
  fromShelf: true,
  choice: 'none',
  choiceGroup: '',
  chosen: true,
  quantity: '3',
  agreed: '3',
  setAside: '2',
  toHandOver: '3',
  toBill: '3',
  readyToBill: '0',
}
const setUp: SheetLine = {
  ...violin,
  id: 2,
  kind: 'work',
  description: 'Set-up',
  fromShelf: false,
  choice: 'optional',
  chosen: false,
  quantity: '1',
  agreed: '1',
  setAside: '0',
  toHandOver: '1',
  toBill: '1',
}

const SALE: SheetSale = {
  id: 7,
  number: 1007,
  customerId: 3,
  customer: 'Hazel Adair',
  stands: 'agreed',
  agreed: true,
  lines: [violin, setUp],
  gross: '1000.00',
  held: '0.00',
  open: '0.00',
  currency: 'USD',
  purchaseOrder: '',
  wantedBy: '',
  deliverTo: '3 Bell Street',
  addresses: ['3 Bell Street'],
  estimateDays: 30,
  arrangement: { kind: 'now' },
  usual: { terms: {}, deposit: {}, layaway: {}, installments: {}, late: {} },
  promise: {
    plans: [],
    layaway: null,
    dues: [],
    lateCharges: [],
    stages: [],
    otherSales: [],
    onAccount: '0.00',
  },
  step: null,
}

const open = (doing: Doing, change: Partial<SheetSale> = {}, promise: Partial<SheetSale['promise']> = {}) => {
  const onClose = vi.fn()
  const sale = { ...SALE, ...change, promise: { ...SALE.promise, ...promise } }
  render(<DoPanel doing={doing} sale={sale} today={TODAY} onClose={onClose} />)
  return onClose
}
const posted = (sent: readonly Sent[], path: string) => sent.find((s) => s.method === 'POST' && s.path === path)?.body

describe('handing over', () => {
  test('proposes what lies on the shelf, and work as a whole', async () => {
    const sent = answerCalls({ 'POST /sales/7/handovers': { status: 200, body: {} } })
    const closed = open('hand-over')
    expect(rowsOf(screen.getByRole('table')).slice(1)).toEqual([
      'Violin2 of 3 on the shelf | 3 | How many: Violin',
      'Set-upwork or charge: done or not | 1 | How many: Set-up',
    ])
    expect([field('How many: Violin').value, field('How many: Set-up').value]).toEqual(['2', '1'])
    await type('How many: Set-up', '')
    await choose('How', 'as a parcel')
    await press(/^Hand over/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/sales/7/handovers')).toEqual({
      on: '2026-03-02',
      by: 'parcel',
      lines: [{ lineId: 1, quantity: '2' }],
    })
    expect(said).toEqual(['Handed over to Hazel Adair. The cost of what left is in the books.'])
  })

  test('of a layaway that is not paid up asks what the rest becomes', async () => {
    const sent = answerCalls({ 'POST /sales/7/handovers': { status: 200, body: {} } })
    open(
      'hand-over',
      { held: '400.00' },
      { layaway: { stands: 'paying in', left: '600.00', fee: '0', back: '400.00' } },
    )
    expect(screen.getByText(/600.00 of this layaway is still to come/)).toBeTruthy()
    await type('Payments', '6')
    await press(/^Hand over/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/handovers')).toMatchObject({
        turnInto: { kind: 'installments', firstPayment: '400.00', count: 6, every: 'month', firstDue: '2026-04-02' },
      }),
    )
  })

  test('says at its day why it cannot be, and stays open', async () => {
    answerCalls({ 'POST /sales/7/handovers': refuses({ path: 'on', message: 'The books are closed by then.' }) })
    const closed = open('hand-over')
    await press(/^Hand over/)
    await waitFor(() => expect(noteOf(field('On'))).toBe('The books are closed by then.'))
    expect(closed).not.toHaveBeenCalled()
  })
})

describe('invoicing', () => {
  const issued = {
    status: 201,
    body: { id: 9, number: 'I-26-1', totals: { gross: '108.00' }, heldApplied: '50.00', open: '58.00' },
  }

  test('takes what was handed over where anything was, and says what is left to pay', async () => {
    const sent = answerCalls({ 'POST /sales/7/invoices': issued })
    const closed = open('bill', { lines: [{ ...violin, readyToBill: '2' }], held: '50.00' })
    expect(screen.getByText(/50.00 is held for this sale/)).toBeTruthy()
    await press(/^Issue the invoice/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/sales/7/invoices')).toEqual({ on: '2026-03-02', what: 'handed-over', issue: true })
    expect(said).toEqual(['Invoice I-26-1 issued: 108.00, 50.00 of it held already. Hazel Adair owes 58.00 on it.'])
  })

  test('takes all that remains where nothing was handed over, or a percentage, with a charge that came up', async () => {
    const sent = answerCalls({ 'POST /sales/7/invoices': issued })
    open('bill')
    expect(screen.getByLabelText<HTMLInputElement>('what was handed over (nothing is)').disabled).toBe(true)
    await tick('a percentage')
    await type('Percent of what is agreed', '40')
    await type('A charge that came up', 'Express')
    await type('Its amount', '12')
    await press('Make a draft first')
    await waitFor(() =>
      expect(posted(sent, '/sales/7/invoices')).toEqual({
        on: '2026-03-02',
        what: { percent: '40' },
        issue: false,
        charges: [{ description: 'Express', quantity: '1', unitPrice: '12.00' }],
      }),
    )
  })

  test('takes chosen quantities of chosen lines', async () => {
    const sent = answerCalls({ 'POST /sales/7/invoices': issued })
    open('bill')
    await tick('chosen quantities')
    await type('How many: Violin', '1')
    await type('How many: Set-up', '0')
    await press(/^Issue the invoice/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/invoices')).toMatchObject({ what: { lines: [{ lineId: 1, quantity: '1' }] } }),
    )
  })
})

describe('a yes', () => {
  test('takes the lines that count, and those they choose besides', async () => {
    const sent = answerCalls({ 'POST /sales/7/agree': { status: 200, body: { lines: [] } } })
    open('agree', { addresses: ['3 Bell Street', '9 Mill Road'] })
    expect([field('How many: Violin').value, field('How many: Set-up').value]).toEqual(['3', ''])
    expect(screen.getByText('optional')).toBeTruthy()
    await type('How many: Set-up', '1')
    await type('Their order number', 'PO 12')
    await type('Who said yes', 'Wren')
    await type('Wanted by', '+10')
    await choose('How', 'by mail')
    await choose('Delivered to', '9 Mill Road')
    await press(/^Agreed/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/agree')).toEqual({
        purchaseOrder: 'PO 12',
        wantedBy: '2026-03-12',
        by: 'Wren',
        how: 'by mail',
        deliverTo: '9 Mill Road',
        lines: [
          { lineId: 1, quantity: '3' },
          { lineId: 2, quantity: '1' },
        ],
      }),
    )
    expect(said).toEqual(['Agreed with Hazel Adair. What is on the shelf is set aside.'])
  })

  test('says what of it is short', async () => {
    answerCalls({
      'POST /sales/7/agree': {
        status: 200,
        body: { lines: [{ description: 'Violin', agreed: '3', setAside: '2', short: '1' }] },
      },
    })
    open('agree')
    await press(/^Agreed/)
    await waitFor(() => expect(said).toEqual(['Agreed. Short: 3 Violin agreed, 2 on the shelf.']))
  })
})

describe('an estimate that goes out', () => {
  const draft = { customerId: 3, customer: 'Hazel Adair', to: 'hazel@mail.example', subject: 'Estimate', body: 'Hello' }

  test('is good for as long as Settings say, and is mailed where there is an address', async () => {
    const sent = answerCalls({
      'GET /post/draft': { status: 200, body: draft },
      'POST /sales/7/offer': { status: 200, body: {} },
      'POST /post': { status: 201, body: { id: 5 } },
      'POST /post/5/send': { status: 200, body: { state: 'sent', problem: '' } },
    })
    const closed = open('offer', { stands: 'draft', agreed: false })
    await waitFor(() => expect(field('To').value).toBe('hazel@mail.example'))
    expect(field('Good through').value).toBe('01 Apr 2026')
    await press(/^Send the estimate/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/sales/7/offer')).toEqual({ validUntil: '2026-04-01' })
    expect(posted(sent, '/post')).toMatchObject({ paper: 'estimate', paperId: 7, to: 'hazel@mail.example' })
    expect(said).toEqual([
      'The estimate is out to Hazel Adair, good through 01 Apr 2026.',
      'Mailed to hazel@mail.example.',
    ])
  })

  test('is not mailed where nobody wants it to be', async () => {
    const sent = answerCalls({
      'GET /post/draft': { status: 200, body: { ...draft, to: '' } },
      'POST /sales/7/offer': { status: 200, body: {} },
    })
    const closed = open('offer')
    await press(/^Send the estimate/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/post')).toBeUndefined()
  })
})

describe('a deposit', () => {
  test('is asked for as it was arranged', async () => {
    const sent = answerCalls({
      'POST /sales/7/deposit-requests': { status: 201, body: { number: 'D-26-1', amount: '250.00' } },
    })
    open('ask-deposit', { arrangement: { kind: 'deposit', percent: '25' } })
    // A quarter of 1,000.00
    expect(screen.getByText('250.00 of 1000.00, tax included.')).toBeTruthy()
    await press(/^Ask for it/)
    await waitFor(() => expect(posted(sent, '/sales/7/deposit-requests')).toEqual({ percent: '25' }))
    expect(said).toEqual(['Deposit request D-26-1: 250.00 asked of Hazel Adair.'])
  })

  test('is an amount where one is typed, and half where nothing was arranged', async () => {
    const sent = answerCalls({
      'POST /sales/7/deposit-requests': { status: 201, body: { number: 'D-26-1', amount: '80.00' } },
    })
    open('ask-deposit')
    expect(field('Percent of the total with tax').value).toBe('50')
    await type('or an amount', '80')
    await press(/^Ask for it/)
    await waitFor(() => expect(posted(sent, '/sales/7/deposit-requests')).toEqual({ amount: '80.00' }))
  })

  test('in stages is asked for stage by stage', async () => {
    const sent = answerCalls({
      'POST /sales/7/deposit-requests': { status: 201, body: { number: 'D-26-1', amount: '400.00' } },
    })
    open(
      'ask-deposit',
      {},
      {
        stages: [
          { amount: '300.00', when: '' },
          { amount: '400.00', when: 'when it arrives' },
        ],
      },
    )
    expect(screen.getByText(/when it arrives/)).toBeTruthy()
    await press('Ask for stage 2')
    await waitFor(() => expect(posted(sent, '/sales/7/deposit-requests')).toEqual({ stage: 2 }))
  })
})

describe('closing a sale', () => {
  test('asks what becomes of money that is held', async () => {
    const sent = answerCalls({ 'POST /sales/7/cancel': { status: 200, body: {} } })
    open('cancel', { held: '200.00' })
    await type('Why', 'No longer wanted')
    await type('Kept as a fee', '20')
    await choose('The rest', 'onto their account')
    await press(/^Cancel the sale/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/cancel')).toEqual({
        reason: 'No longer wanted',
        fee: '20.00',
        rest: 'account',
      }),
    )
    expect(said).toEqual(['Sale 1007 is cancelled.'])
  })

  test('needs a reason, which is told at the field alone', async () => {
    answerCalls({ 'POST /sales/7/decline': refuses({ path: 'reason', message: 'Say why.' }) })
    open('decline')
    await press(/^They declined/)
    await waitFor(() => expect(noteOf(field('Why'))).toBe('Say why.'))
    expect(screen.queryByRole('alert')).toBeNull()
    expect(screen.queryByLabelText('Kept as a fee')).toBeNull()
  })
})

describe('what is next', () => {
  const step = { action: 'remind', why: 'No answer for five days' }
  test('is put off by a week, or until a day', async () => {
    const sent = answerCalls({ 'POST /sales/7/next/put-off': { status: 200, body: {} } })
    open('put-off', { step })
    expect(screen.getByText('No answer for five days.')).toBeTruthy()
    expect(field('Until').value).toBe('09 Mar 2026')
    await press(/^Put it off/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/next/put-off')).toEqual({ action: 'remind', until: '2026-03-09' }),
    )
  })
  test('need not be done, for a reason', async () => {
    const sent = answerCalls({ 'POST /sales/7/next/drop': { status: 200, body: {} } })
    open('put-off', { step })
    await type('Or it need not be done, because', 'They called')
    await press('Do away with it')
    await waitFor(() => expect(posted(sent, '/sales/7/next/drop')).toEqual({ action: 'remind', reason: 'They called' }))
  })
})

describe('a sale that comes again', () => {
  test('is set up with its rhythm and its end', async () => {
    const sent = answerCalls({
      'POST /sales/7/repeats': { status: 201, body: { nextOn: '2026-04-02', firstOn: '2026-04-02' } },
    })
    open('repeat')
    await choose('How often', 'every three months')
    await choose('As', 'an order')
    await type('Times, if it ends', '4')
    await tick('issued and mailed by itself')
    await press(/^Let it come again/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/repeats')).toEqual({
        every: 'quarter',
        firstOn: '2026-04-02',
        makes: 'order',
        byItself: true,
        times: 4,
        until: null,
      }),
    )
    expect(said).toEqual(['It comes again, first on 02 Apr 2026.'])
  })
})

describe('a link to their own page', () => {
  test('is shown once, and all of them can be withdrawn', async () => {
    const address = 'http://till.example/c/abcdefghijklmnopqrstu'
    const sent = answerCalls({
      'POST /sales/7/links': { status: 201, body: { saleId: 7, address } },
      'DELETE /sales/7/links': { status: 200, body: { saleId: 7, withdrawn: 1 } },
    })
    open('link')
    await press(/^Make a link/)
    await waitFor(() => expect(field('The link, copied').value).toBe(address))
    await press('Withdraw all links of this sale')
    await waitFor(() => expect(said).toEqual(['1 link is withdrawn.']))
    expect(sent.map((s) => s.method)).toEqual(['POST', 'DELETE'])
    expect(button('Withdraw all links of this sale').disabled).toBe(false)
  })
})
