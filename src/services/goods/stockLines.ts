import { found, refuseAt } from '@/contract/refuse'
import { findGoods, type Goods } from '@/data/queries/goods'
import type { Work } from '../command'

/** The goods of lines that change what lies somewhere: each is kept on the shelf, or it is told at its line. */
export const stockLines = async <L extends { readonly goodsId: number }>(
  w: Work,
  lines: readonly L[],
): Promise<readonly (L & { readonly goods: Goods })[]> => {
  const goods = await findGoods(
    w.tx,
    lines.map((l) => l.goodsId),
  )
  return lines.map((line, i) => {
    const thing = found(goods.get(line.goodsId), 'goods', line.goodsId)
    const message = `${thing.name} is not kept on the shelf. Choose goods in stock.`
    if (thing.kind !== 'stock' && thing.kind !== 'kit') refuseAt(`lines.${i}.goodsId`, message)
    return { ...line, goods: thing }
  })
}
