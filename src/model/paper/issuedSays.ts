import { z } from 'zod'
import { LINE_KINDS } from '@/core/kinds'
import { present } from '@/core/present'
import type { TaxCode } from '@/core/tax'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findCustomer } from '@/data/queries/customers'
import type { InvoiceRow } from '@/data/queries/invoices'
import type { SaleLineRow } from '@/data/queries/saleLine'
import type { SaleRow } from '@/data/queries/sales'
import { readBillTo } from './billTo'

const seller = z.object({ name: z.string(), address: z.string(), taxNumber: z.string() })
/** Who sells, as a document says it. */
export type Seller = z.output<typeof seller>

/** What an invoice or credit note says around its lines. Kept with it when it is issued: whatever changes later, it is never edited. */
const issuedSays = z.object({
  seller,
  /** Whom it is addressed to, and where. */
  name: z.string(),
  billTo: z.string(),
  deliverTo: z.string(),
  noteAbove: z.string(),
  note: z.string(),
  conditions: z.string(),
  purchaseOrder: z.string(),
  taxExempt: z.boolean(),
  /** Of an exemption, or by what the tax office knows them. */
  exemptNumber: z.string(),
  /** How it will be paid. */
  arrangement: z.unknown(),
  /** Whether groups stand as one sum each. */
  rolledUp: z.boolean(),
  /** Lines of the sale that are on it, with the headings and words between them, in their order. */
  rows: z.array(
    z.object({
      id: z.number(),
      kind: z.enum(LINE_KINDS),
      code: z.string().nullable(),
      description: z.string(),
      note: z.string(),
    }),
  ),
  /** How its taxes are called, and why nothing is charged. */
  taxNames: z.array(
    z.object({
      id: z.number(),
      name: z.string(),
      reason: z.string(),
      components: z.array(z.object({ id: z.number(), name: z.string() })),
    }),
  ),
})
export type IssuedSays = z.output<typeof issuedSays>

/** A business as its documents name it now. */
export const sellerOf = ({ name, address, taxNumber }: Business): Seller => ({ name, address, taxNumber })

/** What an invoice is made from. */
interface Written {
  readonly invoice: Pick<InvoiceRow, 'lines' | 'taxes'>
  readonly sale: SaleRow
  /** All lines of the sale. */
  readonly lines: readonly SaleLineRow[]
  readonly codes: readonly TaxCode[]
}

/** What an invoice says that is issued now. */
export const saysNow = async (
  { db, business }: { readonly db: Db; readonly business: Business },
  { invoice, sale, lines, codes }: Written,
): Promise<IssuedSays> => {
  const [customer, billTo] = await Promise.all([
    findCustomer(db, sale.customerId, sale.total.currency),
    sale.billTo || readBillTo(db, sale.customerId),
  ])
  const { name, taxExempt, exemptNumber } = present(customer)
  const { deliverTo, noteAbove, note, purchaseOrder, arrangement, rolledUp } = sale
  const on = new Set(invoice.lines.map((l) => l.saleLineId))
  const taxed = new Set(invoice.taxes.map((t) => t.taxCodeId))
  return {
    seller: sellerOf(business),
    conditions: business.conditions,
    ...{ name, billTo, taxExempt, exemptNumber },
    ...{ deliverTo, noteAbove, note, purchaseOrder, arrangement, rolledUp },
    rows: lines.flatMap(({ id, kind, code, description, note: words }) => {
      const between = kind === 'heading' || kind === 'text'
      // What a line says stands in the invoice's own line.
      return between || on.has(id)
        ? [{ id, kind, code, description: between ? description : '', note: between ? words : '' }]
        : []
    }),
    taxNames: codes
      .filter((c) => taxed.has(c.id))
      .map((c) => ({
        id: c.id,
        name: c.name,
        reason: c.reason ?? '',
        components: c.components.map((k) => ({ id: k.id, name: k.name })),
      })),
  }
}

/** What an issued invoice said when it was issued; null of a draft. */
export const readIssuedSays = ({ says }: Pick<InvoiceRow, 'says'>): IssuedSays | null =>
  says === null ? null : issuedSays.parse(says)

/** Tax codes by the names that an invoice calls them. */
export const calledAs = <C extends TaxCode>(codes: readonly C[], { taxNames }: IssuedSays): C[] =>
  codes.map((c) => {
    const said = taxNames.find((n) => n.id === c.id)
    if (!said) return c
    const components = c.components.map((k) => ({ ...k, ...said.components.find((n) => n.id === k.id) }))
    return { ...c, name: said.name, reason: said.reason, components }
  })
