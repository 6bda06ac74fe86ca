import { dropGoods } from '@/services/dropWhole'
import { GOODS_KINDS } from '@/core/kinds'
import { z } from 'zod'
import { fileOwner } from '@/contract/inputs/files/keepFile'
import { adjustStock } from '@/services/goods/adjustStock'
import { countStock } from '@/services/goods/countStock'
import { moveStock } from '@/services/goods/moveStock'
import { addPlace, changePlace, dropPlace } from '@/services/goods/places'
import { decimal } from '@/core/money'
import { calledFirst, goodsCalled } from '@/data/queries/called'
import { listFiles } from '@/data/queries/files'
import { dropFile, keepFile } from '@/services/files/keepFile'
import { assembleKits, takeKitsApart } from '@/services/goods/assemble'
import { importGoods } from '@/services/goods/importGoods'
import { addGoods, changeGoods } from '@/services/goods/keepGoods'
import {
  addPriceLevel,
  addTaxArea,
  changePriceLevel,
  changeTaxArea,
  dropPriceLevel,
  dropTaxArea,
} from '@/services/goods/priceLevels'
import { day as dayField, id as idField, needed, quantityOrZero } from '@/contract/fields'
import { priceLevelsView, readPrice, taxAreasView } from '@/model/goods/prices'
import { readCountLines } from '@/model/goods/countLines'
import { readPicking } from '@/model/goods/picking'
import { piecesSearched } from '@/model/goods/pieceNames'
import { lotView, serialView } from '@/model/goods/lifeOf'
import { goodsCardView, goodsStockView } from '@/model/goods/stockViews'
import { goodsView, readGoodsList, viewOfGoods } from '@/model/goods/goods'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { addTaxCode, addTaxRate, changeTaxCode, dropTaxCode } from '@/services/books/addTaxCode'
import { change, listOf, noQuery, page, read, readCursor } from '../operation'
import { listPlaces } from '@/data/queries/stock'

const yesNo = z
  .enum(['true', 'false'])
  .transform((v) => v === 'true')
  .optional()

const whole = <T>(items: readonly T[]) => ({ items, next: null })

const byCode = z.object({ code: z.string(), called: z.boolean().optional() })

export const goods = [
  change('/goods', 'New goods: stock, work, a charge, or a kit of other goods.', addGoods, { status: 201 }),
  read(
    '/goods',
    'Goods by code; of a search, first what is called so.',
    page.extend({
      search: z.string().max(200).optional(),
      kind: z.enum(GOODS_KINDS).optional(),
      tag: z.string().max(40).optional(),
      retired: yesNo,
      onShopfront: yesNo,
      low: yesNo,
    }),
    async ({ db, business, today, query }) => {
      const [pieceOf, named] = await Promise.all([piecesSearched(db, query.search), goodsCalled(db, query.search)])
      const part = { limit: query.limit, after: readCursor(byCode, query.after) }
      return listOf(
        await calledFirst(named, part, (called, some) =>
          readGoodsList(db, { ...query, called }, some, { business, today }),
        ),
        query.limit,
        (g) => ({ ...viewOfGoods(g), piece: pieceOf(g.goods.id) }),
        (g) => ({ code: g.goods.code, called: named.includes(g.goods.id) }),
      )
    },
  ),
  read(
    '/goods/{id}',
    'Goods, with what is on hand, set aside and available.',
    noQuery,
    ({ db, id, business, today }) => goodsView(db, id, business, today),
    'goods',
  ),
  change('/goods/{id}', 'Deletes goods that were added by mistake: nothing uses them.', dropGoods, {
    path: { goodsId: 'id' },
    method: 'DELETE',
  }),
  change('/goods/{id}', 'Changes goods from now on.', changeGoods, {
    path: { goodsId: 'id' },
    method: 'PATCH',
  }),
  change(
    '/goods/{id}/assemble',
    'Kits put together ahead: they lie at a place, worth what their parts cost.',
    assembleKits,
    {
      path: { goodsId: 'id' },
      status: 201,
    },
  ),
  change('/goods/{id}/take-apart', 'Assembled kits taken apart: their parts lie in stock again.', takeKitsApart, {
    path: { goodsId: 'id' },
    status: 201,
  }),
  change('/goods/import', 'Goods from a CSV or XLSX file: looked at first, then written all at once.', importGoods),
  read(
    '/prices',
    'What a thing costs a customer in a quantity, where that price came from, and what is there.',
    z.object({
      goodsId: idField,
      quantity: quantityOrZero.default(decimal(1)),
      customerId: idField.optional(),
      deliverTo: z.string().max(500).optional(),
      withTax: yesNo,
      inStore: yesNo,
    }),
    ({ db, business, today, query }) => readPrice(db, { ...query, pricesIncludeTax: query.withTax }, business, today),
    'goods',
  ),
  change('/price-levels', 'A price level: what some customers pay.', addPriceLevel, { status: 201 }),
  read('/price-levels', 'The price levels.', noQuery, async ({ db }) => whole(await priceLevelsView(db))),
  change('/price-levels/{id}', 'Changes a price level from now on.', changePriceLevel, {
    path: { levelId: 'id' },
    method: 'PATCH',
  }),
  change('/price-levels/{id}', 'Deletes a price level that nothing uses.', dropPriceLevel, {
    path: { levelId: 'id' },
    method: 'DELETE',
  }),
  change('/tax-areas/{id}', 'Deletes a tax area that nothing uses.', dropTaxArea, {
    path: { areaId: 'id' },
    method: 'DELETE',
  }),
  change('/places/{id}', 'Deletes a place where nothing ever was.', dropPlace, {
    path: { placeId: 'id' },
    method: 'DELETE',
  }),
  change('/tax-areas', 'A tax area: where taxed goods take another tax code.', addTaxArea, { status: 201 }),
  change('/tax-areas/{id}', 'Another name or tax code for a tax area, from now on.', changeTaxArea, {
    path: { areaId: 'id' },
    method: 'PATCH',
  }),
  read('/tax-areas', 'The tax areas.', noQuery, async ({ db }) => whole(await taxAreasView(db))),
  change(
    '/files',
    'Adds a file to a customer, goods, a sale, a bill, an entry of your own or the business.',
    keepFile,
    { status: 201 },
  ),
  read(
    '/files',
    'The files of one owner.',
    z.object({ ownerKind: fileOwner, ownerId: idField }),
    async ({ db, query }) => whole(await listFiles(db, query.ownerKind, query.ownerId)),
  ),
  change('/files/{id}', 'Deletes a file.', dropFile, { path: { fileId: 'id' }, method: 'DELETE' }),
  change('/stock-counts', 'What was counted replaces what the books had.', countStock, { status: 201 }),
  read(
    '/stock-counts/lines',
    'What is counted of what has this code, barcode, serial or lot: each lot and serial, and a row for new ones.',
    z.object({ named: needed(200, 'A code'), placeId: idField.optional() }),
    async ({ db, business, today, query }) =>
      whole((await readCountLines({ db, business, today, currency: business.currency }, query)).lines),
  ),
  change('/tax-codes', 'Another tax.', addTaxCode, { status: 201 }),
  change('/tax-codes/{id}/rates', 'Other rates of a tax from a day on.', addTaxRate, {
    path: { taxCodeId: 'id' },
    status: 201,
  }),
  change('/tax-codes/{id}', 'Other words for a tax code and its components, from now on.', changeTaxCode, {
    path: { taxCodeId: 'id' },
    method: 'PATCH',
  }),
  change('/tax-codes/{id}', 'Deletes a tax code, or one of its rates, that nothing uses.', dropTaxCode, {
    path: { taxCodeId: 'id' },
    method: 'DELETE',
  }),
  read('/tax-codes', 'Tax codes; the first is used where none is named.', noQuery, async ({ db, today }) =>
    whole(await readPlainTaxCodes(db, today)),
  ),
  change('/places', 'Another place where goods lie.', addPlace, { status: 201 }),
  read('/places', 'Places goods lie in; the default first.', noQuery, async ({ db }) => whole(await listPlaces(db))),
  change('/places/{id}', 'Another name for a place, or the default from now on.', changePlace, {
    path: { placeId: 'id' },
    method: 'PATCH',
  }),
  change('/stock-moves', 'Goods carried from one place to another; nothing is posted.', moveStock, { status: 201 }),
  change('/stock-adjustments', 'Goods found, broken, used up or given away, with the reason.', adjustStock, {
    status: 201,
  }),
  read(
    '/goods/{id}/stock',
    'What lies of a thing at the end of a day, place by place.',
    z.object({ asOf: dayField.optional() }),
    ({ db, id, business, today, query }) => goodsStockView(db, id, query.asOf ?? today, { business, today }),
    'goods',
  ),
  read(
    '/sales/{id}/picking',
    'What is still to be handed over of a sale and from which places to take it: the fewest there are.',
    z.object({ on: dayField.optional() }),
    ({ db, id, business, today, query }) => readPicking(db, id, query.on ?? today, { business, today }),
    'sale',
  ),
  read(
    '/serials/{serial}',
    'The whole life of a serial: where it came from, what it cost, where it is now or who has it.',
    z.object({ goodsId: idField.optional() }),
    ({ db, business, today, query, named }) => serialView(db, business.currency, today, named('serial'), query.goodsId),
    'serial',
  ),
  read(
    '/lots/{lot}',
    'The whole life of a lot: what is left of it and where, and who has the rest.',
    z.object({ goodsId: idField.optional() }),
    ({ db, business, today, query, named }) => lotView(db, business.currency, today, named('lot'), query.goodsId),
    'lot',
  ),
  read(
    '/goods/{id}/card',
    'What came and went of a thing, with what lay there after each.',
    z.object({ from: dayField.optional(), to: dayField.optional() }),
    ({ db, id, business, query }) => goodsCardView(db, id, query, business),
    'goods',
  ),
]
