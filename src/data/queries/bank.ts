import { insertInto, insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import type { Day } from '@/core/day'
import { bankingSlip, cardSettlement, banked, receipt, customer, toBank } from '../schema'
import { eq, sql, desc, type SQL } from 'drizzle-orm'
import { present } from '@/core/present'
import { type Money, money } from '@/core/money'
import type { ToBankMethod } from '@/core/ledger'
import { isOneOf } from './search'

/** Where a receipt's money was taken to: a slip, a settlement, or nowhere yet. */
export const findBanked = async (db: Db, receiptId: number): Promise<{ readonly on: Day } | null> => {
  const [row] = await db
    .select({ slipOn: bankingSlip.onDay, settledOn: cardSettlement.onDay })
    .from(banked)
    .leftJoin(bankingSlip, eq(bankingSlip.id, banked.slipId))
    .leftJoin(cardSettlement, eq(cardSettlement.id, banked.settlementId))
    .where(eq(banked.receiptId, receiptId))
  return row ? { on: present(row.slipOn ?? row.settledOn) } : null
}

export const insertBankingSlip = insertWithId(bankingSlip)

export const insertCardSettlement = insertWithId(cardSettlement)

export const insertBanked = insertInto(banked)

export interface ToBank {
  readonly id: number
  readonly number: string
  readonly on: Day
  readonly customer: string
  readonly reference: string
  readonly amount: Money
}

/** So many are offered at once, the oldest ones. */
export const OFFERED = 500

const readToBank = async (db: Db, is: SQL, limit: number, currency: string): Promise<ToBank[]> =>
  (
    await db
      .select({
        id: receipt.id,
        number: receipt.number,
        on: receipt.onDay,
        customer: customer.name,
        reference: receipt.reference,
        amount: receipt.amount,
      })
      .from(toBank)
      .innerJoin(receipt, eq(receipt.id, toBank.receiptId))
      .innerJoin(customer, eq(customer.id, receipt.customerId))
      .where(is)
      .orderBy(toBank.onDay, toBank.receiptId)
      .limit(limit)
  ).map((r) => ({ ...r, amount: money(r.amount, currency) }))

/** Receipts of a method that stand and were not taken to the bank yet, the oldest first. */
export const listToBank = (db: Db, method: ToBankMethod, through: Day, currency: string): Promise<ToBank[]> =>
  readToBank(db, sql`${toBank.method} = ${method} and ${toBank.onDay} <= ${through}`, OFFERED, currency)

/** Locks receipts and answers those of them that may go to the bank. */
export const lockToBank = async (
  db: Db,
  ids: readonly number[],
  method: ToBankMethod,
  currency: string,
): Promise<ToBank[]> => {
  if (ids.length === 0) return []
  await db.select({ id: receipt.id }).from(receipt).where(isOneOf(receipt.id, ids)).orderBy(receipt.id).for('update')
  return readToBank(db, sql`${toBank.method} = ${method} and ${isOneOf(toBank.receiptId, ids)}`, ids.length, currency)
}

/** More than there will ever be. */
const ALL = 1_000_000

export const listSlips = async (db: Db, limit: number | undefined, currency: string) =>
  (
    await db
      .select()
      .from(bankingSlip)
      .orderBy(desc(bankingSlip.id))
      .limit(limit ?? ALL)
  ).map((r) => ({
    id: r.id,
    number: r.number,
    on: r.onDay,
    cash: money(r.cash, currency),
    cheques: money(r.cheques, currency),
    total: money(r.cash + r.cheques, currency),
    voidedOn: r.voidedOn,
    entryId: r.entryId,
  }))

export const listSettlements = async (db: Db, limit: number | undefined, currency: string) =>
  (
    await db
      .select()
      .from(cardSettlement)
      .orderBy(desc(cardSettlement.id))
      .limit(limit ?? ALL)
  ).map((r) => ({
    id: r.id,
    number: r.number,
    on: r.onDay,
    gross: money(r.gross, currency),
    fees: money(r.fees, currency),
    net: money(r.gross - r.fees, currency),
    voidedOn: r.voidedOn,
    entryId: r.entryId,
  }))

/** A slip or a payout is taken back: its receipts lie where they lay before, and may go to the bank anew. */
export const undoToBank = async (
  db: Db,
  { slipId, settlementId, on }: { readonly slipId?: number; readonly settlementId?: number; readonly on: Day },
): Promise<void> => {
  if (slipId !== undefined) {
    await db.update(bankingSlip).set({ voidedOn: on }).where(eq(bankingSlip.id, slipId))
    await db.delete(banked).where(eq(banked.slipId, slipId))
  }
  if (settlementId !== undefined) {
    await db.update(cardSettlement).set({ voidedOn: on }).where(eq(cardSettlement.id, settlementId))
    await db.delete(banked).where(eq(banked.settlementId, settlementId))
  }
}
