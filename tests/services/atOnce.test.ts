import { beforeAll, describe, expect, test } from 'vitest'
import { listHandovers } from '@/data/queries/handover'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { issueInvoice } from '@/services/billing/draftWork'
import type { Command } from '@/services/command'
import { moveHeld } from '@/services/money/moveHeld'
import { recoverWriteOff } from '@/services/money/recoverWriteOff'
import { refundHeld } from '@/services/money/refundHeld'
import { reverseHeldMove } from '@/services/money/reverseHeldMove'
import { takeReceipt } from '@/services/money/takeReceipt'
import { bounceReceipt, voidReceipt } from '@/services/money/voidReceipt'
import { voidRefund } from '@/services/money/voidRefund'
import { writeOffDue } from '@/services/money/writeOff'
import { addCustomer } from '@/services/people/keepCustomer'
import { joinCustomers } from '@/services/people/joinCustomers'
import { payOffPlan, reschedulePlan } from '@/services/plans/changePlan'
import { giveUpLayaway } from '@/services/plans/giveUpLayaway'
import { agreeSale } from '@/services/sales/agreeSale'
import { cancelSale } from '@/services/sales/closeSale'
import { handOver } from '@/services/sales/handOver'
import { returnGoods } from '@/services/sales/returnGoods'
import { startSale } from '@/services/sales/startSale'
import { bankSlip, settleCards } from '@/services/till/toBank'
import { manyHands, openTestShop, type TestShop } from './shop'

beforeAll(manyHands)

/** Hands that do the same thing in the same moment: two windows, a double click that got through, an impatient program. */
const HANDS = 8

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})

const sale = (more: object = {}) =>
  s.answer(startSale, {
    customerId: s.customer,
    agreed: true,
    lines: [{ description: 'Work', quantity: '1', unitPrice: '100.00' }],
    ...more,
  })
/** 100.00 of work, handed over and invoiced: 108.25 is due. */
const invoiced = async (more: object = {}) => {
  const made = await sale(more)
  await s.run(handOver, { saleId: made.id })
  return { sale: made, invoice: await s.answer(billSale, { saleId: made.id, what: 'handed-over', issue: true }) }
}
const receipt = (method: 'cash' | 'cheque' | 'card', forWhat: unknown, amount = '108.25') =>
  s.answer(takeReceipt, { customerId: s.customer, method, amount, for: forWhat as 'account' })
/** A sale with so much held for it. */
const withHeld = async (amount: string) => {
  const made = await sale()
  await receipt('cash', [{ saleId: made.id, amount }], amount)
  return made.id
}
const planned = async () => {
  const { sale: of } = await invoiced({
    arrangement: { kind: 'installments', count: 4, every: 'month', firstDue: '2026-04-01', charge: { flat: '12.00' } },
  })
  return of.id
}

/** How many of so many hands did it; the others were refused for a reason, none broke. */
const allAtOnce = async <I, A>(command: Command<I, A>, input: I): Promise<{ done: number; why: string[] }> => {
  const outcomes = await Promise.all(Array.from({ length: HANDS }, () => command.answer(s.shop, input, null)))
  const refused = outcomes.flatMap((o) => (o.ok ? [] : [o.error.code]))
  return { done: HANDS - refused.length, why: [...new Set(refused)] }
}

type Case = readonly [what: string, command: Command<never, unknown>, input: () => Promise<object>, why: string]
const once = <I, A>(what: string, command: Command<I, A>, input: () => Promise<object>, why: string): Case => [
  what,
  command as unknown as Command<never, unknown>,
  input,
  why,
]

const CASES: readonly Case[] = [
  once(
    'an estimate is agreed to',
    agreeSale,
    async () => ({ saleId: (await sale({ agreed: false })).id }),
    'already-agreed',
  ),
  once('a sale is cancelled', cancelSale, async () => ({ saleId: (await sale()).id, reason: 'x' }), 'sale-closed'),
  once(
    'work is handed over',
    handOver,
    async () => {
      const made = await sale()
      return { saleId: made.id, lines: [{ lineId: made.lines[0]!.id, quantity: '1' }] }
    },
    '',
  ),
  once(
    'an invoice is made of what was handed over',
    billSale,
    async () => {
      const made = await sale()
      await s.run(handOver, { saleId: made.id })
      return { saleId: made.id, what: 'handed-over', issue: true }
    },
    '',
  ),
  once(
    'a draft is issued',
    issueInvoice,
    async () => {
      const made = await sale()
      await s.run(handOver, { saleId: made.id })
      return { invoiceId: (await s.answer(billSale, { saleId: made.id, what: 'handed-over' })).id }
    },
    '',
  ),
  once(
    'an invoice is credited',
    creditInvoice,
    async () => ({ invoiceId: (await invoiced()).invoice.id, reason: 'x' }),
    '',
  ),
  once(
    'a receipt is voided',
    voidReceipt,
    async () => ({ receiptId: (await receipt('cash', 'account')).id, reason: 'x' }),
    'already-voided',
  ),
  once(
    'a cheque comes back',
    bounceReceipt,
    async () => ({ receiptId: (await receipt('cheque', 'account')).id, reason: 'x', fee: '15.00' }),
    'already-voided',
  ),
  once(
    'all that is held for a sale goes back',
    refundHeld,
    async () => ({ customerId: s.customer, saleId: await withHeld('50.00'), amount: '50.00', method: 'cash' }),
    '',
  ),
  once(
    'a refund is voided',
    voidRefund,
    async () => {
      const saleId = await withHeld('50.00')
      const made = { customerId: s.customer, saleId, amount: '50.00', method: 'cash' as const }
      return { refundId: (await s.answer(refundHeld, made)).id, reason: 'x' }
    },
    '',
  ),
  once(
    'all that is held for a sale is moved',
    moveHeld,
    async () => ({
      customerId: s.customer,
      fromSaleId: await withHeld('50.00'),
      toSaleId: (await sale()).id,
      amount: '50.00',
    }),
    '',
  ),
  once(
    'a move of held money is taken back',
    reverseHeldMove,
    async () => {
      const move = { customerId: s.customer, fromSaleId: await withHeld('50.00'), amount: '50.00' }
      return { transferId: (await s.answer(moveHeld, move)).id, reason: 'x' }
    },
    '',
  ),
  once(
    'a due is written off',
    writeOffDue,
    async () => ({ dueId: (await invoiced()).invoice.dues[0]!.id, reason: 'x' }),
    '',
  ),
  once(
    'a write-off is owed after all',
    recoverWriteOff,
    async () => {
      const dueId = (await invoiced()).invoice.dues[0]!.id
      return { writeOffId: (await s.answer(writeOffDue, { dueId, reason: 'x' })).id, reason: 'x' }
    },
    '',
  ),
  once('a plan is paid off', payOffPlan, async () => ({ saleId: await planned(), method: 'cash' }), ''),
  once(
    'a plan is arranged anew',
    reschedulePlan,
    async () => {
      const saleId = await planned()
      const [plan] = await planIdsOf(saleId)
      return { saleId, planId: plan, count: 6, every: 'month', firstDue: '2026-05-01' }
    },
    '',
  ),
  once(
    'a layaway is given up',
    giveUpLayaway,
    async () => {
      const made = await sale({ arrangement: { kind: 'layaway', firstPercent: '20', months: 3, every: 'month' } })
      await receipt('cash', [{ saleId: made.id, amount: '30.00' }], '30.00')
      return { saleId: made.id, method: 'cash' }
    },
    'sale-closed',
  ),
  once(
    'goods come back',
    returnGoods,
    async () => {
      const made = await sale({ lines: [{ goodsId: s.rosin, quantity: '1' }] })
      await s.run(handOver, { saleId: made.id })
      return { handoverId: (await listHandovers(s.db, [made.id], 'USD'))[0]!.id, reason: 'x' }
    },
    '',
  ),
  once('a cheque goes to the bank', bankSlip, async () => ({ cheques: [(await receipt('cheque', 'account')).id] }), ''),
  once(
    'a card payment arrives',
    settleCards,
    async () => ({ receipts: [(await receipt('card', 'account')).id], fees: '1.00' }),
    '',
  ),
  once(
    'two records are joined',
    joinCustomers,
    async () => ({ customerId: s.customer, goneId: await s.run(addCustomer, { name: 'Hazel A.' }) }),
    '',
  ),
]

const planIdsOf = async (saleId: number): Promise<number[]> => {
  const rows = await s.db.execute<{ id: number }>(`select id from plan where sale_id = ${saleId} and ended_on is null`)
  return rows.map((r) => r.id)
}

describe(`${HANDS} hands at once`, () => {
  test.each(CASES)('%s once', async (_, command, input, why) => {
    const { done, why: refused } = await allAtOnce(command, (await input()) as never)
    expect(done).toBe(1)
    if (why !== '') expect(refused).toEqual([why])
    expect(await s.ties()).toEqual([])
  })

  test('a due is never paid beyond what is open, however many pay it', async () => {
    const { invoice } = await invoiced()
    const dueId = invoice.dues[0]!.id
    const { done, why } = await allAtOnce(takeReceipt, {
      customerId: s.customer,
      method: 'cash',
      amount: '40.00',
      for: [{ dueId, amount: '40.00' }],
    })
    // 108.25 bears 40.00 twice.
    expect(done).toBe(2)
    expect(why).toEqual(['more-than-open'])
    expect(await s.ties()).toEqual([])
  })

  test('what lies on the shelf is set aside and leaves as often as it is there', async () => {
    const made = await Promise.all(
      Array.from({ length: 4 }, () => sale({ lines: [{ goodsId: s.violin, quantity: '2' }] })),
    )
    // Five violins, and four sales that want two each.
    const outcomes = await Promise.all(
      made.map((m) =>
        handOver.answer(s.shop, { saleId: m.id, lines: [{ lineId: m.lines[0]!.id, quantity: '2' }] }, null),
      ),
    )
    expect(outcomes.filter((o) => o.ok)).toHaveLength(2)
    expect(await s.ties()).toEqual([])
  })
})
