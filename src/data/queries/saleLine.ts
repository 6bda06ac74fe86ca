import type { AsideTurn, Track } from '@/core/kinds'
import type { GoodsKind } from './goods'
import { type Decimal, ZERO } from '@/core/money'
import { builtForIds } from '../builtOnce'
import type { Db } from '../connect'
import { saleLine, saleLinePart, goods, taxCode, sale } from '../schema'
import { eq, asc, sql, and, desc, getTableColumns } from 'drizzle-orm'
import { columnName } from './columnName'
import { isOneOf } from './search'
import type { LineTally, Taking } from '@/core/sale'
import { present } from '@/core/present'

/** Goods of a kind, or words between them. */
export type LineKind = GoodsKind | 'heading' | 'text'

export interface SaleLineRow extends LineTally {
  readonly id: number
  readonly saleId: number
  readonly position: number
  readonly goodsId: number | null
  readonly code: string | null
  /** How its pieces are told apart; null where it is no goods. */
  readonly track: Track | null
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
  readonly asideTurn: AsideTurn
  /** How many came from a supplier for it and did not go yet. */
  readonly cameFor: Decimal
  readonly deliverTo: string
  readonly taxCodeId: number
  readonly taxCode: string
  readonly incomeAccountId: number
}

const linesOf = builtForIds((db, saleIds) =>
  db
    .select({ line: saleLine, code: goods.code, track: goods.track, taxCode: taxCode.code })
    .from(saleLine)
    .leftJoin(goods, eq(goods.id, saleLine.goodsId))
    .innerJoin(taxCode, eq(taxCode.id, saleLine.taxCodeId))
    .where(isOneOf(saleLine.saleId, saleIds))
    .orderBy(asc(saleLine.saleId), asc(saleLine.position), asc(saleLine.id)),
)
export const listSaleLines = async (db: Db, saleIds: readonly number[]): Promise<SaleLineRow[]> =>
  (await linesOf(db, saleIds)).map(({ line, ...named }) => ({ ...line, ...named }))

/** Lines by their ids: which goods, and of which sale. */
export const findSaleLines = (db: Db, ids: readonly number[]) => linesByIds(db, [...new Set(ids)])

const linesByIds = builtForIds((db, ids) =>
  db
    .select({ id: saleLine.id, saleId: saleLine.saleId, goodsId: saleLine.goodsId })
    .from(saleLine)
    .where(isOneOf(saleLine.id, ids)),
)

/** So many came from a supplier for a line: they are set aside for it before anybody waits. */
export const addCameFor = async (db: Db, lineId: number, quantity: Decimal): Promise<void> => {
  await db.execute(sql`update sale_line set came_for = came_for + ${quantity.toFixed(4)}::numeric where id = ${lineId}`)
}

/** So many that came for a line went back to the supplier: they are not set aside for it any more. */
export const takeCameFor = async (db: Db, lineId: number, quantity: Decimal): Promise<void> => {
  await db.execute(
    sql`update sale_line set came_for = greatest(came_for - ${quantity.toFixed(4)}::numeric, 0) where id = ${lineId}`,
  )
}

export const insertSaleLines = async (db: Db, rows: readonly (typeof saleLine.$inferInsert)[]): Promise<number[]> => {
  if (rows.length === 0) return []
  const made = await db
    .insert(saleLine)
    .values([...rows])
    .returning({ id: saleLine.id })
  const ids = made.map((r) => r.id)
  if (rows.some((r) => r.kind === 'kit')) await writeLineParts(db, ids)
  return ids
}

/** Kits' lines are made of what their goods say now. */
const writeLineParts = async (db: Db, lineIds: readonly number[]): Promise<void> => {
  await db.execute(sql`
    insert into sale_line_part (line_id, goods_id, quantity)
    select l.id, p.part_id, p.quantity from sale_line l join goods_part p on p.kit_id = l.goods_id
     where l.kind = 'kit' and ${isOneOf(sql`l.id`, lineIds)}`)
}

/** Lines of other goods than before are made of what these are made of. */
export const remakeLineParts = async (db: Db, lineIds: readonly number[]): Promise<void> => {
  if (lineIds.length === 0) return
  await db.delete(saleLinePart).where(isOneOf(saleLinePart.lineId, lineIds))
  await writeLineParts(db, lineIds)
}

type LineFields = Partial<typeof saleLine.$inferInsert>
/** What becomes of one line. */
export interface LineChange {
  readonly id: number
  readonly change: LineFields
}

export const updateSaleLine = async (db: Db, id: number, change: LineFields): Promise<void> => {
  await db.update(saleLine).set(change).where(eq(saleLine.id, id))
}

/** Changes each line in its own way, all in one statement. Every change says the same fields. */
export const updateSaleLines = async (db: Db, lines: readonly LineChange[]): Promise<void> => {
  const [first] = lines
  if (!first) return
  const changed = Object.entries(getTableColumns(saleLine)).filter(([field]) => field in first.change)
  const rows = lines.map(({ id, change }) => {
    const values = new Map<string, unknown>(Object.entries(change))
    const to = changed.map(([field, column]) => {
      const value = values.get(field)
      return [columnName(field), value === null ? null : column.mapToDriverValue(value)] as const
    })
    return { id, to: Object.fromEntries(to) }
  })
  const fields = sql.join(
    changed.map(([field]) => sql.identifier(columnName(field))),
    sql`, `,
  )
  const asText = JSON.stringify(rows, (_, value: unknown) => (typeof value === 'bigint' ? value.toString() : value))
  await db.execute(sql`
    update sale_line l
       set (${fields}) = (select ${fields} from jsonb_populate_record(l, s.change -> 'to'))
      from jsonb_array_elements(${asText}::text::jsonb) s (change)
     where l.id = (s.change ->> 'id')::int`)
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

/** Goods are set aside for lines in another turn from now on. */
export const setAsideTurn = async (db: Db, ids: readonly number[], asideTurn: AsideTurn): Promise<void> => {
  if (ids.length > 0) await db.update(saleLine).set({ asideTurn }).where(isOneOf(saleLine.id, ids))
}

export const deleteSaleLines = async (db: Db, ids: readonly number[]): Promise<void> => {
  if (ids.length > 0) await db.delete(saleLine).where(isOneOf(saleLine.id, ids))
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
    quantity: r.quantity,
    unitPrice: r.unitPrice,
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
           billed = l.billed + a.billed, credited = l.credited + a.credited, to_rebill = l.to_rebill + a.to_rebill,
           came_for = greatest(l.came_for - a.handed_over, 0)
      from (values ${sql.join(rows, sql`, `)}) a (id, handed_over, returned, to_replace, billed, credited, to_rebill)
     where l.id = a.id`)
}

/** A part of a kit's line: how many of it one kit takes. */
export interface LinePart {
  readonly lineId: number
  readonly goodsId: number
  readonly quantity: Decimal
}

/** What kits' lines are made of. */
export const listLineParts = async (db: Db, lineIds: readonly number[]): Promise<LinePart[]> =>
  lineIds.length === 0
    ? []
    : db
        .select()
        .from(saleLinePart)
        .where(isOneOf(saleLinePart.lineId, lineIds))
        .orderBy(asc(saleLinePart.lineId), asc(saleLinePart.goodsId))

/** Another part stands in for one of a kit's line. */
export const replaceLinePart = async (db: Db, lineId: number, before: number, now: Omit<LinePart, 'lineId'>) => {
  await db.delete(saleLinePart).where(and(eq(saleLinePart.lineId, lineId), eq(saleLinePart.goodsId, before)))
  await db.insert(saleLinePart).values({ lineId, ...now })
}

/** Whether a kit's line is made of the same as its goods are now; `line` has its `line_id` and `goods_id`. */
export const isAsUsual = sql`
  (select array_agg((p.goods_id, p.quantity)::text order by p.goods_id) from sale_line_part p where p.line_id = line.line_id)
  = (select array_agg((g.part_id, g.quantity)::text order by g.part_id) from goods_part g where g.kit_id = line.goods_id)`

/** Those of kits' lines that are made as their goods are now. */
export const listLinesAsUsual = async (db: Db, lineIds: readonly number[]): Promise<ReadonlySet<number>> => {
  if (lineIds.length === 0) return new Set()
  const rows = await db.execute<{ line_id: number }>(sql`
    select line_id from (select id as line_id, goods_id from sale_line where ${isOneOf(sql`id`, lineIds)}) line where ${isAsUsual}`)
  return new Set(rows.map((r) => r.line_id))
}
