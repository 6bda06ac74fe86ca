import { present } from '@/core/present'
import { larger, smaller, toFourPlaces, ZERO, zeroMoney, type Decimal } from '@/core/money'
import { kitsAvailable, unitCost, type Shelf } from '@/core/stock'
import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findGoods, listGoods, type Goods, type GoodsFilter } from '@/data/queries/goods'
import type { Part } from '@/data/queries/inOrder'
import { listGoodsSuppliers } from '@/data/queries/suppliers'
import { listTaxCodes } from '@/data/queries/taxCodes'
import { editionIn } from '../edition'
import type { Asked } from '../where'
import { pricesView } from './pricesOf'
import { sumShelves } from '@/data/queries/stock'
import { sumOnOrder } from '@/data/queries/purchaseOrder'
import { readTurns } from './shares'

export interface GoodsStanding {
  readonly goods: Goods
  /** The list price; of a kit that costs what its parts do, theirs together. */
  readonly listPrice: Decimal
  readonly taxCode: string
  readonly shelf: Shelf
  readonly onHand: Decimal
  readonly setAside: Decimal
  /** On hand and not past, less what is set aside; for kits, those assembled and as many as can be made. */
  readonly available: Decimal
  /** Agreed and not on the shelf. */
  readonly short: Decimal
  readonly onTheWay: Decimal
  readonly unitCost: Decimal
}

/** What of so many that may be handed over is wanted by nobody yet. */
export const leftFree = (usable: Decimal, wanted: Decimal): Decimal => larger(usable.minus(wanted), ZERO)

type Shelves = (goodsId: number) => Shelf

const readShelves = async (db: Db, ids: readonly number[], currency: string): Promise<Shelves> => {
  const shelves = await sumShelves(db, ids, currency)
  const none: Shelf = { quantity: ZERO, value: zeroMoney(currency) }
  return (id) => shelves.get(id) ?? none
}

/** What one of those that lie there costs on average; a kit costs what its parts do. */
const costOf = (g: Goods, shelfOf: Shelves): Decimal =>
  g.kind === 'kit'
    ? g.parts.reduce((sum, p) => sum.plus(unitCost(shelfOf(p.goodsId)).times(p.quantity)), ZERO)
    : unitCost(shelfOf(g.id))

/** Goods with what lies on the shelf, what is set aside of it for agreed sales, and what is still available. */
export const standGoods = async (
  db: Db,
  goods: readonly Goods[],
  business: Business,
  today: Day,
): Promise<GoodsStanding[]> => {
  const parts = await findGoods(
    db,
    goods.flatMap((g) => g.parts.map((p) => p.goodsId)),
  )
  const ids = [...goods.filter((g) => g.kind === 'stock' || g.kind === 'kit').map((g) => g.id), ...parts.keys()]
  const [shelfOf, { usable, shares: waiting }, codes, onOrder] = await Promise.all([
    readShelves(db, ids, business.currency),
    readTurns(db, ids, today),
    listTaxCodes(db),
    sumOnOrder(db, ids),
  ])
  const wanted = (id: number): Decimal =>
    waiting.filter((w) => w.goodsId === id).reduce((sum, w) => sum.plus(w.wanted), ZERO)
  const availableOf = (id: number): Decimal => leftFree(usable.get(id) ?? ZERO, wanted(id))
  return goods.map((g) => {
    // A kit lies on a shelf as far as it is assembled.
    const shelf = shelfOf(g.id)
    return {
      goods: g,
      listPrice: g.priceIsSum
        ? g.parts.reduce((sum, p) => sum.plus(present(parts.get(p.goodsId)).price.times(p.quantity)), ZERO)
        : g.price,
      taxCode: present(codes.find((c) => c.id === g.taxCodeId)).code,
      shelf,
      onHand:
        g.kind === 'kit'
          ? kitsAvailable(g.parts.map((p) => ({ available: shelfOf(p.goodsId).quantity, perKit: p.quantity }))).plus(
              shelf.quantity,
            )
          : shelf.quantity,
      setAside: smaller(wanted(g.id), usable.get(g.id) ?? ZERO),
      available:
        g.kind === 'kit'
          ? kitsAvailable(g.parts.map((p) => ({ available: availableOf(p.goodsId), perKit: p.quantity }))).plus(
              availableOf(g.id),
            )
          : availableOf(g.id),
      short: g.kind === 'stock' ? larger(wanted(g.id).minus(usable.get(g.id) ?? ZERO), ZERO) : ZERO,
      onTheWay: onOrder.get(g.id) ?? ZERO,
      unitCost: costOf(g, shelfOf),
    }
  })
}

export const readGoods = async (db: Db, id: number, business: Business, today: Day): Promise<GoodsStanding | null> => {
  const goods = (await findGoods(db, [id])).get(id)
  return goods ? present((await standGoods(db, [goods], business, today))[0]) : null
}

export const readGoodsList = async (
  db: Db,
  filter: GoodsFilter,
  part: Part<{ readonly code: string }>,
  { business, today }: Pick<Asked, 'business' | 'today'>,
): Promise<GoodsStanding[]> => standGoods(db, await listGoods(db, filter, part), business, today)

export { ordersGoods } from '@/data/queries/goods'

export const viewOfGoods = (s: GoodsStanding) => ({
  id: s.goods.id,
  code: s.goods.code,
  name: s.goods.name,
  kind: s.goods.kind,
  price: s.listPrice.toString(),
  taxCode: s.taxCode,
  barcode: s.goods.barcode,
  note: s.goods.note,
  tags: s.goods.tags,
  weight: s.goods.weight?.toString() ?? null,
  size: s.goods.size,
  reorderAt: s.goods.reorderAt?.toString() ?? null,
  track: s.goods.track,
  costing: s.goods.costing,
  warrantyMonths: s.goods.warrantyMonths,
  placeId: s.goods.placeId,
  priceIsSum: s.goods.priceIsSum,
  onShopfront: s.goods.onShopfront,
  pictureFileId: s.goods.pictureFileId,
  retired: s.goods.retired,
  parts: s.goods.parts.map((p) => ({ goodsId: p.goodsId, quantity: p.quantity.toString() })),
  onHand: s.onHand.toString(),
  setAside: s.setAside.toString(),
  available: s.available.toString(),
  onTheWay: s.onTheWay.toString(),
  unitCost: toFourPlaces(s.unitCost),
})
export type GoodsView = ReturnType<typeof viewOfGoods>

/** One thing, with its prices beside the list and who sells it to us. */
export const goodsView = async (db: Db, id: number, business: Business, today: Day) => {
  const standing = await readGoods(db, id, business, today)
  if (!standing) return null
  const [prices, suppliers] = await Promise.all([pricesView(db, id), listGoodsSuppliers(db, [id])])
  const view = viewOfGoods(standing)
  const sellers = suppliers.map(({ goodsId: _goodsId, packSize, unitCost: cost, steps, ...s }) => ({
    ...s,
    packSize: packSize.toString(),
    unitCost: cost?.toString() ?? null,
    prices: steps.map((p) => ({
      ...p,
      fromQuantity: p.fromQuantity.toString(),
      unitCost: p.unitCost.toString(),
    })),
  }))
  return {
    ...view,
    prices,
    suppliers: sellers,
    /** What its lists say: they are changed as wholes. */
    edition: editionIn([view.parts, prices, sellers.map((s) => ({ ...s, name: '' }))]),
  }
}

/** Goods by their ids. */
export const readGoodsNamed = (db: Db, ids: readonly number[]) => findGoods(db, ids)
