import { beforeAll, expect, test } from 'vitest'
import type { Command } from '@/services/command'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { countStock } from '@/services/goods/countStock'
import { addGoods } from '@/services/goods/keepGoods'
import { agreeSale } from '@/services/sales/agreeSale'
import { changeSale } from '@/services/sales/changeSale'
import { handOver } from '@/services/sales/handOver'
import { offerSale } from '@/services/sales/offerSale'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

interface Client {
  unsafe: (...args: unknown[]) => unknown
  begin?: (...args: unknown[]) => unknown
}

let s: TestShop
let goods: number[]
const sent = { statements: 0 }

/** Counts what goes to the database over a client, in its transactions, too. */
const counting = (client: Client): Client => {
  const { unsafe, begin } = client
  client.unsafe = (...args) => {
    sent.statements++
    return unsafe.apply(client, args)
  }
  if (begin)
    client.begin = (...args) => {
      const work = args.pop() as (tx: Client) => unknown
      return begin.call(client, ...args, (tx: Client) => work(counting(tx)))
    }
  return client
}

beforeAll(async () => {
  s = await openTestShop()
  goods = []
  for (let i = 0; i < 200; i++)
    goods.push(await s.run(addGoods, { code: `G${i}`, name: `Goods ${i}`, kind: 'stock', price: '3.00' }))
  await s.run(countStock, {
    on: '2026-01-02',
    lines: goods.map((goodsId) => ({ goodsId, counted: '50', unitCost: '1.00' })),
  })
  counting((s.db as unknown as { $client: Client }).$client)
})

/** How many statements each step of a sale of so many lines takes. */
const stepsOf = async (lines: number): Promise<Record<string, number>> => {
  const counts: Record<string, number> = {}
  const counted = async <I, A>(name: string, command: Command<I, A>, input: I): Promise<number> => {
    sent.statements = 0
    const id = await s.run(command, input)
    counts[name] = sent.statements
    return id
  }
  const of = (quantity: string) => goods.slice(0, lines).map((goodsId) => ({ goodsId, quantity }))
  const saleId = await counted('start', startSale, { customerId: s.customer, lines: of('2') })
  await counted('offer', offerSale, { saleId })
  await counted('agree', agreeSale, { saleId })
  const more = Array.from({ length: lines }, (_, i) => ({ description: `Work ${i}`, quantity: '1', unitPrice: '1.00' }))
  await counted('change', changeSale, { saleId, lines: [...of('3'), ...more] })
  await counted('hand over', handOver, { saleId })
  const invoiceId = await counted('invoice', billSale, { saleId, what: 'remaining', issue: true })
  await counted('credit', creditInvoice, { invoiceId, reason: 'x', returnGoods: true })
  return counts
}

test('a sale of two hundred lines takes as many statements as one of three, step by step', async () => {
  // What is read once a connection is read.
  await stepsOf(3)
  const few = await stepsOf(3)
  expect(Object.keys(few)).toHaveLength(7)
  expect(await stepsOf(200)).toEqual(few)
})
