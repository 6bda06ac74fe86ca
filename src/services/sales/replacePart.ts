import { replacePartInput } from '@/contract/inputs/sales/replacePart'
import { found, refuseAt } from '@/contract/refuse'
import { larger, ZERO } from '@/core/money'
import { kitsBegun } from '@/core/stock'
import { findGoods } from '@/data/queries/goods'
import { replaceLinePart, updateSaleLine } from '@/data/queries/saleLine'
import { readUnitCosts } from '@/model/goods/unitCosts'
import { readKitLines } from '@/model/sale/kitLines'
import { defineCommand } from '../command'
import { trimPick } from '../parcels/trimPick'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale } from './saleWork'

/**
 * On this sale another part stands in for one of a kit's: this case instead of that. The price stays; what it is expected to
 * cost changes with it. Kits that lie assembled hold the usual part, so a line of which anything went stays as it is.
 */
export const replacePart = defineCommand(
  'replace-part',
  replacePartInput,
  async (w, { saleId, lineId, part, by, quantity }) => {
    const locked = await takeSale(w, saleId)
    mustBeOpen(locked)
    const line = found(
      locked.lines.find((l) => l.id === lineId),
      'line',
      lineId,
    )
    const kit = (await readKitLines(w.tx, [line])).get(lineId) ?? refuseAt('lineId', `${line.description} is no kit.`)
    const before =
      kit.parts.find((p) => p.goodsId === part) ??
      refuseAt('part', `This is no part of ${line.description} on this sale.`)
    if (line.handedOver.gt(line.returned) || kitsBegun(kit).gt(0))
      refuseAt(
        'part',
        `Some of ${line.description} went already. Put the rest on a line of its own, then replace the part.`,
      )
    const goods = await findGoods(w.tx, [part, by])
    const now = found(goods.get(by), 'goods', by)
    if (now.kind !== 'stock') refuseAt('by', `${now.name} is not kept in stock. Choose goods in stock.`)
    if (kit.parts.some((p) => p.goodsId === by)) refuseAt('by', `${now.name} is a part of it already.`)
    const each = quantity ?? before.quantity
    await replaceLinePart(w.tx, lineId, part, { goodsId: by, quantity: each })
    const costOf = await readUnitCosts(w.tx, [...goods.values()], w)
    const expectedCost = line.expectedCost.minus(costOf(part).times(before.quantity)).plus(costOf(by).times(each))
    await updateSaleLine(w.tx, lineId, {
      expectedCost: larger(expectedCost, ZERO).round(4),
    })
    await trimPick(w, saleId)
    await refreshSale(w, saleId)
    return answerSale(w, saleId)
  },
)
