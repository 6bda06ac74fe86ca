import { type Asked, type Table, everyPage, PAGE } from '@/api/tables/table'
import { readGoodsList } from '@/model/goods/goods'

export const goods = async ({ db, business }: Asked): Promise<Table> => {
  const rows = await everyPage((last: Awaited<ReturnType<typeof readGoodsList>>[number] | undefined) =>
    readGoodsList(db, {}, { limit: PAGE, after: last && { code: last.goods.code } }, business),
  )
  return {
    columns: [
      'code',
      'name',
      'kind',
      'price',
      'taxCode',
      'barcode',
      'note',
      'tags',
      'weight',
      'size',
      'reorderAt',
      'onShopfront',
      'onHand',
      'setAside',
      'available',
      'unitCost',
    ],
    rows: rows.map((g) => [
      g.goods.code,
      g.goods.name,
      g.goods.kind,
      g.listPrice.toString(),
      g.taxCode,
      g.goods.barcode,
      g.goods.note,
      g.goods.tags.join('; '),
      g.goods.weight?.toString() ?? '',
      g.goods.size,
      g.goods.reorderAt?.toString() ?? '',
      g.goods.onShopfront ? 'yes' : 'no',
      g.onHand.toString(),
      g.setAside.toString(),
      g.available.toString(),
      g.unitCost.toDecimalPlaces(4).toString(),
    ]),
  }
}
