import { builtForId } from '../builtOnce'
import type { Db } from '../connect'
import { saleVersion } from '../schema'
import { sql, eq, asc } from 'drizzle-orm'

export const insertVersion = async (db: Db, row: Omit<typeof saleVersion.$inferInsert, 'n'>): Promise<void> => {
  const n = sql`(select coalesce(max(n), 0) + 1 from sale_version where sale_id = ${row.saleId})`
  await db.insert(saleVersion).values({ ...row, n: n as unknown as number })
}

export const listVersions = builtForId((db, saleId) =>
  db.select().from(saleVersion).where(eq(saleVersion.saleId, saleId)).orderBy(asc(saleVersion.n)),
)
