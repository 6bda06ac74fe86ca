import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { DrawerForms } from '@/ui/till/DrawerForms'
import { ToBankForms } from '@/ui/till/ToBankForms'
import { answerCalls, type Sent } from './calls'
import { button, choose, field, noteOf, press, tick, type } from './hands'
import { said } from './world'

const TODAY = day('2026-03-02')
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path)?.body

describe('the drawer', () => {
  const open = (currency = 'USD') =>
    render(
      <DrawerForms
        on={TODAY}
        today={TODAY}
        currency={currency}
        expected="120.00"
        accounts={[{ code: '6300', name: 'Postage' }]}
      />,
    )

  test('takes cash in and out, for a reason and on an account', async () => {
    const sent = answerCalls({ 'POST /drawer/moves': { status: 201, body: { number: 'M-26-1' } } })
    open()
    await type('Amount', '12')
    await type('Reason', 'Stamps')
    await choose('Account', 'Postage')
    await press('Take out')
    await waitFor(() => expect(said).toEqual(['M-26-1: 12.00 taken out.']))
    expect(bodyOf(sent, '/drawer/moves')).toEqual({
      on: '2026-03-02',
      direction: 'out',
      amount: '12.00',
      reason: 'Stamps',
      account: '6300',
    })
    expect(field('Amount').value).toBe('')
  })

  test('is counted piece by piece, and says what is short before it is closed', async () => {
    const sent = answerCalls({ 'POST /drawer/counts': { status: 201, body: { number: 'C-26-1', over: '-0.25' } } })
    open()
    await type('How many of 50.00', '2')
    await type('How many of 1.00', '19')
    await type('How many of 0.25', '3')
    // 100.00 + 19.00 + 0.75 against 120.00
    expect(screen.getByRole('status').textContent).toBe('119.75 counted, 120.00 expected: 0.25 short.')
    await press('Close the day')
    await waitFor(() => expect(said).toEqual(['Count C-26-1 saved: 0.25 short, posted.']))
    expect(bodyOf(sent, '/drawer/counts')).toEqual({
      on: '2026-03-02',
      pieces: { '50.00': 2, '1.00': 19, '0.25': 3 },
    })
  })

  test('is counted as a sum where that is all that is known', async () => {
    const sent = answerCalls({ 'POST /drawer/counts': { status: 201, body: { number: 'C-26-1', over: '0.00' } } })
    open()
    await type('Or just the total', '120')
    await press('Close the day')
    await waitFor(() => expect(said).toEqual(['Count C-26-1 saved: exact.']))
    expect(bodyOf(sent, '/drawer/counts')).toEqual({ on: '2026-03-02', counted: '120.00' })
  })

  test('has no list of coins for a currency whose coins it does not know', () => {
    answerCalls({})
    open('JPY')
    expect(screen.queryByLabelText(/^How many of/)).toBeNull()
    expect(field('Total in the drawer')).toBeTruthy()
  })
})

describe('to the bank', () => {
  const waits = (id: number, number: string, amount: string) => ({
    id,
    number,
    on: '1 Mar',
    customer: 'Orla Finch',
    reference: '',
    amount,
  })
  const open = (cheques = [waits(1, 'R-1', '100.00'), waits(2, 'R-2', '50.00')], most = 500) => (
    <ToBankForms
      today={TODAY}
      currency="USD"
      inDrawer="80.00"
      cheques={cheques}
      cards={[waits(3, 'R-3', '200.00'), waits(4, 'R-4', '30.00')]}
      most={most}
    />
  )

  test('goes every cheque that waits, and cash', async () => {
    const sent = answerCalls({ 'POST /banking-slips': { status: 201, body: { number: 'B-26-1', total: '180.00' } } })
    const { rerender } = render(open())
    expect(noteOf(field('Cash from the drawer'))).toBe('Drawer should hold 80.00')
    await type('Cash from the drawer', '30')
    await press('Take 180.00 to the bank')
    await waitFor(() => expect(said).toEqual(['Slip B-26-1: 180.00 goes to the bank.']))
    expect(bodyOf(sent, '/banking-slips')).toEqual({ on: '2026-03-02', cash: '30.00', cheques: [1, 2] })
    // One went: what is sent next is what waits now.
    rerender(open([waits(2, 'R-2', '50.00')]))
    await press('Take 80.00 to the bank')
    await waitFor(() => expect(bodyOf(sent, '/banking-slips')).toMatchObject({ cheques: [2] }))
  })

  test('a cheque can stay behind', async () => {
    answerCalls({})
    render(open())
    await tick('Receipt R-1 of Orla Finch')
    expect(button('Take 50.00 to the bank')).toBeTruthy()
  })

  test('says so where no more are listed than the oldest', () => {
    render(open([waits(1, 'R-1', '100.00'), waits(2, 'R-2', '50.00'), waits(5, 'R-5', '1.00')], 3))
    // Of three checks and two card payments.
    expect(screen.getAllByText(/oldest are listed/).map((e) => e.textContent)).toEqual([
      'The 3 oldest are listed. The others follow when these are recorded.',
    ])
  })

  test('card takings come less what the card company keeps', async () => {
    const sent = answerCalls({ 'POST /card-settlements': { status: 201, body: { number: 'K-26-1', net: '225.40' } } })
    render(open())
    expect(button('Record payout').disabled).toBe(true)
    await tick('Receipt R-3 of Orla Finch')
    await type('Amount on the statement', '225.40')
    // More than the 200.00 chosen
    expect(screen.getByRole('alert').textContent).toContain('The payout is larger')
    expect(button('Record payout').disabled).toBe(true)
    await tick('Receipt R-4 of Orla Finch')
    expect(noteOf(field('Amount on the statement'))).toBe('230.00 selected, 4.60 fees')
    await press('Record payout')
    await waitFor(() => expect(said).toEqual(['K-26-1: 225.40 arrived.']))
    expect(bodyOf(sent, '/card-settlements')).toEqual({ on: '2026-03-02', receipts: [3, 4], fees: '4.60' })
  })
})
