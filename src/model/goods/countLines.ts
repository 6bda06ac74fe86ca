import { toFourPlaces, ZERO } from '@/core/money'
import { listStockOn } from '@/data/queries/stock'
import type { Where } from '../where'
import { readGoodsList } from './goods'
import { pieceNames } from './pieceNames'
import { readUnitCosts } from './unitCosts'
import { rowsBy } from '@/core/rowsBy'

/** Things on a page of a count. */
const PAGE = 100

interface ToCount {
  readonly search?: string
  /** What has exactly this code, barcode, serial or lot. */
  readonly named?: string
  readonly placeId?: number
  /** The first is 1. */
  readonly page?: number
}

/**
 * What there is to count in a place, or anywhere: each thing, lot by lot and serial by serial where they are told apart. A page of it, and
 * whether more follows.
 */
export const readCountLines = async (where: Where, { search, named: exactly, placeId, page = 1 }: ToCount) => {
  const { db, today, currency } = where
  const part = { limit: PAGE + 1, offset: (page - 1) * PAGE }
  const found = await readGoodsList(db, { search, named: exactly, counted: true }, part, where)
  const goods = found.slice(0, PAGE)
  const goodsIds = goods.map((g) => g.goods.id)
  const all = await listStockOn(db, { asOf: today, goodsIds }, currency)
  const stock = placeId === undefined ? all : all.filter((r) => r.placeId === placeId)
  const named = await pieceNames(db, stock)
  const costOf = await readUnitCosts(
    db,
    goods.map((g) => g.goods),
    where,
  )
  const lying = rowsBy(stock, (r) => r.goodsId)
  const lines = goods.flatMap(({ goods: g }) => {
    const each = costOf(g.id)
    const here = lying.get(g.id) ?? []
    const thing = { goodsId: g.id, code: g.code, barcode: g.barcode, name: g.name, track: g.track }
    const none = { lot: null, expires: null, serial: null, isNew: g.track !== 'none', unitCost: toFourPlaces(each) }
    const onHand = toFourPlaces(here.reduce((sum, r) => sum.plus(r.quantity), ZERO))
    const rest = { ...thing, ...none, key: `${g.id}`, onHand }
    if (g.track === 'none') return [rest]
    // The layers of a lot are counted together.
    const byName = rowsBy(here, (r) => {
      const { lot, serial } = named(r.batchId)
      return `${g.id} ${serial ?? lot ?? ''}`
    })
    const rows = [...byName].map(([key, mine]) => {
      const quantity = mine.reduce((sum, r) => sum.plus(r.quantity), ZERO)
      return {
        ...thing,
        ...named(mine[0]?.batchId ?? null),
        key,
        isNew: false,
        unitCost: none.unitCost,
        onHand: toFourPlaces(quantity),
      }
    })
    return [...rows, rest]
  })
  return { lines, more: found.length > PAGE }
}
