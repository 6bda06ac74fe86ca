import { voidBillInput } from '@/contract/inputs/buying/bills'
import { found, refuse } from '@/contract/refuse'
import { openOfLine, unitsOfPart } from '@/core/buying'
import { postAheadUsed, postBill, reverseEntry } from '@/core/ledger'
import { money, negateMoney, sumMoney, ZERO, type Money, subtractMoney } from '@/core/money'
import { present } from '@/core/present'
import { balanceOn, lowestFrom } from '@/core/running'
import {
  insertAheadMove,
  insertBillFills,
  listBillFills,
  listBillLines,
  listBills,
  markBillVoid,
  type BillLineRow,
  type BillRow,
} from '@/data/queries/bill'
import { insertCostShares, listTurnedShares } from '@/data/queries/costShare'
import { listReceivedLines, updateReceivedLine } from '@/data/queries/goodsReceived'
import { listSpread } from '@/data/queries/landedCost'
import { listPurchaseLines, tallyBilled } from '@/data/queries/purchaseOrder'
import { listSupplierCredits } from '@/data/queries/sentBack'
import { cameTally } from '@/model/buying/came'
import { billView, isOfGoods } from '@/model/buying/bills'
import { dayAfter, defineCommand, type Work } from '../command'
import { keepOwnTax } from './keepOwnTax'
import { moveWorth } from './moveWorth'

/** Counts back what a line of the bill had invoiced; the difference it made leaves stock as far as it still can. */
const takeBack = async (w: Work, l: BillLineRow, b: BillRow, on: BillRow['onDay']): Promise<Money> => {
  const [received] = l.receivedLineId === null ? [] : await listReceivedLines(w.tx, { lineIds: [l.receivedLineId] })
  if (received && openOfLine(cameTally(received, w.currency)).quantity.lt(0))
    refuse({ code: 'went-back', number: b.number, line: l.description })
  if (received)
    await updateReceivedLine(w.tx, received.id, {
      billed: received.billed.minus(l.quantity),
      billedValue: received.billedValue - l.cleared,
    })
  const orderLineId = l.orderLineId ?? received?.orderLineId ?? null
  if (orderLineId !== null) {
    const [order] = await listPurchaseLines(w.tx, { lineIds: [orderLineId] })
    const ahead = !received && order?.goodsId !== null
    // What came of it since came at this price: it cannot be taken back alone.
    const came =
      ahead &&
      (present(order).ahead.lt(l.quantity) ||
        present(order).aheadValue < l.cleared ||
        present(order).ahead.eq(l.quantity) !== (present(order).aheadValue === l.cleared))
    if (came) refuse({ code: 'came-since', number: b.number, line: l.description })
    await tallyBilled(w.tx, orderLineId, {
      billed: l.quantity.neg(),
      ahead: ahead ? l.quantity.neg() : ZERO,
      aheadValue: ahead ? -l.cleared : 0n,
    })
  }
  if (!received || l.toStock === 0n) return money(0n, w.currency)
  const { toStock } = await moveWorth(w, received, money(-l.toStock, w.currency), {
    of: unitsOfPart(l.quantity, money(l.toStock, w.currency), money(l.difference, w.currency)),
    on,
    paper: { kind: 'bill', id: b.id },
  })
  return toStock
}

/** What was used of money paid in advance lies there again. */
const giveAheadBack = async (w: Work, b: BillRow, on: BillRow['onDay'], text: string): Promise<void> => {
  const fills = (await listBillFills(w.tx, { billIds: [b.id] })).filter((f) => f.kind === 'ahead')
  const amount = sumMoney(
    fills.map((f) => money(f.amount, w.currency)),
    w.currency,
  )
  if (amount.minor === 0n) return
  const entryId = await w.post(reverseEntry(postAheadUsed({ on, text, amount }), on, text), {
    kind: 'bill',
    id: b.id,
  })
  await insertBillFills(w.tx, [{ billId: b.id, onDay: on, kind: 'void', amount: negateMoney(amount).minor, entryId }])
  await insertAheadMove(w.tx, { supplierId: b.supplierId, onDay: on, amount: amount.minor, billId: b.id, entryId })
}

/** A supplier's bill does not count from a day on: entered wrong, or twice. Not one on which something was paid. */
export const voidBill = defineCommand('void-bill', voidBillInput, async (w, { billId, on, reason }) => {
  const b = found((await listBills(w.tx, { id: billId }))[0], 'bill', billId)
  if (b.voidedOn) refuse({ code: 'already-voided', number: b.number })
  const onDay = dayAfter(w, on, b.onDay, `${b.number} is dated later.`)
  const paid = (await listBillFills(w.tx, { billIds: [billId] })).filter((f) => f.kind !== 'ahead')
  const off = paid.map((f) => ({ on: f.onDay, by: -f.amount }))
  if (balanceOn(off, w.today) !== 0n || lowestFrom(off, onDay) !== 0n)
    refuse({ code: 'bill-is-paid', number: b.number })
  const lines = await listBillLines(w.tx, [billId])
  const credits = await listSupplierCredits(w.tx, { billIds: [billId] })
  if (credits.some((c) => !c.voidedOn)) refuse({ code: 'bill-was-credited', number: b.number })
  const spread = await listSpread(
    w.tx,
    lines.map((l) => l.id),
  )
  if (spread.size > 0) refuse({ code: 'cost-was-spread', number: b.number })
  const amount = (minor: bigint): Money => money(minor, w.currency)
  const sum = (of: (l: BillLineRow) => bigint): Money => amount(lines.reduce((all, l) => all + of(l), 0n))
  const text = `${b.number} void: ${reason}`
  const back: Money[] = []
  for (const l of lines) back.push(await takeBack(w, l, b, onDay))
  const given = await listTurnedShares(w.tx, b.entryId)
  const fromStock = sumMoney(back, w.currency)
  const toStock = negateMoney(fromStock)
  const posted = postBill({
    on: onDay,
    text,
    cleared: sum((l) => l.cleared),
    toStock,
    toCost: subtractMoney(
      sum((l) => l.difference),
      toStock,
    ),
    accounts: lines.filter((l) => !isOfGoods(l)).map((l) => ({ accountId: l.accountId, net: amount(l.net) })),
    tax: amount(b.tax),
    gross: amount(b.gross),
  })
  const entryId = await w.post(reverseEntry(posted, onDay, text), {
    kind: 'bill',
    id: billId,
    reversesId: b.entryId,
  })
  await insertCostShares(w.tx, entryId, given)
  await giveAheadBack(w, b, onDay, text)
  await markBillVoid(w.tx, billId, onDay, reason)
  await keepOwnTax(w, billId, { on: onDay, text, paper: { kind: 'bill', id: billId } })
  return { id: billId, answer: async () => present(await billView(w.tx, billId, w)) }
})
