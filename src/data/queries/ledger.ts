import { present } from '@/core/present'
import { and, asc, desc, eq, or, sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { AccountKind, AccountRole, EntryDraft } from '@/core/ledger'
import { money, type Money } from '@/core/money'
import { builtForIds, builtOnce, insertInto, insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { holdsTyped, isOneOf } from './search'
import { account, entry, entryLine } from '../schema'

export interface EntrySource {
  readonly kind: string
  readonly id: number | null
  readonly saleId?: number | null
  readonly customerId?: number | null
  readonly reversesId?: number
}

const insertHead = insertOne(entry)
const insertLines = insertInto(entryLine)

/** Writes an entry, under the id `reserved` for it if any. `accountOf` turns roles into the business's accounts. Returns its id. */
export const insertEntry = async (
  db: Db,
  draft: EntryDraft,
  source: EntrySource,
  accountOf: (ref: EntryDraft['lines'][number]['account']) => number,
  reserved?: number,
): Promise<number> => {
  const row = {
    id: reserved,
    onDay: draft.on,
    text: draft.text,
    sourceKind: source.kind,
    sourceId: source.id,
    saleId: source.saleId ?? null,
    customerId: source.customerId ?? null,
    reversesId: source.reversesId ?? null,
  }
  const lines = draft.lines.map((l) => ({
    accountId: accountOf(l.account),
    onDay: draft.on,
    amount: l.amount.minor,
  }))
  const head = insertHead(db, row)
  // Where the id is known, the lines follow without waiting for the head to be answered.
  const entryId = reserved ?? (await head)
  const written = insertLines(
    db,
    lines.map((l) => ({ ...l, entryId })),
  )
  await Promise.all([head, written])
  return entryId
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

const linesOf = builtForIds((db, entryIds) =>
  db
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
    .where(isOneOf(entryLine.entryId, entryIds))
    .orderBy(asc(entryLine.id)),
)

const withLines = async (
  db: Db,
  rows: readonly (typeof entry.$inferSelect)[],
  currency: string,
): Promise<EntryView[]> => {
  if (rows.length === 0) return []
  const ids = rows.map((r) => r.id)
  const lines = await linesOf(db, ids)
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
      f.text ? holdsTyped(entry.text, f.text) : undefined,
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

const ofSale = builtOnce((db) =>
  db
    .select()
    .from(entry)
    .where(
      or(
        eq(entry.saleId, sql.placeholder('saleId')),
        and(eq(entry.sourceKind, 'receipt'), isOneOf(entry.sourceId, sql.placeholder('receiptIds'))),
      ),
    )
    .orderBy(desc(entry.onDay), desc(entry.id))
    .limit(300),
)
/** The entries of a sale and of these receipts, in their order: the last three hundred where there are more. */
export const entriesOfSale = async (
  db: Db,
  saleId: number,
  receiptIds: readonly number[],
  currency: string,
): Promise<EntryView[]> => withLines(db, (await ofSale(db, { saleId, receiptIds })).reverse(), currency)

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

/** The entry that reverses one; null where none does. */
export const findReversal = async (db: Db, id: number): Promise<number | null> =>
  (await db.select({ id: entry.id }).from(entry).where(eq(entry.reversesId, id)).limit(1))[0]?.id ?? null

/** Keeps an entry from being reversed by anybody else meanwhile, and tells what has reversed it. */
export const lockEntry = async (db: Db, id: number): Promise<number | null> => {
  await db.execute(sql`select from entry where id = ${id} for update`)
  return findReversal(db, id)
}
