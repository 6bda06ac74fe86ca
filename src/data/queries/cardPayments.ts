import { present } from '@/core/present'
import { and, eq, sql } from 'drizzle-orm'
import { money, type Money } from '@/core/money'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { cardPayment } from '../schema'

export interface CardPaymentRow {
  readonly id: number
  readonly reference: string
  readonly customerId: number
  readonly saleId: number | null
  readonly dueId: number | null
  readonly amount: Money
  readonly state: 'asked' | 'approved' | 'refused'
  readonly why: string
  readonly receiptId: number | null
}

export const insertCardPayment = insertOne(cardPayment)

/** A payment by its reference, held for this transaction: two answers come one after the other. */
export const lockCardPayment = async (db: Db, reference: string, currency: string): Promise<CardPaymentRow | null> => {
  const [row] = await db.select().from(cardPayment).where(eq(cardPayment.reference, reference)).for('update')
  return row ? { ...row, amount: money(row.amount, currency) } : null
}

/** What a kept card was asked for a due and has not answered yet, if anything. */
export const findAskedForDue = async (db: Db, dueId: number, currency: string) => {
  const [row] = await db
    .select({ reference: cardPayment.reference, amount: cardPayment.amount })
    .from(cardPayment)
    .where(and(eq(cardPayment.dueId, dueId), eq(cardPayment.state, 'asked')))
  return row ? { reference: row.reference, amount: money(row.amount, currency) } : null
}

export const updateCardPayment = async (
  db: Db,
  id: number,
  change: Partial<typeof cardPayment.$inferInsert>,
): Promise<void> => {
  await db.update(cardPayment).set(change).where(eq(cardPayment.id, id))
}

/** For so long a payment that was asked of a card may still come. */
const UNDER_WAY = sql`interval '15 minutes'`

/** What is being paid by card just now, of a sale or by a customer at all: asked, and not answered yet. */
export const sumPaymentsUnderWay = async (
  db: Db,
  of: { readonly customerId: number; readonly saleId: number | null },
  currency: string,
): Promise<Money> => {
  const row = present(
    (
      await db
        .select({ sum: sql<string>`coalesce(sum(${cardPayment.amount}), 0)::text` })
        .from(cardPayment)
        .where(
          and(
            eq(cardPayment.customerId, of.customerId),
            eq(cardPayment.state, 'asked'),
            sql`${cardPayment.askedAt} > now() - ${UNDER_WAY}`,
            of.saleId === null
              ? undefined
              : sql`(${cardPayment.saleId} is null or ${cardPayment.saleId} = ${of.saleId})`,
          ),
        )
    )[0],
  )
  return money(BigInt(row.sum), currency)
}
