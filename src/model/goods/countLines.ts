import { toFourPlaces, ZERO } from '@/core/money'
import { listStockOn } from '@/data/queries/stock'
import type { Where } from '../where'
import { readGoodsList } from './goods'
import { pieceNames } from './pieceNames'
import { readUnitCosts } from './unitCosts'
import { rowsBy } from '@/core/rowsBy'

/** What there is to count in a place, or anywhere: each thing, lot by lot and serial by serial where they are told apart. */
export const readCountLines = async (where: Where, of: { readonly search?: string; readonly placeId?: number }) => {
  const { db, today, currency } = where
  const goods = await readGoodsList(db, { search: of.search, counted: true }, { limit: 200 }, where)
  const goodsIds = goods.map((g) => g.goods.id)
  const all = await listStockOn(db, { asOf: today, goodsIds }, currency)
  const stock = of.placeId === undefined ? all : all.filter((r) => r.placeId === of.placeId)
  const named = await pieceNames(db, stock)
  const costOf = await readUnitCosts(
    db,
    goods.map((g) => g.goods),
    where,
  )
  const lying = rowsBy(stock, (r) => r.goodsId)
  return goods.flatMap(({ goods: g }) => {
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
}
