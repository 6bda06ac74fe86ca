import { type Decimal, ZERO } from '@/core/money'
import { startSaleInput } from '@/contract/inputs/sales/startSale'
import { listAddresses, type Customer } from '@/data/queries/customers'
import { findPriceLevel } from '@/data/queries/prices'
import { insertSale } from '@/data/queries/sales'
import { takeSaleNumber } from '@/data/queries/numbers'
import type { Day } from '@/core/day'
import { defineCommand, type Work } from '../command'
import { type ArrangementInput, keepArrangement } from '@/contract/arrangement'
import { customerFor } from '../people/customerFor'
import { refuse } from '@/contract/refuse'
import { writeAgreement } from './agreeSale'
import { fillLines, type FilledLine } from './fillLines'
import { refreshSale } from './refreshSale'
import { answerSale, takeSale } from './saleWork'
import { insertSaleLines } from '@/data/queries/saleLine'

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
  readonly noteAbove?: string
  readonly discountPercent?: Decimal
  readonly discountAmount?: bigint
  readonly rolledUp?: boolean
  readonly billTo?: string
  readonly deliverTo?: string
  readonly deliverNote?: string
  readonly pricesIncludeTax?: boolean
  readonly copiedFromId?: number
  readonly wantedBy: Day | null
  readonly arrangement: unknown
  readonly agreedOn: Day | null
}

/** Writes a new sale and its lines. */
export const writeSale = async (w: Work, sale: NewSale): Promise<{ saleId: number }> => {
  const { customer, on: startedOn, lines, ...row } = sale
  const addresses = await listAddresses(w.tx, customer.id)
  const usual = (kind: 'bill-to' | 'deliver-to') =>
    addresses.find((a) => a.kind === kind && a.isDefault) ?? addresses.find((a) => a.kind === kind)
  const deliverTo = sale.deliverTo ?? usual('deliver-to')?.text ?? ''
  const saleId = await insertSale(w.tx, {
    ...row,
    number: await takeSaleNumber(w.tx),
    customerId: customer.id,
    title: sale.title || titleOf(lines.filter((l) => l.kind !== 'heading' && l.kind !== 'text')),
    startedOn,
    billTo: sale.billTo ?? usual('bill-to')?.text ?? '',
    deliverTo,
    deliverNote: sale.deliverNote ?? addresses.find((a) => a.text === deliverTo)?.instructions ?? '',
    pricesIncludeTax: sale.pricesIncludeTax ?? w.business.pricesIncludeTax,
    taxRoundedPer: w.business.taxRoundedPer,
  })
  await insertSaleLines(
    w.tx,
    lines.map((l, position) => lineRow(saleId, position, l, sale.agreedOn !== null)),
  )
  return { saleId }
}

export const lineRow = (saleId: number, position: number, l: FilledLine, agreed: boolean) => ({
  ...l,
  saleId,
  position,
  agreed: agreed && l.chosen ? l.quantity : ZERO,
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

/** How papers of a customer show prices: as their price level says, else as the business does. */
export const showsTax = async (w: Work, customer: Customer): Promise<boolean> =>
  (await findPriceLevel(w.tx, customer.priceLevel))?.pricesIncludeTax ?? w.business.pricesIncludeTax

export const mustBeKind = (w: Work, kind: string): void => {
  if (!w.business.kinds.includes(kind)) refuse({ code: 'no-such-kind', kind, kinds: w.business.kinds })
}

/** A new sale: a draft, or agreed at once where it starts as an order. */
export const startSale = defineCommand('start-sale', startSaleInput, async (w, input) => {
  const customer = await customerFor(w, input.customerId)
  const startedOn = input.on ?? w.today
  if (input.kind) mustBeKind(w, input.kind)
  if (input.agreed && input.lines.length === 0) refuse({ code: 'nothing-on-sale' })
  const pricesIncludeTax = await showsTax(w, customer)
  const { saleId } = await writeSale(w, {
    customer,
    on: startedOn,
    lines: await fillLines(w, input.lines, {
      customer,
      on: startedOn,
      pricesIncludeTax,
      deliverTo: input.deliverTo,
    }),
    title: input.title ?? '',
    channel: input.channel ?? 'phone',
    kind: input.kind || w.business.kinds[0] || 'sales',
    note: input.note ?? '',
    noteAbove: input.noteAbove ?? '',
    discountPercent: input.discountPercent,
    discountAmount:
      input.discountAmount === undefined ? undefined : w.money(input.discountAmount, 'discountAmount').minor,
    rolledUp: input.rolledUp,
    billTo: input.billTo || undefined,
    deliverTo: input.deliverTo || undefined,
    deliverNote: input.deliverNote || undefined,
    pricesIncludeTax,
    wantedBy: input.wantedBy ?? null,
    arrangement: keepArrangement(input.arrangement ?? usualArrangement(customer)),
    agreedOn: null,
  })
  await refreshSale(w, saleId)
  if (input.agreed)
    await writeAgreement(w, await takeSale(w, saleId), { on: startedOn, purchaseOrder: input.purchaseOrder })
  return answerSale(w, saleId)
})
