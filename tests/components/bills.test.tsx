import { render, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { CreditForm } from '@/ui/buying/CreditForm'
import { SendBackForm } from '@/ui/buying/SendBackForm'
import { BillForm } from '@/ui/buying/BillForm'
import { PayForm } from '@/ui/buying/PayForm'
import { BillActs } from '@/ui/buying/BillActs'
import { answerCalls, type Sent } from './calls'
import { userEvent } from './hand'
import { choose, field, noteOf, press, type } from './hands'
import { said } from './world'

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
        supplier={{ id: 3, name: 'Halden String Works', taxCode: null }}
        goods={goods}
        accounts={ACCOUNTS}
        codes={[{ code: 'STD', name: 'Sales tax' }]}
        currency="USD"
        today={TODAY}
      />,
    )
  const answer = {
    status: 201,
    body: {
      id: 5,
      number: 'I-5',
      supplier: 'Halden',
      totals: { gross: '62.79' },
      open: '62.79',
      priceDifference: '2.00',
    },
  }

  test('takes the tax that is usual for who is chosen, where none was chosen', async () => {
    const sent = answerCalls({
      'POST /bills': answer,
      'GET /suppliers': { status: 200, body: { items: [{ id: 4, name: 'Ahola', owed: '0.00' }] } },
      'GET /suppliers/4': { status: 200, body: { id: 4, name: 'Ahola', taxCode: 'STD' } },
    })
    const codes = ['STD', 'LOW'].map((code) => ({ code, name: code }))
    render(<BillForm supplier={null} goods={[]} accounts={ACCOUNTS} codes={codes} currency="USD" today={TODAY} />)
    await userEvent.click(screen.getByText('Add a line by account'))
    const taxes = () => screen.getAllByLabelText<HTMLSelectElement>('Tax').map((t) => t.value)
    await userEvent.selectOptions(screen.getAllByLabelText('Tax')[1]!, 'LOW')
    await userEvent.type(field('Supplier'), 'Aho')
    await userEvent.click(await screen.findByRole('option', { name: /Ahola/ }))
    await waitFor(() => expect(taxes()).toEqual(['STD', 'LOW']))
    await userEvent.click(screen.getByText('Add a line by account'))
    expect(taxes()).toEqual(['STD', 'LOW', 'STD'])
    expect(bodyOf(sent, '/bills')).toBeUndefined()
  })

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
    await waitFor(() => expect(said).toEqual(['I-5: 62.79 owed to Halden. 2.00 other than received at.']))
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
        body: {
          number: 'E-1',
          amount: '56.84',
          supplier: 'Halden',
          discount: '1.16',
          ahead: '0.00',
          checkNumber: null,
        },
      },
      'POST /bills/5/void': { status: 200, body: {} },
    })
    const { unmount } = render(
      <PayForm
        supplierId={3}
        billId={5}
        amount="56.84"
        saves={{ through: day('2026-03-09'), amount: '1.16' }}
        currency="USD"
        today={TODAY}
        onDone={nothing}
      />,
    )
    expect(document.body.textContent).toContain('1.16 is let off when this is paid by 9 Mar 2026')
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
    render(
      <BillActs
        bill={{
          id: 5,
          supplierId: 3,
          supplier: 'Halden',
          toPay: '0.00',
          discount: null,
          isOpen: false,
          on: TODAY,
          mayRepeat: true,
        }}
        waiting={[]}
        costs={[]}
        received={[]}
        currency="USD"
        today={TODAY}
      />,
    )
    await press('Void')
    await type('Reason', 'Not ours')
    await press(/^Void the bill/)
    await waitFor(() => expect(bodyOf(sent, '/bills/5/void')).toEqual({ reason: 'Not ours', on: '2026-03-02' }))
  })

  test('is credited for goods that went back, or by an amount where none are', async () => {
    const credit = { number: 'J-1', theirNumber: 'C-7', totals: { net: '28.00', tax: '0.00', gross: '28.00' } }
    const sent = answerCalls({ 'POST /bills/5/credits': { status: 201, body: credit } })
    const { unmount } = render(
      <CreditForm
        billId={5}
        waiting={[{ receivedLineId: 8, description: 'Music stand', quantity: '2' }]}
        currency="USD"
        today={TODAY}
        onDone={nothing}
      />,
    )
    expect(screen.queryByLabelText(/^Amount/)).toBeNull()
    await type('Number on their credit', 'C-7')
    await press(/^Enter credit/)
    await waitFor(() => expect(noteOf(field('Reason'))).toContain('needed'))
    await type('Reason', 'Bent')
    await press(/^Enter credit/)
    await waitFor(() => expect(said).toEqual(['C-7: 28.00 credited.']))
    expect(bodyOf(sent, '/bills/5/credits')).toEqual({
      on: '2026-03-02',
      theirNumber: 'C-7',
      reason: 'Bent',
      lines: [{ receivedLineId: 8, quantity: '2' }],
    })
    unmount()
    render(<CreditForm billId={5} waiting={[]} currency="USD" today={TODAY} onDone={nothing} />)
    await type('Amount, tax included', '5')
    await type('Reason', 'Late')
    await press(/^Enter credit/)
    await waitFor(() => expect(bodyOf(sent, '/bills/5/credits')).toMatchObject({ amount: '5.00', reason: 'Late' }))
  })

  test('and what came goes back in part, by serial where there are some', async () => {
    const sent = answerCalls({ 'POST /goods-received/9/returns': { status: 201, body: { number: 'Q-1' } } })
    render(
      <SendBackForm
        receivedId={9}
        lines={[
          { id: 1, name: 'Music stand', left: '4', track: 'none' },
          { id: 2, name: 'Viola', left: '2', track: 'serial' },
        ]}
        currency="USD"
        today={TODAY}
        onDone={nothing}
      />,
    )
    await type('Viola, of 2', '1')
    await type('Serials of Viola', 'VA-1')
    await type('Reason', 'Buzzes')
    await press(/^Send back/)
    await waitFor(() => expect(said).toEqual(['Q-1: sent back.']))
    expect(bodyOf(sent, '/goods-received/9/returns')).toEqual({
      on: '2026-03-02',
      reason: 'Buzzes',
      lines: [{ lineId: 2, quantity: '1', serials: ['VA-1'] }],
    })
  })
})
