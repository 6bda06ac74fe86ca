import { present } from '@/core/present'
import { and, asc, eq, sql, type SQL } from 'drizzle-orm'
import { addDays, addMonths, day, laterDay, monthStart, type Day } from '@/core/day'
import type { AccountKind, AccountRole, AccountSum, EntryDraft } from '@/core/ledger'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'
import { account, entry, entryLine } from '../schema'

export interface EntrySource {
  readonly kind: string
  readonly id: number | null
  readonly saleId?: number | null
  readonly customerId?: number | null
  readonly reversesId?: number
}

/** Writes an entry. `accountOf` turns roles into the business's accounts. Returns its id. */
export const insertEntry = async (
  db: Db,
  draft: EntryDraft,
  source: EntrySource,
  accountOf: (ref: EntryDraft['lines'][number]['account']) => number,
): Promise<number> => {
  const row = present(
    (
      await db
        .insert(entry)
        .values({
          onDay: draft.on,
          text: draft.text,
          sourceKind: source.kind,
          sourceId: source.id,
          saleId: source.saleId ?? null,
          customerId: source.customerId ?? null,
          reversesId: source.reversesId ?? null,
        })
        .returning({ id: entry.id })
    )[0],
  )
  await db.insert(entryLine).values(
    draft.lines.map((l) => ({
      entryId: row.id,
      accountId: accountOf(l.account),
      onDay: draft.on,
      amount: l.amount.minor,
    })),
  )
  return row.id
}

/** Whether anything was ever posted. */
export const hasEntries = async (db: Db): Promise<boolean> =>
  (await db.select({ id: entry.id }).from(entry).limit(1)).length > 0

export interface EntryView {
  readonly id: number
  readonly on: Day
  readonly text: string
  readonly sourceKind: string
  readonly sourceId: number | null
  readonly saleId: number | null
  readonly reversesId: number | null
  readonly lines: readonly {
    readonly accountId: number
    readonly code: string
    readonly account: string
    readonly kind: AccountKind
    readonly role: AccountRole | null
    readonly amount: Money
  }[]
}

const withLines = async (
  db: Db,
  rows: readonly (typeof entry.$inferSelect)[],
  currency: string,
): Promise<EntryView[]> => {
  if (rows.length === 0) return []
  const ids = rows.map((r) => r.id)
  const lines = await db
    .select({
      id: entryLine.id,
      entryId: entryLine.entryId,
      accountId: account.id,
      code: account.code,
      name: account.name,
      kind: account.kind,
      role: account.role,
      amount: entryLine.amount,
    })
    .from(entryLine)
    .innerJoin(account, eq(account.id, entryLine.accountId))
    .where(sql`${entryLine.entryId} in ${ids}`)
    .orderBy(asc(entryLine.id))
  return rows.map((r) => ({
    id: r.id,
    on: r.onDay,
    text: r.text,
    sourceKind: r.sourceKind,
    sourceId: r.sourceId,
    saleId: r.saleId,
    reversesId: r.reversesId,
    lines: lines
      .filter((l) => l.entryId === r.id)
      .map((l) => ({
        accountId: l.accountId,
        code: l.code,
        account: l.name,
        kind: l.kind,
        role: l.role as AccountRole | null,
        amount: money(l.amount, currency),
      })),
  }))
}

export interface EntryFilter {
  readonly accountId?: number
  readonly source?: string
  readonly saleId?: number
  readonly from?: Day
  readonly to?: Day
  readonly text?: string
}

const entryWhere = (f: EntryFilter): SQL =>
  present(
    and(
      sql`true`,
      f.from ? sql`${entry.onDay} >= ${f.from}` : undefined,
      f.to ? sql`${entry.onDay} <= ${f.to}` : undefined,
      f.source ? eq(entry.sourceKind, f.source) : undefined,
      f.saleId ? eq(entry.saleId, f.saleId) : undefined,
      f.text ? sql`${entry.text} ilike ${'%' + f.text.replace(/[%_\\]/g, '\\$&') + '%'}` : undefined,
      f.accountId
        ? sql`exists (select from ${entryLine} l where l.entry_id = ${entry.id} and l.account_id = ${f.accountId})`
        : undefined,
    ),
  )

/** Entries, the newest day first, a page at a time; `after` is the id and day the page before ended with. */
export const listEntries = async (
  db: Db,
  filter: EntryFilter,
  page: { readonly limit: number; readonly after?: { readonly on: Day; readonly id: number } },
  currency: string,
): Promise<EntryView[]> => {
  const rows = await db
    .select()
    .from(entry)
    .where(
      and(
        entryWhere(filter),
        page.after ? sql`(${entry.onDay}, ${entry.id}) < (${page.after.on}::date, ${page.after.id}::int)` : undefined,
      ),
    )
    .orderBy(sql`${entry.onDay} desc, ${entry.id} desc`)
    .limit(page.limit)
  return withLines(db, rows, currency)
}

/** The entries a paper posted, oldest first, with those that reverse them. */
export const entriesOfPapers = async (
  db: Db,
  papers: readonly { kind: string; id: number }[],
  currency: string,
): Promise<EntryView[]> => {
  if (papers.length === 0) return []
  const pairs = sql.join(
    papers.map((p) => sql`(${p.kind}, ${p.id}::int)`),
    sql`, `,
  )
  const rows = await db
    .select()
    .from(entry)
    .where(sql`(${entry.sourceKind}, ${entry.sourceId}) in (${pairs})`)
    .orderBy(asc(entry.id))
  return withLines(db, rows, currency)
}

/** Entries by id, in the order they were posted. */
export const findEntries = async (db: Db, ids: readonly number[], currency: string): Promise<EntryView[]> =>
  ids.length === 0
    ? []
    : withLines(
        db,
        await db
          .select()
          .from(entry)
          .where(sql`${entry.id} in ${[...ids]}`)
          .orderBy(asc(entry.id)),
        currency,
      )

export const findEntry = async (db: Db, id: number, currency: string): Promise<EntryView | null> => {
  const rows = await db.select().from(entry).where(eq(entry.id, id))
  return (await withLines(db, rows, currency))[0] ?? null
}

/**
 * What each account was debited and credited from `from` (or ever) through `to`. Whole months come from the kept sums,
 * the broken months at both ends from the lines themselves.
 */
export const sumAccounts = async (
  db: Db,
  span: { readonly from?: Day; readonly to: Day },
  currency: string,
): Promise<AccountSum[]> => {
  const from = span.from ?? day('0001-01-01')
  const firstMonth = from === monthStart(from) ? from : addMonths(monthStart(from), 1)
  const endMonth = monthStart(addDays(span.to, 1))
  const headEnds = firstMonth <= span.to ? firstMonth : addDays(span.to, 1)
  const tailBegins = laterDay(endMonth, firstMonth)
  const lines = sql`select l.account_id, greatest(l.amount, 0) as debit, greatest(-l.amount, 0) as credit from entry_line l`
  const rows = await db.execute<{
    id: number
    code: string
    name: string
    kind: AccountKind
    debit: string
    credit: string
  }>(sql`
    with parts as (
      select m.account_id, m.debit, m.credit from account_month m where m.month >= ${firstMonth} and m.month < ${endMonth}
      union all
      ${lines} where l.on_day >= ${from} and l.on_day < ${headEnds}
      union all
      ${lines} where l.on_day >= ${tailBegins} and l.on_day <= ${span.to}
    )
    select a.id, a.code, a.name, a.kind, coalesce(sum(p.debit), 0)::text as debit, coalesce(sum(p.credit), 0)::text as credit
      from account a left join parts p on p.account_id = a.id
     group by a.id order by a.code`)
  return rows.map((r) => ({
    id: r.id,
    code: r.code,
    name: r.name,
    kind: r.kind,
    debit: money(BigInt(r.debit), currency),
    credit: money(BigInt(r.credit), currency),
  }))
}

export interface AccountLine {
  readonly id: number
  readonly entryId: number
  readonly on: Day
  readonly text: string
  readonly sourceKind: string
  readonly sourceId: number | null
  readonly amount: Money
}

/** An account's lines of a span in order, a page at a time (`skip` lines passed over). */
export const listAccountLines = async (
  db: Db,
  accountId: number,
  span: { readonly from: Day; readonly to: Day },
  page: { readonly limit: number; readonly skip: number },
  currency: string,
): Promise<{ lines: AccountLine[]; count: number; before: Money }> => {
  const where = and(eq(entryLine.accountId, accountId), sql`${entryLine.onDay} between ${span.from} and ${span.to}`)
  const rows = await db
    .select({
      id: entryLine.id,
      entryId: entry.id,
      on: entry.onDay,
      text: entry.text,
      sourceKind: entry.sourceKind,
      sourceId: entry.sourceId,
      amount: entryLine.amount,
    })
    .from(entryLine)
    .innerJoin(entry, eq(entry.id, entryLine.entryId))
    .where(where)
    .orderBy(asc(entryLine.onDay), asc(entryLine.id))
    .limit(page.limit)
    .offset(page.skip)
  const sums = present(
    (
      await db
        .select({ count: sql<number>`count(*)::int` })
        .from(entryLine)
        .where(where)
    )[0],
  )
  const skipped = present(
    (
      await db.execute<{ sum: string }>(sql`
    select coalesce(sum(amount), 0)::text as sum from (
      select amount from entry_line where account_id = ${accountId} and on_day between ${span.from} and ${span.to}
       order by on_day, id limit ${page.skip}) s`)
    )[0],
  )
  return {
    lines: rows.map((r) => ({ ...r, on: r.on, amount: money(r.amount, currency) })),
    count: sums.count,
    before: money(BigInt(skipped.sum), currency),
  }
}

/** What each account of entries stood at before them, in debit, by `entryId:accountId`. Whole months come from the kept sums. */
export const balancesBefore = async (
  db: Db,
  entryIds: readonly number[],
  currency: string,
): Promise<Map<string, Money>> => {
  if (entryIds.length === 0) return new Map()
  const rows = await db.execute<{ entry_id: number; account_id: number; before: string }>(sql`
    select t.entry_id, t.account_id,
           (coalesce((select sum(m.debit - m.credit) from account_month m where m.account_id = t.account_id and m.month < date_trunc('month', t.on_day)), 0)
          + coalesce((select sum(l.amount) from entry_line l where l.account_id = t.account_id and l.on_day >= date_trunc('month', t.on_day)::date
                         and (l.on_day < t.on_day or (l.on_day = t.on_day and l.entry_id < t.entry_id))), 0))::text as before
      from (select distinct entry_id, account_id, on_day from entry_line where entry_id in ${[...entryIds]}) t`)
  return new Map(rows.map((r) => [`${r.entry_id}:${r.account_id}`, money(BigInt(r.before), currency)]))
}
