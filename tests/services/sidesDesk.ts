import { addDays, day } from '@/core/day'
import { present } from '@/core/present'
import { findBusiness, type Business } from '@/data/queries/business'
import { billSale } from '@/services/billing/billSale'
import type { Command } from '@/services/command'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { addCustomer } from '@/services/people/keepCustomer'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { sentence } from '@/contract/sentences'
import { openTestShop, type TestShop } from './shop'

export interface Sides {
  readonly s: TestShop
  readonly business: Business
  /** Pays two days early. */
  readonly quick: number
  /** Pays twenty days late. */
  readonly slow: number
  readonly plan: number
  readonly layaway: number
  readonly onDay: <I, A>(today: string, command: Command<I, A>, input: I) => Promise<A>
}

/**
 * A shop with every side of what is owed: bills paid early and late, two open ones, a plan, a layaway, money on account and
 * a counter sale, from January to March 2026.
 */
export const openSides = async (): Promise<Sides> => {
  const s = await openTestShop()
  const onDay: Sides['onDay'] = async (today, command, input) => {
    const done = await command.answer({ db: s.db, today: day(today) }, input, null)
    if (!done.ok) throw new Error(sentence(done.error))
    return done.value
  }
  /** Sold, handed over and billed on a day, due ten days later. */
  const billed = async (customerId: number, on: string, unitPrice: string, more: Record<string, unknown> = {}) => {
    const sale = await onDay(on, startSale, {
      customerId,
      agreed: true,
      lines: [{ description: 'A bow', quantity: '1', unitPrice, taxCode: 'ZERO' }],
      arrangement: { kind: 'terms', net: 10 },
      ...more,
    })
    await onDay(on, handOver, { saleId: sale.id })
    return {
      saleId: sale.id,
      invoice: await onDay(on, billSale, { saleId: sale.id, what: 'handed-over', issue: true }),
    }
  }

  const quick = await s.run(addCustomer, { name: 'Quick Quill', email: 'quick@mail.example' })
  const slow = await s.run(addCustomer, { name: 'Slow Sal' })
  // Quick pays two days early, Slow twenty days late: four bills each, from January on.
  for (const [customerId, late] of [
    [quick, -2],
    [slow, 20],
  ] as const)
    for (const on of ['2026-01-05', '2026-01-19', '2026-02-02', '2026-02-09']) {
      const { invoice } = await billed(customerId, on, '100.00')
      await onDay(addDays(day(on), 10 + late), takeReceipt, {
        customerId,
        method: 'transfer',
        amount: '100.00',
        for: [{ dueId: invoice.dues[0]!.id, amount: '100.00' }],
      })
    }
  await billed(quick, '2026-03-01', '300.00', { kind: 'repairs', channel: 'phone' })
  await billed(slow, '2026-03-01', '500.00', { channel: 'counter' })
  const plan = (
    await billed(quick, '2026-03-02', '600.00', {
      arrangement: {
        kind: 'installments',
        count: 6,
        every: 'month',
        firstDue: '2026-04-02',
        charge: { flat: '60.00' },
      },
    })
  ).saleId
  const layaway = (
    await onDay('2026-03-02', startSale, {
      customerId: slow,
      agreed: true,
      lines: [{ description: 'A lute', quantity: '1', unitPrice: '400.00', taxCode: 'ZERO' }],
      arrangement: { kind: 'layaway', firstPercent: '25', months: 3 },
    })
  ).id
  await onDay('2026-03-02', takeReceipt, {
    method: 'cash',
    amount: '150.00',
    for: [{ saleId: layaway, amount: '150.00' }],
  })
  await onDay('2026-03-03', takeReceipt, { customerId: slow, method: 'card', amount: '12.00', for: 'account' })
  await onDay('2026-03-03', sellAtCounter, { lines: [{ goodsId: s.rosin, quantity: '2' }], method: 'cash' })
  const business = present(await findBusiness(s.db))
  return { s, business, quick, slow, plan, layaway, onDay }
}
