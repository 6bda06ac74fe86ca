import { day } from '@/core/day'
import { type Business, findBusiness } from '@/data/queries/business'
import { billSale } from '@/services/billing/billSale'
import type { Command } from '@/services/command'
import { saleView } from '@/model/sale/saleView'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { type TestShop, openTestShop } from './shop'
import { sumAccounts } from '@/data/queries/balances'
import { sentence } from '@/contract/sentences'

/** The business a file tests with, and the hands of its owner, each thing on a day of its own. */
export let s: TestShop
export let business: Business
export const openDesk = async (): Promise<void> => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
}

/** Does something on a day of its own. */
export const onDay = async <I, A>(today: string, command: Command<I, A>, input: I): Promise<A> => {
  const done = await command.answer({ db: s.db, today: day(today) }, input, null)
  if (!done.ok) throw new Error(sentence(done.error))
  return done.value
}

export const refusedOn = async <I, A>(today: string, command: Command<I, A>, input: unknown): Promise<string> => {
  const done = await command.answer({ db: s.db, today: day(today) }, input, null)
  return done.ok ? 'not refused' : done.error.code
}

export const see = async (saleId: number, today: string) => (await saleView(s.db, saleId, business, day(today)))!

/** What an account stands at, in debit, minor units. */
export const stands = async (code: string, asOf = '2199-01-01'): Promise<bigint> => {
  const sum = (await sumAccounts(s.db, { to: day(asOf) }, 'USD')).find((a) => a.code === code)
  return sum ? sum.debit.minor - sum.credit.minor : 0n
}

/** How much accounts moved while something happened. */
export const moved = async (codes: readonly string[], work: () => Promise<unknown>): Promise<bigint[]> => {
  const before = await Promise.all(codes.map((c) => stands(c)))
  await work()
  return Promise.all(codes.map(async (c, i) => (await stands(c)) - before[i]!))
}

export const work = (price: string, more: Record<string, unknown> = {}) => ({
  description: 'Restoring a cello',
  quantity: '1',
  unitPrice: price,
  ...more,
})

export const agreed = (price: string, arrangement: unknown, customerId = s.customer) =>
  onDay('2026-03-01', startSale, {
    customerId,
    agreed: true,
    lines: [work(price)],
    arrangement: arrangement as never,
  })

/** Handed over and billed on a day. */
export const billed = async (saleId: number, on: string) => {
  await onDay(on, handOver, { saleId })
  return onDay(on, billSale, { saleId, what: 'handed-over', issue: true })
}
