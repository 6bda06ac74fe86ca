import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { OrderProposed } from '@/ui/buying/OrderProposed'
import { NO_SUPPLIER } from '@/ui/buying/supplierDraft'
import { PayForm } from '@/ui/buying/PayForm'
import { SetOff } from '@/ui/buying/SetOff'
import { SupplierForm } from '@/ui/buying/SupplierForm'
import { answerCalls, type Sent } from './calls'
import { userEvent } from './hand'
import { choose, field, noteOf, press, tick, type } from './hands'
import { router, said } from './world'

const TODAY = day('2026-03-02')
const codes = [{ code: 'STD', name: 'Sales tax' }]
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path && !s.preview)?.body

describe('suppliers', () => {
  test('are added with terms and bank; a wrong IBAN is told at its field', async () => {
    const sent = answerCalls({ 'POST /suppliers': { status: 201, body: { id: 3, name: 'Halden' } } })
    render(<SupplierForm id={null} start={NO_SUPPLIER} codes={codes} />)
    await type('Name', 'Halden')
    await type('Early discount, %', '2')
    await type('Within, days', '10')
    await type('IBAN', 'DE89 3704 0044 0532 0130 01')
    await press(/^Add supplier/)
    await waitFor(() => expect(noteOf(field('IBAN'))).toContain('check digits do not fit'))
    await type('IBAN', 'DE89 3704 0044 0532 0130 00')
    await type('Tax number', 'DE 811-1')
    await choose('Usual tax', 'Sales tax')
    await press(/^Add supplier/)
    await waitFor(() => expect(said).toEqual(['Halden added.']))
    expect(bodyOf(sent, '/suppliers')).toMatchObject({
      name: 'Halden',
      terms: { net: 30, discountPercent: '2', discountDays: 10 },
      taxNumber: 'DE 811-1',
      taxCode: 'STD',
    })
  })

  test('have contacts, addresses of their own for some papers, and may be a customer too', async () => {
    const sent = answerCalls({
      'PATCH /suppliers/3': { status: 200, body: { id: 3, name: 'Halden' } },
      'GET /customers': { status: 200, body: { items: [{ id: 8, name: 'Halden Oy', owed: '0.00' }] } },
    })
    const start = { ...NO_SUPPLIER, name: 'Halden', addresses: { orders: '', returns: 'Dock 4', checks: '' } }
    render(<SupplierForm id={3} start={start} codes={codes} />)
    await type('Orders go to', 'Desk 2')
    await type('Returns go to', '')
    await press('Add contact')
    await press('Add contact')
    await userEvent.type(screen.getAllByLabelText('Role')[0]!, 'Orders')
    await userEvent.type(screen.getAllByLabelText('Name')[1]!, 'Ida')
    await userEvent.type(field('Also a customer'), 'Hal')
    await userEvent.click(await screen.findByRole('option', { name: /Halden Oy/ }))
    expect(field('Also a customer').value).toBe('Halden Oy')
    await press(/^Save changes/)
    await waitFor(() => expect(said).toEqual(['Halden saved.']))
    expect(bodyOf(sent, '/suppliers/3')).toMatchObject({
      customerId: 8,
      addresses: [{ use: 'orders', text: 'Desk 2' }],
      contacts: [{ name: 'Ida', role: 'Orders' }],
    })
    await press('Not a customer')
    await press(/^Save changes/)
    await waitFor(() => expect(bodyOf(sent, '/suppliers/3')).toMatchObject({ customerId: null }))
  })

  test('tell which edition they were opened at, the newest after a save; one that is older is refused, and all stays typed', async () => {
    const answers = ['e2', 'e3']
    const sent = answerCalls({
      'PATCH /suppliers/3': () =>
        answers.length > 0
          ? { status: 200, body: { id: 3, name: 'Halden', edition: answers.shift() } }
          : {
              status: 409,
              body: { type: 'urn:iron-till:changed-since', detail: 'Halden was changed in another window.' },
            },
    })
    render(<SupplierForm id={3} edition="e1" start={{ ...NO_SUPPLIER, name: 'Halden' }} codes={codes} />)
    for (const [typed, times] of [
      ['Dock 1', 1],
      ['Dock 2', 2],
      ['Dock 3', 3],
    ] as const) {
      await type('Returns go to', typed)
      await press(/^Save changes/)
      await waitFor(() => expect(sent).toHaveLength(times))
    }
    expect(sent.map((c) => c.body)).toEqual(
      ['e1', 'e2', 'e3'].map((edition, i) => ({ addresses: [{ use: 'returns', text: `Dock ${i + 1}` }], edition })),
    )
    expect((await screen.findByRole('alert')).textContent).toContain('Halden was changed in another window.')
    expect(field('Returns go to').value).toBe('Dock 3')
  })

  test('are set off against what they owe as a customer, as far as both sides go', async () => {
    const sent = answerCalls({ 'POST /set-offs': { status: 201, body: { number: 'U-1', amount: '49.00' } } })
    render(<SetOff supplierId={3} name="Halden" owed="108.25" owe="50.00" currency="USD" today={TODAY} />)
    await press('Set off')
    expect(screen.getByText(/They owe 108.25 as a customer, and are owed 50.00 as a supplier/)).toBeTruthy()
    await userEvent.click(screen.getAllByRole('button', { name: /^Set off/ }).at(-1)!)
    await waitFor(() => expect(said).toEqual(['U-1: 49.00 set off.']))
    expect(bodyOf(sent, '/set-offs')).toEqual({ supplierId: 3, on: '2026-03-02' })
  })

  test('are paid by check from the bank alone', async () => {
    const sent = answerCalls({
      'POST /supplier-payments': {
        status: 201,
        body: {
          id: 5,
          number: 'E-1',
          supplier: 'Halden',
          amount: '40.00',
          discount: '0.00',
          ahead: '0.00',
          checkNumber: 1001,
        },
      },
    })
    const pay = (
      <PayForm
        supplierId={3}
        billId={null}
        amount="40.00"
        saves={null}
        currency="USD"
        today={TODAY}
        onDone={() => {}}
      />
    )
    render(pay)
    await choose('From', 'Drawer')
    expect(screen.queryByLabelText('As a check')).toBeNull()
    await choose('From', 'Bank')
    await tick('As a check')
    await press(/^Pay/)
    await waitFor(() => expect(said).toEqual(['E-1: 40.00 paid to Halden, check 1001.']))
    expect(bodyOf(sent, '/supplier-payments')).toMatchObject({ from: 'bank', check: 'next', for: 'oldest' })
    expect(router.push).toHaveBeenCalledWith('/buying/payments/5')
  })

  test('get one draft each of all that is proposed, and who got which is said', async () => {
    const orders = [
      { supplier: 'Halden', number: 'O-1' },
      { supplier: 'Corvo', number: 'O-2' },
    ]
    const sent = answerCalls({ 'POST /buying/proposals': { status: 201, body: { orders } } })
    render(<OrderProposed />)
    await press('Write the orders')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/buying?status=draft'))
    expect(said).toEqual(['Halden: draft O-1; Corvo: draft O-2.'])
    expect(sent.map((s) => s.path)).toEqual(['/buying/proposals'])
  })
})
