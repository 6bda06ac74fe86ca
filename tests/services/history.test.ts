import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { addDays, day, type Day } from '@/core/day'
import { ageReceivables } from '@/core/receivables'
import { toDecimalString } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { listDuesOfSales } from '@/data/queries/money'
import { ageByCustomer, listOpenAsOf } from '@/data/queries/receivables'
import { sumAccounts } from '@/data/queries/ledger'
import { listSaleIds, findSales } from '@/data/queries/sales'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import type { Command } from '@/services/command'
import { countStock } from '@/services/goods/countStock'
import { refundHeld } from '@/services/money/refundHeld'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { useHeld } from '@/services/money/useHeld'
import { voidReceipt } from '@/services/money/voidReceipt'
import { readStories } from '@/services/read/stories'
import { agreeSale } from '@/services/sales/agreeSale'
import { changeSale } from '@/services/sales/changeSale'
import { cancelSale } from '@/services/sales/closeSale'
import { handOver } from '@/services/sales/handOver'
import { offerSale } from '@/services/sales/offerSale'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})

const step = fc.record({
  kind: fc.constantFrom('start', 'offer', 'agree', 'change', 'hand-over', 'hand-over', 'bill', 'bill', 'take', 'take', 'void', 'credit', 'refund', 'use', 'count', 'counter', 'cancel'),
  pick: fc.nat(1000),
  n: fc.integer({ min: 1, max: 7 }),
  cents: fc.integer({ min: 1, max: 300_000 }),
  later: fc.integer({ min: 0, max: 9 }),
  flag: fc.boolean(),
}) // prettier-ignore
type Step = typeof step extends fc.Arbitrary<infer T> ? T : never

/** Runs commands in any order; what the program refuses is skipped, what it allows must keep every tie at zero. */
test('every tie stays at zero over random histories', { timeout: 240_000 }, async () => {
  let today: Day = day('2026-03-01')
  let done = 0
  const attempt = async <I, A>(command: Command<I, A>, input: I) => {
    const result = await command.run({ db: s.db, today }, input)
    if (result.ok) done++
  }
  const idOf = async (table: string, pick: number): Promise<number | null> => {
    const rows = await s.db.execute<{ id: number }>(
      sql`select id from ${sql.identifier(table)} order by id desc limit 12`,
    )
    return rows.length === 0 ? null : rows[pick % rows.length]!.id
  }
  const play = async (x: Step): Promise<void> => {
    today = addDays(today, x.later)
    const saleId = (await idOf('sale', x.pick)) ?? 0
    const invoiceId = (await idOf('invoice', x.pick)) ?? 0
    const receiptId = (await idOf('receipt', x.pick)) ?? 0
    const amount = toDecimalString({ minor: BigInt(x.cents), currency: 'USD' })
    const lines = [{ goodsId: [s.violin, s.rosin, s.setUp][x.n % 3]!, quantity: String(x.n), discountPercent: x.flag ? '7.5' : '0' }, { goodsId: s.rosin, quantity: '0.3333' }, { description: 'Parts', quantity: '3', unitPrice: '0.07' }] // prettier-ignore
    switch (x.kind) {
      case 'start':
        return attempt(startSale, { customerId: s.customer, lines, arrangement: x.flag ? { kind: 'deposit', percent: '30', apply: x.n > 3 ? 'in-proportion' : 'first' } : undefined }) // prettier-ignore
      case 'offer':
        return attempt(offerSale, { saleId })
      case 'agree':
        return attempt(agreeSale, { saleId })
      case 'change':
        return attempt(changeSale, { saleId, lines: [...lines, { goodsId: s.setUp, quantity: '1' }] })
      case 'hand-over':
        return attempt(handOver, { saleId })
      case 'bill':
        return attempt(billSale, {
          saleId,
          what: x.n < 3 ? 'remaining' : x.n < 5 ? 'handed-over' : { percent: '33.3' },
          issue: true,
        })
      case 'take':
        return attempt(takeReceipt, { customerId: s.customer, method: x.flag ? 'cash' : 'cheque', amount, for: x.n < 5 ? 'oldest' : x.n === 5 ? 'account' : [{ saleId, amount }] }) // prettier-ignore
      case 'void':
        return attempt(voidReceipt, { receiptId, reason: 'x' })
      case 'credit':
        return attempt(creditInvoice, {
          invoiceId,
          reason: 'x',
          amount: x.n < 3 ? amount : undefined,
          returnGoods: x.flag,
          billAgain: x.n > 5,
        })
      case 'refund':
        return attempt(refundHeld, {
          customerId: s.customer,
          saleId: x.flag ? saleId : undefined,
          amount,
          method: 'cash',
        })
      case 'use':
        return attempt(useHeld, { customerId: s.customer, saleId: x.flag ? saleId : undefined })
      case 'count':
        return attempt(countStock, { lines: [{ goodsId: s.violin, counted: String(x.n + 3), unitCost: amount }, { goodsId: s.rosin, counted: String(40 + x.n) }] }) // prettier-ignore
      case 'counter':
        return attempt(sellAtCounter, { lines, method: 'card' })
      case 'cancel':
        return attempt(cancelSale, { saleId, reason: 'x' })
    }
  }
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 40, maxLength: 60, size: 'max' }), async (steps) => {
      for (const x of steps) {
        await play(x)
        expect(await s.ties()).toEqual([])
      }
      for (const back of [1, 10, 45]) expect(await s.ties(addDays(today, -back))).toEqual([])
    }),
    { numRuns: 7, endOnFailure: true },
  )
  expect(done).toBeGreaterThan(100)
})

test('the caches say what the papers say', async () => {
  const business = (await findBusiness(s.db))!
  const today = day('2199-01-01')
  const ids = await listSaleIds(s.db, {}, { limit: 1000 }, today)
  const kept = new Map((await findSales(s.db, ids, 'USD')).map((r) => [r.id, r]))
  for (const story of await readStories(s.db, ids, business, today)) {
    const row = kept.get(story.sale.id)!
    const stands = story.stands === 'lapsed' ? 'offered' : story.stands
    expect([row.stage, row.total.minor, row.billed.minor]).toEqual([
      stands,
      story.bar.total.minor,
      story.billed.minor,
    ])
  }
  const counted = await s.db.execute(sql`
    select l.id from sale_line l
     where l.billed <> coalesce((select sum(x.quantity) from invoice_line x join invoice i on i.id = x.invoice_id where x.sale_line_id = l.id and i.status = 'issued' and i.kind <> 'credit-note'), 0)
        or l.credited <> coalesce((select sum(x.quantity) from invoice_line x join invoice i on i.id = x.invoice_id where x.sale_line_id = l.id and i.kind = 'credit-note'), 0)
        or l.handed_over <> coalesce((select sum(x.quantity) from handover_line x join handover h on h.id = x.handover_id where x.sale_line_id = l.id and h.direction = 'out'), 0)
        or l.returned <> coalesce((select sum(x.quantity) from handover_line x join handover h on h.id = x.handover_id where x.sale_line_id = l.id and h.direction = 'back'), 0)`)
  expect(counted).toHaveLength(0)
})

test('sums in SQL equal the core’s, for several days', async () => {
  for (const asOf of ['2026-03-10', '2026-06-30', '2027-01-15', '2199-01-01'].map(day)) {
    const [row] = await ageByCustomer(s.db, { asOf, by: 'due', currency: 'USD' })
    const open = await listOpenAsOf(s.db, s.customer, asOf, 'USD')
    const ages = ageReceivables(open.map((d) => ({ from: d.dueOn, open: d.open })), asOf, 'USD') // prettier-ignore
    if (row)
      expect({ ...row, customerId: 0, name: '', held: null }).toEqual({
        ...ages,
        customerId: 0,
        name: '',
        held: null,
      })
    const whole = await sumAccounts(s.db, { to: asOf }, 'USD')
    const [direct] = await s.db.execute<{ sum: string }>(
      sql`select coalesce(sum(amount) filter (where amount > 0), 0)::text as sum from entry_line where on_day <= ${asOf}`,
    )
    expect(whole.reduce((sum, a) => sum + a.debit.minor, 0n).toString()).toBe(direct!.sum)
  }
  const part = await sumAccounts(s.db, { from: day('2026-03-05'), to: day('2026-04-20') }, 'USD')
  const [direct] = await s.db.execute<{ sum: string }>(
    sql`select coalesce(sum(amount) filter (where amount > 0), 0)::text as sum from entry_line where on_day between '2026-03-05' and '2026-04-20'`,
  )
  expect(part.reduce((sum, a) => sum + a.debit.minor, 0n).toString()).toBe(direct!.sum)
  expect(await listDuesOfSales(s.db, [], 'USD')).toEqual([])
})
