import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { addDays, day, type Day } from '@/core/day'
import { ageReceivables } from '@/core/receivables'
import { toDecimalString } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { listDuesOfSales, listOpenDues } from '@/data/queries/money'
import { ageBy, listOpenAsOf } from '@/data/queries/receivables'
import { sumAccounts } from '@/data/queries/ledger'
import { listSaleIds, findSales } from '@/data/queries/sales'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import type { z } from 'zod'
import type { Command } from '@/services/command'
import type { arrangement } from '@/services/input/arrangement'
import { chargeLate } from '@/services/money/chargeExtra'
import { moveHeld } from '@/services/money/moveHeld'
import { writeOffDue, writeOffRests } from '@/services/money/writeOff'
import { keepCardForPlan, payOffPlan, reschedulePlan } from '@/services/plans/changePlan'
import { giveUpLayaway } from '@/services/plans/giveUpLayaway'
import { runDuePlans } from '@/clockwork/runPlans'
import { keepCard } from '@/standins/card/askCard'
import { readStatement } from '@/services/read/statement'
import { readTrail } from '@/services/read/views'
import { arrangeSale } from '@/services/sales/arrangeSale'
import { countDrawer, moveDrawer } from '@/services/till/drawer'
import { bankSlip, settleCards } from '@/services/till/toBank'
import { countStock } from '@/services/goods/countStock'
import { refundHeld } from '@/services/money/refundHeld'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { useHeld } from '@/services/money/useHeld'
import { bounceReceipt, voidReceipt } from '@/services/money/voidReceipt'
import { readStories } from '@/services/read/stories'
import { agreeSale } from '@/services/sales/agreeSale'
import { changeSale } from '@/services/sales/changeSale'
import { cancelSale } from '@/services/sales/closeSale'
import { handOver } from '@/services/sales/handOver'
import { offerSale } from '@/services/sales/offerSale'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

/**
 * The same histories each time, so that a change is judged by what it changes. To look for new ones:
 * `TILL_SEED=$RANDOM TILL_RUNS=200 npx vitest run --project services tests/services/history.test.ts`.
 */
const SEED = Number(process.env.TILL_SEED ?? 20_261_125)
const RUNS = Number(process.env.TILL_RUNS ?? 40)

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})

const step = fc.record({
  kind: fc.constantFrom('start', 'offer', 'agree', 'change', 'hand-over', 'hand-over', 'bill', 'bill', 'take', 'take', 'void', 'credit', 'refund', 'use', 'count', 'counter', 'cancel', 'arrange', 'move', 'bounce', 'write-off', 'late', 'payoff', 'reschedule', 'give-up', 'earn', 'card', 'drawer', 'bank', 'settle'),
  pick: fc.nat(1000),
  n: fc.integer({ min: 1, max: 7 }),
  cents: fc.integer({ min: 1, max: 300_000 }),
  later: fc.integer({ min: 0, max: 9 }),
  flag: fc.boolean(),
}) // prettier-ignore
type Step = typeof step extends fc.Arbitrary<infer T> ? T : never

const arrangements = (x: Step): z.input<typeof arrangement> => {
  const every = (['week', 'month', { days: 9 }] as const)[x.pick % 3]!
  switch (x.n) {
    case 1:
      return { kind: 'deposit', percent: '30', apply: x.pick % 2 === 0 ? 'in-proportion' : 'first' }
    case 2:
      return { kind: 'terms', net: x.pick % 40, discountPercent: '2', discountDays: 12 }
    case 3:
      return { kind: 'terms', net: 5, parts: 3, every }
    case 4:
      return { kind: 'layaway', firstPercent: '10', months: 2, every, fee: { percent: '8' } }
    case 5:
      return { kind: 'installments', count: 1 + (x.pick % 9), every, firstDue: '2026-04-01', charge: { flat: '45.67' }, firstPayment: '20.00' } // prettier-ignore
    case 6:
      return { kind: 'installments', count: 6, every, firstDue: '2026-03-20', charge: { yearlyRate: '0.18' }, roundUpTo: 5, lateCharge: { percent: '3' } } // prettier-ignore
    default:
      return { kind: 'installments', count: 4, every, firstDue: '2026-03-20', charge: { flatPercent: '6' } }
  }
}

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
    const dueId = (await idOf('due', x.pick)) ?? 0
    const amount = toDecimalString({ minor: BigInt(x.cents), currency: 'USD' })
    const lines = [{ goodsId: [s.violin, s.rosin, s.setUp][x.n % 3]!, quantity: String(x.n), discountPercent: x.flag ? '7.5' : '0' }, { goodsId: s.rosin, quantity: '0.3333' }, { description: 'Parts', quantity: '3', unitPrice: '0.07' }] // prettier-ignore
    switch (x.kind) {
      case 'start':
        return attempt(startSale, { customerId: s.customer, lines, arrangement: x.flag ? arrangements(x) : undefined }) // prettier-ignore
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
        return attempt(takeReceipt, { customerId: s.customer, method: x.flag ? 'cash' : x.n > 3 ? 'card' : 'cheque', amount, for: x.n < 5 ? 'oldest' : x.n === 5 ? 'account' : [{ saleId, amount }] }) // prettier-ignore
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
        return attempt(cancelSale, { saleId, reason: 'x', ...(x.flag ? { fee: '1.00', rest: x.n > 3 ? 'account' : 'cash' } : {}) }) // prettier-ignore
      case 'arrange':
        return attempt(arrangeSale, { saleId, arrangement: arrangements(x) })
      case 'move':
        return attempt(moveHeld, { customerId: s.customer, fromSaleId: x.flag ? saleId : undefined, toSaleId: x.n > 2 ? ((await idOf('sale', x.cents)) ?? undefined) : undefined, amount: x.n > 5 ? amount : undefined }) // prettier-ignore
      case 'bounce':
        return attempt(bounceReceipt, {
          receiptId,
          reason: 'x',
          fee: x.flag ? '15.00' : '0',
          bankFee: '4.00',
        })
      case 'write-off':
        return x.flag
          ? attempt(writeOffDue, { dueId, reason: 'x', amount: x.n > 4 ? amount : undefined })
          : attempt(writeOffRests, { customerId: s.customer, upTo: '25.00', reason: 'x' })
      case 'late':
        return attempt(chargeLate, { dueId, amount: x.flag ? '9.99' : undefined })
      case 'payoff':
        return attempt(payOffPlan, { saleId, method: x.flag ? 'cash' : undefined })
      case 'reschedule':
        return attempt(reschedulePlan, { saleId, count: x.n * 2, every: x.flag ? 'month' : { days: 10 }, firstDue: addDays(today, 20), charge: x.n > 4 ? { flat: '30.00' } : undefined }) // prettier-ignore
      case 'give-up':
        return attempt(giveUpLayaway, { saleId })
      case 'earn':
        await runDuePlans({ db: s.db, today })
        return
      case 'card':
        return attempt(keepCardForPlan(keepCard), {
          saleId,
          number: x.flag ? '4000000000000001' : '4000000000001111',
        })
      case 'drawer':
        return x.flag
          ? attempt(moveDrawer, { direction: x.n > 3 ? 'in' : 'out', amount, reason: 'x' })
          : attempt(countDrawer, { counted: amount })
      case 'bank':
        return attempt(bankSlip, { cash: x.flag ? amount : '0', cheques: x.n > 2 ? [receiptId] : [] })
      case 'settle':
        return attempt(settleCards, { receipts: [receiptId], fees: '0.10' })
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
    { numRuns: RUNS, seed: SEED, endOnFailure: true },
  )
  expect(done).toBeGreaterThan(600)
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
    // The trail's last balance is what is owed less what is held.
    const trail = await readTrail(s.db, story, business)
    expect(trail.at(-1)?.balance.minor ?? 0n).toBe(story.open.minor - story.held.minor)
  }
  const open = (await listOpenDues(s.db, s.customer, 'USD')).reduce((sum, d) => sum + d.open.minor, 0n)
  const statement = await readStatement(s.db, s.customer, { from: day('2026-01-01'), to: today }, business)
  expect(statement!.closing.minor).toBe(open)
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
    const rows = await ageBy(s.db, { asOf, by: 'due', currency: 'USD' })
    const row = rows.find((r) => r.customerId === s.customer)
    const open = await listOpenAsOf(s.db, s.customer, asOf, 'USD')
    const ages = ageReceivables(open.map((d) => ({ from: d.dueOn, open: d.open })), asOf, 'USD') // prettier-ignore
    if (row)
      expect({ ...row, key: '', customerId: 0, name: '', held: null, onAccount: null }).toEqual({
        ...ages,
        key: '',
        customerId: 0,
        name: '',
        held: null,
        onAccount: null,
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
