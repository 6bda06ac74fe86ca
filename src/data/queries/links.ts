import { and, eq, isNull, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { Db } from '../connect'
import { customerLink } from '../schema'

export const insertLink = async (db: Db, row: typeof customerLink.$inferInsert): Promise<number> =>
  (await db.insert(customerLink).values(row).returning({ id: customerLink.id }))[0]!.id

/** The link a secret opens, while it is not withdrawn. */
export const findLink = async (db: Db, tokenHash: string) =>
  (
    await db
      .select()
      .from(customerLink)
      .where(and(eq(customerLink.tokenHash, tokenHash), isNull(customerLink.withdrawnOn)))
  )[0] ?? null

export const seeLink = async (db: Db, id: number, on: Day): Promise<void> => {
  await db.update(customerLink).set({ seenOn: on }).where(and(eq(customerLink.id, id), sql`${customerLink.seenOn} is distinct from ${on}`)) // prettier-ignore
}

export const listLinks = (db: Db, saleId: number) =>
  db
    .select({
      id: customerLink.id,
      madeOn: customerLink.madeOn,
      seenOn: customerLink.seenOn,
      withdrawnOn: customerLink.withdrawnOn,
    })
    .from(customerLink)
    .where(eq(customerLink.saleId, saleId))
    .orderBy(customerLink.id)

/** Withdraws every link of a sale, or of a customer: the pages they opened are closed. */
export const withdrawLinks = async (
  db: Db,
  of: { readonly saleId: number } | { readonly customerId: number },
  on: Day,
): Promise<number> =>
  (
    await db
      .update(customerLink)
      .set({ withdrawnOn: on })
      .where(
        and(
          isNull(customerLink.withdrawnOn),
          'saleId' in of ? eq(customerLink.saleId, of.saleId) : eq(customerLink.customerId, of.customerId),
        ),
      )
      .returning({ id: customerLink.id })
  ).length
