import { beforeAll, expect, test } from 'vitest'
import { findBusiness, type Business } from '@/data/queries/business'
import { pageAsked } from '@/contract/pageAsked'
import { goods } from '@/data/schema'
import { insertMany } from '@/data/manyRows'
import { decimal } from '@/core/money'
import { listGoods } from '@/data/queries/goods'
import { countStock } from '@/services/goods/countStock'
import { addGoods } from '@/services/goods/keepGoods'
import { readShop } from '@/services/shopfront/readShop'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let business: Business
beforeAll(async () => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
  const [one] = await s.db.select().from(goods)
  const { taxCodeId, incomeAccountId } = one!
  // No figure of a code is one of a name.
  const pegs = Array.from({ length: 70 }, (_, i) => ({
    code: `P${i.toString(2).replaceAll('0', 'a').replaceAll('1', 'b')}`,
    name: `Peg ${String(i + 1).padStart(2, '0')}`,
    kind: 'stock' as const,
    price: decimal('4'),
    taxCodeId,
    incomeAccountId,
    onShopfront: i < 60,
    retired: i === 10,
  }))
  await insertMany(goods)(s.db, [...pegs, { ...pegs[0]!, code: 'AE', name: 'Äolian harp', retired: false }])
})

/** What stands on a page of the shop, by name, and whether more follows. */
const look = async (address: object) => {
  const { things, more } = await readShop(s.db, business, s.today, pageAsked.parse(address))
  return { names: things.map((t) => t.name), more }
}
const peg = (n: number) => `Peg ${String(n).padStart(2, '0')}`
const pegs = (from: number, to: number) =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i)
    .filter((n) => n !== 11)
    .map(peg)

test('all of it is there, page by page and by name: none is left out behind the first', async () => {
  // 48 on a page: the harp and 47 pegs, of which the eleventh is sold no more.
  expect(await look({})).toEqual({ names: ['Äolian harp', ...pegs(1, 48)], more: true })
  expect(await look({ page: '2' })).toEqual({ names: pegs(49, 60), more: false })
  expect(await look({ page: '3' })).toEqual({ names: [], more: false })
})

test('it is searched by each word, without accents, and never tells what is not in it', async () => {
  expect(await look({ search: 'aolian' })).toEqual({ names: ['Äolian harp'], more: false })
  expect((await look({ search: 'PEG  31' })).names).toEqual([peg(31)])
  expect((await look({ search: 'peg 65' })).names).toEqual([])
  expect((await look({ search: 'violin' })).names).toEqual([])
})

test.each([
  { page: '0' },
  { page: '-1' },
  { page: '1e9' },
  { page: 'x' },
  { page: ['2', '3'] },
  { search: ['a', 'b'] },
  { search: 'x'.repeat(201) },
  { search: '\u0000\ud83d' },
])('an address that asks for nothing there is shows the first page of all: %j', async (address) => {
  expect(await look(address)).toEqual(await look({}))
})

test('a single piece is not found by its number: who looks is told nothing of pieces', async () => {
  const goodsId = await s.run(addGoods, {
    code: 'WAX',
    name: 'Wax',
    kind: 'stock',
    price: '9.00',
    track: 'lot',
    onShopfront: true,
  })
  await s.run(countStock, { lines: [{ goodsId, counted: '2', unitCost: '4.00', lot: 'SECRET-LOT' }] })
  expect((await listGoods(s.db, { search: 'secret-lot' }, {})).map((g) => g.name)).toEqual(['Wax'])
  expect((await look({ search: 'secret-lot' })).names).toEqual([])
  expect((await look({ search: 'wax' })).names).toEqual(['Wax'])
})
