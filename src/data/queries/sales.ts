// Long, because it is all the queries of one aggregate: the sale with its lines, versions and handovers.
import { present } from '@/core/present'
import { and, asc, desc, eq, inArray, sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, money, ZERO, type Decimal, type Money } from '@/core/money'
import type { Taking } from '@/core/sale'
import type { Db } from '../connect'
import {
  customer,
  depositRequest,
  goods,
  handover,
  handoverLine,
  sale,
  saleLine,
  saleVersion,
  taxCode,
} from '../schema'
import type { GoodsKind } from './goods'
import { isOneOf, matchesPaper } from './search'

export interface SaleRow {
  readonly id: number
  readonly number: number
  readonly customerId: number
  readonly customerName: string
  readonly title: string
  readonly startedOn: Day
  readonly channel: 'counter' | 'phone' | 'shopfront'
  readonly kind: string
  readonly note: string
  readonly noteAbove: string
  readonly discountPercent: Decimal
  readonly discountAmount: Money
  readonly rolledUp: boolean
  readonly billTo: string
  readonly deliverTo: string
  readonly deliverNote: string
  readonly yesBy: string
  readonly yesHow: string
  readonly copiedFromId: number | null
  readonly arrangement: unknown
  readonly pricesIncludeTax: boolean
  readonly rateShift: Money
  readonly sentOn: Day | null
  readonly validUntil: Day | null
  readonly agreedOn: Day | null
  readonly purchaseOrder: string
  readonly wantedBy: Day | null
  readonly closedAs: 'declined' | 'cancelled' | null
  readonly closedOn: Day | null
  readonly closedReason: string
  readonly stage: string
  readonly total: Money
  readonly billed: Money
}

const mapSale = (row: { sale: typeof sale.$inferSelect; customerName: string }, currency: string): SaleRow => ({
  ...row.sale,
  customerName: row.customerName,
  startedOn: row.sale.startedOn,
  sentOn: row.sale.sentOn,
  validUntil: row.sale.validUntil,
  agreedOn: row.sale.agreedOn,
  wantedBy: row.sale.wantedBy,
  closedOn: row.sale.closedOn,
  discountPercent: decimal(row.sale.discountPercent),
  discountAmount: money(row.sale.discountAmount, currency),
  rateShift: money(row.sale.rateShift, currency),
  total: money(row.sale.total, currency),
  billed: money(row.sale.billed, currency),
})

/** Sales by id, in no order. */
export const findSales = async (db: Db, ids: readonly number[], currency: string): Promise<SaleRow[]> => {
  if (ids.length === 0) return []
  const rows = await db
    .select({ sale, customerName: customer.name })
    .from(sale)
    .innerJoin(customer, eq(customer.id, sale.customerId))
    .where(isOneOf(sale.id, ids))
  return rows.map((r) => mapSale(r, currency))
}

/** Locks a sale for the rest of the transaction: two commands on one sale come one after the other. */
export const lockSale = async (db: Db, id: number, currency: string): Promise<SaleRow | null> => {
  const [row] = await db
    .select({ sale, customerName: customer.name })
    .from(sale)
    .innerJoin(customer, eq(customer.id, sale.customerId))
    .where(eq(sale.id, id))
    .for('update', { of: sale })
  return row ? mapSale(row, currency) : null
}

export interface SaleFilter {
  readonly search?: string
  readonly stands?: string
  readonly customerId?: number
  readonly kind?: string
  readonly channel?: 'counter' | 'phone' | 'shopfront'
}

/** A stored stage is a `stands` except that an offer may have lapsed by the day asked about. */
const standsIs = (stands: string, today: Day): SQL =>
  stands === 'offered'
    ? sql`${sale.stage} = 'offered' and ${sale.validUntil} >= ${today}`
    : stands === 'lapsed'
      ? sql`${sale.stage} = 'offered' and ${sale.validUntil} < ${today}`
      : stands === 'working'
        ? sql`${sale.stage} in ('draft', 'offered', 'agreed', 'owing')`
        : sql`${sale.stage} = ${stands}`

/** Ids of sales, newest first, a page at a time. */
export const listSaleIds = async (
  db: Db,
  filter: SaleFilter,
  page: { readonly limit: number; readonly after?: number },
  today: Day,
): Promise<number[]> => {
  const rows = await db
    .select({ id: sale.id })
    .from(sale)
    .where(
      and(
        filter.customerId ? eq(sale.customerId, filter.customerId) : undefined,
        filter.stands ? standsIs(filter.stands, today) : undefined,
        filter.kind ? eq(sale.kind, filter.kind) : undefined,
        filter.channel ? eq(sale.channel, filter.channel) : undefined,
        filter.search
          ? matchesPaper(filter.search, {
              customerId: sale.customerId,
              columns: [sql`${sale.number}::text`, sale.title, sale.purchaseOrder],
            })
          : undefined,
        page.after ? sql`${sale.id} < ${page.after}` : undefined,
      ),
    )
    .orderBy(desc(sale.id))
    .limit(page.limit)
  return rows.map((r) => r.id)
}

/** How many sales stand where. */
export const countStands = async (db: Db, today: Day): Promise<Record<string, number>> => {
  const rows = await db
    .select({
      stands: sql<string>`case when ${sale.stage} = 'offered' and ${sale.validUntil} < ${today} then 'lapsed' else ${sale.stage} end`,
      count: sql<number>`count(*)::int`,
    })
    .from(sale)
    .groupBy(sql`1`)
  return Object.fromEntries(rows.map((r) => [r.stands, r.count]))
}

/** How many sales are agreed or owing: what the owner has in hand. */
export const countInHand = async (db: Db): Promise<number> => {
  const row = present(
    (
      await db
        .select({ count: sql<number>`count(*)::int` })
        .from(sale)
        .where(inArray(sale.stage, ['agreed', 'owing']))
    )[0],
  )
  return row.count
}

/** Goods of a kind, or words between them. */
export type LineKind = GoodsKind | 'heading' | 'text'

export interface SaleLineRow {
  readonly id: number
  readonly saleId: number
  readonly position: number
  readonly goodsId: number | null
  readonly code: string | null
  readonly kind: LineKind
  readonly choice: 'none' | 'optional' | 'alternative'
  readonly choiceGroup: string
  readonly chosen: boolean
  readonly description: string
  readonly note: string
  readonly quantity: Decimal
  readonly unitPrice: Decimal
  readonly priceFrom: string
  readonly discountPercent: Decimal
  /** Minor units, off the line for all of `quantity`. */
  readonly discountAmount: bigint
  /** Minor units, the line's share of what is off the whole. */
  readonly wholeLess: bigint
  readonly expectedCost: Decimal
  readonly deliverTo: string
  readonly taxCodeId: number
  readonly taxCode: string
  readonly incomeAccountId: number
  readonly agreed: Decimal
  readonly handedOver: Decimal
  readonly returned: Decimal
  readonly toReplace: Decimal
  readonly billed: Decimal
  readonly credited: Decimal
  readonly toRebill: Decimal
}

export const listSaleLines = async (db: Db, saleIds: readonly number[]): Promise<SaleLineRow[]> => {
  if (saleIds.length === 0) return []
  const rows = await db
    .select({ line: saleLine, code: goods.code, taxCode: taxCode.code })
    .from(saleLine)
    .leftJoin(goods, eq(goods.id, saleLine.goodsId))
    .innerJoin(taxCode, eq(taxCode.id, saleLine.taxCodeId))
    .where(isOneOf(saleLine.saleId, saleIds))
    .orderBy(asc(saleLine.saleId), asc(saleLine.position), asc(saleLine.id))
  return rows.map(({ line, code, taxCode: ofTax }) => ({
    ...line,
    code,
    taxCode: ofTax,
    quantity: decimal(line.quantity),
    unitPrice: decimal(line.unitPrice),
    discountPercent: decimal(line.discountPercent),
    expectedCost: decimal(line.expectedCost),
    agreed: decimal(line.agreed),
    handedOver: decimal(line.handedOver),
    returned: decimal(line.returned),
    toReplace: decimal(line.toReplace),
    billed: decimal(line.billed),
    credited: decimal(line.credited),
    toRebill: decimal(line.toRebill),
  }))
}

export const insertSale = async (db: Db, row: typeof sale.$inferInsert): Promise<number> => {
  const made = present((await db.insert(sale).values(row).returning({ id: sale.id }))[0])
  return made.id
}

export const updateSale = async (db: Db, id: number, change: Partial<typeof sale.$inferInsert>): Promise<void> => {
  await db.update(sale).set(change).where(eq(sale.id, id))
}

export const insertSaleLines = async (db: Db, rows: readonly (typeof saleLine.$inferInsert)[]): Promise<number[]> => {
  if (rows.length === 0) return []
  return (
    await db
      .insert(saleLine)
      .values([...rows])
      .returning({ id: saleLine.id })
  ).map((r) => r.id)
}

export const updateSaleLine = async (
  db: Db,
  id: number,
  change: Partial<typeof saleLine.$inferInsert>,
): Promise<void> => {
  await db.update(saleLine).set(change).where(eq(saleLine.id, id))
}

/** Writes the lines' shares of what is off the whole. */
export const setWholeLess = async (
  db: Db,
  shares: readonly { readonly lineId: number; readonly wholeLess: bigint }[],
): Promise<void> => {
  if (shares.length === 0) return
  const rows = shares.map((s) => sql`(${s.lineId}::int, ${s.wholeLess}::bigint)`)
  await db.execute(
    sql`update sale_line l set whole_less = s.less from (values ${sql.join(rows, sql`, `)}) s (id, less) where l.id = s.id`,
  )
}

export const deleteSaleLines = async (db: Db, ids: readonly number[]): Promise<void> => {
  if (ids.length > 0) await db.delete(saleLine).where(isOneOf(saleLine.id, ids))
}

/** What a customer's agreed sales will come to when they are billed, and what they owe already, less what is held for them. */
export const sumCommitted = async (db: Db, customerId: number, currency: string): Promise<Money> => {
  const row = present(
    (
      await db.execute<{ minor: string }>(sql`
    select (coalesce((select sum(greatest(total - billed, 0)) from sale where customer_id = ${customerId} and stage = 'agreed'), 0)
          + coalesce((select sum(amount - filled) from due where customer_id = ${customerId} and filled < amount), 0)
          - coalesce((select sum(amount) from held where customer_id = ${customerId}), 0))::text as minor`)
    )[0],
  )
  return money(BigInt(row.minor), currency)
}

/** Every time a customer took goods, in the order it happened: agreed sales not called off, the last two thousand lines. */
export const listTakings = async (db: Db, customerId: number): Promise<Taking[]> => {
  const rows = await db
    .select({
      goodsId: saleLine.goodsId,
      on: sale.agreedOn,
      quantity: saleLine.agreed,
      unitPrice: saleLine.unitPrice,
    })
    .from(saleLine)
    .innerJoin(sale, eq(sale.id, saleLine.saleId))
    .where(
      and(
        eq(sale.customerId, customerId),
        sql`${sale.agreedOn} is not null and ${sale.closedAs} is null and ${saleLine.goodsId} is not null and ${saleLine.agreed} > 0`,
      ),
    )
    .orderBy(desc(sale.id))
    .limit(2000)
  return rows.reverse().map((r) => ({
    goodsId: present(r.goodsId),
    on: present(r.on),
    quantity: decimal(r.quantity),
    unitPrice: decimal(r.unitPrice),
  }))
}

type Tally = 'handedOver' | 'returned' | 'toReplace' | 'billed' | 'credited' | 'toRebill'

/** Adds to the sums of lines. The table's checks refuse what would pass the agreed quantity. */
export const addToLines = async (
  db: Db,
  added: readonly { readonly lineId: number; readonly by: Partial<Record<Tally, Decimal>> }[],
): Promise<void> => {
  if (added.length === 0) return
  const rows = added.map(({ lineId, by }) => {
    const of = (tally: Tally) => sql`${(by[tally] ?? ZERO).toFixed(4)}::numeric`
    return sql`(${lineId}::int, ${of('handedOver')}, ${of('returned')}, ${of('toReplace')}, ${of('billed')}, ${of('credited')}, ${of('toRebill')})`
  })
  await db.execute(sql`
    update sale_line l set handed_over = l.handed_over + a.handed_over, returned = l.returned + a.returned, to_replace = l.to_replace + a.to_replace,
           billed = l.billed + a.billed, credited = l.credited + a.credited, to_rebill = l.to_rebill + a.to_rebill
      from (values ${sql.join(rows, sql`, `)}) a (id, handed_over, returned, to_replace, billed, credited, to_rebill)
     where l.id = a.id`)
}

export const insertVersion = async (db: Db, row: Omit<typeof saleVersion.$inferInsert, 'n'>): Promise<void> => {
  const n = sql`(select coalesce(max(n), 0) + 1 from sale_version where sale_id = ${row.saleId})`
  await db.insert(saleVersion).values({ ...row, n: n as unknown as number })
}

export const listVersions = (db: Db, saleId: number) =>
  db.select().from(saleVersion).where(eq(saleVersion.saleId, saleId)).orderBy(asc(saleVersion.n))

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

export const listHandovers = async (db: Db, saleIds: readonly number[], currency: string): Promise<HandoverRow[]> => {
  if (saleIds.length === 0) return []
  const rows = await db
    .select({ handover, line: handoverLine })
    .from(handover)
    .innerJoin(handoverLine, eq(handoverLine.handoverId, handover.id))
    .where(isOneOf(handover.saleId, saleIds))
    .orderBy(asc(handover.id), asc(handoverLine.id))
  const papers = new Map<number, HandoverRow & { lines: HandoverRow['lines'][number][] }>()
  for (const { handover: h, line } of rows) {
    const paper = papers.get(h.id) ?? {
      id: h.id,
      saleId: h.saleId,
      number: h.number,
      direction: h.direction,
      on: h.onDay,
      by: h.by,
      returnsId: h.returnsId,
      reason: h.reason,
      entryId: h.entryId,
      lines: [] as HandoverRow['lines'][number][],
    }
    paper.lines.push({
      saleLineId: line.saleLineId,
      quantity: decimal(line.quantity),
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

/** An id for a paper that must be known before its entry is posted, while the paper itself may not change after. */
export const reserveId = async (
  db: Db,
  table:
    | 'handover'
    | 'receipt'
    | 'refund'
    | 'stock_count'
    | 'plan'
    | 'extra_charge'
    | 'write_off'
    | 'held_transfer'
    | 'drawer_move'
    | 'drawer_count'
    | 'banking_slip'
    | 'card_settlement',
): Promise<number> => {
  const row = present(
    (await db.execute<{ id: number }>(sql`select nextval(pg_get_serial_sequence(${table}, 'id'))::int as id`))[0],
  )
  return row.id
}

export const listDepositRequests = async (db: Db, saleIds: readonly number[], currency: string) => {
  if (saleIds.length === 0) return []
  const rows = await db
    .select()
    .from(depositRequest)
    .where(isOneOf(depositRequest.saleId, saleIds))
    .orderBy(asc(depositRequest.id))
  return rows.map((r) => ({
    id: r.id,
    number: r.number,
    saleId: r.saleId,
    on: r.onDay,
    percent: r.percent,
    amount: money(r.amount, currency),
  }))
}

export const findDepositRequest = async (db: Db, id: number, currency: string) => {
  const [row] = await db.select().from(depositRequest).where(eq(depositRequest.id, id))
  return row ? { ...row, on: row.onDay, amount: money(row.amount, currency) } : null
}

export const insertDepositRequest = async (db: Db, row: typeof depositRequest.$inferInsert): Promise<number> => {
  const made = present((await db.insert(depositRequest).values(row).returning({ id: depositRequest.id }))[0])
  return made.id
}

export interface SaleSums {
  /** Invoices less credit notes. */
  readonly billed: Money
  /** Credited and not to be billed again. */
  readonly creditedForGood: Money
  readonly open: Money
  /** Owed beyond what was billed: charges, less discounts, charges given back and debts written off. */
  readonly beyond: Money
  readonly held: Money
}

/** The money of one sale, summed over its papers. */
export const sumSale = async (db: Db, saleId: number, currency: string): Promise<SaleSums> => {
  const row = present(
    (
      await db.execute<Record<keyof SaleSums, string>>(sql`
    select (select coalesce(sum(case when kind = 'credit-note' then -gross else gross end), 0) from invoice where sale_id = ${saleId} and status = 'issued')::text as billed,
           (select coalesce(sum(l.net + l.tax), 0) from invoice i join invoice_line l on l.invoice_id = i.id
             where i.sale_id = ${saleId} and i.kind = 'credit-note' and i.status = 'issued' and not l.rebill)::text as "creditedForGood",
           (select coalesce(sum(amount - filled), 0) from due where sale_id = ${saleId})::text as open,
           ((select coalesce(sum(beyond), 0) from due where sale_id = ${saleId})
             - (select coalesce(sum(f.amount), 0) from due_fill f join due d on d.id = f.due_id
                 where d.sale_id = ${saleId} and f.kind in ('discount', 'given-back', 'write-off')))::text as beyond,
           (select coalesce(sum(amount), 0) from held where sale_id = ${saleId})::text as held`)
    )[0],
  )
  const amount = (text: string): Money => money(BigInt(text), currency)
  return {
    billed: amount(row.billed),
    creditedForGood: amount(row.creditedForGood),
    open: amount(row.open),
    beyond: amount(row.beyond),
    held: amount(row.held),
  }
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
    id: h.id,
    number: h.number,
    direction: h.direction,
    on: h.onDay,
    by: h.by,
    returnsId: h.returnsId,
    reason: h.reason,
    saleId: h.saleId,
    saleNumber: first.saleNumber,
    customer: first.customer,
    lines: rows.map((r) => ({
      id: r.line.id,
      saleLineId: r.line.saleLineId,
      description: r.description,
      quantity: decimal(r.line.quantity),
      cost: money(r.line.cost, currency),
    })),
  }
}

/** Agreed layaways that are not handed over, given up or cancelled. */
export const listLayawayIds = async (db: Db, customerId?: number): Promise<number[]> =>
  (
    await db.execute<{ id: number }>(
      sql`select id from sale where stage = 'agreed' and arrangement ->> 'kind' = 'layaway' ${customerId === undefined ? sql`` : sql`and customer_id = ${customerId}`} order by id`,
    )
  ).map((r) => r.id)

/** Sales of a customer that money can be held for. */
export const listOpenSales = async (db: Db, customerId: number, limit: number) =>
  (
    await db.execute<{ id: number; number: number; title: string }>(
      sql`select id, number, title from sale where customer_id = ${customerId} and closed_as is null and stage in ('draft', 'offered', 'agreed') order by id desc limit ${limit}`,
    )
  ).map((r) => ({ id: r.id, number: r.number, title: r.title }))

/** Orders from the shopfront that nobody agreed to yet: those begun on a day, and those of one address among them. */
export const countShopOrders = async (
  db: Db,
  email: string,
  on: Day,
): Promise<{ readonly today: number; readonly fromAddress: number }> => {
  const row = present(
    (
      await db.execute<{ today: number; from_address: number }>(sql`
    select count(*)::int as today, (count(*) filter (where lower(b.email) = lower(${email}) and b.email <> ''))::int as from_address
      from sale s join basket b on b.sale_id = s.id where s.channel = 'shopfront' and s.started_on = ${on} and s.agreed_on is null and s.closed_as is null`)
    )[0],
  )
  return { today: row.today, fromAddress: row.from_address }
}
