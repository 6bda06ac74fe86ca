import { refuse, refuseAt } from '@/contract/refuse'
import type { LotInput } from '@/contract/pieces'
import { present } from '@/core/present'
import type { Day } from '@/core/day'
import { addMoney, decimal, money, negateMoney, zeroMoney, ZERO, type Decimal, type Money } from '@/core/money'
import { poolOf, unitCost, valueAt, type Batch, type Shelf } from '@/core/stock'
import { findSerial, insertBatch, listLife, listLot } from '@/data/queries/batch'
import type { Goods } from '@/data/queries/goods'
import { listLastCosts } from '@/data/queries/lastCosts'
import type { MoveRow } from '@/data/queries/stock'
import { readUnitCosts } from '@/model/goods/unitCosts'
import type { Work } from '../command'
import { planLeaving } from './planLeaving'
import { wentWith } from './refusePiece'
import { stockOn, type Stock } from './stockOn'

/** So many more or fewer of a thing in a place. */
export interface StockChange {
  readonly goods: Goods
  /** Left out of what leaves: from where picking proposes. */
  readonly placeId?: number
  readonly change: Decimal
  readonly lot?: LotInput
  readonly serials?: readonly string[]
  /** What one of those that came cost; where nothing is said, the average of that day, else what the last one cost. */
  readonly unitCost?: Decimal
}

/** What changes by a count or an adjustment: what left costs what it cost, what came is worth what is said, else as what lies there. */
export const changeStock = async (
  w: Work,
  changes: readonly StockChange[],
  { on, counted }: { readonly on: Day; readonly counted?: boolean },
): Promise<readonly MoveRow[]> => {
  // All of them are locked at once, in one order, so that two hands never wait for each other.
  const stock = await stockOn(
    w,
    changes.map((c) => c.goods),
    on,
  )
  const { moves: left } = await planLeaving(
    w,
    changes
      .filter((c) => c.change.lt(0))
      .map(({ goods, change, placeId, lot, serials }) => {
        const quantity = change.neg()
        return { goods, quantity, from: [{ placeId, lot: lot?.code, serials, quantity }] }
      }),
    { on, counted },
  )
  const came: MoveRow[] = []
  for (const change of changes.filter((c) => c.change.gt(0))) came.push(...(await arrive(w, stock, change, on)))
  return [...left, ...came]
}

/** Pieces that come in, each serial for itself. */
export const arrive = async (w: Work, stock: Stock, came: StockChange, on: Day): Promise<readonly MoveRow[]> => {
  const { goods, placeId, change, lot, unitCost: given } = came
  const each = given ?? (await costOfFound(w, stock, goods))
  const at = { goodsId: goods.id, placeId: present(placeId), on }
  if (goods.track !== 'serial') {
    const batch = await batchFor(w, goods, lot, on)
    return [{ ...at, batchId: batch?.id ?? null, quantity: change, value: valueAt(each, change, w.currency) }]
  }
  const moves: MoveRow[] = []
  for (const serial of came.serials ?? []) {
    const { batch, cost } = await serialFor(w, goods, serial, on)
    const value = given || !cost ? valueAt(each, decimal(1), w.currency) : cost
    moves.push({ ...at, batchId: batch.id, quantity: decimal(1), value })
  }
  return moves
}

/** What one of a thing costs that is found: the average of that day, wherever it lay; where none did, what the last one cost. */
const costOfFound = async (w: Work, stock: Stock, goods: Goods): Promise<Decimal> => {
  const keys = new Set(stock.piles.filter((p) => p.goodsId === goods.id).map((p) => poolOf(goods.costing, p)))
  const lying = [...keys].reduce<Shelf>(
    (sum, key) => {
      const shelf = stock.pools.get(key)?.shelf
      return shelf ? { quantity: sum.quantity.plus(shelf.quantity), value: addMoney(sum.value, shelf.value) } : sum
    },
    { quantity: ZERO, value: zeroMoney(w.currency) },
  )
  if (lying.quantity.gt(0)) return unitCost(lying)
  const last = (await listLastCosts(w.tx, [goods.id], stock.on, w.currency)).get(goods.id)
  // A kit of which none was ever there is worth its parts.
  return last ?? (await readUnitCosts(w.tx, [goods], w))(goods.id)
}

/** The lot or layer in which pieces come in; null where they are not told apart. */
export const batchFor = async (w: Work, goods: Goods, lot: LotInput | undefined, on: Day): Promise<Batch | null> => {
  if (goods.track === 'none')
    return goods.costing === 'average'
      ? null
      : insertBatch(w.tx, { goodsId: goods.id, lot: null, expires: null, serial: null, cameOn: on })
  const code = lot?.code ?? ''
  const [before] = await listLot(w.tx, goods.id, code)
  if (before && lot?.expires && lot.expires !== before.expires)
    refuse({ code: 'lot-expires', lot: code, expires: before.expires })
  if (before && goods.costing === 'average') return before
  const expires = before?.expires ?? lot?.expires ?? null
  return insertBatch(w.tx, { goodsId: goods.id, lot: before?.lot ?? code, expires, serial: null, cameOn: on })
}

/** The batch of a serial that comes in, and what it cost when it was here before. */
const serialFor = async (
  w: Work,
  goods: Goods,
  serial: string,
  on: Day,
): Promise<{ readonly batch: Batch; readonly cost: Money | null }> => {
  const before = await findSerial(w.tx, goods.id, serial)
  if (!before)
    return {
      batch: await insertBatch(w.tx, { goodsId: goods.id, lot: null, expires: null, serial, cameOn: on }),
      cost: null,
    }
  // What only gave it another worth did not move it.
  const last = (await listLife(w.tx, [before.id])).findLast((l) => !l.quantity.eq(0))
  if (last?.quantity.gt(0)) refuse({ code: 'serial-there', serial, place: last.place })
  if (last?.customer) refuse({ code: 'serial-gone', serial, with: wentWith(last), on: last.on })
  if (last && last.on > on) refuse({ code: 'not-before', from: last.on, what: `Serial ${serial} left only later.` })
  return { batch: before, cost: last ? negateMoney(money(last.value, w.currency)) : null }
}

/** The goods of a line say how they are told apart; the line must say it too. `path` is the line's. */
export const mustNamePieces = (
  goods: Goods,
  line: { readonly lot?: LotInput; readonly serials?: readonly string[] },
  path: string,
): void => {
  const wrong = (field: string, message: string): never => refuseAt(`${path}.${field}`, message)
  if (goods.track === 'lot' && !line.lot) wrong('lot', `${goods.name} is tracked by lot. Say which lot.`)
  if (goods.track === 'serial' && !line.serials?.length)
    wrong('serials', `${goods.name} is tracked by serial. Say which ones.`)
  mustNotNamePieces(goods, line, path)
}

/** Neither a lot nor a serial where there are none. */
export const mustNotNamePieces = (
  goods: Goods,
  line: { readonly lot?: LotInput; readonly serials?: readonly string[] },
  path: string,
): void => {
  const wrong = (field: string, message: string): never => refuseAt(`${path}.${field}`, message)
  if (goods.track !== 'lot' && line.lot) wrong('lot', `${goods.name} is not tracked by lot. Leave the lot empty.`)
  if (goods.track !== 'serial' && line.serials?.length)
    wrong('serials', `${goods.name} is not tracked by serial. Leave the serials empty.`)
}
