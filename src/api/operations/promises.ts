import { writeToManyInput } from '@/contract/inputs/chase/writeToMany'
import { INVOICE_KINDS } from '@/core/kinds'
import { sayIssues } from '@/contract/sayIssue'
import { present } from '@/core/present'
import { z } from 'zod'
import { toDecimalString } from '@/core/money'
import { INVOICE_STATES, listRegister, sumRegister } from '@/data/queries/invoiceRegister'
import { listDrawerMoves } from '@/data/queries/drawer'
import { dropPromise, promisePay } from '@/services/chase/promisePay'
import { remind } from '@/services/chase/remind'
import { once } from '@/services/command'
import { day, id as idField } from '@/contract/fields'
import { chargeLate } from '@/services/money/chargeExtra'
import { moveHeld } from '@/services/money/moveHeld'
import { recoverWriteOff } from '@/services/money/recoverWriteOff'
import { reverseHeldMove } from '@/services/money/reverseHeldMove'
import { voidRefund } from '@/services/money/voidRefund'
import { bounceReceipt } from '@/services/money/voidReceipt'
import { writeOffDue, writeOffRests } from '@/services/money/writeOff'
import { keepCardForPlan, payOffPlan, quotePlanPayoff, reschedulePlan } from '@/services/plans/changePlan'
import { giveUpLayaway } from '@/services/plans/giveUpLayaway'
import { readBackTests, readExpected } from '@/model/receivables/expected'
import { dropView, keepView } from '@/services/views/keepView'
import { readOweMost, readPayHabits } from '@/model/receivables/payHabits'
import { planBookView } from '@/model/plan/planBook'
import { readDrawer } from '@/model/bank/drawer'
import { countDrawer, moveDrawer } from '@/services/till/drawer'
import { bankSlip, settleCards } from '@/services/till/toBank'
import { keepCard } from '@/standins/card/askCard'
import { err, ok } from '@/core/result'
import { findBusiness } from '@/data/queries/business'
import { sendToMany } from '@/services/chase/sendMany'
import { change, listOf, noQuery, page, read, readCursor, type Operation } from '../operation'
import { listSavedViews } from '@/data/queries/savedView'
import type { ToBankMethod } from '@/core/ledger'
import { listSettlements, listSlips, listToBank } from '@/data/queries/bank'
import { layawayBookView } from '@/model/plan/layawayBook'
import { heldReportView } from '@/model/held/heldReport'

const ofSale = { path: { saleId: 'id' } }
const whole = <T>(items: readonly T[]) => ({ items, next: null })
const t = toDecimalString
const oneDay = z.object({ on: day.optional() })
const yes = z.enum(['true', 'false']).default('false')

const writeToMany: Operation = {
  method: 'POST',
  path: '/letters/many',
  summary: 'A statement, a list of open invoices, or the next reminder to many customers at once.',
  body: writeToManyInput,
  run: async ({ till, body, key }) => {
    const business = await findBusiness(till.db)
    if (!business) return err({ code: 'not-set-up' })
    const wish = writeToManyInput.safeParse(body)
    if (!wish.success)
      return err({
        code: 'invalid',
        errors: sayIssues(wish.error),
      })
    const { customers, what } = wish.data
    return once(till, key, { name: 'letters-many', input: body }, async () =>
      ok({
        status: 200,
        body: await sendToMany(till, { customerIds: [...new Set(customers)], what }, business.currency),
      }),
    )
  },
}

/** Promises of money, what comes of them, the drawer and the way to the bank. */
export const promises = [
  change(
    '/sales/{id}/layaway/give-up',
    'Cancels a layaway: fee, refund, goods available again.',
    giveUpLayaway,
    ofSale,
  ),
  change(
    '/sales/{id}/installments/quote',
    'What would pay the plan off on a day; nothing is saved.',
    quotePlanPayoff,
    ofSale,
  ),
  change('/sales/{id}/installments/payoff', 'Pays the plan off early.', payOffPlan, ofSale),
  change(
    '/sales/{id}/installments/reschedule',
    'Reschedules what is unpaid into new payments.',
    reschedulePlan,
    ofSale,
  ),
  change(
    '/sales/{id}/installments/card',
    'Saves a card for the payment plan, or removes it.',
    keepCardForPlan(keepCard),
    ofSale,
  ),
  change('/sales/{id}/promises', 'The customer promised to pay by a day.', promisePay, { ...ofSale, status: 201 }),
  change('/sales/{id}/promises', 'The promise no longer counts.', dropPromise, { ...ofSale, method: 'DELETE' }),
  change('/dues/{id}/late-charge', 'Adds a late fee to an amount that is late, once.', chargeLate, {
    path: { dueId: 'id' },
    status: 201,
  }),
  change('/dues/{id}/write-off', 'Writes off an unpaid amount, in whole or in part.', writeOffDue, {
    path: { dueId: 'id' },
    status: 201,
  }),
  change('/write-offs', 'Writes off small balances of a customer.', writeOffRests, { status: 201 }),
  change('/write-offs/{id}/recover', 'What was written off is owed again.', recoverWriteOff, {
    path: { writeOffId: 'id' },
  }),
  change('/refunds/{id}/void', 'A refund was a mistake; its money is held again.', voidRefund, {
    path: { refundId: 'id' },
  }),
  change('/held-moves/{id}/reverse', 'A move of held money is undone.', reverseHeldMove, {
    path: { transferId: 'id' },
  }),
  change('/held-moves', 'Moves held money to another sale, or to and from the account.', moveHeld, { status: 201 }),
  change('/receipts/{id}/bounce', 'A check bounced, or a card payment was reversed.', bounceReceipt, {
    path: { receiptId: 'id' },
  }),
  change('/customers/{id}/reminders', 'Writes the next reminder of what is late.', remind, {
    path: { customerId: 'id' },
    status: 201,
  }),
  writeToMany,
  read(
    '/plans',
    'Payment plans with what is paid, unpaid, late and next.',
    z.object({ ended: yes }),
    ({ db, business, today, query }) => planBookView(db, { ended: query.ended === 'true' }, business, today),
  ),
  read('/layaways', 'Layaways whose goods are still here.', noQuery, ({ db, business, today }) =>
    layawayBookView(db, business, today),
  ),
  read(
    '/held',
    'Whose money is held as of a day, by sale and customer.',
    z.object({ asOf: day.optional() }),
    ({ db, business, today, query }) => heldReportView(db, query.asOf ?? today, business.currency),
  ),
  read(
    '/expected',
    'Money expected by week: the median, and the range between 10% and 90% of simulations.',
    z.object({
      weeks: z.coerce.number().int().min(1).max(52).default(12),
      customer: idField.optional(),
      later: z.coerce.number().int().min(0).max(365).default(0),
    }),
    async ({ db, business, today, query }) => {
      const later = query.customer === undefined ? undefined : { [query.customer]: query.later }
      const weeks = await readExpected({ db, business, today, currency: business.currency }, query.weeks, later)
      return whole(weeks.map((w) => ({ week: w.week, low: t(w.low), median: t(w.median), high: t(w.high) })))
    },
  ),
  read(
    '/expected/back-tests',
    'How accurate earlier forecasts would have been.',
    noQuery,
    async ({ db, business, today }) =>
      whole(
        (await readBackTests(db, today, { times: 6, weeks: 4 })).map((b) => ({
          from: b.from,
          inside: b.inside,
          weeks: b.weeks,
          expected: t({ minor: b.expected, currency: business.currency }),
          came: t({ minor: b.came, currency: business.currency }),
        })),
      ),
  ),
  read(
    '/reports/pay-habits',
    'Days to pay and the share late, by month; who owes most over time.',
    z.object({ months: z.coerce.number().int().min(2).max(60).default(12) }),
    async ({ db, business, today, query }) => ({
      months: await readPayHabits(db, today, query.months),
      most: (await readOweMost(db, today, query.months, business.currency)).map((m) => ({ ...m, owed: m.owed.map(t) })),
    }),
  ),
  read(
    '/invoices',
    'Invoices, counter sales and credit notes that match, newest first, with their totals.',
    page.extend({
      customer: idField.optional(),
      goods: idField.optional(),
      state: z.enum(INVOICE_STATES).optional(),
      kind: z.enum(INVOICE_KINDS).optional(),
      from: day.optional(),
      to: day.optional(),
      search: z.string().max(200).optional(),
    }),
    async ({ db, business, today, query }) => {
      const { customer, goods, limit, after, ...rest } = query
      const filter = { ...rest, customerId: customer, goodsId: goods }
      const about = { today, currency: business.currency }
      const sums = present(await sumRegister(db, filter, about, { evenBroad: true }))
      const rows = await listRegister(
        db,
        filter,
        { limit: limit + 1, after: readCursor(z.number().int(), after) },
        about,
      )
      return {
        ...listOf(
          rows.slice(0, limit),
          limit,
          (r) => ({ ...r, net: t(r.net), tax: t(r.tax), gross: t(r.gross), open: t(r.open) }),
          (r) => r.id,
        ),
        totals: { count: sums.count, net: t(sums.net), tax: t(sums.tax), gross: t(sums.gross), open: t(sums.open) },
      }
    },
  ),
  read('/saved-views', 'Saved views.', z.object({ place: z.enum(['invoices', 'receipts']) }), async ({ db, query }) =>
    whole(await listSavedViews(db, query.place)),
  ),
  change('/saved-views', 'Saves a list as it is filtered.', keepView, { status: 201 }),
  change('/saved-views/{id}', 'Deletes a saved view.', dropView, { path: { viewId: 'id' }, method: 'DELETE' }),
  read('/drawer', 'The drawer on a day.', oneDay, async ({ db, business, today, query }) => {
    const on = query.on ?? today
    const [d, moves] = await Promise.all([
      readDrawer(db, on, business.currency),
      listDrawerMoves(db, on, business.currency),
    ])
    return {
      on,
      opening: t(d.opening),
      lines: d.lines.map((l) => ({ ...l, amount: t(l.amount) })),
      moves: moves.map((x) => ({ ...x, amount: t(x.amount) })),
      now: t(d.now),
      counts: d.counts.map((c) => ({ ...c, expected: t(c.expected), counted: t(c.counted), over: t(c.over) })),
    }
  }),
  change('/drawer/moves', 'Cash put in or taken out.', moveDrawer, { status: 201 }),
  change('/drawer/counts', 'The drawer is counted.', countDrawer, { status: 201 }),
  read(
    '/to-bank',
    'Checks and card receipts that are not at the bank yet.',
    noQuery,
    async ({ db, business, today }) => {
      const of = async (method: ToBankMethod) =>
        (await listToBank(db, method, today, business.currency)).map((r) => ({ ...r, amount: t(r.amount) }))
      return { cheques: await of('cheque'), cards: await of('card') }
    },
  ),
  read('/banking-slips', 'Banking slips, the newest first.', noQuery, async ({ db, business }) =>
    whole(
      (await listSlips(db, 200, business.currency)).map((s) => ({
        ...s,
        cash: t(s.cash),
        cheques: t(s.cheques),
        total: t(s.total),
      })),
    ),
  ),
  change('/banking-slips', 'Takes cash and checks to the bank together.', bankSlip, { status: 201 }),
  read('/card-settlements', 'Card payouts, newest first.', noQuery, async ({ db, business }) =>
    whole(
      (await listSettlements(db, 200, business.currency)).map((s) => ({
        ...s,
        gross: t(s.gross),
        fees: t(s.fees),
        net: t(s.net),
      })),
    ),
  ),
  change('/card-settlements', 'Records a card payout, less fees.', settleCards, { status: 201 }),
]
