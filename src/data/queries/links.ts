import { and, desc, eq, isNull, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { customerLink, sale } from '../schema'

export const insertLink = insertOne(customerLink)

/** The link a secret opens on a day, while it is not withdrawn and has not ended. */
export const findLink = async (db: Db, tokenHash: string, on: Day) =>
  (
    await db
      .select()
      .from(customerLink)
      .where(
        and(
          eq(customerLink.tokenHash, tokenHash),
          isNull(customerLink.withdrawnOn),
          sql`${customerLink.expiresOn} >= ${on}`,
        ),
      )
  )[0] ?? null

export const seeLink = async (db: Db, id: number, on: Day): Promise<void> => {
  await db
    .update(customerLink)
    .set({ seenOn: on })
    .where(and(eq(customerLink.id, id), sql`${customerLink.seenOn} is distinct from ${on}`))
}

/** The links of a customer that open something on a day, the newest first. */
export const listLinksOf = async (db: Db, customerId: number, on: Day) =>
  (
    await db
      .select({
        id: customerLink.id,
        saleId: customerLink.saleId,
        saleNumber: sale.number,
        opensAll: customerLink.opensAll,
        madeOn: customerLink.madeOn,
        expiresOn: customerLink.expiresOn,
        seenOn: customerLink.seenOn,
      })
      .from(customerLink)
      .leftJoin(sale, eq(sale.id, customerLink.saleId))
      .where(
        and(
          eq(customerLink.customerId, customerId),
          isNull(customerLink.withdrawnOn),
          sql`${customerLink.expiresOn} >= ${on}`,
        ),
      )
      .orderBy(desc(customerLink.id))
      .limit(200)
  ).map((r) => ({
    ...r,
    madeOn: r.madeOn,
    expiresOn: r.expiresOn,
    seenOn: r.seenOn,
  }))

/** Withdraws one link; false where there is none that is open. */
export const withdrawLink = async (db: Db, id: number, on: Day): Promise<boolean> =>
  (
    await db
      .update(customerLink)
      .set({ withdrawnOn: on })
      .where(and(eq(customerLink.id, id), isNull(customerLink.withdrawnOn)))
      .returning({ id: customerLink.id })
  ).length > 0

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
