import {
  changeOrderInput,
  closeOrderInput,
  orderGoodsInput,
  sendOrderInput,
  type PurchaseLineInput,
} from '@/contract/inputs/buying/orders'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { costFrom } from '@/core/buying'
import type { Day } from '@/core/day'
import { larger, type Decimal } from '@/core/money'
import { present } from '@/core/present'
import { rowsBy } from '@/core/rowsBy'
import { valueAt } from '@/core/stock'
import { findGoods } from '@/data/queries/goods'
import { takeNumber } from '@/data/queries/numbers'
import {
  dropPurchaseLines,
  insertPurchaseLines,
  insertPurchaseVersion,
  insertPurchaseOrder,
  listPurchaseLines,
  listPurchaseVersions,
  listPurchaseOrders,
  updatePurchaseLine,
  updatePurchaseOrder,
  type PurchaseLineRow,
  type PurchaseOrderRow,
} from '@/data/queries/purchaseOrder'
import { findSaleLines } from '@/data/queries/saleLine'
import { findSales } from '@/data/queries/sales'
import { findSupplier, listGoodsSuppliers } from '@/data/queries/suppliers'
import { readUnitCosts } from '@/model/goods/unitCosts'
import { mustBeAsSeen } from '../mustBeAsSeen'
import { editionOfOrder, orderView, orderViews, sameContent, versionContent } from '@/model/buying/orders'
import { taxCodeNamed } from '../books/taxCodeNamed'
import { writeLetterIn } from '../post/writeLetter'
import { defineCommand, draftDay, paperDay, type Work } from '../command'

/** Lines as they are kept: named after their goods, at what this supplier asks, else at what they cost so far. */
export const fillOrderLines = async (
  w: Work,
  { supplierId, onDay: on }: { readonly supplierId: number; readonly onDay: Day },
  lines: readonly PurchaseLineInput[],
) => {
  const ids = lines.flatMap((l) => l.goodsId ?? [])
  const goods = await findGoods(w.tx, ids)
  const [sold, costOf, codes, saleLines] = await Promise.all([
    listGoodsSuppliers(w.tx, ids),
    readUnitCosts(w.tx, [...goods.values()], w),
    w.taxCodes(),
    findSaleLines(
      w.tx,
      lines.flatMap((l) => l.saleLineId ?? []),
    ),
  ])
  return lines.map((l, i) => {
    const thing = l.goodsId === undefined ? undefined : found(goods.get(l.goodsId), 'goods', l.goodsId)
    if (thing && thing.kind !== 'stock')
      refuseAt(`lines.${i}.goodsId`, `${thing.name} is not kept in stock. Order it in words, as a description.`)
    if (l.saleLineId !== undefined) {
      const of = saleLines.find((x) => x.id === l.saleLineId)
      if (!of || of.goodsId !== l.goodsId)
        refuseAt(`lines.${i}.saleLineId`, 'This line is on no order for these goods. Choose the line of the sale anew.')
    }
    const seller = sold.find((s) => s.goodsId === l.goodsId && s.supplierId === supplierId)
    const asks = seller && costFrom(seller, { quantity: l.quantity, on })
    const unitCost = l.unitCost ?? asks ?? costOf(present(thing).id).round(4)
    return {
      goodsId: thing?.id ?? null,
      description: l.description || present(thing).name,
      quantity: l.quantity,
      unitCost,
      net: valueAt(unitCost, l.quantity, w.currency).minor,
      taxCodeId: l.taxCode === undefined ? null : taxCodeNamed(codes, l.taxCode, `lines.${i}.taxCode`).id,
      saleLineId: l.saleLineId ?? null,
    }
  })
}

/** Takes an order to a supplier for this transaction; with its lines. */
export const takeOrder = async (w: Work, orderId: number) => {
  const order = found((await listPurchaseOrders(w.tx, { id: orderId }))[0], 'order', orderId)
  return { order, lines: await listPurchaseLines(w.tx, { orderIds: [orderId] }) }
}

const mustBeOpen = (order: { readonly number: string; readonly closedOn: unknown }): void => {
  if (order.closedOn) refuse({ code: 'order-closed', number: order.number })
}

const answerOrder = (w: Work, id: number) => ({
  id,
  answer: async () => present(await orderView(w.tx, id, w.currency)),
})

/** Writes a draft of an order to a supplier. Nothing is posted. */
export const writeOrder = async (
  w: Work,
  order: Parameters<typeof insertPurchaseOrder>[1] extends infer R ? Omit<R, 'number'> : never,
  lines: Awaited<ReturnType<typeof fillOrderLines>>,
): Promise<number> => {
  const number = await takeNumber(w.tx, 'purchase-order', order.onDay)
  const orderId = await insertPurchaseOrder(w.tx, { ...order, number })
  await insertPurchaseLines(
    w.tx,
    lines.map((l, position) => ({ ...l, orderId, position })),
  )
  return orderId
}

/** Something that is wanted from a supplier, for a sale's line or for the shelf. */
export interface Wanted {
  readonly supplierId: number
  readonly goodsId: number
  readonly quantity: Decimal
  readonly saleLineId?: number
}

/** Orders what is wanted: one draft a supplier. Answers them. */
export const writeOrders = async (
  w: Work,
  wanted: readonly Wanted[],
  facts: Omit<Parameters<typeof writeOrder>[1], 'supplierId'>,
) => {
  const ids: number[] = []
  for (const [supplierId, lines] of rowsBy(wanted, (x) => x.supplierId))
    ids.push(await writeOrder(w, { ...facts, supplierId }, await fillOrderLines(w, { ...facts, supplierId }, lines)))
  return {
    id: present(ids[0]),
    answer: async () => ({ orders: [...(await orderViews(w.tx, { ids }, {}, w.currency))].reverse() }),
  }
}

/** What goes straight to the customer goes to one of them, at one address: each of its goods is for a sale of theirs. */
const mustGoToOne = async (w: Work, orderId: number): Promise<void> => {
  const { order, lines } = await takeOrder(w, orderId)
  if (!order.direct) return
  const goods = lines.filter((l) => l.goodsId !== null && l.quantity.gt(0))
  const own = goods.find((l) => l.saleId === null)
  if (own)
    refuseAt(
      'direct',
      `${own.description} is for no sale, so it cannot go straight to a customer. Order it on its own.`,
    )
  const sales = await findSales(w.tx, [...new Set(goods.flatMap((l) => l.saleId ?? []))], w.currency)
  const [first] = sales
  const other = sales.find((x) => x.customerId !== first?.customerId || x.deliverTo !== first.deliverTo)
  if (first && other)
    refuseAt(
      'direct',
      `Sales ${first.number} and ${other.number} are delivered to different addresses. Order for each of them on its own.`,
    )
}

/** An order to a supplier: a draft until it is sent. It posts nothing. */
export const orderGoods = defineCommand(
  'order-goods',
  orderGoodsInput,
  async (w, { supplierId, on, lines, ...facts }) => {
    found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)
    const order = { supplierId, onDay: draftDay(w, on), ...facts }
    const orderId = await writeOrder(w, order, await fillOrderLines(w, order, lines))
    await mustGoToOne(w, orderId)
    return answerOrder(w, orderId)
  },
)

/** What must stay on an order: what came of a line, or was invoiced. */
const leastOf = (l: PurchaseLineRow) => larger(l.received, l.billed)

/** Changes what is on an order; what came or was invoiced already stays on it. */
export const changeOrder = defineCommand(
  'change-order',
  changeOrderInput,
  async (w, { orderId, lines, edition, ...facts }) => {
    const { order, lines: before } = await takeOrder(w, orderId)
    mustBeAsSeen(`Order ${order.number}`, edition, editionOfOrder(order, before))
    mustBeOpen(order)
    if (lines) {
      const filled = await fillOrderLines(w, order, lines)
      const kept = new Set(lines.flatMap((l) => l.lineId ?? []))
      const fresh = []
      for (const [position, l] of filled.entries()) {
        const { lineId } = present(lines[position])
        if (lineId === undefined) {
          fresh.push({ ...l, orderId, position })
          continue
        }
        const was =
          before.find((b) => b.id === lineId) ?? refuseAt(`lines.${position}.lineId`, 'This line is not on the order.')
        if (l.quantity.lt(leastOf(was))) refuse({ code: 'less-than-came', line: was.description, least: leastOf(was) })
        if (was.goodsId !== l.goodsId && leastOf(was).gt(0))
          refuseAt(
            `lines.${position}.goodsId`,
            `Some ${was.description} came already. Put other goods on a line of their own.`,
          )
        await updatePurchaseLine(w.tx, lineId, { ...l, position })
      }
      const dropped = before.filter((b) => !kept.has(b.id))
      const done = dropped.find((b) => leastOf(b).gt(0))
      if (done) refuse({ code: 'less-than-came', line: done.description, least: leastOf(done) })
      await dropPurchaseLines(
        w.tx,
        dropped.map((b) => b.id),
      )
      await insertPurchaseLines(w.tx, fresh)
    }
    const given = Object.fromEntries(Object.entries(facts).filter(([, value]) => value !== undefined))
    if (Object.keys(given).length > 0) await updatePurchaseOrder(w.tx, orderId, given)
    await mustGoToOne(w, orderId)
    return answerOrder(w, orderId)
  },
)

/** Keeps an order as it goes out, as a version of its own where anything on it changed. */
const keepVersion = async (w: Work, order: PurchaseOrderRow, lines: readonly PurchaseLineRow[], on: Day) => {
  const content = versionContent(order, lines)
  const last = (await listPurchaseVersions(w.tx, [order.id])).at(-1)
  if (last && sameContent(last.content, content)) return
  await insertPurchaseVersion(w.tx, { orderId: order.id, n: (last?.n ?? 0) + 1, onDay: on, content })
}

/** The supplier has it, by e-mail with its PDF or otherwise: from now on what did not come yet is on order. */
export const sendOrder = defineCommand('send-order', sendOrderInput, async (w, { orderId, on, mail, ...letter }) => {
  const { order, lines } = await takeOrder(w, orderId)
  mustBeOpen(order)
  const onDay = paperDay(w, on)
  if (!order.sentOn) await updatePurchaseOrder(w.tx, orderId, { sentOn: onDay })
  await keepVersion(w, order, lines, onDay)
  const isMailed = mail ?? (letter.to ?? order.email) !== ''
  const postId = isMailed ? await writeLetterIn(w, { paper: 'purchase-order', paperId: orderId, ...letter }) : null
  return {
    id: orderId,
    answer: async () => ({ ...present(await orderView(w.tx, orderId, w.currency)), postId }),
  }
})

/** What did not come is not wanted any more. */
export const closeOrder = defineCommand('close-order', closeOrderInput, async (w, { orderId, on, reason }) => {
  const { order } = await takeOrder(w, orderId)
  mustBeOpen(order)
  await updatePurchaseOrder(w.tx, orderId, { closedOn: paperDay(w, on), closedReason: reason })
  return answerOrder(w, orderId)
})
