import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { findBusiness } from '@/data/queries/business'
import { saleView } from '@/model/sale/saleView'
import { adjustStock } from '@/services/goods/adjustStock'
import { setAsideByHand } from '@/services/sales/setAside'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeEach(async () => {
  s = await openTestShop()
})
afterEach(() => s.close())

describe('who gets what is in stock', () => {
  test('what comes in says who waited for it and can go now', async () => {
    const sell = (quantity: string, on: string) =>
      s.run(startSale, { customerId: s.customer, agreed: true, on, lines: [{ goodsId: s.violin, quantity }] })
    const first = await sell('6', '2026-02-01')
    const second = await sell('2', '2026-02-02')
    const find = (change: string) =>
      s.answer(adjustStock, { reason: 'Bought', lines: [{ goodsId: s.violin, change, unitCost: '600' }] })
    const named = async (change: string) => (await find(change)).canGo.map((c) => c.saleId)
    // Five were there and six are wanted first: one makes them whole, two more are for the second.
    expect(await named('1')).toEqual([first])
    expect(await named('1')).toEqual([first])
    expect(await named('1')).toEqual([first, second])
    expect(await named('-1')).toEqual([])
  })

  test('what is in stock goes to whom the owner says first, and back to turn', async () => {
    const sell = (on: string) =>
      s.run(startSale, { customerId: s.customer, agreed: true, on, lines: [{ goodsId: s.violin, quantity: '4' }] })
    const older = await sell('2026-02-01')
    const newer = await sell('2026-02-02')
    const aside = async (id: number) => {
      const view = (await saleView(s.db, id, (await findBusiness(s.db))!, s.shop.today))!
      return view.lines.map((l) => [l.setAside, l.asideTurn])
    }
    expect([await aside(older), await aside(newer)]).toEqual([[['4', 'in turn']], [['1', 'in turn']]])
    await s.run(setAsideByHand, { saleId: newer, turn: 'first' })
    expect([await aside(older), await aside(newer)]).toEqual([[['1', 'in turn']], [['4', 'first']]])
    await s.run(setAsideByHand, { saleId: newer, turn: 'last' })
    expect([await aside(older), await aside(newer)]).toEqual([[['4', 'in turn']], [['1', 'last']]])
    await s.run(setAsideByHand, { saleId: older, turn: 'last' })
    // Both are last: the older order has it again.
    expect([await aside(older), await aside(newer)]).toEqual([[['4', 'last']], [['1', 'last']]])
    expect(await s.refusal(setAsideByHand, { saleId: older, turn: 'soon' })).toBe('invalid')
    expect(await s.refusal(setAsideByHand, { saleId: older, turn: 'first', lines: [{ lineId: 999 }] })).toBe('invalid')
    expect(await s.ties()).toEqual([])
  })
})
