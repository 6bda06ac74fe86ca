import { leftOfLine } from '@/core/buying'
import { formatDay } from '@/core/day'
import { isKeptByPapers } from '@/core/ledger'
import {
  decimal,
  floor,
  formatMoney,
  isPositiveMoney,
  money,
  smaller,
  subtractMoney,
  toDecimalString,
} from '@/core/money'
import { listAccounts } from '@/data/queries/accounts'
import { listFiles } from '@/data/queries/files'
import { listBillLines, listLastBilled } from '@/data/queries/bill'
import { findGoods } from '@/data/queries/goods'
import { listGoodsReceived, listReceivedLines } from '@/data/queries/goodsReceived'
import { listSpread } from '@/data/queries/landedCost'
import { listPurchaseLines } from '@/data/queries/purchaseOrder'
import { listPost } from '@/data/queries/post'
import { listSupplierCredits } from '@/data/queries/sentBack'
import { listPlaces } from '@/data/queries/stock'
import { findSupplier, listSupplierAddresses } from '@/data/queries/suppliers'
import { readEntriesOf, readEntriesOfAll } from '../books/entry'
import { readPlainTaxCodes } from '../books/taxCodes'
import type { Where } from '../where'
import { billView } from './bills'
import { cameTally } from './came'
import { readSpreadCosts } from './landedCosts'
import { readToPay } from './letOff'
import { orderView } from './orders'
import { paymentView } from './payments'
import { receivedView } from './received'
import { creditedOfLine } from './sentBack'

const idIn = (text: string | undefined): number | null => (text && /^\d{1,9}$/.test(text) ? Number(text) : null)

/** The supplier an address names; null where it names none. */
export const readSupplier = async ({ db }: Where, text: string | undefined) => {
  const id = idIn(text)
  return id === null ? null : findSupplier(db, id)
}

/** What an order held, to be ordered again: no line belongs to a sale, and goods cost what they cost now. */
export const readAgain = async ({ db, currency }: Where, text: string | undefined) => {
  const id = idIn(text)
  const order = id === null ? null : await orderView(db, id, currency)
  return (
    order && {
      supplierId: order.supplierId,
      lines: order.lines
        .filter((l) => decimal(l.ordered).gt(0))
        .map((l) => ({
          ...(l.goodsId === null ? {} : { goodsId: l.goodsId }),
          description: l.description,
          quantity: l.ordered,
          unitCost: l.goodsId === null ? l.unitCost : '',
        })),
    }
  )
}

/** What a form for a supplier's bill lets choose from: what came of theirs and is not invoiced, accounts and tax codes. */
export const readBillChoices = async (where: Where, text: string | undefined) => {
  const { db, today, currency } = where
  const supplier = await readSupplier(where, text)
  const papers = supplier ? await listGoodsReceived(db, { supplierId: supplier.id }) : []
  const [lines, accounts, codes] = await Promise.all([
    listReceivedLines(db, { receivedIds: papers.map((p) => p.id) }),
    listAccounts(db),
    readPlainTaxCodes(db, today),
  ])
  return {
    supplier: supplier && { id: supplier.id, name: supplier.name, taxCode: supplier.taxCode },
    goods: lines
      .map((l) => ({ ...l, toBill: leftOfLine(cameTally(l, currency)).toBill }))
      .filter((l) => l.toBill.gt(0))
      .map((l) => ({
        receivedLineId: l.id,
        description: l.name,
        quantity: l.toBill.toString(),
        unitCost: l.unitCost.toString(),
      })),
    accounts: accounts
      .filter((a) => (a.kind === 'expense' || a.kind === 'asset') && !isKeptByPapers(a))
      .sort((a, b) => Number(b.kind === 'expense') - Number(a.kind === 'expense') || a.code.localeCompare(b.code))
      .map((a) => ({ id: a.id, code: a.code, name: a.name })),
    codes: codes.map((c) => ({ code: c.code, name: c.name })),
  }
}

/** An order to a supplier, how its goods are told apart, and where they may come to. */
export const readOrderPage = async ({ db, currency }: Where, id: number) => {
  const order = await orderView(db, id, currency)
  if (!order) return null
  const [lines, places, letters, billed, goods] = await Promise.all([
    listPurchaseLines(db, { orderIds: [id] }),
    listPlaces(db),
    listPost(db, { supplierId: order.supplierId, of: { paper: 'purchase-order', id } }, {}),
    listLastBilled(
      db,
      order.supplierId,
      order.lines.flatMap((l) => l.goodsId ?? []),
    ),
    findGoods(
      db,
      order.lines.flatMap((l) => l.goodsId ?? []),
    ),
  ])
  return {
    order,
    /** How the goods of its lines are told apart, and what a scanner reads of them. */
    tracks: new Map(lines.map((l) => [l.id, l.track ?? ('none' as const)])),
    codes: new Map(lines.map((l) => [l.id, [l.code ?? '', l.barcode ?? ''].filter((c) => c !== '')])),
    places: places.map((p) => ({ id: p.id, name: p.name })),
    letters,
    /** Lines that cost another price than was billed last, with what it sells for: by the line. */
    priceChanges: new Map(
      order.lines.flatMap((l) => {
        const last = l.goodsId === null ? undefined : billed.get(l.goodsId)
        const thing = l.goodsId === null ? undefined : goods.get(l.goodsId)
        return last && thing && !last.unitCost.eq(decimal(l.unitCost))
          ? [[l.id, { ...last, sellsAt: thing.price }] as const]
          : []
      }),
    ),
  }
}

/** As many labels of a thing are printed at once. */
const MOST_LABELS = decimal(999)

/** What came from a supplier, with what it posted. */
export const readReceivedPage = async (where: Where, id: number) => {
  const paper = await receivedView(where.db, id, where)
  if (!paper) return null
  const papers = [{ kind: 'goods-received', id }, ...paper.returns.map((r) => ({ kind: 'goods-returned', id: r.id }))]
  const [posted, goods, addresses] = await Promise.all([
    readEntriesOfAll(where, papers),
    findGoods(
      where.db,
      paper.lines.map((l) => l.goodsId),
    ),
    listSupplierAddresses(where.db, [paper.supplierId]),
  ])
  return {
    paper,
    posted,
    /** Where what goes back is sent to, where that is said. */
    returnsTo: addresses.find((a) => a.use === 'returns')?.text ?? '',
    /** What was spread over it. */
    spread: await readSpreadCosts(where.db, { receivedId: id }, where.currency),
    /** A label for each piece that is still here, in whole ones. */
    labels: paper.lines
      .map((l) => ({ goodsId: l.goodsId, count: floor(decimal(l.quantity).minus(l.returned)) }))
      .filter((l) => l.count.gt(0))
      .map((l) => `${l.goodsId}x${smaller(l.count, MOST_LABELS).toString()}`)
      .join(','),
    /** What of it may go back. */
    back: paper.lines.flatMap((l) => {
      const left = decimal(l.quantity).minus(l.returned)
      const track = goods.get(l.goodsId)?.track ?? ('none' as const)
      return left.gt(0) ? [{ id: l.id, name: l.name, left: left.toString(), track }] : []
    }),
  }
}

/** Goods of a bill that went back and wait for its credit. */
const readWaiting = async ({ db, currency }: Where, billId: number) => {
  const lines = await listBillLines(db, [billId])
  const [named, ordered] = await Promise.all([
    listReceivedLines(db, { lineIds: lines.flatMap((l) => l.receivedLineId ?? []) }),
    listReceivedLines(db, {
      orderLineIds: lines.flatMap((l) => (l.receivedLineId === null ? (l.orderLineId ?? []) : [])),
    }),
  ])
  return [...new Map([...named, ...ordered].map((l) => [l.id, l])).values()].flatMap((l) => {
    const { toCredit } = leftOfLine(cameTally(l, currency))
    return toCredit.gt(0) ? [{ receivedLineId: l.id, description: l.name, quantity: toCredit.toString() }] : []
  })
}

/** A supplier's bill, with what it posted, which of its lines may join the cost of goods, and what came lately. */
export const readBillPage = async (where: Where, id: number) => {
  const bill = await billView(where.db, id, where)
  if (!bill) return null
  const byAccount = (await listBillLines(where.db, [id])).filter(
    (l) => l.receivedLineId === null && l.orderLineId === null,
  )
  const spread = await listSpread(
    where.db,
    byAccount.map((l) => l.id),
  )
  const credits = await listSupplierCredits(where.db, { billIds: [id] })
  const costs = byAccount
    .map((l) => ({
      l,
      left: subtractMoney(money(l.net, where.currency), creditedOfLine(credits, l.id, where.currency)),
    }))
    .filter(({ l, left }) => !spread.has(l.id) && isPositiveMoney(left))
    .map(({ l, left }) => ({ id: l.id, says: `${l.description}, ${formatMoney(left)}` }))
  const papers = costs.length === 0 ? [] : await listGoodsReceived(where.db, {}, { limit: 40 })
  const credited = bill.credits.map((c) => ({ kind: 'supplier-credit', id: c.id }))
  const toPay = await readToPay(where.db, { ids: [id] }, where.today, where.currency)
  return {
    bill,
    toPay: toDecimalString(toPay.amount),
    posted: await readEntriesOfAll(where, [{ kind: 'bill', id }, ...credited]),
    waiting: await readWaiting(where, id),
    files: await listFiles(where.db, 'bill', id),
    costs,
    spread: await readSpreadCosts(where.db, { billLineIds: byAccount.map((l) => l.id) }, where.currency),
    received: papers
      .filter((p) => p.onDay <= where.today)
      .map((p) => ({ id: p.id, says: `${p.number}, ${p.supplier}, ${formatDay(p.onDay)}` })),
  }
}

/** A payment to a supplier, with what it posted. */
export const readPaymentPage = async (where: Where, id: number) => {
  const payment = await paymentView(where.db, id, where)
  return payment && { payment, posted: await readEntriesOf(where, { kind: 'supplier-payment', id }) }
}
