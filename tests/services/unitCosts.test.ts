import { afterEach, beforeEach, expect, test } from 'vitest'
import { decimal } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { readPrice } from '@/model/goods/prices'
import { readSheet } from '@/model/sale/readSheet'
import { saleView } from '@/model/sale/saleView'
import { addSupplier } from '@/services/buying/keepSupplier'
import { countStock } from '@/services/goods/countStock'
import { addGoods } from '@/services/goods/keepGoods'
import { startSale } from '@/services/sales/startSale'
import { addDuo } from './history/pieces'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeEach(async () => {
  s = await openTestShop()
})
afterEach(() => s.close())

const business = async () => (await findBusiness(s.db))!
/** What a line of one is expected to cost, what is told of it while it is typed, and the margin on its sheet. */
const told = async (goodsId: number) => {
  const saleId = await s.run(startSale, { customerId: s.customer, lines: [{ goodsId, quantity: '1' }] })
  const [line] = (await saleView(s.db, saleId, await business(), s.today))!.lines
  const price = await readPrice(s.db, { goodsId, quantity: decimal('1') }, await business(), s.today)
  const sheet = await readSheet(s.db, saleId, await business(), s.today)
  return [line!.expectedCost, price!.unitCost, sheet!.margins.get(line!.id)]
}
const sellOut = () =>
  s.run(countStock, {
    lines: [
      { goodsId: s.violin, counted: '0' },
      { goodsId: s.rosin, counted: '0' },
    ],
  })

test('what is sold out is expected to cost what the last one did, alone and in a kit', async () => {
  const duo = await addDuo(s)
  const before = [await told(s.rosin), await told(duo)]
  // 12.50 at 6.00 leaves 6.50 of 12.50: 52 %.
  expect(before[0]).toEqual(['6', '6', '52%'])
  expect(before[1]!.slice(0, 2)).toEqual(['612', '612'])
  await sellOut()
  expect([await told(s.rosin), await told(duo)]).toEqual(before)
})

test('what never lay there is expected to cost what its supplier asks, in their packs; else nothing is known', async () => {
  const supplierId = await s.run(addSupplier, { name: 'Gutwerk Strings' })
  const mute = { code: 'MUTE', name: 'Mute', kind: 'stock' as const, price: '10.00', taxCode: 'STD' }
  const prices = [{ fromQuantity: '12', unitCost: '3.50' }]
  const asked = await s.run(addGoods, {
    ...mute,
    suppliers: [{ supplierId, packSize: '12', unitCost: '4.00', prices }],
  })
  // A pack of twelve is bought for one that is sold: 3.50 each, 65 % of 10.00 left.
  expect(await told(asked)).toEqual(['3.5', '3.5', '65%'])
  const unknown = await s.run(addGoods, { ...mute, code: 'MUTE2' })
  expect(await told(unknown)).toEqual(['0', '0', ''])
})
