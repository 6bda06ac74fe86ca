import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { sendPost } from '@/clockwork/postman'
import { sentence } from '@/contract/sentences'
import { makePaper } from '@/documents/make'
import { listMailbox } from '@/data/queries/mailbox'
import { changeSupplier } from '@/services/buying/keepSupplier'
import { orderForSale } from '@/services/buying/orderForSale'
import { changeOrder, orderGoods, sendOrder } from '@/services/buying/orderGoods'
import { startSale } from '@/services/sales/startSale'
import { openBuying } from './buyingDesk'
import { pdfText } from '../pdfText'
import type { TestShop } from './shop'

// Rosin comes from Gutwerk Strings at 6.00; today is 1 March.
let s: TestShop
let supplier: number
let desk: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  desk = await openBuying()
  ;({ s, supplier } = desk)
})
afterEach(() => s.close())
const house = async () => ({ db: s.db, business: await desk.business(), today: s.shop.today })

describe('an order that is sent', () => {
  test('goes by e-mail with its PDF to the address that is kept, and is on order', async () => {
    await s.run(changeSupplier, { supplierId: supplier, email: 'orders@gutwerk.example' })
    const made = await desk.order('4', { wantedBy: '2026-03-20' })
    const sent = await s.answer(sendOrder, { orderId: made.id })
    expect(sent).toMatchObject({ status: 'sent', version: 1, changed: false })
    expect(sent.postId).not.toBeNull()
    expect(await sendPost(await house())).toBe(1)
    const [mail] = await listMailbox(s.db, 5)
    expect(mail).toMatchObject({ recipient: 'orders@gutwerk.example', subject: `Purchase order ${made.number}` })
    expect(mail!.body).toContain('We need it by 20 Mar')
    expect(JSON.stringify(mail!.attachments)).toContain(`${made.number}.pdf`)
  })

  test('without an address it is only marked as sent; by e-mail it must go somewhere', async () => {
    const made = await desk.order('4')
    expect(await s.refusal(sendOrder, { orderId: made.id, mail: true })).toBe('no-address')
    expect(await s.answer(sendOrder, { orderId: made.id })).toMatchObject({ status: 'sent', postId: null })
    const other = await desk.order('5')
    expect((await s.answer(sendOrder, { orderId: other.id, to: 'new@gutwerk.example' })).postId).not.toBeNull()
    const third = await desk.order('6')
    await s.run(changeSupplier, { supplierId: supplier, email: 'orders@gutwerk.example' })
    expect(await s.answer(sendOrder, { orderId: third.id, mail: false })).toMatchObject({ postId: null })
  })

  test('changed and sent again it is another version; confirmed for a day it is not', async () => {
    const made = await desk.order('4')
    const orderId = made.id
    await s.run(sendOrder, { orderId })
    expect(await s.answer(sendOrder, { orderId })).toMatchObject({ version: 1 })
    expect(await s.answer(changeOrder, { orderId, confirmedFor: '2026-03-18' })).toMatchObject({
      confirmedFor: '2026-03-18',
      version: 1,
      changed: false,
    })
    const lines = [{ lineId: made.lineId, goodsId: s.rosin, quantity: '6', unitCost: '5.50' }]
    expect(await s.answer(changeOrder, { orderId, lines })).toMatchObject({ version: 1, changed: true })
    expect(await s.answer(sendOrder, { orderId })).toMatchObject({ version: 2, changed: false })
    const text = await pdfText((await makePaper(await house(), 'purchase-order', orderId))!)
    for (const part of ['Version', '33.00', '5.50', 'Gutwerk Strings']) expect(text).toContain(part)
  })

  test('straight to the customer it says where it goes', async () => {
    const saleId = await s.run(startSale, {
      customerId: s.customer,
      agreed: true,
      deliverTo: 'School house\n4 Hill Road',
      lines: [{ goodsId: s.rosin, quantity: '30' }],
    })
    const { orders } = await s.answer(orderForSale, { saleId, direct: true })
    const text = await pdfText((await makePaper(await house(), 'purchase-order', orders[0]!.id))!)
    expect(text).toContain('4 Hill Road')
  })

  test('goes straight to one customer at one address, and says so anew where it was sent before', async () => {
    const sell = async (deliverTo: string) => {
      const sale = await s.answer(startSale, {
        customerId: s.customer,
        agreed: true,
        deliverTo,
        lines: [{ goodsId: s.rosin, quantity: '30' }],
      })
      return { goodsId: s.rosin, quantity: '2', saleLineId: sale.lines[0]!.id }
    }
    const school = await sell('4 Hill Road')
    const order = (lines: object[], direct = true) => ({ supplierId: supplier, direct, lines }) as never
    const why = async (lines: object[]) => {
      const done = await orderGoods.run(s.shop, order(lines))
      return done.ok ? null : sentence(done.error)
    }
    expect(await why([school, await sell('4 Hill Road')])).toBeNull()
    expect(await why([school, await sell('9 Far Road')])).toMatch(/delivered to different addresses/)
    expect(await why([school, { goodsId: s.rosin, quantity: '2' }])).toMatch(/Rosin is for no sale/)
    const made = await s.answer(orderGoods, order([school], false))
    expect(await s.answer(sendOrder, { orderId: made.id })).toMatchObject({ changed: false })
    expect(await s.answer(changeOrder, { orderId: made.id, direct: true })).toMatchObject({
      direct: true,
      changed: true,
    })
    const shelf = [
      { lineId: made.lines[0]!.id, ...school },
      { goodsId: s.rosin, quantity: '1' },
    ]
    expect(await s.refusal(changeOrder, { orderId: made.id, lines: shelf })).toBe('invalid')
    expect(await s.answer(changeOrder, { orderId: made.id, direct: false, lines: shelf })).toMatchObject({
      direct: false,
    })
  })
})
