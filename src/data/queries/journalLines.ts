import { sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'
import { acrossCash } from './cashMoves'
import { cutTo, inOrder, type Part } from './inOrder'
import { matchesWords } from './search'

export interface JournalLineRow {
  readonly entryId: number
  readonly on: Day
  readonly text: string
  readonly sourceKind: string
  readonly sourceId: number | null
  readonly accountId: number
  readonly code: string
  readonly account: string
  /** Debit is positive, credit negative. */
  readonly amount: Money
}

export interface JournalFilter {
  readonly from?: Day
  readonly to?: Day
  readonly search?: string
  readonly account?: number
  /** Only lines on the other side of cash. */
  readonly acrossCash?: boolean
}

const ORDERS: Readonly<Record<string, SQL>> = {
  entry: sql`e.id`,
  on: sql`l.on_day`,
  text: sql`plain_text(e.text)`,
  account: sql`a.code`,
  name: sql`plain_text(a.name)`,
  debit: sql`case when l.amount > 0 then l.amount end`,
  credit: sql`case when l.amount < 0 then -l.amount end`,
}

const fits = ({ from, to, search, account, acrossCash: across }: JournalFilter): SQL => sql`
  ${from ? sql`l.on_day >= ${from}` : sql`true`} and ${to ? sql`l.on_day <= ${to}` : sql`true`}
  and ${search ? matchesWords(search, [sql`e.text`, sql`a.name`]) : sql`true`}
  and ${account ? sql`l.account_id = ${account}` : sql`true`} and ${across ? acrossCash(sql`l`, { from, to }) : sql`true`}`

const FROM = sql`entry_line l join entry e on e.id = l.entry_id join account a on a.id = l.account_id`

/** Lines of entries that fit, the newest entry first where no order is asked for; the lines of an entry stay together. */
export const listJournalLines = async (
  db: Db,
  filter: JournalFilter,
  part: Part,
  currency: string,
): Promise<JournalLineRow[]> => {
  const rows = await db.execute<{
    entry_id: number
    on_day: Day
    text: string
    source_kind: string
    source_id: number | null
    account_id: number
    code: string
    account: string
    amount: string
  }>(sql`
    select e.id as entry_id, l.on_day::text, e.text, e.source_kind, e.source_id, a.id as account_id, a.code, a.name as account, l.amount::text
      from ${FROM} where ${fits(filter)}
     order by ${inOrder(ORDERS, part.order, sql`l.on_day desc, e.id desc, l.id`)} ${cutTo(part)}`)
  return rows.map((r) => ({
    entryId: r.entry_id,
    on: r.on_day,
    text: r.text,
    sourceKind: r.source_kind,
    sourceId: r.source_id,
    accountId: r.account_id,
    code: r.code,
    account: r.account,
    amount: money(BigInt(r.amount), currency),
  }))
}
