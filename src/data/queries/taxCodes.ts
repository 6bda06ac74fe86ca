import { present } from '@/core/present'
import { and, asc, eq, max, ne } from 'drizzle-orm'
import { type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import type { DatedTaxCode, TaxComponent } from '@/core/tax'
import type { Db } from '../connect'
import { invoice, invoiceTax, taxCode, taxComponent } from '../schema'
import { isOneOf } from './search'

/** A tax code at the rates of a time, and the account each of its components is owed on. */
export type KeptTaxCode = DatedTaxCode & { readonly accountOf: ReadonlyMap<number, number> }

const codeOf = ({ fromDay, ...code }: typeof taxCode.$inferSelect): DatedTaxCode => ({
  ...code,
  from: fromDay,
  components: [],
})

/** All tax codes with their components, every row of each, in the order they were made: the first is the one used where none is named. */
export const listTaxCodes = async (db: Db): Promise<KeptTaxCode[]> => {
  const rows = await db
    .select({ code: taxCode, component: taxComponent })
    .from(taxCode)
    .leftJoin(taxComponent, eq(taxComponent.taxCodeId, taxCode.id))
    .orderBy(asc(taxCode.id), asc(taxComponent.id))
  const codes = new Map<number, { code: DatedTaxCode; components: TaxComponent[]; accountOf: Map<number, number> }>()
  for (const row of rows) {
    const kept = codes.get(row.code.id) ?? {
      code: codeOf(row.code),
      components: [] as TaxComponent[],
      accountOf: new Map(),
    }
    if (row.component) {
      kept.components.push({
        id: row.component.id,
        name: row.component.name,
        rate: row.component.rate,
      })
      kept.accountOf.set(row.component.id, row.component.accountId)
    }
    codes.set(row.code.id, kept)
  }
  return [...codes.values()].map(({ code, components, accountOf }) => ({ ...code, components, accountOf }))
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
