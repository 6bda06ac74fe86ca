import { sql } from 'drizzle-orm'
import { decimal } from '@/core/money'
import type { Waiting } from '@/core/stock'
import type { Day } from '@/core/day'
import type { Db } from '../connect'
import { isAsUsual } from './saleLine'
import { isOneOf } from './search'

/**
 * What the lines of ordered sales still wait for, kits as their parts, and before them as assembled kits where any lie: the rows
 * of `wanted`, with the thing, how many, and by what they are put in the order in which goods are set aside.
 */
const wanted = sql`
  line as (
    select l.id as line_id, l.position, l.goods_id, l.kind, s.id as sale_id, s.number as sale_number, s.customer_id, s.agreed_on,
           s.wanted_by, l.aside_turn, l.agreed - l.handed_over + l.to_replace as waiting,
           least(l.came_for, l.agreed - l.handed_over + l.to_replace) as came_for,
           l.handed_over - l.returned + case when l.kind = 'kit' then coalesce(
             (select sum(m.quantity) from stock_move m where m.sale_line_id = l.id and m.goods_id = l.goods_id), 0) else 0 end as whole
      from sale_line l join sale s on s.id = l.sale_id
     where l.agreed > l.handed_over - l.to_replace and s.stage = 'agreed' and l.goods_id is not null
  ), part as (
    select line.*, p.goods_id as part_id, p.quantity as per_kit, greatest(line.whole * -p.quantity - coalesce(
             (select sum(m.quantity) from stock_move m where m.sale_line_id = line.line_id and m.goods_id = p.goods_id), 0), 0) as ahead
      from line join sale_line_part p on p.line_id = line.line_id where kind = 'kit'
  ), asked as (
    select line.*, goods_id as thing, came_for as units, null::numeric as per_kit, false as is_kit, true as came
      from line where kind = 'stock'
    union all
    select line.*, goods_id, waiting - came_for, null, false, false from line where kind = 'stock'
    union all
    select line.*, goods_id, waiting - coalesce((select max(ceil(p.ahead / p.per_kit)) from part p where p.line_id = line.line_id), 0),
           null, true, false
      from line where kind = 'kit' and exists (select from shelf h where h.goods_id = line.goods_id and h.quantity > 0) and ${isAsUsual}
    union all
    select line_id, position, goods_id, kind, sale_id, sale_number, customer_id, agreed_on, wanted_by, aside_turn, waiting, came_for,
           whole, part_id, waiting * per_kit - ahead, per_kit, false, false
      from part
  ), wanted as (select * from asked where units > 0)`
/** What came for a line first, then those that the owner set aside by hand, those last that were released; else the oldest agreement first. */
const inTurn = sql`order by w.came desc, case w.aside_turn when 'first' then 0 when 'in turn' then 1 else 2 end, w.agreed_on, w.sale_id, w.position, w.line_id, w.per_kit nulls first`

const fields = sql`w.line_id, w.thing, w.units::text, w.per_kit::text, w.is_kit`
interface WaitingFields extends Record<string, unknown> {
  line_id: number
  thing: number
  units: string
  per_kit: string | null
  is_kit: boolean
}
const asWaiting = (r: WaitingFields): Waiting => ({
  lineId: r.line_id,
  goodsId: r.thing,
  waiting: decimal(r.units),
  perKit: r.per_kit === null ? null : decimal(r.per_kit),
  isKit: r.is_kit,
})

/** Lines that wait for some goods, or for assembled kits, in the order in which goods are set aside. */
export const listWaiting = async (db: Db, goodsIds: readonly number[]): Promise<Waiting[]> => {
  if (goodsIds.length === 0) return []
  const rows = await db.execute<WaitingFields>(sql`
    with ${wanted} select ${fields} from wanted w
     where w.is_kit or ${isOneOf(sql`w.thing`, [...new Set(goodsIds)])} ${inTurn}`)
  return rows.map(asWaiting)
}

/** A line that waits, and whose sale it is of. */
export interface WaitingOfSale extends Waiting {
  readonly saleId: number
}

/** Everything that waits for goods, in the order in which goods are set aside. */
export const listAllWaiting = async (db: Db): Promise<WaitingOfSale[]> => {
  const rows = await db.execute<WaitingFields & { sale_id: number }>(sql`
    with ${wanted} select ${fields}, w.sale_id from wanted w ${inTurn}`)
  return rows.map((r) => ({ ...asWaiting(r), saleId: r.sale_id }))
}

/** The same with what the sale is called and the customer who waits: since when, and for when it is wanted. */
export interface WaitingFor extends WaitingOfSale {
  readonly saleNumber: number
  readonly customer: string
  readonly goods: string
  readonly since: Day
  readonly wantedBy: Day | null
}

/** Everything that waits for goods, with who waits for it. */
export const listAllWaitingFor = async (db: Db): Promise<WaitingFor[]> => {
  const rows = await db.execute<
    WaitingFields &
      Record<'sale_id' | 'sale_number', number> &
      Record<'customer' | 'goods', string> & {
        since: Day
        wanted_by: Day | null
      }
  >(sql`
    with ${wanted}
    select ${fields}, w.sale_id, w.sale_number, w.agreed_on::text as since, w.wanted_by::text as wanted_by,
           c.name as customer, g.name as goods
      from wanted w join goods g on g.id = w.thing join customer c on c.id = w.customer_id ${inTurn}`)
  return rows.map((r) => ({
    ...asWaiting(r),
    saleId: r.sale_id,
    saleNumber: r.sale_number,
    customer: r.customer,
    goods: r.goods,
    since: r.since,
    wantedBy: r.wanted_by,
  }))
}
