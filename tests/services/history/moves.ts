import { expect } from 'vitest'
import { sql } from 'drizzle-orm'
import { addDays } from '@/core/day'
import { changeSettings } from '@/services/access/changeSettings'
import { billSale } from '@/services/billing/billSale'
import { addTaxRate } from '@/services/books/addTaxCode'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { chargeLate } from '@/services/money/chargeExtra'
import { moveHeld } from '@/services/money/moveHeld'
import { writeOffDue, writeOffRests } from '@/services/money/writeOff'
import { keepCardForPlan, payOffPlan, reschedulePlan } from '@/services/plans/changePlan'
import { giveUpLayaway } from '@/services/plans/giveUpLayaway'
import { runDuePlans } from '@/clockwork/runPlans'
import { keepCard } from '@/standins/card/askCard'
import { arrangeSale } from '@/services/sales/arrangeSale'
import { countDrawer, moveDrawer } from '@/services/till/drawer'
import { bankSlip, settleCards } from '@/services/till/toBank'
import { adjustStock } from '@/services/goods/adjustStock'
import { countStock } from '@/services/goods/countStock'
import { moveStock } from '@/services/goods/moveStock'
import { addPlace } from '@/services/goods/places'
import { refundHeld } from '@/services/money/refundHeld'
import { recoverWriteOff } from '@/services/money/recoverWriteOff'
import { reverseHeldMove } from '@/services/money/reverseHeldMove'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { useHeld } from '@/services/money/useHeld'
import { bounceReceipt, voidReceipt } from '@/services/money/voidReceipt'
import { voidRefund } from '@/services/money/voidRefund'
import { returnGoods } from '@/services/sales/returnGoods'
import { agreeSale } from '@/services/sales/agreeSale'
import { changeSale } from '@/services/sales/changeSale'
import { cancelSale } from '@/services/sales/closeSale'
import { handOver } from '@/services/sales/handOver'
import { offerSale } from '@/services/sales/offerSale'
import { startSale } from '@/services/sales/startSale'
import type { Day } from '@/core/day'
import type { History } from './history'
import { BANK } from './bank'
import { BOOKS } from './books'
import { BUYING } from './buying'
import { PIECES } from './pieces'
import { arrangements, type Step } from './steps'

/** What a step is about: the papers it picked, an amount, lines, and its day where that is not today. */
export interface About {
  readonly on: Day | undefined
  readonly saleId: number
  readonly invoiceId: number
  readonly receiptId: number
  readonly dueId: number
  readonly amount: string
  readonly lines: {
    goodsId?: number
    description?: string
    quantity: string
    unitPrice?: string
    discountPercent?: string
  }[]
}

/** What each step does. */
export const MOVES: Readonly<Record<Step['kind'], (h: History, x: Step, about: About) => Promise<unknown>>> = {
  start: async (h, x, { lines, on }) => {
    // Sales that were written before keep how their tax is rounded.
    await h.shop.run(changeSettings, { taxRoundedPer: x.cents % 2 === 0 ? 'document' : 'line' })
    return h.attempt(startSale, {
      on,
      agreed: x.pick % 3 > 0,
      customerId: h.shop.customer,
      lines,
      arrangement: x.flag ? arrangements(x) : undefined,
    })
  },
  offer: async (h, x, { saleId }) => h.attempt(offerSale, { saleId }),
  agree: async (h, x, { saleId }) => h.attempt(agreeSale, { saleId }),
  change: async (h, x, { saleId, lines }) =>
    h.attempt(changeSale, { saleId, lines: [...lines, { goodsId: h.shop.setUp, quantity: '1' }] }),
  'hand-over': async (h, x, { saleId, on }) => h.attempt(handOver, { saleId, on }),
  bill: async (h, x, { saleId, on }) => {
    return h.attempt(billSale, {
      saleId,
      what: x.n < 3 ? 'remaining' : x.n < 5 ? 'handed-over' : { percent: x.n < 7 ? '33.3' : '4' },
      issue: true,
      on,
    })
  },
  take: async (h, x, { saleId, amount, on }) => {
    return h.attempt(takeReceipt, {
      on,
      customerId: h.shop.customer,
      method: x.flag ? 'cash' : x.n > 3 ? 'card' : 'cheque',
      amount,
      for: x.n < 5 ? 'oldest' : x.n === 5 ? 'account' : [{ saleId, amount }],
    })
  },
  void: async (h, x, { receiptId, on }) => h.attempt(voidReceipt, { receiptId, on, reason: 'x' }),
  credit: async (h, x, { invoiceId, amount, on }) => {
    const [line] = await h.shop.db.execute<{ line_id: number; left: string }>(sql`
      select l.sale_line_id as line_id, (l.quantity - coalesce((select sum(c.quantity) from invoice_line c where c.credits_line_id = l.id), 0))::text as left
        from invoice_line l where l.invoice_id = ${invoiceId} order by l.id offset ${x.pick % 3} limit 1`)
    const some =
      line && Number(line.left) > 0
        ? [{ lineId: line.line_id, quantity: (Number(line.left) / (x.flag ? 2 : 1)).toFixed(4) }]
        : undefined
    return h.attempt(creditInvoice, {
      invoiceId,
      on,
      reason: 'x',
      amount: x.n < 3 ? amount : undefined,
      lines: x.n > 4 ? some : undefined,
      returnGoods: x.flag,
      scrap: x.pick % 3 === 0,
      placeId: x.n === 6 ? await h.idOf('place', x.pick) : undefined,
      billAgain: x.n === 7,
      refund: x.cents % 5 === 0 ? 'cash' : undefined,
    })
  },
  refund: async (h, x, { saleId, amount, on }) => {
    return h.attempt(refundHeld, {
      on,
      customerId: h.shop.customer,
      saleId: x.flag ? saleId : undefined,
      amount,
      method: 'cash',
    })
  },
  use: async (h, x, { saleId, on }) =>
    h.attempt(useHeld, { on, customerId: h.shop.customer, saleId: x.flag ? saleId : undefined }),
  count: async (h, x, { amount, on }) => {
    return h.attempt(countStock, {
      on,
      lines: [
        { goodsId: h.shop.violin, counted: String(x.n + 3), unitCost: amount },
        { goodsId: h.shop.rosin, counted: String(40 + x.n) },
      ],
    })
  },
  carry: async (h, x, { on }) => {
    const codes = ['BENCH', 'STORE']
    await h.attempt(addPlace, { code: codes[x.n % 2]!, name: codes[x.n % 2]!, usual: x.flag && x.n > 5 })
    return h.attempt(moveStock, {
      on,
      from: await h.idOf('place', x.pick),
      to: await h.idOf('place', x.pick + x.n),
      lines: [
        { goodsId: h.shop.rosin, quantity: x.flag ? '0.3333' : String(x.n) },
        ...(x.n > 4 ? [{ goodsId: h.shop.violin, quantity: '1' }] : []),
      ],
    })
  },
  adjust: async (h, x, { amount, on }) => {
    const placeId = x.pick % 2 === 0 ? await h.idOf('place', x.pick) : undefined
    return h.attempt(adjustStock, {
      on,
      reason: 'Used at the bench',
      lines: [
        {
          goodsId: h.shop.rosin,
          placeId,
          change: x.flag ? `-${x.n}` : `${x.n}.5`,
          unitCost: x.n > 4 ? amount : undefined,
        },
        ...(x.n === 3 ? [{ goodsId: h.shop.violin, change: '-1' }] : []),
      ],
    })
  },
  ...PIECES,
  ...BUYING,
  ...BOOKS,
  ...BANK,
  counter: async (h, x, { lines, on }) => h.attempt(sellAtCounter, { on, lines, method: 'card' }),
  cancel: async (h, x, { saleId, on }) => {
    return h.attempt(cancelSale, {
      on,
      saleId,
      reason: 'x',
      ...(x.flag ? { fee: '1.00', rest: x.n > 3 ? 'account' : 'cash' } : {}),
    })
  },
  arrange: async (h, x, { saleId }) => h.attempt(arrangeSale, { saleId, arrangement: arrangements(x) }),
  move: async (h, x, { saleId, amount, on }) => {
    return h.attempt(moveHeld, {
      on,
      customerId: h.shop.customer,
      fromSaleId: x.flag ? saleId : undefined,
      toSaleId: x.n > 2 ? (await h.idOf('sale', x.cents)) || undefined : undefined,
      amount: x.n > 5 ? amount : undefined,
    })
  },
  bounce: async (h, x, { receiptId, on }) => {
    const outcome = await h.attempt(bounceReceipt, {
      receiptId,
      on,
      reason: 'x',
      fee: x.flag ? '15.00' : '0',
      bankFee: '4.00',
    })
    // Today a bounce can always be recorded; on a day in the past something later may stand in the way.
    if (on === undefined && receiptId > 0) expect(['done', 'already-voided', 'cannot-bounce']).toContain(outcome)
    return outcome
  },
  'void-refund': async (h, x, { on }) =>
    h.attempt(voidRefund, { refundId: await h.idOf('refund', x.pick), on, reason: 'x' }),
  recover: async (h, x, { on }) => {
    return h.attempt(recoverWriteOff, {
      writeOffId: await h.idOf('write_off', x.pick),
      on,
      reason: 'x',
    })
  },
  reverse: async (h, x, { on }) => {
    return h.attempt(reverseHeldMove, {
      transferId: await h.idOf('held_transfer', x.pick),
      on,
      reason: 'x',
    })
  },
  'return-goods': async (h, x, { on }) =>
    h.attempt(returnGoods, { handoverId: await h.idOf('handover', x.pick), on, reason: 'x', scrap: x.flag }),
  'write-off': async (h, x, { dueId, amount, on }) => {
    return x.flag
      ? h.attempt(writeOffDue, { on, dueId, reason: 'x', amount: x.n > 4 ? amount : undefined })
      : h.attempt(writeOffRests, { on, customerId: h.shop.customer, upTo: '25.00', reason: 'x' })
  },
  late: async (h, x, { dueId, on }) => h.attempt(chargeLate, { on, dueId, amount: x.flag ? '9.99' : undefined }),
  payoff: async (h, x, { saleId, on }) => h.attempt(payOffPlan, { on, saleId, method: x.flag ? 'cash' : undefined }),
  reschedule: async (h, x, { saleId, on }) => {
    return h.attempt(reschedulePlan, {
      on,
      saleId,
      count: x.n * 2,
      every: x.flag ? 'month' : { days: 10 },
      firstDue: addDays(h.today, 20),
      charge: x.n > 4 ? { flat: '30.00' } : undefined,
    })
  },
  'give-up': async (h, x, { saleId, on }) => h.attempt(giveUpLayaway, { saleId, on }),
  earn: async (h) => {
    await runDuePlans({ db: h.shop.db, today: h.today })
    return
  },
  card: async (h, x, { saleId }) => {
    return h.attempt(keepCardForPlan(keepCard), {
      saleId,
      number: x.flag ? '4000000000000001' : '4000000000001111',
    })
  },
  drawer: async (h, x, { amount, on }) => {
    return x.flag
      ? h.attempt(moveDrawer, { on, direction: x.n > 3 ? 'in' : 'out', amount, reason: 'x' })
      : h.attempt(countDrawer, { on, counted: amount })
  },
  bank: async (h, x, { receiptId, amount, on }) =>
    h.attempt(bankSlip, { on, cash: x.flag ? amount : '0', cheques: x.n > 2 ? [receiptId] : [] }),
  rates: async (h, x) => {
    // Seldom: most papers of a history shall be at the same rates.
    return x.n < 6
      ? undefined
      : h.attempt(addTaxRate, {
          taxCodeId: 1,
          from: addDays(h.today, 1 - (x.pick % 3)),
          components: [
            { name: 'State', rate: `0.0${1 + (x.cents % 9)}5` },
            { name: 'City', rate: '0.01' },
          ],
        })
  },
  settle: async (h, x, { receiptId, on }) => h.attempt(settleCards, { on, receipts: [receiptId], fees: '0.10' }),
}
