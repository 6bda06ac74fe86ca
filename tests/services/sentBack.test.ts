import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { orderView } from '@/model/buying/orders'
import { receivedView } from '@/model/buying/received'
import { saleView } from '@/model/sale/saleView'
import { profitView } from '@/model/sale/profit'
import { day } from '@/core/day'
import { serialView } from '@/model/goods/lifeOf'
import { addGoods } from '@/services/goods/keepGoods'
import { creditBill } from '@/services/buying/creditBill'
import { enterBill } from '@/services/buying/enterBill'
import { landCost } from '@/services/buying/landCost'
import { paySupplier } from '@/services/buying/paySupplier'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { returnToSupplier, undoReceipt } from '@/services/buying/sendBack'
import { voidCredit } from '@/services/buying/voidCredit'
import { voidBill } from '@/services/buying/voidBill'
import { listAccounts } from '@/data/queries/accounts'
import { openBuying } from './buyingDesk'
import type { TestShop } from './shop'

// Twenty rosin at 6.00 lie there; today is 1 March.
let s: TestShop
let supplier: number
let desk: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  desk = await openBuying()
  ;({ s, supplier } = desk)
})
afterEach(() => s.close())

const receive = async (quantity: string, unitCost: string) => {
  const came = await s.answer(receiveGoods, {
    supplierId: supplier,
    lines: [{ goodsId: s.rosin, quantity, unitCost }],
  })
  return { ...came, lineId: came.lines[0]!.id }
}
const view = async (id: number) =>
  (await receivedView(s.db, id, { business: await desk.business(), today: s.shop.today }))!

describe('goods that go back to their supplier', () => {
  test('before their bill: they leave at the average, and are not billed any more', async () => {
    const came = await receive('6', '7.00')
    const back = await s.answer(returnToSupplier, {
      receivedId: came.id,
      lines: [{ lineId: came.lineId, quantity: '2' }],
      reason: 'cracked',
    })
    // 26 worth 162.00 lay there: two of them cost 12.46, and had come in at 14.00.
    expect(back.lines).toMatchObject([{ quantity: '2', value: '14.00', cost: '12.46' }])
    expect([
      await desk.worth(s.rosin),
      await desk.balance('received-not-billed'),
      await desk.balance('cost-of-goods-sold'),
    ]).toEqual(['149.54', '-28.00', '-1.54'])
    expect((await view(came.id)).lines).toMatchObject([{ returned: '2', toBill: '4', toCredit: '0' }])
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'B',
      lines: [{ receivedLineId: came.lineId }],
    })
    expect(bill.totals.net).toBe('28.00')
    expect(await desk.balance('received-not-billed')).toBe('0.00')
    expect(await s.ties()).toEqual([])
  })

  test('after their bill they wait for a credit, which settles them with its tax', async () => {
    const came = await receive('6', '7.00')
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'B',
      lines: [{ receivedLineId: came.lineId, taxCode: 'STD', tax: '4.20' }],
    })
    const credit = { billId: bill.id, theirNumber: 'C-1', reason: 'cracked' }
    const two = [{ receivedLineId: came.lineId, quantity: '2' }]
    expect(await s.refusal(creditBill, { ...credit, lines: two })).toBe('more-than-went-back')
    await s.run(returnToSupplier, {
      receivedId: came.id,
      lines: [{ lineId: came.lineId, quantity: '3' }],
      reason: 'cracked',
    })
    expect((await view(came.id)).lines).toMatchObject([{ toBill: '0', toCredit: '3' }])
    expect(await desk.balance('received-not-billed')).toBe('21.00')
    expect(await s.refusal(voidBill, { billId: bill.id, reason: 'x' })).toBe('went-back')
    const done = await s.answer(creditBill, { ...credit, lines: two })
    expect(done.totals).toEqual({ net: '14.00', tax: '1.40', gross: '15.40' })
    expect([await desk.balance('received-not-billed'), await desk.balance('payables')]).toEqual(['7.00', '-30.80'])
    expect(await s.refusal(creditBill, { ...credit, lines: two })).toBe('taken')
    expect(await s.refusal(creditBill, { ...credit, theirNumber: 'C-2', lines: two })).toBe('more-than-went-back')
    // The last of the three takes all that is left of its line: 42.00 − 14.00 of six less two is 7.00.
    const last = await s.answer(creditBill, {
      ...credit,
      theirNumber: 'C-2',
      lines: [{ receivedLineId: came.lineId, quantity: '1' }],
    })
    expect(last.totals.gross).toBe('7.70')
    expect(await desk.balance('received-not-billed')).toBe('0.00')
    expect(await s.refusal(voidBill, { billId: bill.id, reason: 'x' })).toBe('bill-is-paid')
    expect(await s.ties()).toEqual([])
  })

  test('credited after the bill is paid, the supplier owes it: the next bill takes it', async () => {
    const came = await receive('6', '7.00')
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'B',
      lines: [{ receivedLineId: came.lineId }],
    })
    await s.run(paySupplier, { supplierId: supplier, from: 'bank', amount: '41.16' })
    await s.run(returnToSupplier, { receivedId: came.id, reason: 'all wrong' })
    expect(await s.refusal(returnToSupplier, { receivedId: came.id, reason: 'x' })).toBe('all-went-back')
    await s.run(creditBill, {
      billId: bill.id,
      lines: [{ receivedLineId: came.lineId, quantity: '6' }],
      reason: 'all wrong',
    })
    expect([await desk.balance('paid-ahead'), await desk.balance('payables')]).toEqual(['42.00', '0.00'])
    const rent = (await listAccounts(s.db)).find((a) => a.code === '6000')!
    const next = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'N',
      lines: [{ accountId: rent.id, amount: '50.00' }],
    })
    expect(next.open).toBe('8.00')
    expect(await s.ties()).toEqual([])
  })

  test('an amount is let off: goods still here are worth less, an account costs less, and so does paying early', async () => {
    const rent = (await listAccounts(s.db)).find((a) => a.code === '6010')!
    const came = await receive('5', '8.00')
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'B',
      lines: [{ receivedLineId: came.lineId }, { accountId: rent.id, amount: '10.00' }],
    })
    expect(bill.discount).toEqual({ through: '2026-03-11', amount: '1.00' })
    const credit = { billId: bill.id, reason: 'late' }
    expect(await s.refusal(creditBill, { ...credit, amount: '50.01' })).toBe('more-than-bill')
    expect(await s.refusal(creditBill, { ...credit, amount: '5', lines: [] })).toBe('invalid')
    await s.run(creditBill, { ...credit, amount: '5.00' })
    // 4.00 of it for the goods, 1.00 for the account; 120.00 + 40.00 less 4.00.
    expect(await desk.worth(s.rosin)).toBe('156.00')
    const paid = await s.answer(paySupplier, { supplierId: supplier, from: 'bank', amount: '44.10' })
    expect(paid).toMatchObject({ discount: '0.90', ahead: '0.00' })
    expect(await desk.balance('payables')).toBe('0.00')
    expect(await s.ties()).toEqual([])
  })

  test('a credit is taken back: the bill is owed and the goods wait again, what they are worth is as before', async () => {
    const came = await receive('6', '7.00')
    const lines = [{ receivedLineId: came.lineId }]
    const bill = await s.answer(enterBill, { supplierId: supplier, theirNumber: 'B', lines })
    await s.run(returnToSupplier, {
      receivedId: came.id,
      lines: [{ lineId: came.lineId, quantity: '2' }],
      reason: 'cracked',
    })
    const before = [await desk.worth(s.rosin), await desk.balance('cost-of-goods-sold')]
    const two = [{ receivedLineId: came.lineId, quantity: '2' }]
    const goods = await s.answer(creditBill, { billId: bill.id, theirNumber: 'C', lines: two, reason: 'cracked' })
    const amount = await s.answer(creditBill, { billId: bill.id, amount: '7.00', reason: 'late' })
    expect((await s.answer(voidCredit, { creditId: amount.id, reason: 'x' })).voidedOn).toBe('2026-03-01')
    await s.run(voidCredit, { creditId: goods.id, reason: 'x' })
    expect([await desk.worth(s.rosin), await desk.balance('cost-of-goods-sold')]).toEqual(before)
    expect([await desk.balance('payables'), await desk.balance('received-not-billed')]).toEqual(['-42.00', '14.00'])
    expect((await view(came.id)).lines).toMatchObject([{ toCredit: '2' }])
    expect(await s.refusal(voidCredit, { creditId: goods.id, reason: 'x' })).toBe('already-voided')
    // Its number may be entered again, and a credit that became an advance stays once that is used.
    await s.run(creditBill, { billId: bill.id, theirNumber: 'C', lines: two, reason: 'cracked' })
    await s.run(paySupplier, { supplierId: supplier, from: 'bank', amount: '27.44' })
    const late = await s.answer(creditBill, { billId: bill.id, amount: '3.00', reason: 'late' })
    const rent = (await listAccounts(s.db)).find((a) => a.code === '6000')!
    const next = { supplierId: supplier, theirNumber: 'N', lines: [{ accountId: rent.id, amount: '50.00' }] }
    await s.run(enterBill, next)
    expect(await s.refusal(voidCredit, { creditId: late.id, reason: 'x' })).toBe('advance-was-used')
    expect(await s.ties()).toEqual([])
  })

  test('those that were sold cannot go back, and a receipt is undone as if it had never been', async () => {
    const made = await desk.order('6')
    const came = await s.answer(receiveGoods, {
      purchaseOrderId: made.id,
      lines: [{ lineId: made.lineId, quantity: '6', unitCost: '600.00' }],
    })
    expect(await desk.worth(s.rosin)).toBe('3720.00')
    const undo = { receivedId: came.id, reason: 'typed wrong' }
    await s.answer(undoReceipt, undo)
    expect([await desk.worth(s.rosin), await desk.balance('received-not-billed')]).toEqual(['120.00', '0.00'])
    expect(await desk.balance('cost-of-goods-sold')).toBe('0.00')
    const order = (await orderView(s.db, made.id, 'USD'))!
    expect([order.status, order.lines[0]!.received, order.lines[0]!.toReceive]).toEqual(['sent', '0', '6'])
    expect(await s.refusal(undoReceipt, undo)).toBe('receipt-went-on')
    const again = await receive('2', '6.00')
    await desk.giveRosin('21')
    expect(await s.refusal(undoReceipt, { ...undo, receivedId: again.id })).toBe('not-here-any-more')
    const all = { receivedId: again.id, lines: [{ lineId: again.lineId, quantity: '3' }], reason: 'x' }
    expect(await s.refusal(returnToSupplier, all)).toBe('more-than-came-back')
    expect(await s.ties()).toEqual([])
  })
})

describe('a serial', () => {
  test('goes back by its name; dearer by its bill, it is still there once', async () => {
    const viola = await s.run(addGoods, {
      code: 'VA',
      name: 'Viola',
      kind: 'stock',
      price: '900',
      track: 'serial',
      costing: 'unit',
    })
    const lines = [{ goodsId: viola, quantity: '2', unitCost: '300.00', serials: ['VA-1', 'VA-2'] }]
    const came = await s.answer(receiveGoods, { supplierId: supplier, lines })
    const lineId = came.lines[0]!.id
    await s.run(enterBill, {
      supplierId: supplier,
      theirNumber: 'V',
      lines: [{ receivedLineId: lineId, unitCost: '310.00' }],
    })
    expect(await serialView(s.db, 'USD', s.shop.today, 'VA-1')).toMatchObject({ cost: '310.00' })
    const one = { goodsId: viola, quantity: '1', serials: ['va-1'] }
    expect(await s.refusal(receiveGoods, { supplierId: supplier, lines: [one] })).toBe('serial-there')
    const back = { receivedId: came.id, reason: 'buzzes', lines: [{ lineId, quantity: '1' }] }
    expect(await s.refusal(returnToSupplier, back)).toBe('invalid')
    expect(await s.refusal(returnToSupplier, { ...back, lines: [{ ...back.lines[0]!, serials: ['VA-9'] }] })).toBe(
      'invalid',
    )
    await s.run(returnToSupplier, { ...back, lines: [{ ...back.lines[0]!, serials: ['va-1'] }] })
    expect(await serialView(s.db, 'USD', s.shop.today, 'VA-1')).toMatchObject({ cost: '310.00', placeId: null })
    // It came in at 300.00 and left at 310.00.
    expect([await desk.worth(viola), await desk.balance('cost-of-goods-sold')]).toEqual(['310.00', '10.00'])
    await s.run(receiveGoods, { supplierId: supplier, lines: [{ ...one, unitCost: '305.00' }] })
    expect(await desk.worth(viola)).toBe('615.00')
    expect(await s.ties()).toEqual([])
  })
})

describe('what a sale really cost', () => {
  test('is told months later: a difference in price and freight belong to the sale that took the units', async () => {
    const span = { from: day('2026-01-01'), to: day('2026-12-31') }
    await desk.giveRosin('20')
    const came = await receive('5', '6.00')
    const saleId = await desk.giveRosin('4')
    const cost = async () => (await saleView(s.db, saleId, await desk.business(), s.shop.today))!.cost
    expect(await cost()).toBe('24.00')
    const rent = (await listAccounts(s.db)).find((a) => a.code === '6010')!
    const bill = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'B',
      lines: [
        { receivedLineId: came.lineId, unitCost: '7.00' },
        { accountId: rent.id, amount: '10.00', description: 'Freight' },
      ],
    })
    // One of the five is here: 1.00 of the 5.00 more is in stock, 4.00 the sale bears.
    expect(await cost()).toBe('28.00')
    await s.run(landCost, { billLineId: bill.lines[1]!.id, receivedIds: [came.id], by: 'quantity' })
    expect(await cost()).toBe('36.00')
    for (const by of ['sale', 'goods', 'customer', 'kind', 'channel', 'month'] as const) {
      const { rows, total } = await profitView(s.db, by, span, 'USD')
      // 156.00 for the rosin, less the 3,120.00 that were counted as found when the shop opened.
      expect([by, total.cost]).toEqual([by, '-2964.00'])
      if (by === 'sale') expect(rows.find((r) => r.key === String(saleId))?.cost).toBe('36.00')
      if (by === 'goods') expect(rows.find((r) => r.key === String(s.rosin))?.cost).toBe('156.00')
    }
    expect(await s.ties()).toEqual([])
  })
})
