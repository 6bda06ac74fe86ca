import type { Day } from '@/core/day'
import { type Decimal, type Money, money } from '@/core/money'
import { builtForIds } from '../builtOnce'
import type { Db } from '../connect'
import { handover, handoverLine, saleLine, sale, customer } from '../schema'
import { eq, asc } from 'drizzle-orm'
import { isOneOf } from './search'

export interface HandoverRow {
  readonly id: number
  readonly saleId: number
  readonly number: string
  readonly direction: 'out' | 'back'
  readonly on: Day
  readonly by: string
  /** On goods that came back without a credit: the handover they had left with. */
  readonly returnsId: number | null
  readonly reason: string
  readonly entryId: number | null
  readonly lines: readonly {
    readonly saleLineId: number
    readonly quantity: Decimal
    readonly cost: Money
    readonly earned: Money
  }[]
}

const headOf = (h: typeof handover.$inferSelect) => ({
  id: h.id,
  saleId: h.saleId,
  number: h.number,
  direction: h.direction,
  on: h.onDay,
  by: h.by,
  returnsId: h.returnsId,
  reason: h.reason,
})

const handoversOf = builtForIds((db, saleIds) =>
  db
    .select({ handover, line: handoverLine })
    .from(handover)
    .innerJoin(handoverLine, eq(handoverLine.handoverId, handover.id))
    .where(isOneOf(handover.saleId, saleIds))
    .orderBy(asc(handover.id), asc(handoverLine.id)),
)
export const listHandovers = async (db: Db, saleIds: readonly number[], currency: string): Promise<HandoverRow[]> => {
  const rows = await handoversOf(db, saleIds)
  const papers = new Map<number, HandoverRow & { lines: HandoverRow['lines'][number][] }>()
  for (const { handover: h, line } of rows) {
    const paper = papers.get(h.id) ?? {
      ...headOf(h),
      entryId: h.entryId,
      lines: [] as HandoverRow['lines'][number][],
    }
    paper.lines.push({
      saleLineId: line.saleLineId,
      quantity: line.quantity,
      cost: money(line.cost, currency),
      earned: money(line.earned, currency),
    })
    papers.set(h.id, paper)
  }
  return [...papers.values()]
}

export const insertHandover = async (
  db: Db,
  row: typeof handover.$inferInsert,
  id: number,
  lines: readonly Omit<typeof handoverLine.$inferInsert, 'handoverId'>[],
): Promise<void> => {
  await db
    .insert(handover)
    .overridingSystemValue()
    .values({ ...row, id })
  await db.insert(handoverLine).values(lines.map((l) => ({ ...l, handoverId: id })))
}

/** One handover, with its sale and the names of what was on it. */
export const findHandover = async (db: Db, id: number, currency: string) => {
  const rows = await db
    .select({
      handover,
      line: handoverLine,
      description: saleLine.description,
      saleNumber: sale.number,
      customer: customer.name,
    })
    .from(handover)
    .innerJoin(handoverLine, eq(handoverLine.handoverId, handover.id))
    .innerJoin(saleLine, eq(saleLine.id, handoverLine.saleLineId))
    .innerJoin(sale, eq(sale.id, handover.saleId))
    .innerJoin(customer, eq(customer.id, sale.customerId))
    .where(eq(handover.id, id))
    .orderBy(asc(handoverLine.id))
  const first = rows[0]
  if (!first) return null
  const { handover: h } = first
  return {
    ...headOf(h),
    saleNumber: first.saleNumber,
    customer: first.customer,
    lines: rows.map((r) => ({
      id: r.line.id,
      saleLineId: r.line.saleLineId,
      description: r.description,
      quantity: r.line.quantity,
      cost: money(r.line.cost, currency),
    })),
  }
}
