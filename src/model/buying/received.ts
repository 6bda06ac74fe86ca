import { leftOfLine } from '@/core/buying'
import { smaller } from '@/core/money'
import { lineState } from '@/core/sale'
import type { Db } from '@/data/connect'
import { listGoodsReceived, listReceivedLines, type ReceivedLineRow } from '@/data/queries/goodsReceived'
import { listPurchaseLines } from '@/data/queries/purchaseOrder'
import { listSaleLines } from '@/data/queries/saleLine'
import { readCanGo } from '../goods/canGo'
import type { Asked } from '../where'
import { cameTally } from './came'
import { returnedViews } from './sentBack'

type Filter = Parameters<typeof listGoodsReceived>[1]
type Part = Parameters<typeof listGoodsReceived>[2]

const leftTexts = (l: ReceivedLineRow, currency: string) => {
  const { toBill, toCredit } = leftOfLine(cameTally(l, currency))
  return { toBill: toBill.toString(), toCredit: toCredit.toString() }
}

/** What came from suppliers, the newest first, each with its lines. */
export const receivedViews = async (db: Db, of: Filter, part: Part, currency: string) => {
  const papers = await listGoodsReceived(db, of, part)
  const lines = await listReceivedLines(db, { receivedIds: papers.map((p) => p.id) })
  return papers.map((p) => ({
    id: p.id,
    number: p.number,
    supplierId: p.supplierId,
    supplier: p.supplier,
    purchaseOrderId: p.orderId,
    on: p.onDay,
    placeId: p.placeId,
    lines: lines
      .filter((l) => l.receivedId === p.id)
      .map((l) => ({
        id: l.id,
        goodsId: l.goodsId,
        name: l.name,
        quantity: l.quantity.toString(),
        unitCost: l.unitCost.toString(),
        purchaseOrderLineId: l.orderLineId,
        billed: l.billed.toString(),
        returned: l.returned.toString(),
        ...leftTexts(l, currency),
      })),
  }))
}

/** One of them, with which sales what came is set aside for, and who of those that wait can go now. */
export const receivedView = async (db: Db, id: number, { business, today }: Pick<Asked, 'business' | 'today'>) => {
  const { currency } = business
  const [view] = await receivedViews(db, { id }, {}, currency)
  if (!view) return null
  const ordered = await listPurchaseLines(db, { lineIds: view.lines.flatMap((l) => l.purchaseOrderLineId ?? []) })
  const sales = await listSaleLines(db, [...new Set(ordered.flatMap((o) => o.saleId ?? []))])
  const lines = await listReceivedLines(db, { receivedIds: [id] })
  const setAsideFor = lines.flatMap((l) => {
    const order = ordered.find((o) => o.id === l.orderLineId)
    const line = sales.find((s) => s.id === order?.saleLineId)
    if (!line) return []
    const quantity = smaller(l.quantity.minus(l.returned), lineState(line).toHandOver)
    return quantity.gt(0) ? [{ saleId: line.saleId, lineId: line.id, quantity: quantity.toString() }] : []
  })
  const canGo = await readCanGo(
    db,
    view.lines.map((l) => l.goodsId),
    today,
  )
  return { ...view, setAsideFor, canGo, returns: await returnedViews(db, [id], currency) }
}
