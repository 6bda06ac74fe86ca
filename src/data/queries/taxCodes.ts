import { asc, eq } from 'drizzle-orm'
import { decimal } from '@/core/money'
import type { TaxCode, TaxComponent } from '@/core/tax'
import type { Db } from '../connect'
import { taxCode, taxComponent } from '../schema'

/** A tax code, and the account each of its components is owed on. */
export type KeptTaxCode = TaxCode & { readonly accountOf: ReadonlyMap<number, number> }

/** All tax codes with their components, in the order they were made: the first is the one used where none is named. */
export const listTaxCodes = async (db: Db): Promise<KeptTaxCode[]> => {
  const rows = await db
    .select({ code: taxCode, component: taxComponent })
    .from(taxCode)
    .leftJoin(taxComponent, eq(taxComponent.taxCodeId, taxCode.id))
    .orderBy(asc(taxCode.id), asc(taxComponent.id))
  const codes = new Map<
    number,
    { code: TaxCode; components: TaxComponent[]; accountOf: Map<number, number> }
  >()
  for (const row of rows) {
    const kept = codes.get(row.code.id) ?? {
      code: { ...row.code, components: [] as TaxComponent[] },
      components: [] as TaxComponent[],
      accountOf: new Map(),
    }
    if (row.component) {
      kept.components.push({
        id: row.component.id,
        name: row.component.name,
        rate: decimal(row.component.rate),
      })
      kept.accountOf.set(row.component.id, row.component.accountId)
    }
    codes.set(row.code.id, kept)
  }
  return [...codes.values()].map(({ code, components, accountOf }) => ({ ...code, components, accountOf }))
}

export const insertTaxCode = async (
  db: Db,
  code: { code: string; name: string; treatment: 'taxed' | 'zero' | 'exempt' },
  components: readonly { name: string; rate: string; accountId: number }[],
): Promise<number> => {
  const [row] = await db.insert(taxCode).values(code).returning({ id: taxCode.id })
  if (components.length > 0) {
    await db.insert(taxComponent).values(components.map((c) => ({ ...c, taxCodeId: row!.id })))
  }
  return row!.id
}
