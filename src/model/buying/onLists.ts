import { openOfLine, purchaseLeft, purchaseStatus } from '@/core/buying'
import type { Day } from '@/core/day'
import type { PurchaseStatus } from '@/core/kinds'
import { formatQuantity, largerMoney, money, sumMoney, zeroMoney, type Decimal, type Money } from '@/core/money'
import { valueAt } from '@/core/stock'
import { listBills, listOpenBills } from '@/data/queries/bill'
import { listGoodsReceived, listReceivedLines } from '@/data/queries/goodsReceived'
import { listPurchaseLines, listPurchaseOrders } from '@/data/queries/purchaseOrder'
import { listSupplierPayments } from '@/data/queries/supplierPayment'
import { listSuppliers } from '@/data/queries/suppliers'
import type { Where } from '../where'
import { openOfBill } from './bills'
import { cameTally } from './came'
import { netOfLines } from './orders'
import { readProposals } from './proposals'

interface OfSupplier {
  readonly id: number
  readonly supplierId: number
  readonly supplier: string
}

/** Papers of buying as they stand in their lists. */
export interface OrderOnList extends OfSupplier {
  readonly number: string
  readonly on: Day
  readonly wantedBy: Day | null
  readonly what: string
  readonly net: Money
  readonly status: PurchaseStatus
  readonly isOpen: boolean
}
export interface ReceivedOnList extends OfSupplier {
  readonly number: string
  readonly on: Day
  readonly what: string
  readonly value: Money
  readonly notBilled: Money
}
export interface BillOnList extends OfSupplier {
  readonly number: string
  readonly theirNumber: string
  readonly on: Day
  readonly dueOn: Day
  readonly gross: Money
  readonly open: Money
  readonly isOpen: boolean
  readonly isLate: boolean
  readonly isVoid: boolean
}
export interface PaymentOnList extends OfSupplier {
  readonly number: string
  readonly on: Day
  readonly account: string
  readonly amount: Money
  readonly isVoid: boolean
}
export interface SupplierOnList {
  readonly id: number
  readonly name: string
  readonly phone: string
  readonly email: string
  readonly onOrder: Money
  readonly owed: Money
  readonly late: Money
}
export interface ProposalOnList {
  readonly goodsId: number
  readonly name: string
  readonly quantity: Decimal
  readonly supplier: string
  readonly says: string
}

const sayGoods = (lines: readonly { readonly quantity: Decimal; readonly name: string }[]): string =>
  lines
    .slice(0, 2)
    .map((l) => `${formatQuantity(l.quantity)} × ${l.name}`)
    .join(', ') + (lines.length > 2 ? ' …' : '')

export const readOrderList = async (
  { db, currency }: Where,
  of: { readonly status?: PurchaseStatus; readonly supplierId?: number },
): Promise<readonly OrderOnList[]> => {
  const orders = await listPurchaseOrders(db, { supplierId: of.supplierId })
  const lines = await listPurchaseLines(db, { orderIds: orders.map((o) => o.id) })
  return orders
    .map((o) => {
      const mine = lines.filter((l) => l.orderId === o.id)
      return {
        id: o.id,
        number: o.number,
        supplierId: o.supplierId,
        supplier: o.supplier,
        on: o.onDay,
        wantedBy: o.wantedBy,
        what: sayGoods(mine.map((l) => ({ quantity: l.quantity, name: l.description }))),
        net: netOfLines(mine, currency),
        status: purchaseStatus(o, mine),
        isOpen: o.closedOn === null && mine.some((l) => l.goodsId !== null && purchaseLeft(l).toReceive.gt(0)),
      }
    })
    .filter((o) => of.status === undefined || o.status === of.status)
}

export const readReceivedList = async (
  { db, currency }: Where,
  of: { readonly supplierId?: number },
): Promise<readonly ReceivedOnList[]> => {
  const papers = await listGoodsReceived(db, of)
  const lines = await listReceivedLines(db, { receivedIds: papers.map((p) => p.id) })
  return papers.map((p) => {
    const mine = lines.filter((l) => l.receivedId === p.id)
    const sum = (amounts: readonly bigint[]): Money =>
      money(
        amounts.reduce((a, b) => a + b, 0n),
        currency,
      )
    return {
      id: p.id,
      number: p.number,
      supplierId: p.supplierId,
      supplier: p.supplier,
      on: p.onDay,
      what: sayGoods(mine),
      value: sum(mine.map((l) => l.value)),
      notBilled: sumMoney(
        mine.map((l) => largerMoney(openOfLine(cameTally(l, currency)).value, zeroMoney(currency))),
        currency,
      ),
    }
  })
}

export const readBillList = async (
  { db, currency, today }: Where,
  of: { readonly show?: 'open' | 'late'; readonly supplierId?: number },
): Promise<readonly BillOnList[]> =>
  (await listBills(db, { supplierId: of.supplierId, open: of.show !== undefined }))
    .map((b) => {
      const isVoid = b.voidedOn !== null
      const open = openOfBill(b, currency)
      const isOpen = open.minor > 0n
      return {
        id: b.id,
        number: b.number,
        theirNumber: b.theirNumber,
        supplierId: b.supplierId,
        supplier: b.supplier,
        on: b.onDay,
        dueOn: b.dueOn,
        gross: isVoid ? money(0n, currency) : money(b.gross, currency),
        open,
        isOpen,
        isLate: isOpen && b.dueOn < today,
        isVoid,
      }
    })
    .filter((b) => of.show !== 'late' || b.isLate)

export const readPaymentList = async (
  { db, currency }: Where,
  of: { readonly supplierId?: number },
): Promise<readonly PaymentOnList[]> =>
  (await listSupplierPayments(db, of)).map((p) => ({
    id: p.id,
    number: p.number,
    supplierId: p.supplierId,
    supplier: p.supplier,
    on: p.onDay,
    account: p.account,
    amount: money(p.voidedOn ? 0n : p.amount, currency),
    isVoid: p.voidedOn !== null,
  }))

export const readSupplierList = async (where: Where, search?: string): Promise<readonly SupplierOnList[]> => {
  const { db, currency, today } = where
  const [rows, open, orders] = await Promise.all([
    listSuppliers(db, search),
    listOpenBills(db, { asOf: today }, currency),
    listPurchaseOrders(db, { open: true }),
  ])
  const lines = await listPurchaseLines(db, { orderIds: orders.map((o) => o.id) })
  return rows.map((s) => {
    const mine = open.filter((b) => b.supplierId === s.id)
    const ordered = new Set(orders.filter((o) => o.supplierId === s.id).map((o) => o.id))
    const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, currency)
    return {
      id: s.id,
      name: s.name,
      phone: s.phone,
      email: s.email,
      onOrder: sum(
        lines
          .filter((l) => ordered.has(l.orderId) && l.goodsId !== null)
          .map((l) => valueAt(l.unitCost, purchaseLeft(l).toReceive, currency)),
      ),
      owed: sum(mine.map((b) => b.open)),
      late: sum(mine.filter((b) => b.dueOn < today).map((b) => b.open)),
    }
  })
}

export const readProposalList = async ({ db, business, today }: Where): Promise<readonly ProposalOnList[]> =>
  (await readProposals(db, { business, today })).map((p) => ({
    goodsId: p.goodsId,
    name: p.name,
    quantity: p.quantity,
    supplier: p.supplier,
    says:
      p.why === 'sale' ? `Short for ${p.saleIds.length} ${p.saleIds.length === 1 ? 'sale' : 'sales'}` : 'Reorder point',
  }))
