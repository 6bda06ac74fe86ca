import { sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { PurchaseStatus } from '@/core/kinds'
import { money, type Money } from '@/core/money'
import { present } from '@/core/present'
import type { Db } from '../connect'
import { cutTo, inOrder, type Part } from './inOrder'

/** Papers of buying that fit a list: those of its page in their order, how many there are, and what all of them come to by column. */
export interface FoundPapers {
  readonly ids: readonly number[]
  readonly count: number
  readonly sums: Readonly<Record<string, Money>>
}

interface Wish {
  /** Papers under the name `p`, joined with what they are sorted and summed by. */
  readonly from: SQL
  readonly where: SQL
  readonly orders: Readonly<Record<string, SQL>>
  readonly sums: Readonly<Record<string, SQL>>
  /** The same count and sums where there is a shorter way to them. */
  readonly totals?: SQL
}

const findPapers = async (db: Db, wish: Wish, part: Part, currency: string): Promise<FoundPapers> => {
  const sums = Object.entries<SQL>(wish.sums).map(
    ([name, of]) => sql`coalesce(sum(${of}), 0)::bigint::text as ${sql.identifier(name)}`,
  )
  const [rows, totals] = await Promise.all([
    db.execute<{ id: number }>(sql`
      select p.id ${wish.from} where ${wish.where} order by ${inOrder(wish.orders, part.order, sql`p.id desc`)} ${cutTo(part)}`),
    db.execute<Record<string, string>>(
      wish.totals ??
        sql`select ${sql.join([sql`count(*)::text as count`, ...sums], sql`, `)} ${wish.from} where ${wish.where}`,
    ),
  ])
  const { count, ...total } = present(totals[0])
  return {
    ids: rows.map((r) => r.id),
    count: Number(count),
    sums: Object.fromEntries(Object.entries(total).map(([name, sum]) => [name, money(BigInt(sum), currency)])),
  }
}

const ofSupplier = (id: number | undefined): SQL => (id === undefined ? sql`true` : sql`p.supplier_id = ${id}`)
const SUPPLIER = sql`join supplier s on s.id = p.supplier_id`
const NAMED = { number: sql`p.number`, supplier: sql`plain_text(s.name)`, on: sql`p.on_day` }

/** How far an order is, as the core says it: held against it by a test. */
const STATUS = sql`case when p.closed_on is not null then 'closed' when l.goods > 0 and l.whole then 'received' when l.came then 'received in part'
                        when p.sent_on is not null then 'sent' else 'draft' end`

/** Orders to suppliers that fit, the newest first where no order is asked for. */
export const findOrders = (
  db: Db,
  of: { readonly status?: PurchaseStatus; readonly supplierId?: number },
  part: Part,
  currency: string,
): Promise<FoundPapers> => {
  const ofOrder =
    of.supplierId === undefined
      ? sql`true`
      : sql`l.order_id in (select id from purchase_order where supplier_id = ${of.supplierId})`
  return findPapers(
    db,
    {
      from: sql`from purchase_order p ${SUPPLIER} left join lateral (
        select coalesce(sum(net), 0) as net, count(goods_id) as goods,
               coalesce(bool_and(received >= quantity) filter (where goods_id is not null), false) as whole,
               coalesce(bool_or(received > 0) filter (where goods_id is not null), false) as came,
               (array_agg(description order by position, id))[1] as what
          from purchase_order_line where order_id = p.id and quantity > 0) l on true`,
      where: sql`${ofSupplier(of.supplierId)} and ${of.status === undefined ? sql`true` : sql`${STATUS} = ${of.status}`}`,
      orders: { ...NAMED, what: sql`plain_text(l.what)`, wantedBy: sql`p.wanted_by`, net: sql`l.net`, status: STATUS },
      sums: { net: sql`l.net` },
      // However far they are, it is all their lines.
      ...(of.status === undefined && {
        totals: sql`
          select (select count(*) from purchase_order p where ${ofSupplier(of.supplierId)})::text as count,
                 (select coalesce(sum(net), 0) from purchase_order_line l
                   where l.quantity > 0 and ${ofOrder})::bigint::text as net`,
      }),
    },
    part,
    currency,
  )
}

/** Receipts of goods that fit, the newest first where no order is asked for. */
export const findReceived = (
  db: Db,
  of: { readonly supplierId?: number },
  part: Part,
  currency: string,
): Promise<FoundPapers> =>
  findPapers(
    db,
    {
      from: sql`from goods_received p ${SUPPLIER} left join lateral (
        select sum(value) as value, sum(greatest(value - billed_value - returned_value + credited_value, 0)) as not_billed,
               min(goods_id) as goods_id
          from goods_received_line where received_id = p.id) l on true left join goods g on g.id = l.goods_id`,
      where: ofSupplier(of.supplierId),
      orders: { ...NAMED, what: sql`plain_text(g.name)`, value: sql`l.value`, notBilled: sql`nullif(l.not_billed, 0)` },
      sums: { value: sql`l.value`, notBilled: sql`l.not_billed` },
    },
    part,
    currency,
  )

const OPEN_BILL = sql`case when p.voided_on is null then p.gross - p.filled else 0 end`
/** Papers of a supplier, and of a span of days. */
export interface OfSupplier {
  readonly supplierId?: number
  readonly from?: Day
  readonly to?: Day
}
const within = ({ supplierId, from, to }: OfSupplier): SQL => sql`${ofSupplier(supplierId)}
  and ${from ? sql`p.on_day >= ${from}` : sql`true`} and ${to ? sql`p.on_day <= ${to}` : sql`true`}`

const GROSS = sql`case when p.voided_on is null then p.gross else 0 end`

/** Suppliers' bills that fit, the newest first where no order is asked for. */
export const findBills = (
  db: Db,
  of: OfSupplier & { readonly show?: 'open' | 'late' },
  part: Part,
  { today, currency }: { readonly today: Day; readonly currency: string },
): Promise<FoundPapers> =>
  findPapers(
    db,
    {
      from: sql`from bill p ${SUPPLIER}`,
      where: sql`${within(of)} and ${of.show === undefined ? sql`true` : sql`p.filled < p.gross and p.voided_on is null`}
                 and ${of.show === 'late' ? sql`p.due_on < ${today}` : sql`true`}`,
      orders: {
        ...NAMED,
        theirNumber: sql`plain_text(p.their_number)`,
        dueOn: sql`p.due_on`,
        gross: GROSS,
        open: sql`nullif(${OPEN_BILL}, 0)`,
        state: sql`case when p.voided_on is not null then 'Void' when p.filled < p.gross then 'Unpaid' else 'Paid' end`,
      },
      sums: { gross: GROSS, open: OPEN_BILL },
    },
    // Papers may be dated in any order: the latest of them stand first.
    { ...part, order: part.order ?? { by: 'on', down: true } },
    currency,
  )

const PAID = sql`case when p.voided_on is null then p.amount else 0 end`

/** Payments to suppliers that fit, the newest first where no order is asked for. */
export const findPayments = (db: Db, of: OfSupplier, part: Part, currency: string): Promise<FoundPapers> =>
  findPapers(
    db,
    {
      from: sql`from supplier_payment p ${SUPPLIER} join account a on a.id = p.account_id`,
      where: within(of),
      orders: {
        ...NAMED,
        account: sql`plain_text(a.name)`,
        amount: PAID,
        state: sql`case when p.voided_on is not null then 'Void' else 'Paid' end`,
      },
      sums: { amount: PAID },
    },
    part,
    currency,
  )
