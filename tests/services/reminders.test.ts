import { afterEach, beforeEach, expect, test } from 'vitest'
import { sendPost } from '@/clockwork/postman'
import { findBusiness } from '@/data/queries/business'
import { listMailbox } from '@/data/queries/mailbox'
import { listPost } from '@/data/queries/post'
import { billSale } from '@/services/billing/billSale'
import { remind } from '@/services/chase/remind'
import { takeReceipt } from '@/services/money/takeReceipt'
import { changeCustomer } from '@/services/people/keepCustomer'
import { dropLetter } from '@/services/post/writeLetter'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let invoice: { dues: readonly { id: number; open: string }[] }
// An invoice of 1 February is due on 3 March; on 20 March it is late enough to be reminded of.
beforeEach(async () => {
  s = await openTestShop()
  await s.run(changeCustomer, { customerId: s.customer, email: 'hazel@mail.example', terms: { net: 30 } })
  const saleId = await s.run(startSale, {
    on: '2026-02-01',
    customerId: s.customer,
    agreed: true,
    lines: [{ description: 'Setup', quantity: '1', unitPrice: '60.00' }],
  })
  invoice = await s.answer(billSale, { saleId, what: 'remaining', issue: true, on: '2026-02-01' })
  s.moveTo('2026-03-20')
})
afterEach(() => s.close())

const send = async () => sendPost({ db: s.db, business: (await findBusiness(s.db))!, today: s.shop.today })
const last = async () => (await listPost(s.db, {}, { limit: 1 }))[0]!
const pay = (amount: string) =>
  s.run(takeReceipt, {
    customerId: s.customer,
    method: 'cash',
    amount,
    for: [{ dueId: invoice.dues[0]!.id, amount }],
  })

test('a reminder that waits does not go once all that was late is paid, and was none', async () => {
  const { stage } = await s.answer(remind, { customerId: s.customer })
  expect(stage).toBe(1)
  await pay(invoice.dues[0]!.open)
  await send()
  expect(await last()).toMatchObject({ state: 'dropped', problem: 'Everything was paid before it went.' })
  expect(await listMailbox(s.db, 5)).toEqual([])
})

test('it goes where a part of it is still owed', async () => {
  await s.run(remind, { customerId: s.customer })
  await pay('10.00')
  await send()
  expect((await last()).state).toBe('sent')
  expect(await s.refusal(remind, { customerId: s.customer })).toBe('reminded-lately')
})

test('one that was thrown away before it went was none: the same one may be written again', async () => {
  const { postId } = await s.answer(remind, { customerId: s.customer })
  expect(await s.refusal(remind, { customerId: s.customer })).toBe('reminded-lately')
  await s.run(dropLetter, { postId })
  expect((await s.answer(remind, { customerId: s.customer })).stage).toBe(1)
})
