import { toFourPlaces, ZERO } from '@/core/money'
import { listLastCosts, listStockOn } from '@/data/queries/stock'
import type { Where } from '../where'
import { readGoodsList } from './goods'
import { pieceNames } from './pieceNames'

/** What there is to count in a place, or anywhere: each thing, lot by lot and serial by serial where they are told apart. */
export const readCountLines = async (where: Where, of: { readonly search?: string; readonly placeId?: number }) => {
  const { db, today, currency } = where
  const goods = await readGoodsList(db, { search: of.search, counted: true }, { limit: 200 }, where)
  const goodsIds = goods.map((g) => g.goods.id)
  const all = await listStockOn(db, { asOf: today, goodsIds }, currency)
  const stock = of.placeId === undefined ? all : all.filter((r) => r.placeId === of.placeId)
  const named = await pieceNames(db, stock)
  // Of what lies nowhere one that is found costs what the last one did.
  const nowhere = goods.filter((g) => g.unitCost.eq(0)).map((g) => g.goods.id)
  const last = await listLastCosts(db, nowhere, today, currency)
  return goods.flatMap(({ goods: g, unitCost: average }) => {
    const each = average.eq(0) ? (last.get(g.id) ?? ZERO) : average
    const here = stock.filter((r) => r.goodsId === g.id)
    const thing = { goodsId: g.id, code: g.code, barcode: g.barcode, name: g.name, track: g.track }
    const none = { lot: null, expires: null, serial: null, isNew: g.track !== 'none', unitCost: toFourPlaces(each) }
    const onHand = toFourPlaces(here.reduce((sum, r) => sum.plus(r.quantity), ZERO))
    const rest = { ...thing, ...none, key: `${g.id}`, onHand }
    if (g.track === 'none') return [rest]
    // The layers of a lot are counted together.
    const byName = new Map<string, typeof here>()
    for (const r of here) {
      const { lot, serial } = named(r.batchId)
      const key = `${g.id} ${serial ?? lot ?? ''}`
      byName.set(key, [...(byName.get(key) ?? []), r])
    }
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
