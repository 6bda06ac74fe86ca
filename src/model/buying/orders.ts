import { purchaseLeft, purchaseStatus } from '@/core/buying'
import { money, sumMoney, toDecimalString, type Money } from '@/core/money'
import type { Db } from '@/data/connect'
import { editionIn } from '../edition'
import {
  listPurchaseLines,
  listPurchaseOrders,
  listPurchaseVersions,
  type OrderFilter,
  type PurchaseLineRow,
  type PurchaseOrderRow,
} from '@/data/queries/purchaseOrder'

/** What lines of orders come to, without tax. */
export const netOfLines = (lines: readonly PurchaseLineRow[], currency: string): Money =>
  sumMoney(
    lines.map((l) => money(l.net, currency)),
    currency,
  )

/** An order as it goes to the supplier: what of it they must know. */
export const versionContent = (order: PurchaseOrderRow, lines: readonly PurchaseLineRow[]) => ({
  wantedBy: order.wantedBy,
  // Another address is another order to whoever sends it.
  ...(order.direct && { direct: true }),
  note: order.note,
  lines: lines.map((l) => ({
    id: l.id,
    description: l.description,
    quantity: l.quantity.toString(),
    unitCost: l.unitCost.toString(),
  })),
})

const inTurn = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(inTurn)
    : typeof value === 'object' && value !== null
      ? Object.entries(value)
          .sort(([a], [b]) => a.localeCompare(b))
          .map(([key, inner]) => [key, inTurn(inner)])
      : value

/** What an order says, for whoever changes it. */
export const editionOfOrder = (order: PurchaseOrderRow, lines: readonly PurchaseLineRow[]): string =>
  editionIn([order.confirmedFor, versionContent(order, lines)])

/** Whether two contents say the same, whatever the turn of their keys: the database keeps its own. */
export const sameContent = (a: unknown, b: unknown): boolean => JSON.stringify(inTurn(a)) === JSON.stringify(inTurn(b))

const viewOf = (
  order: PurchaseOrderRow,
  lines: readonly PurchaseLineRow[],
  versions: Awaited<ReturnType<typeof listPurchaseVersions>>,
  currency: string,
) => ({
  id: order.id,
  number: order.number,
  supplierId: order.supplierId,
  supplier: order.supplier,
  on: order.onDay,
  wantedBy: order.wantedBy,
  confirmedFor: order.confirmedFor,
  /** How often it went out otherwise than before; whether it was changed since. */
  version: versions.at(-1)?.n ?? 0,
  changed: versions.length > 0 && !sameContent(versions.at(-1)?.content, versionContent(order, lines)),
  direct: order.direct,
  edition: editionOfOrder(order, lines),
  note: order.note,
  status: purchaseStatus(order, lines),
  sentOn: order.sentOn,
  closedOn: order.closedOn,
  closedReason: order.closedReason,
  saleIds: [...new Set(lines.flatMap((l) => l.saleId ?? []))],
  lines: lines.map((l) => {
    const left = purchaseLeft(l)
    return {
      id: l.id,
      goodsId: l.goodsId,
      code: l.code,
      description: l.description,
      ordered: l.quantity.toString(),
      unitCost: l.unitCost.toString(),
      taxCode: l.taxCode,
      saleLineId: l.saleLineId,
      saleId: l.saleId,
      received: l.received.toString(),
      billed: l.billed.toString(),
      toReceive: l.goodsId === null ? '0' : left.toReceive.toString(),
      toBill: left.toBill.toString(),
    }
  }),
  totals: {
    net: toDecimalString(netOfLines(lines, currency)),
  },
})
export type OrderView = ReturnType<typeof viewOf>

/** Orders to suppliers, the newest first, each with its lines. */
export const orderViews = async (
  db: Db,
  of: OrderFilter,
  part: { readonly limit?: number; readonly after?: number },
  currency: string,
): Promise<readonly OrderView[]> => {
  const orders = await listPurchaseOrders(db, of, part)
  const ids = orders.map((o) => o.id)
  const [lines, versions] = await Promise.all([listPurchaseLines(db, { orderIds: ids }), listPurchaseVersions(db, ids)])
  return orders.map((o) =>
    viewOf(
      o,
      lines.filter((l) => l.orderId === o.id),
      versions.filter((v) => v.orderId === o.id),
      currency,
    ),
  )
}

export const orderView = async (db: Db, id: number, currency: string) =>
  (await orderViews(db, { id }, {}, currency))[0] ?? null
