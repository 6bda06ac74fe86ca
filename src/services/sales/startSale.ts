import { z } from 'zod'
import { findCustomer, type Customer } from '@/data/queries/customers'
import { insertSale, insertSaleLines } from '@/data/queries/sales'
import { takeSaleNumber } from '@/data/queries/numbers'
import type { Day } from '@/core/day'
import { defineCommand, type Work } from '../command'
import { arrangement, type ArrangementInput } from '../input/arrangement'
import { day, id, on, text } from '../input/fields'
import { lines } from '../input/lines'
import { found } from '../refuse'
import { fillLines, type FilledLine } from './fillLines'
import { refreshSale } from './refreshSale'
import { answerSale } from './saleWork'

export const startSaleInput = z.object({
  customerId: id,
  title: text(200).optional(),
  lines: lines.default([]),
  arrangement: arrangement.optional(),
  channel: z.enum(['counter', 'phone', 'shopfront']).optional(),
  kind: text(40).optional(),
  note: text(4000).optional(),
  wantedBy: day.optional(),
  on,
})

/** How a customer pays where nothing else was said. */
export const usualArrangement = (customer: Customer): ArrangementInput =>
  customer.terms.net > 0
    ? {
        kind: 'terms',
        net: customer.terms.net,
        ...(customer.terms.discountPercent
          ? {
              discountPercent: customer.terms.discountPercent,
              discountDays: customer.terms.discountDays ?? 0,
            }
          : {}),
      }
    : { kind: 'now' }

interface NewSale {
  readonly customer: Customer
  readonly on: Day
  readonly lines: readonly FilledLine[]
  readonly title: string
  readonly channel: 'counter' | 'phone' | 'shopfront'
  readonly kind: string
  readonly note: string
  readonly wantedBy: Day | null
  readonly arrangement: unknown
  readonly agreedOn: Day | null
}

/** Writes a new sale and its lines. */
export const writeSale = async (w: Work, sale: NewSale): Promise<{ saleId: number; lineIds: number[] }> => {
  const saleId = await insertSale(w.tx, {
    number: await takeSaleNumber(w.tx),
    customerId: sale.customer.id,
    title: sale.title || titleOf(sale.lines),
    startedOn: sale.on,
    channel: sale.channel,
    kind: sale.kind,
    note: sale.note,
    wantedBy: sale.wantedBy,
    arrangement: sale.arrangement,
    pricesIncludeTax: w.business.pricesIncludeTax,
    agreedOn: sale.agreedOn,
  })
  const lineIds = await insertSaleLines(
    w.tx,
    sale.lines.map((l, position) => lineRow(saleId, position, l, sale.agreedOn !== null)),
  )
  return { saleId, lineIds }
}

export const lineRow = (saleId: number, position: number, l: FilledLine, agreed: boolean) => ({
  ...l,
  saleId,
  position,
  quantity: l.quantity.toFixed(4),
  agreed: agreed ? l.quantity.toFixed(4) : '0',
})

/** A sale without a title is called after what is on it. */
export const titleOf = (lines: readonly { readonly description: string }[]): string =>
  lines.length === 0
    ? ''
    : lines
        .slice(0, 2)
        .map((l) => l.description)
        .join(', ')
        .slice(0, 120) + (lines.length > 2 ? ' …' : '')

/** The arrangement as JSON keeps it: decimals as strings. */
export const keepArrangement = (a: unknown): unknown => JSON.parse(JSON.stringify(a))

export const startSale = defineCommand('start-sale', startSaleInput, async (w, input) => {
  const customer = found(await findCustomer(w.tx, input.customerId, w.currency), 'customer', input.customerId)
  const startedOn = input.on ?? w.today
  const { saleId } = await writeSale(w, {
    customer,
    on: startedOn,
    lines: await fillLines(w, input.lines, customer, startedOn),
    title: input.title ?? '',
    channel: input.channel ?? 'phone',
    kind: input.kind || 'sales',
    note: input.note ?? '',
    wantedBy: input.wantedBy ?? null,
    arrangement: keepArrangement(input.arrangement ?? usualArrangement(customer)),
    agreedOn: null,
  })
  await refreshSale(w, saleId)
  return answerSale(w, saleId)
})
