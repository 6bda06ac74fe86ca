import { beforeAll, describe, expect, test } from 'vitest'
import { goods as goodsCalls } from '@/api/operations/goods'
import { people as peopleCalls } from '@/api/operations/people'
import { findBusiness, type Business } from '@/data/queries/business'
import { readSuppliers } from '@/model/buying/suppliers'
import { readQuickOffers } from '@/model/quickline/quickOffers'
import { addGoods } from '@/services/goods/keepGoods'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { addSupplier } from '@/services/buying/keepSupplier'
import { addCustomer } from '@/services/people/keepCustomer'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

/** A workshop whose codes, names and numbers stand in one another, as short ones do. */
let s: TestShop
let business: Business
const ids = new Map<string, number>()
beforeAll(async () => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
  const add = async (code: string, name: string, more: object = {}) =>
    ids.set(code, await s.run(addGoods, { kind: 'stock', code, name, price: '1.00', taxCode: 'STD', ...more }))
  // By their codes those that only hold a 5 come first: 105, 115 … 195, then 5.
  for (let n = 105; n < 200; n += 10) await add(String(n), `Peg no. ${n}`)
  await add('5', 'Zither string')
  await add('Y-1', 'Bow', { barcode: '77' })
  for (const n of ['a', 'b', 'c', 'd', 'e']) await add(`A-${n}`, `Elbow rest ${n}, 77 g`)
  await add('Z-9', 'Cello no. 9', { track: 'serial' })
  const supplierId = await s.run(addSupplier, { name: 'Halden' })
  await s.run(receiveGoods, {
    supplierId,
    lines: [{ goodsId: ids.get('Z-9'), quantity: '1', unitCost: '1.00', serials: ['15'] }],
  })
  for (const name of ['Aaron Fleet', 'Abel Sleet', 'Ada Gleeson', 'Al Leeds', 'Bo Leer', 'Lee', 'Lée', 'Max'])
    ids.set(name, await s.run(addCustomer, { name, ...(name === 'Max' && { email: 'lee@mail.example' }) }))
})

const get = async (calls: typeof goodsCalls, path: string, query: Readonly<Record<string, string>>) => {
  const call = calls.find((c) => c.method === 'GET' && c.path === path)!
  const till = { db: s.db, today: s.today } as Parameters<typeof call.run>[0]['till']
  const answered = await call.run({ till, params: {}, query, body: undefined, key: null })
  if (!answered.ok) throw new Error(JSON.stringify(answered.error))
  return answered.value.body as { items: { id: number; code: string; name: string }[]; next: string | null }
}
/** Page after page, as a program reads them. */
const everyPage = async (calls: typeof goodsCalls, path: string, search: string, limit: number) => {
  const pages: { id: number; code: string; name: string }[][] = []
  for (let after: string | null = ''; after !== null;) {
    const page = await get(calls, path, { search, limit: String(limit), after })
    if (page.items.length > 0) pages.push(page.items)
    after = page.next
  }
  return pages
}

describe('what is typed whole comes before what only holds it', () => {
  test.each([
    ['a code', '5', '5'],
    ['a barcode', '77', 'Y-1'],
    ['a name, whatever its case', 'bOw', 'Y-1'],
    ['a serial', '15', 'Z-9'],
  ])('goods by %s', async (_, search, code) => {
    expect((await get(goodsCalls, '/goods', { search, limit: '4' })).items[0]?.code).toBe(code)
  })

  test('customers by name, whatever the accents, and by address of e-mail', async () => {
    const names = async (search: string) =>
      (await get(peopleCalls as typeof goodsCalls, '/customers', { search, limit: '4' })).items.map((c) => c.name)
    expect(await names('lee')).toEqual(['Lee', 'Lée', 'Aaron Fleet', 'Abel Sleet'])
    expect(await names('Lee@Mail.example')).toEqual(['Max'])
  })

  test('suppliers by name, whatever the accents', async () => {
    for (const name of ['Ash Tonewood', 'Bashford', 'Åsh']) await s.run(addSupplier, { name })
    const found = await readSuppliers(s.db, ' ash', { business, today: s.today })
    expect(found.map((x) => x.name)).toEqual(['Åsh', 'Ash Tonewood', 'Bashford'])
  })

  test.each([1, 2, 3, 7, 100])('pages of %i bring each once, in one order', async (limit) => {
    const codes = (await everyPage(goodsCalls, '/goods', '5', limit)).flat().map((g) => g.code)
    expect(codes).toEqual(['5', '105', '115', '125', '135', '145', '155', '165', '175', '185', '195'])
    const people = (await everyPage(peopleCalls as typeof goodsCalls, '/customers', 'lee', limit)).flat()
    expect(people.map((c) => c.name)).toEqual([
      ...['Lee', 'Lée', 'Aaron Fleet', 'Abel Sleet', 'Ada Gleeson', 'Al Leeds', 'Bo Leer', 'Max'],
    ])
  })

  test('in the quick line: who pays, what is sold, and a sale by its number', async () => {
    const offers = (typed: string) => readQuickOffers({ db: s.db, business, today: s.today }, typed)
    expect((await offers('take 20 from lee'))[0]).toMatchObject({ send: { body: { customerId: ids.get('Lee') } } })
    expect((await offers('order for lee: 3 5, 1 bow'))[0]).toMatchObject({
      send: {
        body: {
          customerId: ids.get('Lee'),
          lines: [
            { goodsId: ids.get('5'), quantity: '3' },
            { goodsId: ids.get('Y-1'), quantity: '1' },
          ],
        },
      },
    })
    const first = await s.answer(startSale, {
      customerId: s.customer,
      title: 'The first',
      lines: [{ goodsId: s.rosin, quantity: '1' }],
    })
    for (let n = 0; n < 5; n++)
      await s.run(startSale, {
        customerId: s.customer,
        title: `After ${first.number}`,
        lines: [{ goodsId: s.rosin, quantity: '1' }],
      })
    const sales = (await offers(String(first.number))).filter((o) => o.go?.startsWith('/sales/'))
    expect(sales.map((o) => o.text)[0]).toBe(`Sale ${first.number}: The first`)
    expect(sales).toHaveLength(4)
  })
})
