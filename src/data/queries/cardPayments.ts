import { eq } from 'drizzle-orm'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'
import { cardPayment } from '../schema'

export interface CardPaymentRow {
  readonly id: number
  readonly reference: string
  readonly customerId: number
  readonly saleId: number | null
  readonly amount: Money
  readonly state: 'asked' | 'approved' | 'refused'
  readonly why: string
  readonly receiptId: number | null
}

export const insertCardPayment = async (db: Db, row: typeof cardPayment.$inferInsert): Promise<number> =>
  (await db.insert(cardPayment).values(row).returning({ id: cardPayment.id }))[0]!.id

/** A payment by its reference, held for this transaction: two answers come one after the other. */
export const lockCardPayment = async (
  db: Db,
  reference: string,
  currency: string,
): Promise<CardPaymentRow | null> => {
  const [row] = await db.select().from(cardPayment).where(eq(cardPayment.reference, reference)).for('update')
  return row ? { ...row, amount: money(row.amount, currency) } : null
}

export const updateCardPayment = async (
  db: Db,
  id: number,
  change: Partial<typeof cardPayment.$inferInsert>,
): Promise<void> => {
  await db.update(cardPayment).set(change).where(eq(cardPayment.id, id))
}
