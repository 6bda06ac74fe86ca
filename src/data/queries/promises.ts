import { present } from '@/core/present'
import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import type { ComponentTax } from '@/core/tax'
import type { Db } from '../connect'
import {
  banked,
  bankingSlip,
  cardSettlement,
  extraCharge,
  heldTransfer,
  heldTransferReversal,
  payPromise,
  reminder,
  savedView,
  taxMove,
  writeOff,
  writeOffRecovery,
} from '../schema'
import { isOneOf } from './search'

const insertWithId =
  <T extends typeof extraCharge | typeof writeOff | typeof heldTransfer>(table: T) =>
  async (db: Db, row: T['$inferInsert'], id: number): Promise<void> => {
    await db
      .insert(table)
      .overridingSystemValue()
      .values({ ...row, id } as never)
  }
export const insertExtraCharge = insertWithId(extraCharge)
export const insertWriteOff = insertWithId(writeOff)
export const insertHeldTransfer = insertWithId(heldTransfer)

export const listExtraCharges = async (db: Db, saleIds: readonly number[], currency: string) =>
  saleIds.length === 0
    ? []
    : (
        await db.select().from(extraCharge).where(isOneOf(extraCharge.saleId, saleIds)).orderBy(asc(extraCharge.id))
      ).map((r) => ({ ...r, on: r.onDay, amount: money(r.amount, currency) }))

export const listWriteOffs = async (db: Db, saleIds: readonly number[], currency: string) =>
  saleIds.length === 0
    ? []
    : (await db.select().from(writeOff).where(isOneOf(writeOff.saleId, saleIds)).orderBy(asc(writeOff.id))).map(
        (r) => ({ ...r, on: r.onDay, amount: money(r.amount, currency) }),
      )

/** Tax that a paper moves, as it is kept. Positive: more is owed. */
export const insertTaxMoves = async (
  db: Db,
  taxes: readonly ComponentTax[],
  paper: Pick<typeof taxMove.$inferInsert, 'onDay' | 'why' | 'entryId' | 'saleId' | 'receiptId' | 'dueId'>,
): Promise<void> => {
  const moved = taxes.filter((t) => t.amount.minor !== 0n || t.net.minor !== 0n)
  if (moved.length > 0)
    await db.insert(taxMove).values(
      moved.map((t) => ({
        ...paper,
        taxCodeId: t.taxCodeId,
        componentId: t.componentId,
        net: t.net.minor,
        amount: t.amount.minor,
      })),
    )
}

const sumMoves = async (db: Db, where: ReturnType<typeof and>, currency: string): Promise<ComponentTax[]> => {
  const rows = await db
    .select({
      taxCodeId: taxMove.taxCodeId,
      componentId: taxMove.componentId,
      net: sql<string>`sum(${taxMove.net})::text`,
      amount: sql<string>`sum(${taxMove.amount})::text`,
    })
    .from(taxMove)
    .where(where)
    .groupBy(taxMove.taxCodeId, taxMove.componentId)
    .orderBy(asc(taxMove.taxCodeId), asc(taxMove.componentId))
  return rows.map((r) => ({
    taxCodeId: r.taxCodeId,
    componentId: r.componentId,
    net: money(BigInt(r.net), currency),
    amount: money(BigInt(r.amount), currency),
  }))
}

/** Tax that stands posted on a sale's held money. */
export const sumTaxAhead = (db: Db, saleId: number, currency: string): Promise<ComponentTax[]> =>
  sumMoves(db, and(eq(taxMove.saleId, saleId), eq(taxMove.why, 'ahead')), currency)

/** Tax that stands taken back with what was put on a due without money: discounts taken, debts written off. */
export const sumTaxOnDue = (
  db: Db,
  dueId: number,
  why: 'discount' | 'write-off',
  currency: string,
): Promise<ComponentTax[]> => sumMoves(db, and(eq(taxMove.dueId, dueId), eq(taxMove.why, why)), currency)

/** Tax that an entry moved on money ahead. */
export const listTaxOfEntry = (db: Db, entryId: number, currency: string): Promise<ComponentTax[]> =>
  sumMoves(db, and(eq(taxMove.entryId, entryId), eq(taxMove.why, 'ahead')), currency)

export const findWriteOff = async (db: Db, id: number, currency: string) => {
  const [row] = await db
    .select({ paper: writeOff, recoveredOn: writeOffRecovery.onDay })
    .from(writeOff)
    .leftJoin(writeOffRecovery, eq(writeOffRecovery.writeOffId, writeOff.id))
    .where(eq(writeOff.id, id))
  return row
    ? {
        ...row.paper,
        on: row.paper.onDay,
        amount: money(row.paper.amount, currency),
        recoveredOn: row.recoveredOn,
      }
    : null
}

export const insertWriteOffRecovery = async (db: Db, row: typeof writeOffRecovery.$inferInsert): Promise<void> => {
  await db.insert(writeOffRecovery).values(row)
}

export const findHeldTransfer = async (db: Db, id: number, currency: string) => {
  const [row] = await db
    .select({ paper: heldTransfer, reversedOn: heldTransferReversal.onDay })
    .from(heldTransfer)
    .leftJoin(heldTransferReversal, eq(heldTransferReversal.transferId, heldTransfer.id))
    .where(eq(heldTransfer.id, id))
  return row
    ? {
        ...row.paper,
        on: row.paper.onDay,
        amount: money(row.paper.amount, currency),
        reversedOn: row.reversedOn,
      }
    : null
}

export const insertHeldTransferReversal = async (
  db: Db,
  row: typeof heldTransferReversal.$inferInsert,
): Promise<void> => {
  await db.insert(heldTransferReversal).values(row)
}

export interface PromiseRow {
  readonly id: number
  readonly customerId: number
  readonly saleId: number
  readonly madeOn: Day
  readonly by: Day
  readonly amount: Money
  readonly note: string
}

/** Promises that stand, the newest last. */
export const listPromises = async (db: Db, saleIds: readonly number[], currency: string): Promise<PromiseRow[]> =>
  saleIds.length === 0
    ? []
    : (
        await db
          .select()
          .from(payPromise)
          .where(and(isOneOf(payPromise.saleId, saleIds), isNull(payPromise.droppedOn)))
          .orderBy(asc(payPromise.id))
      ).map((r) => ({
        id: r.id,
        customerId: r.customerId,
        saleId: r.saleId,
        madeOn: r.madeOn,
        by: r.byDay,
        amount: money(r.amount, currency),
        note: r.note,
      }))

export const insertPromise = async (db: Db, row: typeof payPromise.$inferInsert): Promise<number> =>
  present((await db.insert(payPromise).values(row).returning({ id: payPromise.id }))[0]).id

export const dropPromises = async (db: Db, saleId: number, on: Day): Promise<void> => {
  await db
    .update(payPromise)
    .set({ droppedOn: on })
    .where(and(eq(payPromise.saleId, saleId), isNull(payPromise.droppedOn)))
}

export interface ReminderRow {
  readonly stage: number
  readonly on: Day
  readonly postId: number
}

/** Reminders a customer got, the newest first. */
export const listReminders = async (db: Db, customerId: number): Promise<ReminderRow[]> =>
  (
    await db.select().from(reminder).where(eq(reminder.customerId, customerId)).orderBy(desc(reminder.id)).limit(50)
  ).map((r) => ({ stage: r.stage, on: r.onDay, postId: r.postId }))

export const insertReminder = async (db: Db, row: typeof reminder.$inferInsert): Promise<void> => {
  await db.insert(reminder).values(row)
}

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

export const listSavedViews = (db: Db, place: string) =>
  db
    .select({ id: savedView.id, name: savedView.name, query: savedView.query })
    .from(savedView)
    .where(eq(savedView.place, place))
    .orderBy(asc(savedView.name))

export const keepSavedView = async (db: Db, row: typeof savedView.$inferInsert): Promise<number> =>
  present(
    (
      await db
        .insert(savedView)
        .values(row)
        .onConflictDoUpdate({ target: [savedView.place, savedView.name], set: { query: row.query } })
        .returning({ id: savedView.id })
    )[0],
  ).id

export const deleteSavedView = async (db: Db, id: number): Promise<void> => {
  await db.delete(savedView).where(eq(savedView.id, id))
}
