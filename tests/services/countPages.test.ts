import { beforeAll, expect, test } from 'vitest'
import { decimal } from '@/core/money'
import { insertMany } from '@/data/manyRows'
import { findBusiness } from '@/data/queries/business'
import { goods } from '@/data/schema'
import { readCountLines } from '@/model/goods/countLines'
import type { Where } from '@/model/where'
import { countStock } from '@/services/goods/countStock'
import { addGoods } from '@/services/goods/keepGoods'
import { addPlace } from '@/services/goods/places'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let where: Where
beforeAll(async () => {
  s = await openTestShop()
  where = { db: s.db, business: (await findBusiness(s.db))!, today: s.today, currency: 'USD' }
  const [one] = await s.db.select().from(goods)
  const { taxCodeId, incomeAccountId } = one!
  const bridge = { kind: 'stock' as const, price: decimal('9'), taxCodeId, incomeAccountId }
  // Before violin and rosin, by code.
  const bridges = Array.from({ length: 110 }, (_, i) => ({ ...bridge, code: `A${1000 + i}`, name: `Bridge ${i + 1}` }))
  await insertMany(goods)(s.db, [...bridges, { ...bridge, code: 'zz-9', name: 'Last', barcode: '40 07' }])
})

const names = async (of: Parameters<typeof readCountLines>[1]) => {
  const { lines, more } = await readCountLines(where, of)
  return { names: lines.map((l) => l.name), more }
}

test('everything can be counted, page by page: nothing is left out behind the first', async () => {
  const first = await names({})
  expect(first.names).toEqual(Array.from({ length: 100 }, (_, i) => `Bridge ${i + 1}`))
  expect(first.more).toBe(true)
  const second = await names({ page: 2 })
  expect(second.names.slice(0, 10)).toEqual(Array.from({ length: 10 }, (_, i) => `Bridge ${101 + i}`))
  // Work is not counted.
  expect(second.names.slice(10).sort()).toEqual(['Last', 'Rosin', 'Violin'])
  expect(second.more).toBe(false)
})

test('what is scanned is found by its whole code, barcode, serial or lot, wherever it stands', async () => {
  const cello = { code: 'VC', name: 'Cello', kind: 'stock', price: '2400.00', track: 'serial' } as const
  const celloId = await s.run(addGoods, cello)
  const glueId = await s.run(addGoods, { code: 'GL', name: 'Glue', kind: 'stock', price: '8.00', track: 'lot' })
  await s.run(countStock, {
    lines: [
      { goodsId: celloId, serials: ['C-1', 'C-2'], unitCost: '1500' },
      { goodsId: glueId, counted: '6', unitCost: '3', lot: 'L7' },
    ],
  })
  const found = async (named: string) =>
    (await readCountLines(where, { named })).lines.map((l) => [l.name, l.serial ?? l.lot, l.isNew, l.onHand])
  expect(await found('ZZ-9')).toEqual([['Last', null, false, '0']])
  expect(await found('40 07')).toEqual([['Last', null, false, '0']])
  const cellos = [
    ['Cello', 'C-1', false, '1'],
    ['Cello', 'C-2', false, '1'],
    ['Cello', null, true, '2'],
  ]
  expect(await found('c-2')).toEqual(cellos)
  expect(await found('vc')).toEqual(cellos)
  expect(await found('l7')).toEqual([
    ['Glue', 'L7', false, '6'],
    ['Glue', null, true, '6'],
  ])
  // A part of a code, nothing, and work, which does not lie anywhere.
  for (const none of ['zz', '%', 'WO']) expect(await found(none)).toEqual([])
  const bench = await s.run(addPlace, { code: 'BENCH', name: 'Bench' })
  expect((await readCountLines(where, { named: 'c-2', placeId: bench })).lines.map((l) => l.serial)).toEqual([null])
})
