import { addGoodsInput, changeGoodsInput } from '@/contract/inputs/goods/keepGoods'
import { present } from '@/core/present'
import { formatQuantity } from '@/core/money'
import type { z } from 'zod'
import { listAccounts } from '@/data/queries/accounts'
import {
  findGoods,
  findGoodsByCode,
  insertGoods,
  replaceParts,
  updateGoods,
  type Goods,
  type GoodsKind,
  type Part,
} from '@/data/queries/goods'
import { everMoved, listPlaces, sumShelves } from '@/data/queries/stock'
import { listPriceLevels, replacePrices } from '@/data/queries/prices'
import { findSupplier, insertSupplier, replaceGoodsSuppliers } from '@/data/queries/suppliers'
import { defineCommand, type Work } from '../command'
import { mustBeAsSeen } from '../mustBeAsSeen'
import { goodsView } from '@/model/goods/goods'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { taxCodeNamed } from '../books/taxCodeNamed'
import { placeNamed } from './places'
type Fields = Omit<z.output<typeof changeGoodsInput>, 'goodsId'>

const INCOME = { stock: 'sales', kit: 'sales', work: 'work', charge: 'charges' } as const

const taxCodeId = async (w: Work, code: string | undefined): Promise<number> => {
  const codes = await w.taxCodes()
  return (code ? taxCodeNamed(codes, code, 'taxCode') : present(codes[0])).id
}

const incomeAccountId = async (w: Work, code: string | undefined, kind: GoodsKind): Promise<number> => {
  if (!code) return w.accountId(INCOME[kind])
  const account = (await listAccounts(w.tx)).find((a) => a.code === code && a.kind === 'income')
  return account?.id ?? refuseAt('incomeAccount', `There is no income account ${code}.`)
}

const mustBeFree = async (w: Work, code: string, except?: number): Promise<void> => {
  const other = await findGoodsByCode(w.tx, code)
  if (other && other.id !== except) refuse({ code: 'taken', what: 'code', value: code })
}

/** The parts a kit is made of: goods that lie on the shelf, never a kit itself. */
const partsOf = async (w: Work, parts: NonNullable<Fields['parts']>): Promise<Part[]> => {
  const known = await findGoods(
    w.tx,
    parts.map((p) => p.goodsId),
  )
  for (const [i, part] of parts.entries()) {
    const goods = found(known.get(part.goodsId), 'goods', part.goodsId)
    if (goods.kind === 'kit') refuseAt(`parts.${i}.goodsId`, `${goods.name} is a kit itself. Name its parts.`)
    if (goods.kind !== 'stock')
      refuseAt(
        `parts.${i}.goodsId`,
        `${goods.name} is not kept in stock. Leave it out, and put it on a line of its own.`,
      )
  }
  const twice = repeated(parts, (p) => String(p.goodsId))
  if (twice >= 0) refuseAt(`parts.${twice}.goodsId`, 'This part is named twice. Add the quantities.')
  return parts
}

/** How a thing is tracked and costed: by serial each costs its own, and only what is kept on the shelf is told apart. */
const told = (
  g: Pick<Fields, 'track' | 'costing'>,
  kind: GoodsKind,
  before?: Goods,
): Pick<Goods, 'track' | 'costing'> => {
  const track = g.track ?? before?.track ?? 'none'
  const costing =
    g.costing ?? (g.track === undefined ? before?.costing : undefined) ?? (track === 'serial' ? 'unit' : 'average')
  if (kind !== 'stock' && (track !== 'none' || costing !== 'average'))
    refuseAt('track', 'Only goods in stock are tracked by lot or serial, or costed.')
  if (track === 'serial' && costing !== 'unit')
    refuseAt('costing', 'By serial each one costs its own. Choose the unit cost.')
  if (track !== 'serial' && costing === 'unit')
    refuseAt('costing', 'A unit cost needs serials. Choose average or first in, first out.')
  return { track, costing }
}

/** Where a thing usually lies; only what is kept in stock has a place. */
const usualPlaceId = async (w: Work, placeId: number | null | undefined, kind: GoodsKind): Promise<number | null> => {
  if (placeId === null || placeId === undefined) return null
  if (kind !== 'stock') refuseAt('placeId', 'Only goods in stock have a place.')
  return placeNamed(await listPlaces(w.tx), placeId, 'placeId').id
}

/** Prices beside the list, and who sells it to us: given ones replace those there were. */
const writeSides = async (w: Work, goodsId: number, g: Fields): Promise<void> => {
  if (g.prices) {
    const levels = await listPriceLevels(w.tx)
    const rows = g.prices.map((p, i) => ({
      levelId: p.level
        ? (levels.find((l) => l.code.toLowerCase() === present(p.level).toLowerCase())?.id ??
          refuseAt(`prices.${i}.level`, `There is no price level ${p.level}. Make it in Settings first.`))
        : null,
      fromQuantity: p.fromQuantity,
      price: p.price,
      validFrom: p.validFrom,
      validUntil: p.validUntil,
    }))
    const twice = repeated(rows, (r) => `${r.levelId}:${r.fromQuantity}:${r.validFrom}`)
    if (twice >= 0)
      refuseAt(`prices.${twice}.price`, 'There is a price for the same customers, quantity and day already.')
    await replacePrices(w.tx, goodsId, rows)
  }
  if (g.suppliers) await writeSellers(w, goodsId, g.suppliers)
}

/** Who sells it to us; of several that are said to be preferred the first one is. */
const writeSellers = async (w: Work, goodsId: number, suppliers: NonNullable<Fields['suppliers']>): Promise<void> => {
  const preferred = suppliers.findIndex((s) => s.preferred)
  const rows: Parameters<typeof replaceGoodsSuppliers>[2][number][] = []
  for (const [i, { supplierId: id, name, prices, ...s }] of suppliers.entries()) {
    const supplierId = id ?? (await insertSupplier(w.tx, { name: present(name) }))
    found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)
    if (rows.some((r) => r.supplierId === supplierId))
      refuseAt(`suppliers.${i}.supplierId`, 'This supplier is named twice. Put all prices in one place.')
    const twice = repeated(prices, (p) => `${p.fromQuantity}:${p.validFrom}`)
    if (twice >= 0)
      refuseAt(`suppliers.${i}.prices.${twice}.unitCost`, 'There is a cost for the same quantity and day already.')
    rows.push({ ...s, supplierId, preferred: i === preferred, steps: prices })
  }
  await replaceGoodsSuppliers(w.tx, goodsId, rows)
}

/** Where a row says what an earlier one said; −1 where none does. */
const repeated = <R>(rows: readonly R[], key: (row: R) => string): number =>
  rows.findIndex((r, i) => rows.findIndex((o) => key(o) === key(r)) !== i)

/** Writes new goods that were checked by the schema. Also what an import writes, row by row. */
export const writeGoods = async (w: Work, g: z.output<typeof addGoodsInput>): Promise<number> => {
  await mustBeFree(w, g.code)
  const goodsId = await insertGoods(
    w.tx,
    {
      code: g.code,
      name: g.name,
      kind: g.kind,
      price: g.price,
      taxCodeId: await taxCodeId(w, g.taxCode),
      incomeAccountId: await incomeAccountId(w, g.incomeAccount, g.kind),
      barcode: g.barcode ?? '',
      note: g.note ?? '',
      tags: g.tags ?? [],
      weight: g.weight ?? null,
      size: g.size ?? '',
      reorderAt: g.reorderAt ?? null,
      ...told(g, g.kind),
      warrantyMonths: g.warrantyMonths ?? null,
      placeId: await usualPlaceId(w, g.placeId, g.kind),
      priceIsSum: g.kind === 'kit' && (g.priceIsSum ?? false),
      onShopfront: g.onShopfront ?? false,
      pictureFileId: g.pictureFileId ?? null,
    },
    await partsOf(w, g.parts ?? []),
  )
  await writeSides(w, goodsId, g)
  return goodsId
}

/** Adds goods: something kept on the shelf, work, a charge, or a kit made of other goods. */
export const addGoods = defineCommand('add-goods', addGoodsInput, async (w, g) => {
  const goodsId = await writeGoods(w, g)
  return { id: goodsId, answer: async () => present(await goodsView(w.tx, goodsId, w.business, w.today)) }
})

/** A kit is made of other parts from now on; those that lie assembled are made of the ones before, and come first. */
const rewriteParts = async (w: Work, kit: Goods, parts: readonly Part[]): Promise<void> => {
  const same =
    parts.length === kit.parts.length &&
    parts.every((p) => kit.parts.some((b) => b.goodsId === p.goodsId && b.quantity.eq(p.quantity)))
  if (same) return
  const lying = (await sumShelves(w.tx, [kit.id], w.currency)).get(kit.id)?.quantity
  if (lying?.gt(0))
    refuseAt('parts', `${formatQuantity(lying)} of them lie assembled. Take them apart first, then change the parts.`)
  await replaceParts(w.tx, kit.id, parts)
}

/** Changes goods that are there to what is given; what is left out stays. */
export const rewriteGoods = async (w: Work, goodsId: number, g: Fields): Promise<void> => {
  const before = found((await findGoods(w.tx, [goodsId])).get(goodsId), 'goods', goodsId)
  if (g.code) await mustBeFree(w, g.code, goodsId)
  if (g.parts && before.kind !== 'kit' && g.parts.length > 0) refuseAt('parts', 'Only a kit has parts.')
  if (g.parts?.length === 0 && before.kind === 'kit') refuseAt('parts', 'A kit needs its parts.')
  const { track, costing } = told(g, before.kind, before)
  if ((track !== before.track || costing !== before.costing) && (await everMoved(w.tx, goodsId)))
    refuse({ code: 'tracking-is-fixed', goods: before.name })
  await updateGoods(w.tx, goodsId, {
    track,
    costing,
    warrantyMonths: g.warrantyMonths === undefined ? before.warrantyMonths : g.warrantyMonths,
    placeId: g.placeId === undefined ? before.placeId : await usualPlaceId(w, g.placeId, before.kind),
    code: g.code ?? before.code,
    name: g.name ?? before.name,
    price: g.price ?? before.price,
    taxCodeId: g.taxCode ? await taxCodeId(w, g.taxCode) : before.taxCodeId,
    incomeAccountId: g.incomeAccount ? await incomeAccountId(w, g.incomeAccount, before.kind) : before.incomeAccountId,
    barcode: g.barcode ?? before.barcode,
    note: g.note ?? before.note,
    tags: g.tags ?? [...before.tags],
    weight: g.weight === undefined ? before.weight : g.weight,
    size: g.size ?? before.size,
    reorderAt: g.reorderAt === undefined ? before.reorderAt : g.reorderAt,
    priceIsSum: before.kind === 'kit' && (g.priceIsSum ?? before.priceIsSum),
    onShopfront: g.onShopfront ?? before.onShopfront,
    pictureFileId: g.pictureFileId === undefined ? before.pictureFileId : g.pictureFileId,
    retired: g.retired ?? before.retired,
  })
  if (g.parts && g.parts.length > 0) await rewriteParts(w, before, await partsOf(w, g.parts))
  await writeSides(w, goodsId, g)
}

/** Changes goods from now on. Papers written before keep what they say. */
export const changeGoods = defineCommand('change-goods', changeGoodsInput, async (w, { goodsId, edition, ...g }) => {
  if (edition !== undefined && (g.parts || g.prices || g.suppliers)) {
    const seen = found(await goodsView(w.tx, goodsId, w.business, w.today), 'goods', goodsId)
    mustBeAsSeen(seen.name, edition, seen.edition)
  }
  await rewriteGoods(w, goodsId, g)
  return { id: goodsId, answer: async () => present(await goodsView(w.tx, goodsId, w.business, w.today)) }
})
