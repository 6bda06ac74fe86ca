import type { BillLineInput } from '@/contract/inputs/buying/bills'
import { refuse, refuseAt } from '@/contract/refuse'
import { leftOfLine, purchaseLeft, takeBilled } from '@/core/buying'
import { decimal, money, smaller, splitMoney, zeroMoney, ZERO, type Decimal, type Money, addMoney } from '@/core/money'
import { present } from '@/core/present'
import { valueAt } from '@/core/stock'
import { listAccounts } from '@/data/queries/accounts'
import { listReceivedLines, updateReceivedLine, type ReceivedLineRow } from '@/data/queries/goodsReceived'
import { listPurchaseLines, listPurchaseOrders, tallyBilled, type PurchaseLineRow } from '@/data/queries/purchaseOrder'
import { cameTally } from '@/model/buying/came'
import { ownAccount } from '../books/ownAccount'
import type { Work } from '../command'

const ONE = decimal(1)

/** A part of a bill: for goods that came, goods that did not come yet, or an account. */
export interface Part {
  readonly received: ReceivedLineRow | null
  readonly order: PurchaseLineRow | null
  readonly accountId: number
  readonly description: string
  readonly quantity: Decimal
  readonly net: Money
  /** What of “goods received, not invoiced” it clears. */
  readonly cleared: Money
  /** Which line of the input it is of. */
  readonly of: number
}

interface Papers {
  readonly received: readonly ReceivedLineRow[]
  readonly orders: readonly PurchaseLineRow[]
  readonly notBilled: number
  readonly costOfSales: number
}

/** What a bill's lines speak of, checked to be of this supplier. */
const readPapers = async (w: Work, supplierId: number, lines: readonly BillLineInput[]): Promise<Papers> => {
  const orders = await listPurchaseLines(w.tx, { lineIds: lines.flatMap((l) => l.purchaseOrderLineId ?? []) })
  const [named, came, heads] = await Promise.all([
    listReceivedLines(w.tx, { lineIds: lines.flatMap((l) => l.receivedLineId ?? []) }),
    listReceivedLines(w.tx, { orderLineIds: orders.map((o) => o.id) }),
    listPurchaseOrders(w.tx, { ids: orders.map((o) => o.orderId) }),
  ])
  const received = [...new Map([...named, ...came].map((r) => [r.id, r])).values()].filter(
    (r) => r.supplierId === supplierId,
  )
  const own = new Set(heads.filter((h) => h.supplierId === supplierId).map((h) => h.id))
  return {
    received,
    orders: orders.filter((o) => own.has(o.orderId)),
    notBilled: w.accountId('received-not-billed'),
    costOfSales: w.accountId('cost-of-goods-sold'),
  }
}

/** What is asked for so many: the amount that is said, else the cost of each, else what they came in at. */
const netOf = (w: Work, l: BillLineInput, quantity: Decimal, usual: Money, path: string): Money => {
  if (l.amount !== undefined) return w.money(l.amount, `${path}.amount`)
  return l.unitCost === undefined ? usual : valueAt(l.unitCost, quantity, w.currency)
}

/** What is left of lines that came while a bill is put together: each is invoiced once. */
const leftOf = (received: readonly ReceivedLineRow[], currency: string) => {
  const tallies = new Map(received.map((r) => [r.id, cameTally(r, currency)]))
  const of = (r: ReceivedLineRow) => present(tallies.get(r.id))
  return {
    /** How many are not billed, those apart that went back. */
    toBill: (r: ReceivedLineRow): Decimal => leftOfLine(of(r)).toBill,
    /** What so many came in at; null where that many are not left. */
    take: (r: ReceivedLineRow, quantity: Decimal): Money | null => {
      const tally = of(r)
      const value = takeBilled(tally, quantity)
      if (value)
        tallies.set(r.id, {
          ...tally,
          billed: tally.billed.plus(quantity),
          billedValue: addMoney(tally.billedValue, value),
        })
      return value
    },
  }
}

/** Goods that came, of a line of the bill. */
const partOfReceived = (
  w: Work,
  l: BillLineInput,
  i: number,
  papers: Papers,
  left: ReturnType<typeof leftOf>,
): Part => {
  const row =
    papers.received.find((r) => r.id === l.receivedLineId) ??
    refuseAt(`lines.${i}.receivedLineId`, 'This did not come from this supplier. Choose it anew.')
  const there = left.toBill(row)
  const quantity = l.quantity ?? there
  const cleared =
    left.take(row, quantity) ?? refuse({ code: 'more-than-came', line: row.name, left: there, asked: quantity })
  const net = netOf(w, l, quantity, cleared, `lines.${i}`)
  return {
    received: row,
    order: null,
    accountId: papers.notBilled,
    description: l.description || row.name,
    quantity,
    net,
    cleared,
    of: i,
  }
}

/** A line of an order: first what came of it and is not billed yet, the rest before it comes. */
const partsOfOrder = (
  w: Work,
  l: BillLineInput,
  i: number,
  papers: Papers,
  left: ReturnType<typeof leftOf>,
): readonly Part[] => {
  const line =
    papers.orders.find((o) => o.id === l.purchaseOrderLineId) ??
    refuseAt(`lines.${i}.purchaseOrderLineId`, 'This is on no order with this supplier. Choose it anew.')
  const most = purchaseLeft(line).toBill
  const quantity = l.quantity ?? most
  if (quantity.gt(most) || most.lte(0))
    refuse({ code: 'more-than-came', line: line.description, left: most, asked: quantity })
  const net = netOf(w, l, quantity, valueAt(line.unitCost, quantity, w.currency), `lines.${i}`)
  const said = { description: l.description || line.description, of: i, order: line }
  if (line.goodsId === null)
    return [{ ...said, received: null, accountId: papers.costOfSales, quantity, net, cleared: zeroMoney(w.currency) }]
  let missing = quantity
  const taken = papers.received
    .filter((r) => r.orderLineId === line.id)
    .flatMap((r) => {
      const part = smaller(left.toBill(r), missing)
      const cleared = part.gt(0) ? left.take(r, part) : null
      if (!cleared) return []
      missing = missing.minus(part)
      return [{ received: r, quantity: part, cleared }]
    })
  const ahead = missing.gt(0) ? [{ received: null, quantity: missing, cleared: null }] : []
  const nets = splitMoney(
    net,
    [...taken, ...ahead].map((p) => p.quantity),
  )
  return [...taken, ...ahead].map((p, n) => {
    const share = present(nets[n])
    // What did not come yet clears what it will be worth when it comes: what is asked for it now.
    return { ...said, ...p, accountId: papers.notBilled, net: share, cleared: p.cleared ?? share }
  })
}

/** Every part of a bill, in the order of its lines. */
export const partsOf = async (
  w: Work,
  supplierId: number,
  lines: readonly BillLineInput[],
): Promise<readonly Part[]> => {
  const papers = await readPapers(w, supplierId, lines)
  const left = leftOf(papers.received, w.currency)
  const accounts = await listAccounts(w.tx)
  return lines.flatMap((l, i): readonly Part[] => {
    if (l.receivedLineId !== undefined) return [partOfReceived(w, l, i, papers, left)]
    if (l.purchaseOrderLineId !== undefined) return partsOfOrder(w, l, i, papers, left)
    const at = { path: `lines.${i}.accountId`, now: 'Choose another account.' }
    const account = ownAccount(accounts, present(l.accountId), at)
    const quantity = l.quantity ?? ONE
    const net = netOf(w, l, quantity, zeroMoney(w.currency), `lines.${i}`)
    return [
      {
        received: null,
        order: null,
        accountId: account.id,
        description: l.description || account.name,
        quantity,
        net,
        cleared: zeroMoney(w.currency),
        of: i,
      },
    ]
  })
}

/** Counts what was invoiced on what came and on what was ordered. */
export const tallyPart = async (w: Work, { received, order, quantity, cleared }: Part): Promise<void> => {
  if (received) {
    const [now] = await listReceivedLines(w.tx, { lineIds: [received.id] })
    const row = present(now)
    await updateReceivedLine(w.tx, row.id, {
      billed: row.billed.plus(quantity),
      billedValue: addMoney(money(row.billedValue, w.currency), cleared).minor,
    })
  }
  const orderLineId = order?.id ?? received?.orderLineId
  if (orderLineId === undefined || orderLineId === null) return
  const ahead = received || order?.goodsId === null ? null : { quantity, value: cleared.minor }
  await tallyBilled(w.tx, orderLineId, {
    billed: quantity,
    ahead: ahead?.quantity ?? ZERO,
    aheadValue: ahead?.value ?? 0n,
  })
}
