import { afterAll, beforeAll, expect, test } from 'vitest'
import { sentence } from '@/contract/sentences'
import { changeOrder, orderGoods } from '@/services/buying/orderGoods'
import { addSupplier, changeSupplier } from '@/services/buying/keepSupplier'
import type { Command } from '@/services/command'
import { addGoods, changeGoods } from '@/services/goods/keepGoods'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})
afterAll(() => s.close())

type Kept = { readonly id: number; readonly edition: string }

/** Two windows that opened the same, of which the second would undo what the first did. */
const twoWindows = async <I, A>(command: Command<I, A>, opened: Kept, first: object, second: object) => {
  const change = (what: object) => ({ ...what, edition: opened.edition }) as never
  const changed = (await s.answer(command, change(first))) as Kept
  expect(changed.edition).not.toBe(opened.edition)
  const refused = await command.run(s.shop, change(second))
  expect(!refused.ok && refused.error.code).toBe('changed-since')
  // Whoever looks again may change it, and so may whoever does not say what they saw.
  const again = (await s.answer(command, { ...second, edition: changed.edition } as never)) as Kept
  await s.answer(command, first as never)
  return { again, said: refused.ok ? '' : sentence(refused.error) }
}

test('an address that was added in one window is not lost to another one', async () => {
  const opened = await s.answer(addCustomer, { name: 'Orla Vance', addresses: [{ text: '1 Old Street' }] })
  const customerId = opened.id
  const { said, again } = await twoWindows(
    changeCustomer,
    opened,
    { customerId, addresses: [{ text: '1 Old Street' }, { kind: 'deliver-to' as const, text: '2 Old Yard' }] },
    { customerId, contacts: [{ name: 'Bo', role: '', email: '', phone: '' }] },
  )
  expect(said).toBe(
    'Orla Vance was changed in another window since you opened it. Nothing was saved, and what you entered is still here. Open it again and make your change there.',
  )
  // What is no list goes by itself: two windows that change different things do not meet.
  const named = await s.answer(changeCustomer, { customerId, phone: '555 0100', edition: opened.edition })
  expect([named.phone, named.addresses.length, named.contacts.length]).toEqual(['555 0100', 2, 1])
  expect(again.edition).toBe(named.edition)
})

test('nor prices, parts and who sells it, of goods', async () => {
  const supplierId = await s.run(addSupplier, { name: 'Alder Tonewood' })
  const opened = await s.answer(addGoods, { code: 'PEG-1', name: 'Peg', kind: 'stock', price: '4.00' })
  const goodsId = opened.id
  await twoWindows(
    changeGoods,
    opened,
    { goodsId, prices: [{ price: '3.50', fromQuantity: '10' }] },
    { goodsId, suppliers: [{ supplierId, code: 'A-1' }] },
  )
  // Another name for who sells it is no other list.
  const before = await s.answer(changeGoods, { goodsId, name: 'Peg, ebony' })
  await s.run(changeSupplier, { supplierId, name: 'Alder & Sons' })
  const after = await s.answer(changeGoods, { goodsId, prices: [], edition: before.edition })
  expect(after.suppliers.map((x) => x.name)).toEqual(['Alder & Sons'])
})

test('nor contacts of a supplier, nor lines of an order', async () => {
  const opened = await s.answer(addSupplier, { name: 'Maple & Co' })
  const supplierId = opened.id
  await twoWindows(
    changeSupplier,
    opened,
    { supplierId, contacts: [{ name: 'Kim', role: '', email: '', phone: '' }] },
    { supplierId, addresses: [{ use: 'returns' as const, text: '5 Dock' }] },
  )
  const order = await s.answer(orderGoods, {
    supplierId,
    lines: [{ description: 'Spruce', quantity: '2', unitCost: '40' }],
  })
  const kept = { lineId: order.lines[0]!.id, description: 'Spruce', unitCost: '40' }
  await twoWindows(
    changeOrder,
    order,
    {
      orderId: order.id,
      lines: [
        { ...kept, quantity: '2' },
        { description: 'Maple', quantity: '1', unitCost: '60' },
      ],
    },
    { orderId: order.id, lines: [{ ...kept, quantity: '3' }] },
  )
  // A day that was confirmed meanwhile is not taken back unseen either.
  const dated = await s.answer(changeOrder, { orderId: order.id, confirmedFor: '2026-04-01' as never })
  expect(await s.refusal(changeOrder, { orderId: order.id, confirmedFor: null, edition: order.edition } as never)).toBe(
    'changed-since',
  )
  expect(dated.confirmedFor).toBe('2026-04-01')
})
