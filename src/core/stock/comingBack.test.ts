import { describe, expect, test } from 'vitest'
import { decimal, money } from '../money'
import { comeBack, stillOut, type Moved, type Out } from './index'

const [VIOLIN, BOW, OUTFIT] = [7, 8, 9] as const
const [SHOP, STORE] = [1, 2] as const
const moved = (pieces: number, cents: number, at: Partial<Moved> = {}): Moved => ({
  goodsId: VIOLIN,
  placeId: SHOP,
  batchId: null,
  quantity: decimal(pieces),
  value: money(BigInt(cents), 'USD'),
  ...at,
})
const told = (outs: readonly Out[]) =>
  outs.map((o) => [o.goodsId, o.placeId, o.batchId, Number(o.quantity), Number(o.value.minor)])

describe('what is still out', () => {
  test('is what left less what came back, in pieces and in worth', () => {
    expect(told(stillOut([moved(-3, -1000), moved(1, 333)]))).toEqual([[VIOLIN, SHOP, null, 2, 667]])
    expect(told(stillOut([moved(-3, -1000), moved(3, 1000)]))).toEqual([])
    // What came before it ever left is not out.
    expect(told(stillOut([moved(2, 500)]))).toEqual([])
  })
  test('left last from the place it was taken from last, wherever it came back to', () => {
    expect(told(stillOut([moved(-1, -10), moved(-1, -12, { placeId: STORE }), moved(1, 12)]))).toEqual([
      [VIOLIN, STORE, null, 1, 10],
    ])
  })
  test('is told batch by batch and thing by thing, in the order in which it left', () => {
    const moves = [
      moved(-2, -20, { batchId: 5 }),
      moved(-1, -7, { goodsId: BOW, batchId: 5 }),
      moved(-1, -30, { batchId: 4 }),
      moved(1, 10, { batchId: 5 }),
    ]
    expect(told(stillOut(moves))).toEqual([
      [VIOLIN, SHOP, 5, 1, 10],
      [BOW, SHOP, 5, 1, 7],
      [VIOLIN, SHOP, 4, 1, 30],
    ])
  })
})

describe('what comes back', () => {
  const out = (pieces: number, cents: number, at: Partial<Moved> = {}) => moved(pieces, cents, at)
  const as = (quantity: number, whole: number) => ({ quantity: decimal(quantity), whole: decimal(whole) })

  test('one at a time, is worth what it left with, to the cent', () => {
    expect(told(comeBack([out(3, 1000)], [out(3, 1000)], as(1, 3)))).toEqual([[VIOLIN, SHOP, null, 1, 333]])
    // Half of 6.67 is 3.335: 3.34.
    expect(told(comeBack([out(2, 667)], [out(2, 667)], as(1, 2)))).toEqual([[VIOLIN, SHOP, null, 1, 334]])
    expect(told(comeBack([out(1, 333)], [out(1, 333)], as(1, 1)))).toEqual([[VIOLIN, SHOP, null, 1, 333]])
  })
  test('is nothing of nothing, or where none of it is out any more', () => {
    expect(comeBack([out(3, 1000)], [out(3, 1000)], as(1, 0))).toEqual([])
    expect(comeBack([out(3, 1000)], [], as(1, 3))).toEqual([])
    expect(comeBack([out(3, 1000)], [out(3, 1000)], as(0, 3))).toEqual([])
    expect(comeBack([], [], as(1, 1))).toEqual([])
  })
  test('left last: of two lots the second comes back before the first', () => {
    const outs = [out(2, 200, { batchId: 4 }), out(3, 330, { batchId: 5 })]
    expect(told(comeBack(outs, outs, as(4, 5)))).toEqual([
      [VIOLIN, SHOP, 5, 3, 330],
      [VIOLIN, SHOP, 4, 1, 100],
    ])
  })
  test('is never more than is out of the line, whatever came back on other papers', () => {
    // Three left with this line; two of the lot came back with another: one is still out, with all it is worth.
    expect(told(comeBack([out(3, 1000)], [out(1, 400)], as(2, 3)))).toEqual([[VIOLIN, SHOP, null, 1, 400]])
    // All of the line would be worth 10.00, and 9.00 is left of it.
    expect(told(comeBack([out(3, 1000)], [out(4, 900)], as(3, 3)))).toEqual([[VIOLIN, SHOP, null, 3, 900]])
  })
  test('of things that went together is the same part of each, to the ten-thousandth', () => {
    const outs = [out(3, 900), out(1, 100, { goodsId: BOW })]
    expect(told(comeBack(outs, outs, as(1, 3)))).toEqual([
      [VIOLIN, SHOP, null, 1, 300],
      // 1 ÷ 3 = 0.3333; 1.00 × 0.3333 = 0.33
      [BOW, SHOP, null, 0.3333, 33],
    ])
    // With the last of the line comes all that is out.
    expect(told(comeBack(outs, outs, as(3, 3)))).toEqual([
      [VIOLIN, SHOP, null, 3, 900],
      [BOW, SHOP, null, 1, 100],
    ])
  })
  test('of a kit is first what went assembled, then its parts, as many as one needs', () => {
    const outs = [out(1, 500, { goodsId: OUTFIT }), out(2, 800), out(4, 80, { goodsId: BOW })]
    const kit = {
      kitId: OUTFIT,
      perKit: new Map([
        [VIOLIN, decimal(1)],
        [BOW, decimal(2)],
      ]),
    }
    expect(told(comeBack(outs, outs, { ...as(1, 3), kit }))).toEqual([[OUTFIT, SHOP, null, 1, 500]])
    expect(told(comeBack(outs, outs, { ...as(2, 3), kit }))).toEqual([
      [OUTFIT, SHOP, null, 1, 500],
      [VIOLIN, SHOP, null, 1, 400],
      [BOW, SHOP, null, 2, 40],
    ])
  })
})
