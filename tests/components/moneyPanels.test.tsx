import { screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import type { Doing } from '@/ui/sale/saleActs'
import type { SheetPromise, SheetSale } from '@/ui/sale/panels/parts'
import { answerCalls, refuses, type Sent } from './calls'
import { choose, field, noteOf, pick, press, rowsOf, tick, type } from './hands'
import { said, undos } from './world'
import { openPanel } from './sheetSale'

const SOLD: Partial<SheetSale> = {
  gross: '1200.00',
  held: '300.00',
  open: '900.00',
  usual: { terms: { net: 14 }, deposit: {}, layaway: {}, installments: { count: 6 }, late: {} },
}
const open = (doing: Doing, promise: Partial<SheetPromise> = {}, sale: Partial<SheetSale> = {}) =>
  openPanel(doing, { ...SOLD, ...sale }, promise)
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path)?.body

describe('how they pay', () => {
  const plan = (payments: readonly string[]) => ({
    status: 200,
    body: {
      rows: payments.map((payment, i) => ({
        due: `2026-0${i + 4}-02`,
        payment,
        principal: payment,
        charge: '0.00',
        balance: '0.00',
      })),
      financed: '1200.00',
      totalCharge: '0.00',
      totalPayments: '1200.00',
      effectiveYearlyRate: null,
    },
  })

  test('begins as Settings say, and shows what it means before anything is kept', async () => {
    const sent = answerCalls({
      'POST /plans/preview': plan(['400.00', '400.00', '400.00']),
      'POST /sales/7/arrangement': { status: 200, body: {} },
    })
    const closed = open('pay-how')
    await tick('Installments (goods go now)')
    expect(field('Number of payments').value).toBe('6')
    await type('Number of payments', '3')
    await waitFor(() => expect(rowsOf(screen.getByRole('table'))).toContain('2 Apr 2026 | 400.00 | 0.00'))
    // On a slow machine it may have been asked what stood there before.
    await waitFor(() =>
      expect(bodyOf(sent, '/plans/preview')).toMatchObject({ kind: 'installments', count: 3, total: '1200.00' }),
    )
    await press(/^Save terms/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(bodyOf(sent, '/sales/7/arrangement')).toMatchObject({
      kind: 'installments',
      count: 3,
      every: 'month',
      firstDue: '2026-04-02',
    })
  })

  test('marks the field the preview does not take', async () => {
    answerCalls({ 'POST /plans/preview': refuses({ path: 'net', message: 'Days are a whole number.' }) })
    open('pay-how')
    await tick('Net days')
    expect(field('Due in (days)').value).toBe('14')
    await waitFor(() => expect(noteOf(field('Due in (days)'))).toBe('Days are a whole number.'))
  })

  test('says in a sentence what cannot be planned at all', async () => {
    answerCalls({
      'POST /plans/preview': {
        status: 422,
        body: { type: 'x', detail: 'The first payment is more than the total.', errors: [] },
      },
    })
    open('pay-how')
    await tick('Layaway (goods stay until paid)')
    expect(await screen.findByText('The first payment is more than the total.')).toBeTruthy()
  })

  test('has the fields of its kind, and no others', async () => {
    answerCalls({ 'POST /plans/preview': plan(['1200.00']) })
    open('pay-how')
    expect(screen.queryByLabelText('How often')).toBeNull()
    await tick('Net days')
    expect(screen.queryByLabelText('How often')).toBeNull()
    expect(field('Early-payment discount, %')).toBeTruthy()
    await type('Number of payments', '2')
    // Parts have a rhythm; the discount is for who pays at once.
    expect(screen.getByLabelText('How often')).toBeTruthy()
    expect(screen.queryByLabelText('Early-payment discount, %')).toBeNull()
    await tick('Deposit first')
    expect(screen.getByLabelText('Apply to partial invoices')).toBeTruthy()
  })
})

describe('a plan that runs', () => {
  const plans = [
    { id: 11, number: 'P-26-1', card: '' },
    { id: 12, number: 'P-26-2', card: '1111' },
  ]

  test('is paid off for what the quote says', async () => {
    const sent = answerCalls({
      'POST /sales/7/installments/quote': {
        status: 200,
        body: { open: '640.00', earned: '10.00', givenBack: '30.00', payoff: '610.00' },
      },
      'POST /sales/7/installments/payoff': { status: 200, body: { payoff: '610.00', givenBack: '30.00' } },
    })
    open('pay-off', { plans })
    expect(await screen.findByText('610.00')).toBeTruthy()
    expect(screen.getByText('−30.00')).toBeTruthy()
    await choose('Which plan', 'P-26-2')
    await pick('Cash')
    await press(/^Take payment and close plan/)
    await waitFor(() => expect(said).toEqual(['Paid off: 610.00. Finance charge waived: 30.00.']))
    expect(bodyOf(sent, '/sales/7/installments/payoff')).toEqual({ on: '2026-03-02', planId: 12, method: 'cash' })
    expect(bodyOf(sent, '/sales/7/installments/quote')).toMatchObject({ planId: 12 })
  })

  test('is arranged anew, with its charge or another', async () => {
    const sent = answerCalls({
      'POST /sales/7/installments/reschedule': { status: 200, body: { totalPayments: '670.00' } },
    })
    open('reschedule', { plans: plans.slice(0, 1) })
    expect(screen.queryByLabelText('Which plan')).toBeNull()
    await type('Number of payments', '5')
    await choose('How often', 'Every two weeks')
    await type('New finance charge', '30')
    await press(/^Reschedule/)
    await waitFor(() => expect(said).toEqual(['Rescheduled: 670.00 in 5 payments.']))
    expect(bodyOf(sent, '/sales/7/installments/reschedule')).toEqual({
      planId: 11,
      count: 5,
      every: 'two-weeks',
      firstDue: '2026-04-02',
      charge: { flat: '30.00' },
    })
  })

  test('keeps a card, and forgets it', async () => {
    const sent = answerCalls({ 'POST /sales/7/installments/card': { status: 200, body: {} } })
    open('card', { plans })
    await choose('Which plan', 'P-26-2')
    expect(screen.getByText('Card ending 1111 is saved.')).toBeTruthy()
    await press('Remove card')
    await waitFor(() => expect(said).toEqual(['Card removed.']))
    expect(bodyOf(sent, '/sales/7/installments/card')).toEqual({ planId: 12 })
  })

  test('does not keep a number that is no card', async () => {
    const sent = answerCalls({})
    const closed = open('card', { plans })
    await type('Card number', '12')
    await press(/^Save card/)
    await waitFor(() => expect(noteOf(field('Card number'))).toBe('A card number has sixteen digits.'))
    expect(field('Card number').value).toBe('12')
    expect(sent).toEqual([])
    expect(closed).not.toHaveBeenCalled()
  })
})

describe('a layaway given up', () => {
  test('says what is kept and what goes back, then does it', async () => {
    const sent = answerCalls({
      'POST /sales/7/layaway/give-up': { status: 200, body: { paid: '300.00', fee: '15.00', refund: '285.00' } },
    })
    open('give-up', { layaway: { stands: 'paying in', left: '900.00', fee: '15.00', back: '285.00' } })
    expect(screen.getByText('−15.00')).toBeTruthy()
    expect(screen.getByText('285.00')).toBeTruthy()
    await press(/^Cancel layaway/)
    await waitFor(() =>
      expect(said).toEqual(['Layaway canceled: 15.00 fee kept, 285.00 refunded. The goods are available again.']),
    )
    expect(bodyOf(sent, '/sales/7/layaway/give-up')).toEqual({ on: '2026-03-02', method: 'cash' })
  })
})

describe('a promise to pay', () => {
  test('is for all that is open, in a week, where nothing else is said', async () => {
    const sent = answerCalls({ 'POST /sales/7/promises': { status: 201, body: {} } })
    open('promise')
    expect([field('Will pay by').value, field('Amount').value]).toEqual(['9 Mar 2026', '900.00'])
    await type('Note', 'After the concert')
    await press(/^Save promise/)
    await waitFor(() =>
      expect(bodyOf(sent, '/sales/7/promises')).toEqual({
        by: '2026-03-09',
        amount: '900.00',
        note: 'After the concert',
      }),
    )
  })
})

describe('held money', () => {
  const promise = { onAccount: '40.00', otherSales: [{ id: 8, number: 1008, title: 'A bow' }] }

  test('goes back, and what goes back begins as all of it', async () => {
    const sent = answerCalls({ 'POST /refunds': { status: 201, body: { number: 'F-26-1', amount: '300.00' } } })
    open('held', promise)
    expect(screen.getByText('300.00 is held for this sale, 40.00 on their account.')).toBeTruthy()
    await pick('Cash')
    await press(/^Refund Ctrl/)
    await waitFor(() =>
      expect(bodyOf(sent, '/refunds')).toEqual({
        customerId: 3,
        saleId: 7,
        amount: '300.00',
        method: 'cash',
        on: '2026-03-02',
      }),
    )
    expect(said).toEqual(['Refund F-26-1: 300.00 to Hazel Adair.'])
  })

  test.each([
    ['Move it to another sale', { fromSaleId: 7, toSaleId: 8, amount: '300.00' }],
    ['Keep it on account', { fromSaleId: 7, amount: '300.00' }],
    ['Use money from their account', { toSaleId: 7, amount: '40.00' }],
  ])('can: %s', async (way, expected) => {
    const sent = answerCalls({ 'POST /held-moves': { status: 201, body: {} } })
    open('held', promise)
    await tick(way)
    await press(/^Save/)
    await waitFor(() => expect(bodyOf(sent, '/held-moves')).toEqual({ customerId: 3, on: '2026-03-02', ...expected }))
  })

  test('offers only what there is money and a sale for', () => {
    answerCalls({})
    open('held', {}, { held: '300.00' })
    const ways = screen.getAllByRole('radio').map((r) => r.closest('label')?.textContent?.trim())
    expect(ways).not.toContain('Move it to another sale')
    expect(ways).not.toContain('Use money from their account')
  })
})

describe('what will not come', () => {
  const dues = [
    { id: 21, name: 'Invoice I-26-1', dueOn: day('2026-02-01'), open: '108.00', late: true },
    { id: 22, name: 'Invoice I-26-2', dueOn: day('2026-04-01'), open: '50.00', late: false },
  ]

  test('is written off due by due, with why', async () => {
    const sent = answerCalls({
      'POST /dues/22/write-off': { status: 201, body: { id: 4, number: 'W-26-1', amount: '50.00' } },
      'POST /write-offs/4/recover': { status: 409, body: { type: 'x', detail: 'The books are closed by then.' } },
    })
    open('write-off', { dues })
    expect(field('Amount').value).toBe('108.00')
    await choose('Which', 'Invoice I-26-2: 50.00 open')
    expect(field('Amount').value).toBe('50.00')
    await type('Reason', 'Moved away')
    await press(/^Write off/)
    await waitFor(() => expect(said).toEqual(['W-26-1: 50.00 written off.']))
    expect(bodyOf(sent, '/dues/22/write-off')).toEqual({ amount: '50.00', reason: 'Moved away', on: '2026-03-02' })
    // What is undone is voided on its own day; where that cannot be, it is said why.
    undos[0]!()
    await waitFor(() => expect(said.at(-1)).toBe('The books are closed by then.'))
    expect(bodyOf(sent, '/write-offs/4/recover')).toEqual({ on: '2026-03-02', reason: 'Undone right away' })
  })

  test('is charged for being late as it was agreed', async () => {
    const sent = answerCalls({ 'POST /dues/21/late-charge': { status: 201, body: { amount: '3.24' } } })
    open('charge-late', { dues, lateCharges: [{ dueId: 21, name: 'Invoice I-26-1', amount: '3.24' }] })
    // Only what is late can be charged for.
    expect([...screen.getByLabelText<HTMLSelectElement>('For').options].map((o) => o.text)).toEqual([
      'Invoice I-26-1: 108.00 open',
    ])
    expect(noteOf(screen.getByRole('textbox', { name: 'Late fee' }))).toBe('As agreed')
    await press(/^Add late fee/)
    await waitFor(() => expect(bodyOf(sent, '/dues/21/late-charge')).toEqual({ amount: '3.24', on: '2026-03-02' }))
  })
})
