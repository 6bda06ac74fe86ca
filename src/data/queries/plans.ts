import { present } from '@/core/present'
import { and, asc, eq, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import { builtForIds, insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { collection, customer, invoice, plan, planCharge, sale } from '../schema'
import { isOneOf } from './search'

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
    .select({
      plan,
      saleNumber: sale.number,
      saleTitle: sale.title,
      customerName: customer.name,
      invoiceNumber: invoice.number,
    })
    .from(plan)
    .innerJoin(sale, eq(sale.id, plan.saleId))
    .innerJoin(customer, eq(customer.id, plan.customerId))
    .innerJoin(invoice, eq(invoice.id, plan.invoiceId))

const mapPlan = (r: Awaited<ReturnType<typeof plans>>[number], currency: string): PlanFacts => ({
  ...r.plan,
  saleNumber: r.saleNumber,
  saleTitle: r.saleTitle,
  customerName: r.customerName,
  invoiceNumber: r.invoiceNumber ?? '',
  startedOn: r.plan.startedOn,
  endedOn: r.plan.endedOn,
  financed: money(r.plan.financed, currency),
  charge: money(r.plan.charge, currency),
})

export const findPlan = async (db: Db, id: number, currency: string): Promise<PlanFacts | null> => {
  const [row] = await plans(db).where(eq(plan.id, id))
  return row ? mapPlan(row, currency) : null
}

const plansOf = builtForIds((db, saleIds) => plans(db).where(isOneOf(plan.saleId, saleIds)).orderBy(asc(plan.id)))
/** The plans of sales, the first begun first. */
export const listPlansOfSales = async (db: Db, saleIds: readonly number[], currency: string): Promise<PlanFacts[]> =>
  (await plansOf(db, saleIds)).map((r) => mapPlan(r, currency))

export const insertPlan = insertWithId(plan)

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

export const insertPlanCharges = async (db: Db, rows: readonly (typeof planCharge.$inferInsert)[]): Promise<void> => {
  const moved = rows.filter((r) => r.amount !== 0n)
  if (moved.length > 0) await db.insert(planCharge).values([...moved])
}

/** What of a plan's charge is not earned yet, and what was added to it at its start. */
export const sumPlanCharge = async (
  db: Db,
  planId: number,
  currency: string,
): Promise<{ readonly unearned: Money; readonly added: Money }> => {
  const row = present(
    (
      await db.execute<{ unearned: string; added: string }>(sql`
    select coalesce(sum(amount), 0)::text as unearned, coalesce(sum(amount) filter (where amount > 0 and why <> 'earned'), 0)::text as added
      from plan_charge where plan_id = ${planId}`)
    )[0],
  )
  return {
    unearned: money(BigInt(row.unearned), currency),
    added: money(BigInt(row.added), currency),
  }
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
    ).map((r) => present(r.dueId)),
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
       where p.card <> ''
         and (exists (select from card_payment a where a.due_id = d.id and a.state = 'asked')
           or p.ended_on is null and d.filled < d.amount and d.due_on <= ${today}
             and not exists (select from collection c where c.due_id = d.id and c.on_day > ${today}::date - ${retryAfterDays}::int))
       order by d.due_on, d.id`)
  ).map((r) => ({ dueId: r.due_id, planId: r.plan_id, card: r.card }))

/** Writes a try down; answers false when that row was tried on that day already. */
export const insertCollection = async (db: Db, row: typeof collection.$inferInsert): Promise<boolean> =>
  (await db.insert(collection).values(row).onConflictDoNothing().returning({ id: collection.id })).length > 0

export const listCollections = async (db: Db, dueIds: readonly number[]) =>
  dueIds.length === 0
    ? []
    : (await db.select().from(collection).where(isOneOf(collection.dueId, dueIds)).orderBy(asc(collection.id))).map(
        (r) => ({ ...r, on: r.onDay }),
      )

export interface PlanSums {
  readonly planId: number
  readonly number: string
  readonly saleId: number
  readonly saleNumber: number
  readonly title: string
  readonly customerId: number
  readonly customer: string
  readonly startedOn: Day
  readonly endedAs: string | null
  readonly financed: Money
  readonly charge: Money
  readonly unearned: Money
  readonly paid: Money
  readonly open: Money
  readonly late: Money
  readonly rowsLate: number
  readonly next: Day | null
  readonly nextOpen: Money | null
  readonly ends: Day | null
  readonly hasCard: boolean
}

/** Every plan with its rows summed: those that run, or those that ended (early, or paid to the end). */
export const listPlanSums = async (
  db: Db,
  wish: { readonly ended: boolean },
  today: Day,
  currency: string,
): Promise<PlanSums[]> => {
  const rows = await db.execute<
    Record<'number' | 'title' | 'customer' | 'financed' | 'charge' | 'unearned' | 'paid' | 'open' | 'late', string> & {
      plan_id: number
      sale_id: number
      customer_id: number
      sale_number: number
      rows_late: number
      started_on: Day
      next: Day | null
      next_open: string | null
      ends: Day | null
      ended_as: string | null
      has_card: boolean
    }
  >(sql`
    select p.id as plan_id, p.number, p.sale_id, s.number as sale_number, s.title, p.customer_id, c.name as customer, p.started_on::text,
           p.ended_as, p.financed::text, p.charge::text, p.card <> '' as has_card,
           coalesce((select sum(x.amount) from plan_charge x where x.plan_id = p.id), 0)::text as unearned,
           coalesce((select sum(f.amount) from due_fill f join due d on d.id = f.due_id 
             where d.plan_id = p.id and f.kind in ('receipt', 'held', 'void', 'released')), 0)::text as paid,
           r.open::text, r.late::text, r.rows_late, r.ends::text, n.due_on::text as next, (n.amount - n.filled)::text as next_open
      from plan p join sale s on s.id = p.sale_id join customer c on c.id = p.customer_id
      join lateral (select coalesce(sum(d.amount - d.filled), 0) as open, coalesce(sum(d.amount - d.filled) filter (where d.due_on < ${today}), 0) as late,
                           (count(*) filter (where d.due_on < ${today} and d.filled < d.amount))::int as rows_late, max(d.due_on) as ends
                      from due d where d.plan_id = p.id) r on true
      left join lateral (select d.due_on, d.amount, d.filled from due d 
             where d.plan_id = p.id and d.filled < d.amount and d.due_on >= ${today} order by d.due_on limit 1) n on true
     where (p.ended_on is not null or r.open = 0) = ${wish.ended}
     order by r.rows_late desc, p.id`)
  const amount = (text: string): Money => money(BigInt(text), currency)
  return rows.map((r) => ({
    planId: r.plan_id,
    number: r.number,
    saleId: r.sale_id,
    saleNumber: r.sale_number,
    title: r.title,
    customerId: r.customer_id,
    customer: r.customer,
    startedOn: r.started_on,
    endedAs: r.ended_as,
    financed: amount(r.financed),
    charge: amount(r.charge),
    unearned: amount(r.unearned),
    paid: amount(r.paid),
    open: amount(r.open),
    late: amount(r.late),
    rowsLate: r.rows_late,
    next: r.next,
    nextOpen: r.next_open === null ? null : amount(r.next_open),
    ends: r.ends,
    hasCard: r.has_card,
  }))
}
