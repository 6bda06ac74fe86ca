import { present } from '@/core/present'
import { and, asc, eq } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Decimal, type Money } from '@/core/money'
import { builtForId, builtForIds } from '../builtOnce'
import type { Db } from '../connect'
import { customer, invoice, invoiceLine, invoiceTax } from '../schema'
import { isOneOf } from './search'

export interface InvoiceLineRow {
  readonly id: number
  readonly invoiceId: number
  readonly saleLineId: number
  readonly creditsLineId: number | null
  readonly goodsId: number | null
  readonly description: string
  readonly note: string
  readonly quantity: Decimal
  readonly unitPrice: Decimal
  readonly discountPercent: Decimal
  readonly taxCodeId: number
  readonly incomeAccountId: number
  readonly net: Money
  readonly tax: Money
  readonly ahead: Money
  readonly rebill: boolean
}

export interface InvoiceTaxRow {
  readonly invoiceId: number
  readonly taxCodeId: number
  readonly componentId: number | null
  readonly net: Money
  readonly amount: Money
}

export interface InvoiceRow {
  readonly id: number
  readonly kind: 'invoice' | 'counter' | 'credit-note'
  readonly status: 'draft' | 'issued'
  readonly number: string | null
  readonly saleId: number
  readonly customerId: number
  readonly customerName: string
  readonly on: Day
  readonly net: Money
  readonly tax: Money
  readonly gross: Money
  readonly reason: string
  readonly creditsId: number | null
  readonly entryId: number | null
  /** As it was issued; read by `readIssuedSays`. */
  readonly says: unknown
  readonly lines: readonly InvoiceLineRow[]
  readonly taxes: readonly InvoiceTaxRow[]
}

const linesOf = builtForIds((db, invoiceIds) =>
  db.select().from(invoiceLine).where(isOneOf(invoiceLine.invoiceId, invoiceIds)).orderBy(asc(invoiceLine.id)),
)
const taxesOf = builtForIds((db, invoiceIds) =>
  db.select().from(invoiceTax).where(isOneOf(invoiceTax.invoiceId, invoiceIds)).orderBy(asc(invoiceTax.id)),
)

const withLines = async (
  db: Db,
  rows: readonly { invoice: typeof invoice.$inferSelect; customerName: string }[],
  currency: string,
): Promise<InvoiceRow[]> => {
  if (rows.length === 0) return []
  const ids = rows.map((r) => r.invoice.id)
  const [lines, taxes] = await Promise.all([linesOf(db, ids), taxesOf(db, ids)])
  const amount = (minor: bigint): Money => money(minor, currency)
  return rows.map(({ invoice: r, customerName }) => ({
    id: r.id,
    kind: r.kind,
    status: r.status,
    number: r.number,
    saleId: r.saleId,
    customerId: r.customerId,
    customerName,
    on: r.onDay,
    net: amount(r.net),
    tax: amount(r.tax),
    gross: amount(r.gross),
    reason: r.reason,
    creditsId: r.creditsId,
    entryId: r.entryId,
    says: r.says,
    lines: lines
      .filter((l) => l.invoiceId === r.id)
      .map((l) => ({
        ...l,
        net: amount(l.net),
        tax: amount(l.tax),
        ahead: amount(l.ahead),
      })),
    taxes: taxes
      .filter((t) => t.invoiceId === r.id)
      .map((t) => ({
        invoiceId: t.invoiceId,
        taxCodeId: t.taxCodeId,
        componentId: t.componentId,
        net: amount(t.net),
        amount: amount(t.amount),
      })),
  }))
}

const base = (db: Db) =>
  db
    .select({ invoice, customerName: customer.name })
    .from(invoice)
    .innerJoin(customer, eq(customer.id, invoice.customerId))

const invoicesOf = builtForIds((db, saleIds) =>
  base(db).where(isOneOf(invoice.saleId, saleIds)).orderBy(asc(invoice.id)),
)
const invoiceById = builtForId((db, id) => base(db).where(eq(invoice.id, id)))

/** Invoices, counter sales and credit notes of sales, drafts included, oldest first. */
export const listInvoicesOfSales = async (
  db: Db,
  saleIds: readonly number[],
  currency: string,
): Promise<InvoiceRow[]> => withLines(db, await invoicesOf(db, saleIds), currency)

export const findInvoice = async (db: Db, id: number, currency: string): Promise<InvoiceRow | null> =>
  (await withLines(db, await invoiceById(db, id), currency))[0] ?? null

/** The credit notes issued against an invoice. */
export const listCreditsOf = async (db: Db, invoiceId: number, currency: string): Promise<InvoiceRow[]> =>
  withLines(
    db,
    await base(db)
      .where(and(eq(invoice.creditsId, invoiceId), eq(invoice.status, 'issued')))
      .orderBy(asc(invoice.id)),
    currency,
  )

export interface NewInvoice {
  readonly row: typeof invoice.$inferInsert
  readonly lines: readonly Omit<typeof invoiceLine.$inferInsert, 'invoiceId'>[]
  readonly taxes: readonly Omit<typeof invoiceTax.$inferInsert, 'invoiceId'>[]
}

/** Writes a draft. */
export const insertInvoice = async (db: Db, draft: NewInvoice): Promise<number> => {
  const made = present((await db.insert(invoice).values(draft.row).returning({ id: invoice.id }))[0])
  await insertParts(db, made.id, draft)
  return made.id
}

const insertParts = async (db: Db, invoiceId: number, parts: Pick<NewInvoice, 'lines' | 'taxes'>): Promise<void> => {
  await Promise.all([
    db.insert(invoiceLine).values(parts.lines.map((l) => ({ ...l, invoiceId }))),
    parts.taxes.length > 0 ? db.insert(invoiceTax).values(parts.taxes.map((t) => ({ ...t, invoiceId }))) : null,
  ])
}

/** Puts a draft anew. */
export const replaceDraft = async (db: Db, id: number, draft: NewInvoice): Promise<void> => {
  await deleteParts(db, id)
  await db.update(invoice).set(draft.row).where(eq(invoice.id, id))
  await insertParts(db, id, draft)
}

const deleteParts = async (db: Db, id: number): Promise<void> => {
  await db.delete(invoiceLine).where(eq(invoiceLine.invoiceId, id))
  await db.delete(invoiceTax).where(eq(invoiceTax.invoiceId, id))
}

export const deleteDraft = async (db: Db, id: number): Promise<void> => {
  await deleteParts(db, id)
  await db.delete(invoice).where(eq(invoice.id, id))
}

/** The last change an invoice ever takes. */
export const markIssued = async (
  db: Db,
  id: number,
  issued: { number: string; entryId: number | null; onDay: Day; says: unknown },
): Promise<void> => {
  await db
    .update(invoice)
    .set({ ...issued, status: 'issued' })
    .where(eq(invoice.id, id))
}
