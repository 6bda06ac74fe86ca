import { expect } from 'vitest'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { billSale } from '@/services/billing/billSale'
import { readTrialBalance } from '@/model/books/books'
import { saleView } from '@/model/sale/saleView'
import { startSale } from '@/services/sales/startSale'
import { type TestShop, openTestShop } from './shop'
import { listHeld } from '@/data/queries/held'

/** Tax 8 %, so that 1,000.00 comes to 1,080.00. Today is 20 March. */
const eightPercent = {
  taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'Tax', rate: '0.08' }] }],
}
/** A new business for each test. */
export let s: TestShop
export const openDesk = async (): Promise<void> => {
  s = await openTestShop(eightPercent)
  s.moveTo('2026-03-20')
}
export const closeDesk = (): Promise<void> => s.close()

/** Accounts by their codes. */
export const RECEIVABLES = '1100'
export const DEPOSITS = '2100'
export const TAX = '2201'
export const TAX_AHEAD = '2290'
export const DISCOUNTS = '4110'
export const BAD_DEBTS = '6200'

export const balance = async (code: string, asOf = '2199-01-01'): Promise<string> => {
  const row = (await readTrialBalance(s.db, day(asOf), 'USD')).rows.find((r) => r.code === code)
  return toDecimalString({ minor: (row?.debit.minor ?? 0n) - (row?.credit.minor ?? 0n), currency: 'USD' })
}

export interface Wish {
  readonly price?: string
  readonly quantity?: string
  readonly arrangement?: object
  readonly on?: string
}

/** An agreed sale of work, which needs no stock. */
export const agreed = async ({ price = '1000.00', quantity = '1', arrangement, on = '2026-03-01' }: Wish = {}) =>
  s.answer(startSale, {
    on,
    agreed: true,
    customerId: s.customer,
    lines: [{ description: 'Restoration', quantity, unitPrice: price }],
    arrangement: arrangement as never,
  })

/** The same, billed. */
export const billed = async (wish: Wish = {}) => {
  const sale = await agreed(wish)
  const invoice = await s.answer(billSale, {
    saleId: sale.id,
    what: 'remaining',
    issue: true,
    on: wish.on ?? '2026-03-01',
  })
  return { saleId: sale.id, lineId: sale.lines[0]!.id, id: invoice.id, dueId: invoice.dues[0]?.id ?? 0 }
}

export const earlyDiscount = { kind: 'terms', net: 30, discountPercent: '3', discountDays: 10 }

export const held = async (): Promise<string[]> =>
  (await listHeld(s.db, { customerId: s.customer }, 'USD')).map((h) => `${h.kind} ${toDecimalString(h.amount)}`)

export const open = async (saleId: number): Promise<string> =>
  (await saleView(s.db, saleId, (await findBusiness(s.db))!, day('2026-03-20')))!.money.open

/** The ties hold on every day of the story. */
export const everyDay = async (): Promise<void> => {
  for (let d = 1; d <= 20; d++) expect(await s.ties(day(`2026-03-${String(d).padStart(2, '0')}`))).toEqual([])
}

export const refusedFrom = async (command: Parameters<TestShop['run']>[0], input: unknown): Promise<string> => {
  const done = await command.answer({ ...s.shop, today: s.shop.today }, input, null)
  return done.ok ? 'not refused' : done.error.code === 'not-before' ? done.error.from : done.error.code
}
