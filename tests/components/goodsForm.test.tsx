import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { NO_GOODS, NO_PRICE, type GoodsDraft } from '@/ui/goods/goodsDraft'
import { GoodsForm } from '@/ui/goods/GoodsForm'
import { answerCalls, refuses } from './calls'
import { router } from './world'

const START: GoodsDraft = { ...NO_GOODS, taxCode: 'STD' }
const open = (start: GoodsDraft = START, id: number | null = null) =>
  render(
    <GoodsForm
      id={id}
      start={start}
      currency="USD"
      today={day('2026-03-02')}
      codes={[
        { code: 'STD', name: 'Sales tax' },
        { code: 'ZERO', name: 'Zero-rated' },
      ]}
      accounts={[{ code: '4000', name: 'Sales of goods' }]}
      places={[]}
      levels={[{ code: 'school', name: 'Schools' }]}
    />,
  )
const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
const noteOf = (input: HTMLElement): string =>
  document.getElementById(input.getAttribute('aria-describedby') ?? '')?.textContent ?? ''
const add = () => userEvent.click(screen.getByRole('button', { name: 'Add item' }))

describe('goods typed in', () => {
  test('are sent with what their kind has, and open', async () => {
    const sent = answerCalls({ 'POST /goods': { status: 201, body: { id: 4, name: 'Rosin' } } })
    open()
    await userEvent.type(field('Code'), 'ROS')
    await userEvent.type(field('Name'), 'Rosin')
    await userEvent.type(field('Price'), '9.5')
    await userEvent.type(field('Reorder at'), '6')
    await add()
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/goods/4'))
    expect(sent.find((c) => c.method === 'POST')?.body).toMatchObject({
      code: 'ROS',
      name: 'Rosin',
      kind: 'stock',
      price: '9.50',
      reorderAt: '6',
      taxCode: 'STD',
    })
  })

  test('without code, name and price are not sent: each is told at its field', async () => {
    const sent = answerCalls({})
    open()
    await add()
    await waitFor(() => expect(noteOf(field('Code'))).toBe('A code is needed.'))
    expect(noteOf(field('Name'))).toBe('A name is needed.')
    expect(noteOf(field('Price'))).toBe('A price is written like 19.90 and is not negative.')
    expect(sent).toEqual([])
  })

  test('work has no shelf; a kit has parts, and needs one', async () => {
    answerCalls({})
    open({ ...START, code: 'KIT', name: 'A kit', price: '10' })
    expect(screen.queryByLabelText('Reorder at')).toBeTruthy()
    await userEvent.selectOptions(field('Type'), 'work')
    expect(screen.queryByLabelText('Reorder at')).toBeNull()
    expect(screen.getByLabelText('Price per hour or piece')).toBeTruthy()
    await userEvent.selectOptions(field('Type'), 'kit')
    await add()
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('A kit needs its parts.'))
  })

  test('a kit is made of what lies on a shelf: work is not offered, and what is refused of a part is told', async () => {
    const goods = { code: 'X', price: '5', available: '2', barcode: '', piece: null }
    answerCalls({
      'GET /goods': {
        status: 200,
        body: {
          items: [
            { ...goods, id: 1, name: 'Set-up', kind: 'work' },
            { ...goods, id: 2, name: 'Set of strings', kind: 'stock' },
          ],
        },
      },
      'POST /goods': refuses({ path: 'parts.0.goodsId', message: 'Set of strings is not kept in stock.' }),
    })
    open({ ...START, code: 'KIT', name: 'A kit', kind: 'kit', price: '10' })
    await userEvent.type(field('Add part'), 'Set')
    const strings = await screen.findByRole('option', { name: /Set of strings/ })
    expect(screen.queryByRole('option', { name: /Set-up/ })).toBeNull()
    await userEvent.click(strings)
    await add()
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('is not kept in stock.'))
  })

  test('a kit that costs what its parts do asks no price', async () => {
    const sent = answerCalls({ 'POST /goods': { status: 201, body: { id: 5, name: 'A kit' } } })
    open({
      ...START,
      code: 'KIT',
      name: 'A kit',
      kind: 'kit',
      parts: [{ goodsId: 1, name: 'Rosin', quantity: '2' }],
    })
    await userEvent.click(field('Price is the sum of its parts'))
    expect(screen.queryByLabelText('Price')).toBeNull()
    await add()
    await waitFor(() => expect(router.push).toHaveBeenCalled())
    expect(sent.find((c) => c.method === 'POST')?.body).toMatchObject({
      price: '0',
      priceIsSum: true,
      parts: [{ goodsId: 1, quantity: '2' }],
    })
  })

  test('a price that ends before it begins is told in its row', async () => {
    answerCalls({})
    open({
      ...START,
      code: 'ROS',
      name: 'Rosin',
      price: '9.50',
      prices: [NO_PRICE, { ...NO_PRICE, price: '8.00', validFrom: '2026-04-01', validUntil: '2026-03-01' }],
    })
    await add()
    const [, second] = await screen.findAllByLabelText('Valid until')
    await waitFor(() => expect(noteOf(second as HTMLElement)).toBe('A price ends on or after the day it begins.'))
  })

  test('a code somebody else has is refused at the code', async () => {
    answerCalls({ 'PATCH /goods/4': refuses({ path: 'code', message: 'ROS is the code of Rosin, dark.' }) })
    open({ ...START, code: 'ROS', name: 'Rosin', price: '9.50', incomeAccount: '4000' }, 4)
    await userEvent.click(screen.getByRole('button', { name: 'Save changes' }))
    await waitFor(() => expect(noteOf(field('Code'))).toBe('ROS is the code of Rosin, dark.'))
    expect(document.activeElement).toBe(field('Code'))
  })

  test('name a new supplier in the form, with what they ask for', async () => {
    const sent = answerCalls({
      'POST /goods': { status: 201, body: { id: 4, name: 'Rosin' } },
      'GET /suppliers': { status: 200, body: { items: [], next: null } },
    })
    open({ ...START, code: 'ROS', name: 'Rosin', price: '9.50' })
    await userEvent.click(screen.getByRole('button', { name: 'Add supplier' }))
    await userEvent.type(field('Supplier 1'), 'Halden')
    await userEvent.click(await screen.findByRole('option', { name: 'Add “Halden” as a supplier' }))
    await userEvent.type(field('Sold in packs of'), '6')
    await add()
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/goods/4'))
    expect(sent.find((c) => c.method === 'POST')?.body).toMatchObject({
      suppliers: [{ name: 'Halden', preferred: true, packSize: '6', prices: [] }],
    })
  })

  test('say what each supplier asks by quantity and day, and whether one is preferred', async () => {
    const sent = answerCalls({ 'PATCH /goods/4': { status: 200, body: { id: 4, name: 'Rosin' } } })
    const supplier = (supplierId: number, name: string, preferred: boolean) => ({
      supplierId,
      name,
      code: '',
      preferred,
      packSize: '',
      unitCost: '',
      prices: [],
    })
    open(
      {
        ...START,
        code: 'ROS',
        name: 'Rosin',
        price: '9.50',
        suppliers: [supplier(1, 'Gut', true), supplier(2, 'Harz', false)],
      },
      4,
    )
    await userEvent.click(screen.getByRole('button', { name: 'Add cost by quantity or day, supplier 2' }))
    await userEvent.click(screen.getByRole('button', { name: 'Add cost by quantity or day, supplier 2' }))
    await userEvent.click(screen.getByRole('button', { name: 'Remove cost 1 of supplier 2' }))
    await userEvent.type(screen.getAllByLabelText<HTMLInputElement>('From quantity')[0]!, '24')
    // Of three costs the plain ones of both suppliers come first.
    await userEvent.type(screen.getAllByLabelText<HTMLInputElement>('Cost of one').at(-1)!, '5.4')
    await userEvent.click(screen.getByLabelText(/Whoever costs least/))
    await userEvent.click(screen.getByRole('button', { name: 'Save changes' }))
    await waitFor(() => expect(sent.find((c) => c.method === 'PATCH')).toBeTruthy())
    expect(sent.find((c) => c.method === 'PATCH')?.body).toMatchObject({
      suppliers: [
        { supplierId: 1, preferred: false, prices: [] },
        { supplierId: 2, preferred: false, prices: [{ fromQuantity: '24', unitCost: '5.4', validFrom: null }] },
      ],
    })
  })
})
