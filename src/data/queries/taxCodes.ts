import { present } from '@/core/present'
import { and, asc, eq, max, ne, sql, type SQL } from 'drizzle-orm'
import { type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import type { DatedTaxCode, OwnTaxCode, TaxComponent } from '@/core/tax'
import { builtOnce } from '../builtOnce'
import type { Db } from '../connect'
import { invoice, invoiceTax, taxCode, taxComponent } from '../schema'
import { isOneOf } from './search'
import { findUse } from './uses'

/** A tax code at the rates of a time, and the account each of its components is owed on. */
export type KeptTaxCode = DatedTaxCode & OwnTaxCode & { readonly accountOf: ReadonlyMap<number, number> }

const codeOf = ({ fromDay, ...code }: typeof taxCode.$inferSelect): DatedTaxCode => ({
  ...code,
  from: fromDay,
  components: [],
})

const codesAndComponents = builtOnce((db) =>
  db
    .select({ code: taxCode, component: taxComponent })
    .from(taxCode)
    .leftJoin(taxComponent, eq(taxComponent.taxCodeId, taxCode.id))
    .orderBy(asc(taxCode.id), asc(taxComponent.id)),
)

/** All tax codes with their components, every row of each, in the order they were made: the first is the one used where none is named. */
export const listTaxCodes = async (db: Db): Promise<KeptTaxCode[]> => {
  const rows = await codesAndComponents(db)
  const none = (code: typeof taxCode.$inferSelect) => {
    const [components, owed]: [TaxComponent[], TaxComponent[]] = [[], []]
    return { ...codeOf(code), components, owed, accountOf: new Map<number, number>() }
  }
  const codes = new Map<number, ReturnType<typeof none>>()
  for (const row of rows) {
    const kept = codes.get(row.code.id) ?? none(row.code)
    if (row.component) {
      const { id, name, rate, accountId } = row.component
      // Under reverse charge it is who buys that owes: a customer is charged nothing, and we owe on what we buy.
      const isOwed = row.code.treatment === 'reverse-charge' && !rate.eq(0)
      kept[isOwed ? 'owed' : 'components'].push({ id, name, rate })
      kept.accountOf.set(id, accountId)
    }
    codes.set(row.code.id, kept)
  }
  return [...codes.values()]
}

export const insertTaxCode = async (
  db: Db,
  code: Pick<typeof taxCode.$inferInsert, 'code' | 'name' | 'treatment' | 'reason' | 'rateOf' | 'fromDay'>,
  components: readonly { name: string; rate: Decimal; accountId: number }[],
): Promise<number> => {
  const row = present((await db.insert(taxCode).values(code).returning({ id: taxCode.id }))[0])
  if (components.length > 0) {
    await db.insert(taxComponent).values(components.map((c) => ({ ...c, taxCodeId: row.id })))
  }
  return row.id
}

/** The last day of an issued invoice or counter sale with any of these codes; null where there is none. */
export const lastDayOfTax = async (db: Db, ids: readonly number[]): Promise<Day | null> => {
  const [row] = await db
    .select({ on: max(invoice.onDay) })
    .from(invoice)
    .innerJoin(invoiceTax, eq(invoiceTax.invoiceId, invoice.id))
    .where(and(eq(invoice.status, 'issued'), ne(invoice.kind, 'credit-note'), isOneOf(invoiceTax.taxCodeId, ids)))
  return row?.on ?? null
}

/** What has a tax code, in words, by its table. */
const TAXED: readonly (readonly [what: string, table: SQL])[] = [
  ['An item', sql`goods`],
  ['A sale', sql`sale_line`],
  ['An invoice', sql`invoice_line`],
  ['A supplier', sql`supplier`],
  ['A purchase order', sql`purchase_order_line`],
  ['A bill', sql`bill_line`],
  ['A tax region', sql`tax_area`],
  ['A bank rule', sql`bank_rule`],
  ['A bank line', sql`bank_match`],
  ['An entry', sql`purchase_tax`],
  ['An entry', sql`tax_move`],
]

/** What uses one of these rows of tax codes; null where nothing does. Nobody begins to until the transaction ends. */
export const findTaxCodeUse = async (db: Db, ids: readonly number[]): Promise<string | null> => {
  await db.select({ id: taxCode.id }).from(taxCode).where(isOneOf(taxCode.id, ids)).for('update')
  return findUse(
    db,
    TAXED.map(([what, table]) => [what, sql`select from ${table} where ${isOneOf(sql`tax_code_id`, ids)}`]),
  )
}

/** Calls rows of tax codes, and their components, by other words. */
export const renameTaxCode = async (
  db: Db,
  ids: readonly number[],
  to: { readonly name: string; readonly reason: string; readonly components: readonly { id: number; name: string }[] },
): Promise<void> => {
  await db.update(taxCode).set({ name: to.name, reason: to.reason }).where(isOneOf(taxCode.id, ids))
  for (const { id, name } of to.components) await db.update(taxComponent).set({ name }).where(eq(taxComponent.id, id))
}

/** Deletes rows of tax codes that nothing uses; accounts that were made for them alone are hidden. */
export const deleteTaxCodes = async (db: Db, ids: readonly number[]): Promise<void> => {
  const gone = await db
    .delete(taxComponent)
    .where(isOneOf(taxComponent.taxCodeId, ids))
    .returning({ accountId: taxComponent.accountId })
  await db.delete(taxCode).where(isOneOf(taxCode.id, ids))
  const accounts = gone.map((c) => c.accountId)
  await db.execute(sql`
    update account a set hidden = true
     where ${isOneOf(sql`a.id`, accounts)} and not exists (select from tax_component c where c.account_id = a.id)`)
}
