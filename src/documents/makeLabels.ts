import bwipjs from 'bwip-js/node'
import { formatPrice } from '@/core/money'
import { readGoodsNamed } from '@/model/goods/goods'
import type { Label } from '@/documents/draw/drawLabels'
import { drawElsewhere } from './drawElsewhere'
import type { Asked } from '@/model/where'

/** Labels for goods, so many of each. The bars hold the barcode, or the code where there is none (Code 128). */
export const makeLabels = async (
  { db, business }: Asked,
  wanted: readonly { readonly goodsId: number; readonly count: number }[],
): Promise<Buffer | null> => {
  const goods = await readGoodsNamed(
    db,
    wanted.map((x) => x.goodsId),
  )
  const labels: Label[] = []
  for (const { goodsId, count } of wanted) {
    const g = goods.get(goodsId)
    if (!g) continue
    const code = g.barcode || g.code
    const bars = await bwipjs.toBuffer({ bcid: 'code128', text: code, height: 10, scale: 3 })
    const label = { name: g.name, code, price: formatPrice(g.price, business.currency), bars }
    labels.push(...Array.from({ length: count }, () => label))
  }
  if (labels.length === 0) return null
  return drawElsewhere({ as: 'labels', labels })
}
