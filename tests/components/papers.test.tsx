import { render, screen, waitFor, within } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test, vi } from 'vitest'
import { day } from '@/core/day'
import { BooksActions } from '@/ui/books/BooksActions'
import { ReceiptActions } from '@/ui/money/ReceiptActions'
import { HeldActions } from '@/ui/people/HeldActions'
import { InvoiceActions } from '@/ui/sale/InvoiceActions'
import { TakeBack } from '@/ui/TakeBack'
import { answerCalls, refuses, type Sent } from './calls'
import { choose, field, noteOf, pick, press, tick, type } from './hands'
import { router, said } from './world'

const TODAY = day('2026-03-02')
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path)?.body

describe('a receipt', () => {
  const open = (change: object = {}) =>
    render(
      <ReceiptActions
        id={5}
        number="R-26-5"
        today={TODAY}
        mayVoid
        mayBounce
        method="cheque"
        currency="USD"
        bounceFee="15.00"
        print={false}
        {...change}
      />,
    )

  test('is voided with a reason, which is told at its field', async () => {
    const sent = answerCalls({
      'POST /receipts/5/void': refuses({ path: 'on', message: 'The books are closed by then.' }),
    })
    open()
    await press('Void')
    await press('Void it')
    await waitFor(() => expect(noteOf(field('Reason'))).toBe('A reason is needed.'))
    expect(sent).toEqual([])
    await type('Reason', 'Typed twice')
    await press('Void it')
    await waitFor(() => expect(noteOf(field('Date'))).toBe('The books are closed by then.'))
    expect(bodyOf(sent, '/receipts/5/void')).toEqual({ on: '2026-03-02', reason: 'Typed twice' })
  })

  test('that came back costs what the bank took and what Settings say', async () => {
    const sent = answerCalls({ 'POST /receipts/5/bounce': { status: 200, body: {} } })
    open()
    await press('Payment bounced')
    const panel = within(screen.getByRole('dialog', { name: 'The check bounced' }))
    await type('Reason given by the bank', 'No funds')
    await type('Bank’s fee to you', '9')
    await userEvent.click(panel.getByRole('button', { name: /^Record as bounced/ }))
    await waitFor(() => expect(said).toEqual(['Receipt R-26-5 bounced. The invoices it paid are unpaid again.']))
    expect(bodyOf(sent, '/receipts/5/bounce')).toEqual({
      on: '2026-03-02',
      reason: 'No funds',
      fee: '15.00',
      bankFee: '9.00',
    })
  })

  test('offers only what can still be done, and prints by itself where that was asked', () => {
    answerCalls({})
    const opened = vi.spyOn(window, 'open').mockReturnValue(null)
    open({ mayVoid: false, mayBounce: false, print: true })
    expect(screen.queryByRole('button', { name: 'Void' })).toBeNull()
    expect(screen.queryByRole('button', { name: 'Payment bounced' })).toBeNull()
    expect(opened).toHaveBeenCalledWith('/api/v1/export/receipts/5/slip.pdf', '_blank')
  })
})

describe('money that is held', () => {
  test('goes on what they owe, or back to them', async () => {
    const sent = answerCalls({
      'POST /held-uses': { status: 201, body: { used: '40.00' } },
      'POST /refunds': { status: 201, body: { number: 'F-26-1', amount: '25.00' } },
    })
    render(
      <HeldActions
        customerId={3}
        name="Hazel Adair"
        currency="USD"
        today={TODAY}
        owes
        held={[
          { saleId: null, amount: '40.00' },
          { saleId: 7, amount: '100.00' },
        ]}
      />,
    )
    await press('Apply to balance due')
    await waitFor(() => expect(said).toEqual(['40.00 applied to the balance of Hazel Adair.']))
    await press('Refund 100.00 deposit')
    expect(field('Amount').value).toBe('100.00')
    await type('Amount', '25')
    await pick('Cash')
    await press('Refund')
    await waitFor(() => expect(said[1]).toBe('Refund F-26-1: 25.00 to Hazel Adair.'))
    expect(bodyOf(sent, '/refunds')).toEqual({
      customerId: 3,
      saleId: 7,
      on: '2026-03-02',
      amount: '25.00',
      method: 'cash',
    })
  })
})

describe('a paper taken back', () => {
  test.each([
    ['refund', '/refunds/4/void', 'Void the refund'],
    ['write-off', '/write-offs/4/recover', 'Owed after all'],
    ['held-move', '/held-moves/4/reverse', 'Put the held money back'],
  ] as const)('a %s', async (kind, path, does) => {
    const sent = answerCalls({ [`POST ${path}`]: { status: 200, body: {} } })
    render(<TakeBack kind={kind} id={4} today={TODAY} />)
    await press('take back')
    await type('Reason', 'A slip')
    await press(new RegExp(`^${does}`))
    await waitFor(() => expect(bodyOf(sent, path)).toEqual({ on: '2026-03-02', reason: 'A slip' }))
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
  })
})

describe('an invoice', () => {
  const invoice = {
    id: 9,
    saleId: 7,
    customerId: 3,
    draft: false,
    on: TODAY,
    kind: 'invoice' as const,
    currency: 'USD',
    left: '108.00',
    open: '58.00',
    lines: [
      { lineId: 1, description: 'Violin', quantity: '2' },
      { lineId: 2, description: 'Set-up', quantity: '1' },
    ],
  }

  test('as a draft is changed line by line, issued, or thrown away', async () => {
    const sent = answerCalls({
      'PATCH /invoices/9': { status: 200, body: {} },
      'POST /invoices/9/issue': { status: 200, body: { number: 'I-26-1', open: '108.00' } },
      'DELETE /invoices/9': { status: 200, body: {} },
    })
    render(<InvoiceActions invoice={{ ...invoice, draft: true }} today={TODAY} />)
    await press('Change')
    await type('Invoice: Violin', '1')
    await type('Invoice: Set-up', '')
    await userEvent.click(within(screen.getByRole('dialog')).getByRole('button', { name: /Save draft/ }))
    await waitFor(() => expect(said).toEqual(['Draft saved.']))
    expect(bodyOf(sent, '/invoices/9')).toEqual({ on: '2026-03-02', lines: [{ lineId: 1, quantity: '1' }] })
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
    await press('Issue invoice')
    await waitFor(() => expect(said[1]).toBe('Invoice I-26-1 issued. Balance due 108.00.'))
    await press('Delete draft')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/sales/7'))
  })

  test('is credited as a whole, with its goods, and billed again', async () => {
    const sent = answerCalls({
      'POST /invoices/9/credit-notes': {
        status: 201,
        body: { id: 12, number: 'C-26-1', totals: { gross: '108.00' }, draftId: 13 },
      },
    })
    render(<InvoiceActions invoice={invoice} today={TODAY} />)
    await press('Credit note')
    await tick('Create a corrected draft invoice')
    await type('Reason', 'Wrong price')
    await press('Create credit note')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/invoices/13'))
    expect(said).toEqual(['Credit note C-26-1 for 108.00 created. The draft invoice is ready.'])
    expect(bodyOf(sent, '/invoices/9/credit-notes')).toMatchObject({ reason: 'Wrong price', draftAgain: true })
  })

  test('is credited by an amount, which is marked where it is too much', async () => {
    const sent = answerCalls({
      'POST /invoices/9/credit-notes': refuses({ path: 'amount', message: '108.00 is left to credit.' }),
    })
    render(<InvoiceActions invoice={invoice} today={TODAY} />)
    await press('Credit note')
    await tick('An amount incl. tax')
    expect(screen.queryByLabelText('Return goods to stock')).toBeNull()
    await type('Amount with tax', '500')
    await type('Reason', 'Too much')
    await choose('If it was already paid', 'Refund in cash')
    await press('Create credit note')
    await waitFor(() => expect(noteOf(field('Amount with tax'))).toBe('108.00 is left to credit.'))
    expect(bodyOf(sent, '/invoices/9/credit-notes')).toMatchObject({
      amount: '500.00',
      refund: 'cash',
      returnGoods: false,
    })
  })

  test('is credited line by line', async () => {
    const sent = answerCalls({
      'POST /invoices/9/credit-notes': { status: 201, body: { id: 12, number: 'C-26-1', totals: { gross: '54.00' } } },
    })
    render(<InvoiceActions invoice={invoice} today={TODAY} />)
    await press('Credit note')
    await tick('Selected lines')
    await type('Credit: Violin', '1')
    await type('Reason', 'One came back')
    await press('Create credit note')
    await waitFor(() =>
      expect(bodyOf(sent, '/invoices/9/credit-notes')).toMatchObject({
        lines: [{ lineId: 1, quantity: '1' }],
      }),
    )
  })

  test('that is paid and credited offers neither', () => {
    answerCalls({})
    render(<InvoiceActions invoice={{ ...invoice, left: '0.00', open: '0.00' }} today={TODAY} />)
    expect(screen.queryByRole('button', { name: 'Credit note' })).toBeNull()
    expect(screen.queryByText('Take payment')).toBeNull()
  })
})

describe('the books', () => {
  const open = (closed = true) =>
    render(
      <BooksActions
        today={TODAY}
        currency="USD"
        closed={closed}
        accounts={[
          { code: '6300', name: 'Rent' },
          { code: '1010', name: 'Bank' },
        ]}
      />,
    )

  test('take an entry, and say while it is typed by how much it differs', async () => {
    const sent = answerCalls({ 'POST /books/entries': { status: 201, body: {} } })
    open()
    await press('New journal entry')
    await type('Description', 'Rent of March')
    await choose('Account of line 1', '6300 Rent')
    await type('Debit of line 1', '400')
    expect(screen.getByText('differs by 400.00')).toBeTruthy()
    await choose('Account of line 2', '1010 Bank')
    await type('Credit of line 2', '400')
    expect(screen.queryByText(/differs by/)).toBeNull()
    await press('Add line')
    expect(field('Account of line 3')).toBeTruthy()
    await press('Post entry')
    await waitFor(() => expect(said).toEqual(['Entry posted.']))
    // The line left empty is not sent.
    expect(bodyOf(sent, '/books/entries')).toEqual({
      on: '2026-03-02',
      text: 'Rent of March',
      lines: [
        { account: '6300', debit: '400.00' },
        { account: '1010', credit: '400.00' },
      ],
    })
  })

  test('close through a day', async () => {
    const sent = answerCalls({ 'POST /books/close': refuses({ path: 'through', message: 'A day before today.' }) })
    open(false)
    expect(screen.queryByRole('button', { name: 'Reopen a period' })).toBeNull()
    await press('Close a period')
    await type('Closed through', 't')
    await press('Close period')
    await waitFor(() => expect(noteOf(field('Closed through'))).toBe('A day before today.'))
    expect(bodyOf(sent, '/books/close')).toEqual({ through: '2026-03-02', reason: '' })
  })

  test('open again with the passphrase and a reason', async () => {
    const sent = answerCalls({ 'POST /books/reopen': { status: 200, body: {} } })
    open()
    await press('Reopen a period')
    await type('Reason', 'A bill came late')
    await type('Your passphrase again', 'a long passphrase')
    await press(/^Reopen(?! a)/)
    await waitFor(() =>
      expect(bodyOf(sent, '/books/reopen')).toEqual({
        through: null,
        passphrase: 'a long passphrase',
        reason: 'A bill came late',
      }),
    )
  })
})
