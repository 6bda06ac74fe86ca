import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { sentence } from '@/contract/sentences'
import { OWN_PARTS, USED_BY, type Whole } from '@/data/queries/wholes'
import { readCustomerToChange } from '@/model/people/customerForm'
import { readGoodsPage } from '@/model/goods/goodsPage'
import { readSupplierPage } from '@/model/buying/supplierPage'
import { findBusiness } from '@/data/queries/business'
import { findWalkIn } from '@/data/queries/customers'
import { orderGoods } from '@/services/buying/orderGoods'
import { addSupplier } from '@/services/buying/keepSupplier'
import type { Command } from '@/services/command'
import { dropCustomer, dropGoods, dropSupplier } from '@/services/dropWhole'
import { keepFile } from '@/services/files/keepFile'
import { addGoods, changeGoods } from '@/services/goods/keepGoods'
import { takeReceipt } from '@/services/money/takeReceipt'
import { joinCustomers } from '@/services/people/joinCustomers'
import { addCustomer } from '@/services/people/keepCustomer'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})
afterAll(() => s.close())

const why = async <I, A>(command: Command<I, A>, input: I): Promise<string | null> => {
  const done = await command.run(s.shop, input)
  return done.ok ? null : sentence(done.error)
}
const where = async () => ({
  db: s.db,
  business: (await findBusiness(s.db))!,
  today: s.today,
  currency: 'USD',
})
const PNG = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='
const file = (ownerKind: 'customer' | 'goods', ownerId: number) =>
  s.run(keepFile, { ownerKind, ownerId, name: 'photo.png', base64: PNG })

test.each(['customer', 'supplier', 'goods'] as const)(
  'of everything the database ties to a %s it is said whether that goes with it, or keeps it',
  async (whole: Whole) => {
    const tied = await s.db.execute<{ table: string; column: string }>(sql`
      select c.conrelid::regclass::text as table, a.attname::text as column
        from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
       where c.contype = 'f' and c.confrelid = ${whole}::regclass`)
    const named = [...OWN_PARTS[whole], ...USED_BY[whole].map(([, ...column]) => column)].map((c) => c.join('.'))
    expect(tied.map((t) => `${t.table}.${t.column}`).filter((t) => !named.includes(t))).toEqual([])
  },
)

test('a customer who was added by mistake goes with all that was said of them; one who was sold to stays', async () => {
  const fresh = await s.run(addCustomer, {
    name: 'asdf',
    addresses: [{ text: 'Nowhere' }],
    contacts: [{ name: 'Bo', role: '', email: '', phone: '' }],
  })
  await file('customer', fresh)
  expect((await readCustomerToChange(await where(), fresh))?.unused).toBe(true)
  expect(await why(dropCustomer, { customerId: fresh })).toBeNull()
  expect(await readCustomerToChange(await where(), fresh)).toBeNull()
  expect(await s.refusal(dropCustomer, { customerId: fresh })).toBe('not-found')
  const [left] = await s.db.execute<{ n: number }>(sql`
    select ((select count(*) from address where customer_id = ${fresh}) + (select count(*) from contact where customer_id = ${fresh})
          + (select count(*) from file where owner_kind = 'customer' and owner_id = ${fresh}))::int as n`)
  expect(left?.n).toBe(0)

  const sold = await s.run(addCustomer, { name: 'Ines Vale' })
  await s.run(startSale, { customerId: sold, lines: [{ description: 'Bow', quantity: '1', unitPrice: '80.00' }] })
  const paid = await s.run(addCustomer, { name: 'Orla Vance' })
  await s.run(takeReceipt, { customerId: paid, amount: '5.00', method: 'cash', for: 'account' })
  const kept = await s.run(addCustomer, { name: 'Kept' })
  await s.run(joinCustomers, { customerId: kept, goneId: await s.run(addCustomer, { name: 'Gone' }) })
  const alsoSells = await s.run(addCustomer, { name: 'Both sides' })
  await s.run(addSupplier, { name: 'Both sides', customerId: alsoSells })
  const reasons: Readonly<Record<number, string>> = {
    [sold]: 'A sale uses it: Ines Vale stays.',
    [paid]: 'A receipt uses it: Orla Vance stays.',
    [kept]: 'A merged record uses it: Kept stays.',
    [alsoSells]: 'A supplier uses it: Both sides stays.',
    [await findWalkIn(s.db)]: 'The walk-in customer stays: it cannot be merged or deleted.',
  }
  for (const [id, reason] of Object.entries(reasons)) {
    expect(await why(dropCustomer, { customerId: Number(id) })).toContain(reason)
    expect((await readCustomerToChange(await where(), Number(id)))?.unused).toBe(false)
  }
})

test('so does a supplier, with the people one asks for there', async () => {
  const supplierId = await s.run(addSupplier, {
    name: 'Wrong & Co',
    addresses: [{ use: 'returns', text: 'Dock' }],
    contacts: [{ name: 'Kim', role: '', email: '', phone: '' }],
  })
  expect((await readSupplierPage(await where(), supplierId))?.unused).toBe(true)
  const goodsId = await s.run(addGoods, { code: 'T-1', name: 'Tuner', kind: 'stock', price: '9.00' })
  await s.run(changeGoods, { goodsId, suppliers: [{ supplierId }] })
  expect(await why(dropSupplier, { supplierId })).toContain('An item uses it: Wrong & Co stays.')
  await s.run(changeGoods, { goodsId, suppliers: [] })
  expect(await why(dropSupplier, { supplierId })).toBeNull()
  const ordered = await s.run(addSupplier, { name: 'Right & Co' })
  await s.run(orderGoods, { supplierId: ordered, lines: [{ description: 'Felt', quantity: '1', unitCost: '2' }] })
  expect(await why(dropSupplier, { supplierId: ordered })).toContain('A purchase order uses it')
  expect((await readSupplierPage(await where(), ordered))?.unused).toBe(false)
})

test('and goods, with their prices, parts and pictures; what was sold, moved or is a part of a kit stays', async () => {
  const supplierId = await s.run(addSupplier, { name: 'Alder' })
  const part = await s.run(addGoods, { code: 'P-1', name: 'Peg', kind: 'stock', price: '2.00' })
  const kit = await s.run(addGoods, {
    code: 'K-1',
    name: 'Set of pegs',
    kind: 'kit',
    price: '7.00',
    parts: [{ goodsId: part, quantity: '4' }],
    prices: [{ price: '6.00', fromQuantity: '5' }],
    suppliers: [{ supplierId, unitCost: '3', prices: [{ unitCost: '2.50', fromQuantity: '10' }] }],
  })
  await file('goods', kit)
  expect(await why(dropGoods, { goodsId: part })).toContain('A kit uses it: Peg stays.')
  expect((await readGoodsPage(await where(), kit))?.unused).toBe(true)
  expect(await why(dropGoods, { goodsId: kit })).toBeNull()
  expect((await readGoodsPage(await where(), part))?.unused).toBe(true)
  expect(await why(dropGoods, { goodsId: part })).toBeNull()
  // Its code is free again.
  await s.run(addGoods, { code: 'P-1', name: 'Another peg', kind: 'stock', price: '3.00' })
  await s.run(startSale, { customerId: s.customer, lines: [{ goodsId: s.rosin, quantity: '1' }] })
  expect(await why(dropGoods, { goodsId: s.rosin })).toContain('uses it')
  expect((await readGoodsPage(await where(), s.rosin))?.unused).toBe(false)
})
