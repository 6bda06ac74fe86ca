import { present } from '@/core/present'
import { and, asc, eq, ne, not, sql, type SQLWrapper } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { PostState } from '@/core/kinds'
import { builtForIds, builtOnce, insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { customer, post, supplier } from '../schema'
import { inOrder, type Part } from './inOrder'
import { isOneOf, matchesPaper } from './search'

export type { PostState }

export interface PostRow {
  readonly id: number
  /** To a customer, or to a supplier. */
  readonly customerId: number | null
  readonly supplierId: number | null
  /** Whom it is to. */
  readonly name: string
  readonly saleId: number | null
  readonly paper: string
  readonly paperId: number | null
  readonly recipient: string
  readonly subject: string
  readonly body: string
  readonly messageId: string
  readonly state: PostState
  readonly tries: number
  readonly problem: string
  readonly writtenOn: Day
  readonly sentOn: Day | null
}

export interface PostFilter {
  readonly id?: number
  readonly customerId?: number
  readonly supplierId?: number
  readonly saleId?: number
  /** The document that it brings. */
  readonly of?: { readonly paper: string; readonly id: number }
  readonly state?: PostState
  readonly search?: string
}

const NAME = sql<string>`coalesce(${customer.name}, ${supplier.name}, '')`

const ORDERS: Readonly<Record<string, SQLWrapper>> = {
  day: sql`coalesce(${post.sentOn}, ${post.writtenOn})`,
  written: post.writtenOn,
  sent: post.sentOn,
  to: sql`plain_text(${post.recipient})`,
  customer: sql`plain_text(${NAME})`,
  paper: post.paper,
  subject: sql`plain_text(${post.subject})`,
  state: post.state,
  problem: sql`nullif(${post.problem}, '')`,
}

/** Letters that fit, the newest first where no order is asked for. */
export const listPost = async (db: Db, filter: PostFilter, part: Part): Promise<PostRow[]> => {
  const all = db
    .select({ post, name: NAME })
    .from(post)
    .leftJoin(customer, eq(customer.id, post.customerId))
    .leftJoin(supplier, eq(supplier.id, post.supplierId))
    .where(
      and(
        filter.id ? eq(post.id, filter.id) : undefined,
        filter.customerId ? eq(post.customerId, filter.customerId) : undefined,
        filter.supplierId ? eq(post.supplierId, filter.supplierId) : undefined,
        filter.saleId ? eq(post.saleId, filter.saleId) : undefined,
        filter.of ? and(eq(post.paper, filter.of.paper), eq(post.paperId, filter.of.id)) : undefined,
        filter.state ? eq(post.state, filter.state) : undefined,
        filter.search
          ? matchesPaper(filter.search, {
              customerId: post.customerId,
              columns: [post.recipient, post.subject, supplier.name],
            })
          : undefined,
        part.after ? sql`${post.id} < ${part.after}` : undefined,
      ),
    )
    .orderBy(inOrder(ORDERS, part.order, sql`${post.id} desc`))
    .offset(part.offset ?? 0)
  const rows = await (part.limit === undefined ? all : all.limit(part.limit))
  return rows.map(({ post: p, name }) => ({
    ...p,
    name,
    writtenOn: p.writtenOn,
    sentOn: p.sentOn,
  }))
}

export const insertPost = insertOne(post)

/** How many wait to go, and how many came back and were not looked at. */
export const countPost = async (db: Db): Promise<{ waiting: number; bounced: number }> =>
  present((await postToCount(db))[0])

const postToCount = builtOnce((db) =>
  db
    .select({
      waiting: sql<number>`count(*) filter (where ${post.state} = 'waiting')::int`,
      bounced: sql<number>`count(*) filter (where ${post.state} = 'bounced')::int`,
    })
    .from(post)
    .where(sql`${post.state} in ('waiting', 'bounced')`),
)

const NOT_TAKEN = sql`coalesce(${post.takenUntil} <= now(), true)`

/**
 * Takes the next letter that may go, for two minutes: no other postman takes it meanwhile, and if this one falls over it
 * is free again afterwards. `only` names one letter, whenever its next try would be.
 */
export const claimPost = async (db: Db, only?: number): Promise<number | null> => {
  const rows = await db.execute<{ id: number }>(sql`
    update post set tries = tries + 1, taken_until = now() + interval '2 minutes'
     where id = (select id from post
                  where state = 'waiting' and ${NOT_TAKEN} and ${only === undefined ? sql`next_try_at <= now()` : sql`id = ${only}`}
                  order by next_try_at, id limit 1 for update skip locked)
    returning id`)
  return rows[0]?.id ?? null
}

/** Whether somebody is sending this letter just now. */
export const isPostTaken = async (db: Db, id: number): Promise<boolean> => {
  const rows = await db
    .select({ id: post.id })
    .from(post)
    .where(and(eq(post.id, id), eq(post.state, 'waiting'), not(NOT_TAKEN)))
  return rows.length > 0
}

/** What became of a letter: it went through to the mail server, or need not go any more. */
export const closePost = async (
  db: Db,
  id: number,
  as: { state: Exclude<PostState, 'waiting'>; sentOn: Day | null; problem: string },
) => {
  await db
    .update(post)
    .set({ ...as, takenUntil: null })
    .where(eq(post.id, id))
}

/** Throws away a letter that has not gone, or came back; false where it went, or is just going. */
export const dropPost = async (db: Db, id: number): Promise<boolean> => {
  const rows = await db
    .update(post)
    .set({ state: 'dropped' })
    .where(and(eq(post.id, id), ne(post.state, 'sent'), NOT_TAKEN))
    .returning({ id: post.id })
  return rows.length > 0
}

/** When it is tried again: after one, five, fifteen minutes, then every hour. */
export const putPostBack = async (db: Db, id: number, tries: number, problem: string): Promise<void> => {
  const minutes = [1, 5, 15][tries - 1] ?? 60
  await db
    .update(post)
    .set({ problem, takenUntil: null, nextTryAt: sql`now() + make_interval(mins => ${minutes})` as never })
    .where(eq(post.id, id))
}

const cameBackOf = builtForIds((db, saleIds) =>
  db
    .select({ saleId: post.saleId, on: post.sentOn, why: post.problem })
    .from(post)
    .where(and(isOneOf(post.saleId, saleIds), eq(post.state, 'bounced')))
    .orderBy(asc(post.id)),
)
/** Letters about these sales that came back and were not put away: the last of each. */
export const listCameBack = async (
  db: Db,
  saleIds: readonly number[],
): Promise<ReadonlyMap<number, { readonly on: Day; readonly why: string }>> => {
  const rows = await cameBackOf(db, saleIds)
  return new Map(rows.map((r) => [present(r.saleId), { on: present(r.on), why: r.why }]))
}
