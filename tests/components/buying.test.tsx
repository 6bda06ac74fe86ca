import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { OrderActs } from '@/ui/buying/OrderActs'
import { OrderForm } from '@/ui/buying/OrderForm'
import { ReceiveForm } from '@/ui/buying/ReceiveForm'
import { answerCalls, refuses, type Sent } from './calls'
import { userEvent } from './hand'
import { choose, field, noteOf, press, tick, type } from './hands'
import { router, said } from './world'

const TODAY = day('2026-03-02')
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path && !s.preview)?.body
const nothing = () => {}
const ROSIN = { id: 7, code: 'RO', name: 'Rosin', kind: 'stock', price: '12.50', available: '3', piece: null }
const SUPPLIERS = { status: 200, body: { items: [{ id: 3, name: 'Halden String Works' }], next: null } }

describe('an order to a supplier', () => {
  const open = () =>
    render(
      <OrderForm
        id={null}
        supplier=""
        today={TODAY}
        start={{ supplierId: '', wantedBy: '', confirmedFor: '', note: '', lines: [] }}
      />,
    )

  test('is written by finding the supplier and the goods, and words beside them', async () => {
    const sent = answerCalls({
      'GET /suppliers': SUPPLIERS,
      'GET /goods': { status: 200, body: { items: [ROSIN], next: null } },
      'POST /purchase-orders': { status: 201, body: { id: 9, number: 'O-2026-0009' } },
    })
    open()
    await press(/^Save order/)
    await waitFor(() => expect(screen.getByText(/Choose a supplier/)).toBeTruthy())
    await userEvent.type(field('Supplier'), 'hal')
    await screen.findByRole('option', { name: /Halden/ })
    await userEvent.keyboard('{Enter}')
    const add = 'Add an item: name, code or barcode'
    await userEvent.type(field(add), 'ros')
    await screen.findByRole('option', { name: /^Rosin/ })
    await userEvent.keyboard('{Enter}')
    await type('How many: Rosin', '24')
    await type('Cost of one: Rosin', '4.10')
    await press(/^Save order/)
    await waitFor(() => expect(said).toEqual(['Order O-2026-0009 saved as a draft.']))
    expect(bodyOf(sent, '/purchase-orders')).toEqual({
      supplierId: '3',
      wantedBy: null,
      confirmedFor: null,
      note: '',
      lines: [{ goodsId: 7, description: 'Rosin', quantity: '24', unitCost: '4.1' }],
    })
    expect(router.push).toHaveBeenCalledWith('/buying/orders/9')
  })

  test('is changed line by line; one is taken out', async () => {
    const sent = answerCalls({ 'PATCH /purchase-orders/9': { status: 200, body: { id: 9, number: 'O-9' } } })
    const line = (lineId: number, description: string) => ({ lineId, description, quantity: '2', unitCost: '5' })
    render(
      <OrderForm
        id={9}
        supplier="Halden"
        today={TODAY}
        start={{
          supplierId: '3',
          wantedBy: '',
          confirmedFor: '',
          note: '',
          lines: [line(1, 'Rosin'), line(2, 'Cloth')],
        }}
      />,
    )
    await press('Remove Rosin')
    await type('How many: Cloth', '5')
    await press(/^Save order/)
    await waitFor(() => expect(said).toEqual(['Order O-9 saved.']))
    expect(bodyOf(sent, '/purchase-orders/9')).toMatchObject({ lines: [{ lineId: 2, quantity: '5' }] })
  })

  const acts = (status: 'draft' | 'sent' | 'closed', goes: { direct?: boolean; canGoDirect?: boolean } = {}) =>
    render(
      <OrderActs
        id={9}
        number="O-9"
        status={status}
        changed={false}
        supplierId={3}
        canInvoice={false}
        direct={goes.direct ?? false}
        canGoDirect={goes.canGoDirect ?? false}
        places={[]}
        today={TODAY}
        lines={
          status === 'closed' ? [] : [{ id: 1, description: 'Rosin', toReceive: '2', track: 'none', codes: ['ROS'] }]
        }
      />,
    )

  test('is sent, received, or closed with a reason', async () => {
    const sent = answerCalls({
      'POST /purchase-orders/9/send': { status: 200, body: { number: 'O-9', supplier: 'Halden' } },
      'POST /purchase-orders/9/close': { status: 200, body: {} },
    })
    const { unmount } = acts('draft')
    await press('Mark as sent')
    await waitFor(() => expect(said).toEqual(['O-9 is on order with Halden.']))
    unmount()
    acts('sent')
    await userEvent.click(screen.getByText('Close'))
    await type('Reason', 'Not made any more')
    await press(/^Close the order/)
    await waitFor(() => expect(bodyOf(sent, '/purchase-orders/9/close')).toMatchObject({ reason: 'Not made any more' }))
  })

  test('goes straight to the customer where all of it is for sales, and comes here again', async () => {
    const goes = (direct: boolean) => ({ status: 200, body: { number: 'O-9', direct } })
    const sent = answerCalls({ 'PATCH /purchase-orders/9': goes(true) })
    const { unmount } = acts('draft')
    await press(/^More/)
    expect(screen.queryByText('Ship to customer')).toBeNull()
    unmount()
    const { unmount: close } = acts('draft', { canGoDirect: true })
    await press(/^More/)
    await userEvent.click(screen.getByText('Ship to customer'))
    await waitFor(() => expect(said).toEqual(['O-9 goes straight to the customer.']))
    expect(bodyOf(sent, '/purchase-orders/9')).toEqual({ direct: true })
    close()
    answerCalls({ 'PATCH /purchase-orders/9': goes(false) })
    acts('draft', { direct: true, canGoDirect: true })
    await press(/^More/)
    await userEvent.click(screen.getByText('Ship to us'))
    await waitFor(() => expect(said[1]).toBe('O-9 goes to you.'))
  })

  test('that is closed offers nothing to receive', () => {
    answerCalls({})
    acts('closed')
    expect(screen.queryByRole('button', { name: /Receive/ })).toBeNull()
  })
})

describe('goods that come', () => {
  const open = (direct = false) =>
    render(
      <ReceiveForm
        orderId={9}
        direct={direct}
        today={TODAY}
        onDone={nothing}
        places={[
          { id: 1, name: 'Shop' },
          { id: 2, name: 'Store room' },
        ]}
        lines={[
          { id: 1, description: 'Rosin', toReceive: '6', track: 'none', codes: ['ROS', '4006381'] },
          { id: 2, description: 'Viola', toReceive: '2', track: 'serial', codes: ['VA'] },
        ]}
      />,
    )

  test('straight to the customer are handed over as they are received, and lie nowhere', async () => {
    answerCalls({ 'POST /goods-received': { status: 201, body: { number: 'G-1', canGo: [] } } })
    open(true)
    expect(screen.getByText(/sent it straight to the customer/)).toBeTruthy()
    expect(screen.queryByLabelText('Place')).toBeNull()
    await press(/^Receive and hand over/)
    await waitFor(() => expect(said).toEqual(['G-1: received, and handed over to the customer.']))
  })

  test('are said line by line, with serials, to a place; who can go now is told', async () => {
    const canGo = [{ saleId: 4, number: 1004, customer: 'Hazel Adair' }]
    const sent = answerCalls({ 'POST /goods-received': { status: 201, body: { number: 'G-1', canGo } } })
    open()
    await type('How many: Rosin', '4')
    await type('Serials: Viola', 'V1 V2')
    await choose('Place', '2')
    await press(/^Receive/)
    await waitFor(() => expect(said).toEqual(['G-1: received. Can go now: sale 1004, Hazel Adair.']))
    expect(bodyOf(sent, '/goods-received')).toEqual({
      purchaseOrderId: 9,
      on: '2026-03-02',
      placeId: '2',
      lines: [
        { lineId: 1, quantity: '4' },
        { lineId: 2, quantity: '2', serials: ['V1', 'V2'] },
      ],
    })
  })

  test('are counted by scanning: from nothing, one more a scan, and serials after their own code', async () => {
    const sent = answerCalls({ 'POST /goods-received': { status: 201, body: { number: 'G-1', canGo: [] } } })
    open()
    for (const code of ['ros', '4006381', 'VA', 'V-7', 'ROS', 'XYZ']) {
      await type('Scan', code)
      await userEvent.keyboard('{Enter}')
    }
    expect(screen.getByText('XYZ is not on this order.')).toBeTruthy()
    await press(/^Receive/)
    await waitFor(() => expect(said).toEqual(['G-1: received.']))
    expect(bodyOf(sent, '/goods-received')).toMatchObject({
      lines: [
        { lineId: 1, quantity: '3' },
        { lineId: 2, quantity: '1', serials: ['V-7'] },
      ],
    })
  })

  test('that are more than ordered are told, and stay typed; said so, they are taken', async () => {
    const sent = answerCalls({
      'POST /goods-received': refuses({ path: 'lines.0.quantity', message: 'Only 6 are to come.' }),
    })
    open()
    await type('How many: Rosin', '7')
    await type('How many: Viola', '')
    await press(/^Receive/)
    await waitFor(() => expect(noteOf(field('How many: Rosin'))).toBe('Only 6 are to come.'))
    await tick('More came than was ordered, and stays')
    await press(/^Receive/)
    await waitFor(() =>
      expect(bodyOf(sent, '/goods-received')).toMatchObject({ lines: [{ lineId: 1, quantity: '7', more: true }] }),
    )
  })
})
