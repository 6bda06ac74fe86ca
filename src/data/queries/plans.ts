import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'
import { collection, customer, invoice, plan, planCharge, sale } from '../schema'

export interface PlanFacts {
  readonly id: number
  readonly number: string
  readonly saleId: number
  readonly saleNumber: number
  readonly saleTitle: string
  readonly customerId: number
  readonly customerName: string
  readonly invoiceId: number
  readonly invoiceNumber: string
  readonly startedOn: Day
  readonly terms: unknown
  readonly financed: Money
  readonly charge: Money
  readonly yearlyRate: string
  readonly replacesId: number | null
  readonly endedOn: Day | null
  readonly endedAs: 'paid off' | 'rescheduled' | null
  /** As the card stand-in knows it; empty where none is kept. */
  readonly card: string
}

const plans = (db: Db) =>
  db
    .select({ plan, saleNumber: sale.number, saleTitle: sale.title, customerName: customer.name, invoiceNumber: invoice.number })
    .from(plan)
    .innerJoin(sale, eq(sale.id, plan.saleId))
    .innerJoin(customer, eq(customer.id, plan.customerId))
    .innerJoin(invoice, eq(invoice.id, plan.invoiceId)) // prettier-ignore

const mapPlan = (r: Awaited<ReturnType<typeof plans>>[number], currency: string): PlanFacts => ({
  ...r.plan,
  saleNumber: r.saleNumber,
  saleTitle: r.saleTitle,
  customerName: r.customerName,
  invoiceNumber: r.invoiceNumber ?? '',
  startedOn: r.plan.startedOn as Day,
  endedOn: r.plan.endedOn as Day | null,
  financed: money(r.plan.financed, currency),
  charge: money(r.plan.charge, currency),
})

export const findPlan = async (db: Db, id: number, currency: string): Promise<PlanFacts | null> => {
  const [row] = await plans(db).where(eq(plan.id, id))
  return row ? mapPlan(row, currency) : null
}

/** The plans of sales, the first begun first. */
export const listPlansOfSales = async (db: Db, saleIds: readonly number[], currency: string): Promise<PlanFacts[]> =>
  saleIds.length === 0
    ? []
    : (await plans(db).where(inArray(plan.saleId, [...saleIds])).orderBy(asc(plan.id))).map((r) => mapPlan(r, currency)) // prettier-ignore

/** Plans that run, of everybody or of one customer. */
export const listLivePlans = async (db: Db, of: { readonly customerId?: number }, currency: string): Promise<PlanFacts[]> =>
  (
    await plans(db)
      .where(and(isNull(plan.endedOn), of.customerId === undefined ? undefined : eq(plan.customerId, of.customerId)))
      .orderBy(asc(plan.id))
  ).map((r) => mapPlan(r, currency)) // prettier-ignore

export const insertPlan = async (db: Db, row: typeof plan.$inferInsert, id: number): Promise<void> => {
  await db
    .insert(plan)
    .overridingSystemValue()
    .values({ ...row, id })
}

export const endPlan = async (
  db: Db,
  id: number,
  end: { readonly endedOn: Day; readonly endedAs: 'paid off' | 'rescheduled' },
): Promise<void> => {
  await db.update(plan).set(end).where(eq(plan.id, id))
}

export const keepPlanCard = async (db: Db, id: number, card: string): Promise<void> => {
  await db.update(plan).set({ card }).where(eq(plan.id, id))
}

export const insertPlanCharges = async (
  db: Db,
  rows: readonly (typeof planCharge.$inferInsert)[],
): Promise<void> => {
  const moved = rows.filter((r) => r.amount !== 0n)
  if (moved.length > 0) await db.insert(planCharge).values([...moved])
}

/** What of a plan's charge is not earned yet, and what was added to it at its start. */
export const sumPlanCharge = async (
  db: Db,
  planId: number,
  currency: string,
): Promise<{ readonly unearned: Money; readonly added: Money }> => {
  const [row] = await db.execute<{ unearned: string; added: string }>(sql`
    select coalesce(sum(amount), 0)::text as unearned, coalesce(sum(amount) filter (where amount > 0 and why <> 'earned'), 0)::text as added
      from plan_charge where plan_id = ${planId}`)
  return { unearned: money(BigInt(row!.unearned), currency), added: money(BigInt(row!.added), currency) }
}

/** Running plans with a row due through a day whose charge is not earned yet. */
export const listPlansToEarn = async (db: Db, through: Day): Promise<number[]> =>
  (
    await db.execute<{ id: number }>(sql`
      select distinct p.id from plan p join due d on d.plan_id = p.id
       where p.ended_on is null and p.charge > 0 and d.due_on <= ${through}
         and not exists (select from plan_charge c where c.due_id = d.id and c.why = 'earned') order by p.id`)
  ).map((r) => r.id)

/** Rows of a plan whose charge was earned. */
export const listEarnedDues = async (db: Db, planId: number): Promise<Set<number>> =>
  new Set(
    (
      await db
        .select({ dueId: planCharge.dueId })
        .from(planCharge)
        .where(and(eq(planCharge.planId, planId), eq(planCharge.why, 'earned')))
    ).map((r) => r.dueId!),
  )

export interface RowToCollect {
  readonly dueId: number
  readonly planId: number
  readonly card: string
}

/** Rows due by today of plans with a card, open, and not tried in the last days. */
export const listToCollect = async (db: Db, today: Day, retryAfterDays: number): Promise<RowToCollect[]> =>
  (
    await db.execute<{ due_id: number; plan_id: number; card: string }>(sql`
      select d.id as due_id, p.id as plan_id, p.card from plan p join due d on d.plan_id = p.id
       where p.ended_on is null and p.card <> '' and d.filled < d.amount and d.due_on <= ${today}
         and not exists (select from collection c where c.due_id = d.id and c.on_day > ${today}::date - ${retryAfterDays}::int)
       order by d.due_on, d.id`)
  ).map((r) => ({ dueId: r.due_id, planId: r.plan_id, card: r.card }))

/** Writes a try down; answers false when that row was tried on that day already. */
export const insertCollection = async (db: Db, row: typeof collection.$inferInsert): Promise<boolean> =>
  (await db.insert(collection).values(row).onConflictDoNothing().returning({ id: collection.id })).length > 0

export const listCollections = async (db: Db, dueIds: readonly number[]) =>
  dueIds.length === 0
    ? []
    : (await db.select().from(collection).where(inArray(collection.dueId, [...dueIds])).orderBy(asc(collection.id))).map((r) => ({ ...r, on: r.onDay as Day })) // prettier-ignore
