import { openOfLine, purchaseLeft, purchaseStatus } from '@/core/buying'
import type { Day } from '@/core/day'
import type { PurchaseStatus } from '@/core/kinds'
import { formatQuantity, largerMoney, money, sumMoney, zeroMoney, type Decimal, type Money } from '@/core/money'
import { rowsBy } from '@/core/rowsBy'
import { listBills, listOpenBills } from '@/data/queries/bill'
import {
  findBills,
  findOrders,
  findPayments,
  findReceived,
  type OfSupplier as OfSupplierFilter,
} from '@/data/queries/buyingLists'
import type { Part } from '@/data/queries/inOrder'
import { listGoodsReceived, listReceivedLines } from '@/data/queries/goodsReceived'
import { listPurchaseLines, listPurchaseOrders, sumOnOrderOf } from '@/data/queries/purchaseOrder'
import { listSupplierPayments } from '@/data/queries/supplierPayment'
import { listSuppliers } from '@/data/queries/suppliers'
import type { Where } from '../where'
import { cameTally } from './came'
import { openOfBill } from './letOff'
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

/** Rows of a page in the order in which they were found. */
const inTurn = <T extends { readonly id: number }>(ids: readonly number[], rows: readonly T[]): readonly T[] => {
  const byId = new Map(rows.map((r) => [r.id, r]))
  return ids.flatMap((id) => byId.get(id) ?? [])
}

export const readOrderList = async (
  { db, currency }: Where,
  of: { readonly status?: PurchaseStatus; readonly supplierId?: number },
  part: Part,
) => {
  const found = await findOrders(db, of, part, currency)
  const [orders, lines] = await Promise.all([
    listPurchaseOrders(db, { ids: found.ids }),
    listPurchaseLines(db, { orderIds: found.ids }),
  ])
  const linesOf = rowsBy(lines, (l) => l.orderId)
  const rows = orders.map((o): OrderOnList => {
    const mine = linesOf.get(o.id) ?? []
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
  return { rows: inTurn(found.ids, rows), count: found.count, sums: found.sums }
}

export const readReceivedList = async ({ db, currency }: Where, of: { readonly supplierId?: number }, part: Part) => {
  const found = await findReceived(db, of, part, currency)
  const [papers, lines] = await Promise.all([
    listGoodsReceived(db, { ids: found.ids }),
    listReceivedLines(db, { receivedIds: found.ids }),
  ])
  const linesOf = rowsBy(lines, (l) => l.receivedId)
  const rows = papers.map((p): ReceivedOnList => {
    const mine = linesOf.get(p.id) ?? []
    return {
      id: p.id,
      number: p.number,
      supplierId: p.supplierId,
      supplier: p.supplier,
      on: p.onDay,
      what: sayGoods(mine),
      value: sumMoney(
        mine.map((l) => money(l.value, currency)),
        currency,
      ),
      notBilled: sumMoney(
        mine.map((l) => largerMoney(openOfLine(cameTally(l, currency)).value, zeroMoney(currency))),
        currency,
      ),
    }
  })
  return { rows: inTurn(found.ids, rows), count: found.count, sums: found.sums }
}

export const readBillList = async (
  { db, currency, today }: Where,
  of: OfSupplierFilter & { readonly show?: 'open' | 'late' },
  part: Part,
) => {
  const found = await findBills(db, of, part, { today, currency })
  const rows = (await listBills(db, { ids: found.ids })).map((b): BillOnList => {
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
      gross: isVoid ? zeroMoney(currency) : money(b.gross, currency),
      open,
      isOpen,
      isLate: isOpen && b.dueOn < today,
      isVoid,
    }
  })
  return { rows: inTurn(found.ids, rows), count: found.count, sums: found.sums }
}

export const readPaymentList = async ({ db, currency }: Where, of: OfSupplierFilter, part: Part) => {
  const found = await findPayments(db, of, part, currency)
  const rows = (await listSupplierPayments(db, { ids: found.ids })).map((p): PaymentOnList => ({
    id: p.id,
    number: p.number,
    supplierId: p.supplierId,
    supplier: p.supplier,
    on: p.onDay,
    account: p.account,
    amount: p.voidedOn ? zeroMoney(currency) : money(p.amount, currency),
    isVoid: p.voidedOn !== null,
  }))
  return { rows: inTurn(found.ids, rows), count: found.count, sums: found.sums }
}

export const readSupplierList = async (where: Where, search?: string): Promise<readonly SupplierOnList[]> => {
  const { db, currency, today } = where
  const [rows, open, onOrder] = await Promise.all([
    listSuppliers(db, search),
    listOpenBills(db, { asOf: today }, currency),
    sumOnOrderOf(db, currency),
  ])
  const billsOf = rowsBy(open, (b) => b.supplierId)
  return rows.map((s) => {
    const mine = billsOf.get(s.id) ?? []
    const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, currency)
    return {
      id: s.id,
      name: s.name,
      phone: s.phone,
      email: s.email,
      onOrder: money(onOrder.get(s.id) ?? 0n, currency),
      owed: sum(mine.map((b) => b.open)),
      late: sum(mine.filter((b) => b.dueOn < today).map((b) => b.open)),
    }
  })
}

export const readProposalList = async ({ db, today }: Where): Promise<readonly ProposalOnList[]> =>
  (await readProposals(db, { today })).map((p) => ({
    goodsId: p.goodsId,
    name: p.name,
    quantity: p.quantity,
    supplier: p.supplier,
    says: [
      p.why === 'sale' ? `Short for ${p.saleIds.length} ${p.saleIds.length === 1 ? 'sale' : 'sales'}` : 'Reorder point',
      ...(p.chosen === 'cheapest' ? ['costs least here'] : p.chosen === 'preferred' ? ['preferred supplier'] : []),
    ].join(', '),
  }))
