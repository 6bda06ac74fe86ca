import { addDays, addMonths, type Day } from '../src/core/day'
import { toDecimalString } from '../src/core/money'
import { billSale } from '../src/services/billing/billSale'
import { promisePay } from '../src/services/chase/promisePay'
import { remind } from '../src/services/chase/remind'
import type { ArrangementInput } from '../src/contract/arrangement'
import { chargeLate } from '../src/services/money/chargeExtra'
import { takeReceipt } from '../src/services/money/takeReceipt'
import { bounceReceipt } from '../src/services/money/voidReceipt'
import { writeOffDue } from '../src/services/money/writeOff'
import { keepCardForPlan, payOffPlan, reschedulePlan } from '../src/services/plans/changePlan'
import { giveUpLayaway } from '../src/services/plans/giveUpLayaway'
import { arrangeSale } from '../src/services/sales/arrangeSale'
import { handOver } from '../src/services/sales/handOver'
import { startSale } from '../src/services/sales/startSale'
import { keepCard } from '../src/standins/card/askCard'
import { act, plan, type Workshop } from './load'
import { listDuesOfSales, listOpenDues } from '@/data/queries/due'

/** An instrument of the workshop's own make, agreed on the day the story has come to. */
const agreed = async (
  shop: Workshop,
  customer: string,
  what: string,
  price: string,
  arrangement: ArrangementInput,
): Promise<number> => {
  const saleId = await act(shop, startSale, {
    customerId: shop.customers.find((c) => c.name === customer)!.id,
    title: what,
    agreed: true,
    lines: [{ description: what, quantity: '1', unitPrice: price }],
  })
  shop.sales++
  await act(shop, arrangeSale, { saleId, arrangement })
  return saleId
}

const pay = (shop: Workshop, saleId: number, amount: string, method: 'cash' | 'card' | 'cheque' | 'transfer') =>
  act(shop, takeReceipt, { method, amount, for: [{ saleId, amount }] })

/** Pays what is due of a sale on the days it falls due, `late` days after, so many times. */
const payRows = (shop: Workshop, saleId: number, dueOn: readonly Day[], late: number): void => {
  for (const on of dueOn)
    plan(shop, addDays(on, late), async () => {
      const row = (await listDuesOfSales(shop.db, [saleId], 'USD')).find((d) => d.dueOn <= on && d.open.minor > 0n)
      if (row)
        await act(shop, takeReceipt, {
          method: 'transfer',
          amount: toDecimalString(row.open),
          for: [{ dueId: row.id, amount: toDecimalString(row.open) }],
        })
    })
}

const deliver = async (shop: Workshop, saleId: number): Promise<void> => {
  await act(shop, handOver, { saleId })
  await act(shop, billSale, { saleId, what: 'handed-over', issue: true })
}

type Ago = (months: number) => Day

/** The days of so many monthly payments after `from`. */
const monthly = (from: Day, count: number): Day[] => Array.from({ length: count }, (_, i) => addMonths(from, i + 1))

/** One whose card is refused, one late, one paid off early, one arranged anew. */
const installments = (shop: Workshop, months: Ago): void => {
  plan(shop, months(7), async () => {
    const firstDue = addMonths(shop.today, 1)
    const saleId = await agreed(shop, 'Tamsin Kerr', 'Cello 7/8 of our own make', '3600.00', {
      kind: 'installments',
      firstPayment: '600.00',
      count: 12,
      every: 'month',
      firstDue,
      charge: { yearlyRate: '0.09' },
      graceDays: 7,
      lateCharge: { percent: '3' },
    })
    await pay(shop, saleId, '600.00', 'card')
    await deliver(shop, saleId)
    await act(shop, keepCardForPlan(keepCard), { saleId, number: '4000 0000 0000 1111' })
  })
  plan(shop, months(5), async () => {
    const from = shop.today
    const saleId = await agreed(shop, 'Rowan Ashby', 'Viola 16 inch of our own make', '1900.00', {
      kind: 'installments',
      count: 6,
      every: 'month',
      firstDue: addMonths(from, 1),
      charge: { flat: '72.00' },
      graceDays: 10,
      lateCharge: { percent: '2' },
    })
    await deliver(shop, saleId)
    payRows(shop, saleId, monthly(from, 3), 4)
    plan(shop, addDays(addMonths(from, 4), 16), async () => {
      const late = (await listDuesOfSales(shop.db, [saleId], 'USD')).find((d) => d.open.minor > 0n)
      if (late && late.dueOn < shop.today) await act(shop, chargeLate, { dueId: late.id })
    })
  })
  plan(shop, months(10), async () => {
    const from = shop.today
    const saleId = await agreed(shop, 'Emil Karst', 'Guitar with a cedar top', '1450.00', {
      kind: 'installments',
      count: 10,
      every: 'month',
      firstDue: addMonths(from, 1),
      charge: { yearlyRate: '0.12' },
    })
    await deliver(shop, saleId)
    payRows(shop, saleId, monthly(from, 4), 0)
    plan(
      shop,
      addDays(addMonths(from, 5), 3),
      async () => void (await act(shop, payOffPlan, { saleId, method: 'transfer' })),
    )
  })
  plan(shop, months(6), async () => {
    const from = shop.today
    const saleId = await agreed(shop, 'Ivo Castellan', 'Double bass, opened and restored', '2250.00', {
      kind: 'installments',
      count: 6,
      every: 'month',
      firstDue: addMonths(from, 1),
    })
    await deliver(shop, saleId)
    payRows(shop, saleId, monthly(from, 2), 2)
    plan(
      shop,
      addDays(addMonths(from, 3), 5),
      async () =>
        void (await act(shop, reschedulePlan, {
          saleId,
          count: 10,
          every: 'month',
          firstDue: addDays(shop.today, 20),
        })),
    )
  })
}

/** One just begun, one paid as it should, one nearly there, one given up. */
const layaways = (shop: Workshop, months: Ago, today: Day): void => {
  const layaway = {
    kind: 'layaway',
    firstPercent: '20',
    months: 4,
    every: 'month',
    graceDays: 5,
    fee: { percent: '5' },
  } as const
  plan(shop, months(2), async () => {
    const saleId = await agreed(shop, 'Lena Strand', 'Violin after an old pattern', '1250.00', layaway)
    await pay(shop, saleId, '270.63', 'cash')
  })
  plan(shop, addDays(months(1), -9), async () => {
    const saleId = await agreed(shop, 'Farid Noor', 'Ukulele in koa', '480.00', layaway)
    await pay(shop, saleId, '150.00', 'card')
    plan(shop, addMonths(shop.today, 1), async () => void (await pay(shop, saleId, '120.00', 'cash')))
  })
  plan(shop, months(3), async () => {
    const saleId = await agreed(shop, 'Judith Akerman', 'Half-size cello', '890.00', layaway)
    await pay(shop, saleId, '400.00', 'cheque')
    plan(shop, addDays(today, -1), async () => void (await pay(shop, saleId, '563.43', 'card')))
  })
  plan(shop, months(4), async () => {
    const saleId = await agreed(shop, 'Daniel Esposito-Lund', 'Mandolin, flat back', '620.00', layaway)
    await pay(shop, saleId, '200.00', 'cash')
    plan(shop, addDays(shop.today, 40), async () => void (await act(shop, giveUpLayaway, { saleId, method: 'cash' })))
  })
}

/** A cheque that bounces, terms in parts of which the rest is lost, and somebody who promised to pay. */
const terms = (shop: Workshop, months: Ago, today: Day): void => {
  plan(shop, addDays(months(2), 6), async () => {
    const saleId = await agreed(shop, 'Piers Hallow', 'Bow rehaired and straightened', '240.00', {
      kind: 'terms',
      net: 14,
    })
    await deliver(shop, saleId)
    plan(shop, addDays(shop.today, 12), async () => {
      const receiptId = await pay(shop, saleId, '259.80', 'cheque')
      plan(
        shop,
        addDays(shop.today, 6),
        async () =>
          void (await act(shop, bounceReceipt, {
            receiptId,
            reason: 'No funds',
            bankFee: '9.00',
            fee: '15.00',
          })),
      )
    })
  })
  plan(shop, months(9), async () => {
    const saleId = await agreed(shop, 'Caspar Lowe', 'Neck reset and new frets', '310.00', {
      kind: 'terms',
      net: 30,
      parts: 2,
      every: 'month',
    })
    await deliver(shop, saleId)
    payRows(shop, saleId, monthly(shop.today, 1), 6)
    plan(shop, addMonths(shop.today, 7), async () => {
      const rest = (await listDuesOfSales(shop.db, [saleId], 'USD')).find((d) => d.open.minor > 0n)
      if (rest) await act(shop, writeOffDue, { dueId: rest.id, reason: 'Moved away, no address' })
    })
  })
  plan(shop, addDays(today, -1), async () => {
    for (const customer of shop.customers.slice(0, 40)) {
      const late = (await listOpenDues(shop.db, customer.id, 'USD')).filter((d) => d.dueOn < shop.today)
      if (late.length === 0) continue
      await remind.run({ db: shop.db, today: shop.today }, { customerId: customer.id })
      await act(shop, promisePay, { saleId: late[0]!.saleId, by: addDays(today, 5) })
      break
    }
  })
}

/** Promises of every kind, each begun so long before the day the demo ends that it shows something today. */
export const promiseOverTheMonths = (shop: Workshop, today: Day): void => {
  const months = (n: number): Day => addMonths(today, -n)
  installments(shop, months)
  layaways(shop, months, today)
  terms(shop, months, today)
}
