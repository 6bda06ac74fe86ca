import { render, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { BillForm } from '@/ui/buying/BillForm'
import { PayForm } from '@/ui/buying/PayForm'
import { VoidBought } from '@/ui/buying/VoidBought'
import { answerCalls, type Sent } from './calls'
import { userEvent } from './hand'
import { choose, field, noteOf, press, type } from './hands'
import { said } from './setUp'

const TODAY = day('2026-03-02')
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path && !s.preview)?.body
const nothing = () => {}

describe('a bill of a supplier', () => {
  const ACCOUNTS = [
    { id: 40, code: '6000', name: 'Rent' },
    { id: 41, code: '6010', name: 'Utilities and telephone' },
  ]
  const open = (goods: Parameters<typeof BillForm>[0]['goods']) =>
    render(
      <BillForm
        supplier={{ id: 3, name: 'Halden String Works' }}
        goods={goods}
        accounts={ACCOUNTS}
        codes={[{ code: 'STD', name: 'Sales tax' }]}
        currency="USD"
        today={TODAY}
      />,
    )
  const answer = {
    status: 201,
    body: { id: 5, number: 'I-5', supplier: 'Halden', totals: { gross: '62.79' }, priceDifference: '2.00' },
  }

  test('for what came, at the price it asks, with its tax; and one line by account', async () => {
    const sent = answerCalls({ 'POST /bills': answer })
    open([{ receivedLineId: 8, description: 'Music stand', quantity: '4', unitCost: '14' }])
    await type('Number on their bill', 'HS-1')
    const goods = within(screen.getByRole('group', { name: 'Music stand' }))
    const cost = goods.getByLabelText<HTMLInputElement>('Cost of one')
    await userEvent.clear(cost)
    await userEvent.type(cost, '14.50')
    await userEvent.selectOptions(goods.getByLabelText('Tax'), 'STD')
    await userEvent.click(screen.getByText('Add a line by account'))
    const carriage = within(screen.getByRole('group', { name: 'line 2' }))
    await userEvent.type(carriage.getByLabelText('What for'), 'Carriage')
    await userEvent.selectOptions(carriage.getByLabelText('Account'), '41')
    await userEvent.type(carriage.getByLabelText('Net'), '9.90')
    await press(/^Enter bill/)
    await waitFor(() => expect(said).toEqual(['I-5: 62.79 owed to Halden. 2.00 other than the goods came in at.']))
    expect(bodyOf(sent, '/bills')).toEqual({
      supplierId: '3',
      theirNumber: 'HS-1',
      on: '2026-03-02',
      lines: [
        { receivedLineId: 8, description: 'Music stand', quantity: '4', unitCost: '14.5', taxCode: 'STD' },
        { accountId: '41', description: 'Carriage', amount: '9.90' },
      ],
    })
  })

  test('without their number is not sent, and says so at the field', async () => {
    const sent = answerCalls({ 'POST /bills': answer })
    open([])
    await press(/^Enter bill/)
    await waitFor(() => expect(noteOf(field('Number on their bill'))).toContain('is needed'))
    expect(sent.filter((s) => !s.preview && s.path === '/bills')).toEqual([])
  })

  test('is paid, early with what is let off, or void with a reason', async () => {
    const sent = answerCalls({
      'POST /supplier-payments': {
        status: 201,
        body: { number: 'E-1', amount: '56.84', supplier: 'Halden', discount: '1.16', ahead: '0.00' },
      },
      'POST /bills/5/void': { status: 200, body: {} },
    })
    const { unmount } = render(
      <PayForm
        supplierId={3}
        billId={5}
        amount="58.00"
        discount={{ through: day('2026-03-09'), amount: '1.16' }}
        currency="USD"
        today={TODAY}
        onDone={nothing}
      />,
    )
    expect(document.body.textContent).toContain('1.16 less when it is paid by 9 Mar 2026')
    await type('Amount', '56.84')
    await choose('From', 'Drawer')
    await press(/^Pay/)
    await waitFor(() => expect(said).toEqual(['E-1: 56.84 paid to Halden. 1.16 let off.']))
    expect(bodyOf(sent, '/supplier-payments')).toEqual({
      supplierId: 3,
      from: 'drawer',
      amount: '56.84',
      on: '2026-03-02',
      for: [{ billId: 5, amount: '56.84' }],
    })
    unmount()
    render(<VoidBought kind="bill" id={5} today={TODAY} />)
    await press('Void')
    await type('Reason', 'Not ours')
    await press(/^Void the bill/)
    await waitFor(() => expect(bodyOf(sent, '/bills/5/void')).toEqual({ reason: 'Not ours', on: '2026-03-02' }))
  })
})
