import { and, asc, eq, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { Rhythm } from '@/core/sale'
import { money, type Money } from '@/core/money'
import { builtForIds, insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { customer, repeat, repeatRun, sale } from '../schema'
import { isOneOf } from './search'

export interface RepeatRow {
  readonly id: number
  readonly saleId: number
  readonly saleNumber: number
  readonly customerId: number
  readonly customerName: string
  readonly title: string
  readonly total: Money
  readonly every: Rhythm
  readonly firstOn: Day
  readonly nextOn: Day | null
  readonly done: number
  readonly untilDay: Day | null
  readonly times: number | null
  readonly makes: 'offer' | 'order' | 'invoice'
  readonly byItself: boolean
  readonly stoppedOn: Day | null
}

interface RepeatFilter {
  readonly id?: number
  readonly saleId?: number
  readonly dueOn?: Day
  readonly running?: boolean
}

/** Repeats with the sale they copy, the next to come first. */
export const listRepeats = async (db: Db, filter: RepeatFilter, currency: string): Promise<RepeatRow[]> => {
  const rows = await db
    .select({
      repeat,
      number: sale.number,
      customerId: sale.customerId,
      customerName: customer.name,
      title: sale.title,
      total: sale.total,
    })
    .from(repeat)
    .innerJoin(sale, eq(sale.id, repeat.saleId))
    .innerJoin(customer, eq(customer.id, sale.customerId))
    .where(
      and(
        filter.id ? eq(repeat.id, filter.id) : undefined,
        filter.saleId ? eq(repeat.saleId, filter.saleId) : undefined,
        filter.dueOn ? sql`${repeat.nextOn} <= ${filter.dueOn}` : undefined,
        filter.running ? sql`${repeat.nextOn} is not null` : undefined,
      ),
    )
    .orderBy(sql`${repeat.nextOn} nulls last`, asc(repeat.id))
  return rows.map((r) => ({
    ...r.repeat,
    firstOn: r.repeat.firstOn,
    nextOn: r.repeat.nextOn,
    untilDay: r.repeat.untilDay,
    stoppedOn: r.repeat.stoppedOn,
    saleNumber: r.number,
    customerId: r.customerId,
    customerName: r.customerName,
    title: r.title,
    total: money(r.total, currency),
  }))
}

/** Takes a repeat for this transaction. */
export const lockRepeat = async (db: Db, id: number): Promise<boolean> =>
  (await db.select({ id: repeat.id }).from(repeat).where(eq(repeat.id, id)).for('update')).length > 0

export const insertRepeat = insertOne(repeat)

export const updateRepeat = async (db: Db, id: number, change: Partial<typeof repeat.$inferInsert>): Promise<void> => {
  await db.update(repeat).set(change).where(eq(repeat.id, id))
}

export const insertRepeatRun = async (db: Db, row: typeof repeatRun.$inferInsert): Promise<void> => {
  await db.insert(repeatRun).values(row)
}

export const listRepeatRuns = async (db: Db, repeatId: number) =>
  db
    .select({ on: repeatRun.onDay, saleId: repeatRun.saleId, number: sale.number })
    .from(repeatRun)
    .innerJoin(sale, eq(sale.id, repeatRun.saleId))
    .where(eq(repeatRun.repeatId, repeatId))
    .orderBy(asc(repeatRun.onDay))

const runsOf = builtForIds((db, saleIds) =>
  db.select({ saleId: repeatRun.saleId }).from(repeatRun).where(isOneOf(repeatRun.saleId, saleIds)),
)
/** Which of these sales a repeat wrote down. */
export const listCameAgain = async (db: Db, saleIds: readonly number[]): Promise<ReadonlySet<number>> =>
  new Set((await runsOf(db, saleIds)).map((r) => r.saleId))
