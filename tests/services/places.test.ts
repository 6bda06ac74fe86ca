import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { sentence } from '@/contract/sentences'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { listPlaces } from '@/data/queries/stock'
import { readBackorders } from '@/model/goods/backorders'
import { readPicking } from '@/model/goods/picking'
import { readWhereItLies } from '@/model/goods/placesOf'
import { readStockOn, readWorthiest } from '@/model/goods/stockOn'
import { goodsCardView, goodsStockView } from '@/model/goods/stockViews'
import { adjustStock } from '@/services/goods/adjustStock'
import { countStock } from '@/services/goods/countStock'
import { addGoods } from '@/services/goods/keepGoods'
import { moveStock } from '@/services/goods/moveStock'
import { addPlace, changePlace } from '@/services/goods/places'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let shop: number
let bench: number
afterEach(() => s.close())
beforeEach(async () => {
  s = await openTestShop()
  shop = (await listPlaces(s.db))[0]!.id
  bench = await s.run(addPlace, { code: 'BENCH', name: 'Bench' })
})

const stock = async (goodsId: number, asOf = '2026-03-01') => {
  const view = (await goodsStockView(s.db, goodsId, day(asOf), {
    business: (await findBusiness(s.db))!,
    today: s.shop.today,
  }))!
  return view.rows.map((r) => `${r.placeId === shop ? 'shop' : 'bench'} ${r.onHand} at ${r.unitCost}: ${r.value}`)
}

describe('goods carried to another place', () => {
  test('take along what they cost, post nothing, and every day knows where they lay', async () => {
    // Five at 600.00 in the shop since 1 January.
    const moved = await s.answer(moveStock, {
      on: '2026-02-10',
      from: shop,
      to: bench,
      lines: [{ goodsId: s.violin, quantity: '2' }],
    })
    expect(moved).toMatchObject({ number: 'M-2026-0001', lines: [{ quantity: '2' }] })
    expect(await stock(s.violin, '2026-02-09')).toEqual(['shop 5 at 600: 3000.00'])
    expect(await stock(s.violin)).toEqual(['shop 3 at 600: 1800.00', 'bench 2 at 600: 1200.00'])
    expect(await s.ties()).toEqual([])
    const card = (await goodsCardView(s.db, s.violin, { from: day('2026-02-01') }, (await findBusiness(s.db))!))!
    expect(card.rows.map((r) => [r.what, r.quantity, r.running, r.runningValue])).toEqual([
      ['stock-transfer', '-2', '3', '1800.00'],
      ['stock-transfer', '2', '5', '3000.00'],
    ])
  })

  test('what is not there, goes to where it is, or is no goods is told, and nothing moves', async () => {
    const move = (wish: object) =>
      s.refusal(moveStock, { from: shop, to: bench, lines: [{ goodsId: s.violin, quantity: '1' }], ...wish })
    expect(await move({ to: shop })).toBe('invalid')
    expect(await move({ to: 99 })).toBe('invalid')
    expect(await move({ from: bench, to: shop })).toBe('not-at-place')
    expect(await move({ lines: [{ goodsId: s.violin, quantity: '6' }] })).toBe('not-at-place')
    expect(await move({ lines: [{ goodsId: s.setUp, quantity: '1' }] })).toBe('invalid')
    expect(await move({ on: '2025-12-31' })).toBe('not-before')
    // Twice the same thing in one move is both together.
    const twice = [1, 2].map(() => ({ goodsId: s.violin, quantity: '3' }))
    expect(await move({ lines: twice })).toBe('not-at-place')
    expect(await stock(s.violin)).toEqual(['shop 5 at 600: 3000.00'])
  })

  test('says where the others lie', async () => {
    await s.run(moveStock, { from: shop, to: bench, lines: [{ goodsId: s.violin, quantity: '2' }] })
    const says = async (from: number, to: number, quantity: string) => {
      const done = await moveStock.answer(s.shop, { from, to, lines: [{ goodsId: s.violin, quantity }] }, null)
      return done.ok ? '' : sentence(done.error)
    }
    expect(await says(bench, shop, '3')).toBe(
      'Bench has only 2 Violin, 3 needed. Shop has 3: take them from there, or recount the stock.',
    )
    await s.run(moveStock, { from: shop, to: bench, lines: [{ goodsId: s.violin, quantity: '3' }] })
    expect(await says(bench, shop, '6')).toBe('Bench has only 5 Violin, 6 needed. Take 5, or recount the stock.')
  })

  test('a past day on which later papers need them is refused with the first day it works', async () => {
    await s.run(sellAtCounter, {
      on: '2026-02-20',
      method: 'cash',
      lines: [{ goodsId: s.violin, quantity: '4', unitPrice: '900' }],
    })
    const moving = { from: shop, to: bench, lines: [{ goodsId: s.violin, quantity: '2' }] }
    expect(await s.refusal(moveStock, { ...moving, on: '2026-02-01' })).toBe('not-at-place')
    expect(
      await s.refusal(moveStock, { ...moving, lines: [{ goodsId: s.violin, quantity: '1' }], on: '2026-02-01' }),
    ).toBe('not refused')
  })

  test('are sold from where most of them lie, and counted place by place', async () => {
    await s.run(moveStock, { from: shop, to: bench, lines: [{ goodsId: s.violin, quantity: '4' }] })
    await s.run(sellAtCounter, { method: 'cash', lines: [{ goodsId: s.violin, quantity: '2', unitPrice: '900' }] })
    expect(await stock(s.violin)).toEqual(['shop 1 at 600: 600.00', 'bench 2 at 600: 1200.00'])
    await s.run(countStock, { placeId: bench, lines: [{ goodsId: s.violin, counted: '1' }] })
    expect(await stock(s.violin)).toEqual(['shop 1 at 600: 600.00', 'bench 1 at 600: 600.00'])
    expect(await s.ties()).toEqual([])
  })
})

describe('an adjustment', () => {
  test('says why goods went or came, at what they cost, against stock adjustments', async () => {
    const made = await s.answer(adjustStock, {
      on: '2026-02-01',
      reason: 'Broken in the window',
      lines: [
        { goodsId: s.violin, change: '-1' },
        { goodsId: s.rosin, change: '2' },
        { goodsId: s.rosin, change: '1', unitCost: '7.50', placeId: bench },
      ],
    })
    // −600.00 + 2 × 6.00 + 7.50
    expect(made).toMatchObject({ number: 'A-2026-0001', value: '-580.50' })
    expect(await stock(s.rosin)).toEqual(['shop 22 at 6.065: 133.43', 'bench 1 at 6.07: 6.07'])
    expect(await s.ties()).toEqual([])
    expect(await s.ties(day('2026-02-01'))).toEqual([])
  })

  test.each([
    [{ reason: '', lines: [{ goodsId: 1, change: '1' }] }, 'invalid'],
    [{ reason: 'x', lines: [] }, 'invalid'],
    [{ reason: 'x', lines: [{ goodsId: 1, change: '0' }] }, 'invalid'],
    [{ reason: 'x', lines: [{ goodsId: 1, change: 'two' }] }, 'invalid'],
    [{ reason: 'x', lines: [{ goodsId: 1, change: '-9' }] }, 'not-enough-stock'],
    [{ reason: 'x', lines: [{ goodsId: 1, change: '1', placeId: 77 }] }, 'invalid'],
    [{ reason: 'x', lines: [{ goodsId: 77, change: '1' }] }, 'not-found'],
    [{ reason: 'x', on: '2027-01-01', lines: [{ goodsId: 1, change: '1' }] }, 'date-ahead'],
  ])('%j is refused: %s', async (wish, why) => {
    expect(await s.refusal(adjustStock, wish)).toBe(why)
    expect(await stock(s.violin)).toEqual(['shop 5 at 600: 3000.00'])
  })
})

describe('what lies where, for the owner', () => {
  const where = async () => {
    const business = (await findBusiness(s.db))!
    return { db: s.db, business, today: s.shop.today, currency: business.currency }
  }

  test('stands place by place on any day, worth what its account says', async () => {
    await s.run(moveStock, { on: '2026-02-10', from: shop, to: bench, lines: [{ goodsId: s.rosin, quantity: '5' }] })
    const on = async (asOf: string) => {
      const { rows, value, difference } = await readStockOn(await where(), day(asOf))
      return [
        ...rows.map((r) => `${r.code} ${r.place} ${r.quantity.toString()} ${toDecimalString(r.value)}`),
        toDecimalString(value),
        toDecimalString(difference),
      ]
    }
    expect(await on('2025-12-31')).toEqual(['0.00', '0.00'])
    expect(await on('2026-02-09')).toEqual(['VN Shop 5 3000.00', 'RO Shop 20 120.00', '3120.00', '0.00'])
    expect(await on('2026-02-10')).toEqual([
      'VN Shop 5 3000.00',
      'RO Shop 15 90.00',
      'RO Bench 5 30.00',
      '3120.00',
      '0.00',
    ])
    const { rows, value } = await readWorthiest(await where(), day('2026-02-10'), 2)
    expect([...rows.map((r) => r.code), toDecimalString(value)]).toEqual(['VN', 'RO', 'RO', '3120.00'])
    const places = await readWhereItLies(await where(), { id: s.rosin, placeId: null })
    expect(places.map((p) => `${p.name} ${p.onHand} ${p.value}`)).toEqual(['Shop 15 90.00', 'Bench 5 30.00'])
  })

  test('backorders say who waits for what since when; the oldest agreement is served first', async () => {
    const order = (on: string, quantity: string, wantedBy?: string) =>
      s.answer(startSale, {
        customerId: s.customer,
        agreed: true,
        on,
        wantedBy,
        lines: [{ goodsId: s.violin, quantity }],
      })
    const first = await order('2026-01-10', '3')
    const second = await order('2026-01-12', '4', '2026-03-20')
    const rows = await readBackorders(await where())
    // Five are there: three for the first, two for the second, who waits for two more.
    expect(rows).toMatchObject([{ saleId: second.id, since: '2026-01-12', wantedBy: '2026-03-20', goods: 'Violin' }])
    expect(rows.map((r) => [r.waiting, r.setAside, r.short].map(String))).toEqual([['4', '2', '2']])
    await s.run(handOver, { saleId: first.id })
    expect((await readBackorders(await where())).map((r) => String(r.short))).toEqual(['2'])
    await s.run(adjustStock, { reason: 'Found', lines: [{ goodsId: s.violin, change: '2' }] })
    expect(await readBackorders(await where())).toEqual([])
  })
})

describe('what to pick for a sale', () => {
  const picking = async (saleId: number, on = s.shop.today) => {
    const business = (await findBusiness(s.db))!
    const read = (await readPicking(s.db, saleId, on, { business, today: s.shop.today }))!
    const name = (id: number) => (id === shop ? 'shop' : 'bench')
    return read.lines.map(
      (l) => `${l.quantity}: ${l.from.map((f) => `${f.quantity} ${name(f.placeId)}`).join(' + ')}, short ${l.short}`,
    )
  }
  const order = (lines: readonly { goodsId: number; quantity: string }[]) =>
    s.answer(startSale, { customerId: s.customer, agreed: true, on: '2026-01-10', lines: [...lines] })

  test('is in the fewest places, only what is set aside for it, and handing over takes just that', async () => {
    await s.run(moveStock, {
      from: shop,
      to: bench,
      lines: [
        { goodsId: s.violin, quantity: '1' },
        { goodsId: s.rosin, quantity: '3' },
      ],
    })
    const both = await order([
      { goodsId: s.violin, quantity: '1' },
      { goodsId: s.rosin, quantity: '3' },
    ])
    // The shop has both of them too, and stands first.
    expect(await picking(both.id)).toEqual(['1: 1 shop, short 0', '3: 3 shop, short 0'])
    await s.run(moveStock, { from: shop, to: bench, lines: [{ goodsId: s.rosin, quantity: '15' }] })
    // Now two of the three lie in the shop: the bench alone has all.
    expect(await picking(both.id)).toEqual(['1: 1 bench, short 0', '3: 3 bench, short 0'])
    await s.run(handOver, { saleId: both.id })
    expect(await stock(s.violin)).toEqual(['shop 4 at 600: 2400.00'])
    expect(await stock(s.rosin)).toEqual(['shop 2 at 6: 12.00', 'bench 15 at 6: 90.00'])
    expect(await picking(both.id)).toEqual([])
  })

  test('of two places as good is the default one, on paper and in fact', async () => {
    await s.run(moveStock, { from: shop, to: bench, lines: [{ goodsId: s.violin, quantity: '2' }] })
    await s.run(adjustStock, { reason: 'Sold before', lines: [{ goodsId: s.violin, change: '-1', placeId: shop }] })
    const sale = await order([{ goodsId: s.violin, quantity: '1' }])
    expect(await picking(sale.id)).toEqual(['1: 1 shop, short 0'])
    await s.run(changePlace, { placeId: bench, usual: true })
    expect(await picking(sale.id)).toEqual(['1: 1 bench, short 0'])
    await s.run(handOver, { saleId: sale.id })
    expect(await stock(s.violin)).toEqual(['shop 2 at 600: 1200.00', 'bench 1 at 600: 600.00'])
  })

  test('leaves to those that name a place what they name', async () => {
    await s.run(moveStock, { from: shop, to: bench, lines: [{ goodsId: s.violin, quantity: '2' }] })
    const gone = (first: string) => ({
      reason: 'Broken',
      lines: [
        { goodsId: s.violin, change: first },
        { goodsId: s.violin, change: '-3', placeId: shop },
      ],
    })
    // Three in the shop are named; two are left, at the bench.
    expect(await s.refusal(adjustStock, gone('-3'))).toBe('not-enough-stock')
    await s.run(adjustStock, gone('-2'))
    expect(await stock(s.violin)).toEqual([])
    expect(await s.ties()).toEqual([])
  })

  test('is short of what an older order has', async () => {
    await order([{ goodsId: s.violin, quantity: '4' }])
    const second = await order([{ goodsId: s.violin, quantity: '3' }])
    expect(await picking(second.id)).toEqual(['3: 1 shop, short 2'])
    // Before anything was counted there was nothing to take.
    expect(await picking(second.id, day('2025-12-31'))).toEqual(['3: , short 3'])
  })

  test('of a kit is its parts', async () => {
    const kit = await s.run(addGoods, {
      code: 'KIT',
      name: 'To begin with',
      kind: 'kit',
      price: '1020.00',
      parts: [
        { goodsId: s.violin, quantity: '1' },
        { goodsId: s.rosin, quantity: '2' },
      ],
    })
    const sale = await order([{ goodsId: kit, quantity: '2' }])
    expect(await picking(sale.id)).toEqual(['2: 2 shop, short 0', '4: 4 shop, short 0'])
  })
})
