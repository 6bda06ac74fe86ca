import type { z } from 'zod'
import { returnToSupplierInput, undoReceiptInput } from '@/contract/inputs/buying/sentBack'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { splitDifference, takeReturned } from '@/core/buying'
import type { Day } from '@/core/day'
import { postGoodsReturned } from '@/core/ledger'
import {
  addMoney,
  money,
  negateMoney,
  smaller,
  subtractMoney,
  sumMoney,
  ZERO,
  type Decimal,
  type Money,
} from '@/core/money'
import { present } from '@/core/present'
import { poolOf, sameName } from '@/core/stock'
import { findBatches } from '@/data/queries/batch'
import { findGoods, type Goods } from '@/data/queries/goods'
import {
  listGoodsReceived,
  listReceivedLines,
  updateReceivedLine,
  type ReceivedLineRow,
} from '@/data/queries/goodsReceived'
import { insertCostShares } from '@/data/queries/costShare'
import { takeNumber } from '@/data/queries/numbers'
import { listPurchaseLines, tallySentBack } from '@/data/queries/purchaseOrder'
import { reserveId } from '@/data/queries/reserveId'
import { takeCameFor } from '@/data/queries/saleLine'
import { insertGoodsReturned, insertReturnedLines } from '@/data/queries/sentBack'
import { insertMoves, type MoveRow } from '@/data/queries/stock'
import { cameTally } from '@/model/buying/came'
import { receivedView } from '@/model/buying/received'
import { returnedView } from '@/model/buying/sentBack'
import { dayAfter, defineCommand, type Work } from '../command'
import type { Named } from '../goods/leaving'
import { planLeaving } from '../goods/planLeaving'
import { stockOn } from '../goods/stockOn'
import { movesOfLine } from './movesOfLine'

type Asked = NonNullable<z.output<typeof returnToSupplierInput>['lines']>[number]

/** So many of a line that go back, which ones, and what they came in at. */
interface Back {
  readonly line: ReceivedLineRow
  readonly goods: Goods
  readonly quantity: Decimal
  readonly value: Money
  readonly from: readonly Named[]
}

/** Which pieces of a line go back: those that came with it, as far as they still lie somewhere. */
const whichOf = async (w: Work, goods: Goods, line: ReceivedLineRow, asked: Asked, on: Day, at: string) => {
  const { quantity, serials = [] } = asked
  const came = await movesOfLine(w, line)
  const { piles } = await stockOn(w, [goods], on)
  const batches = new Set(came.map((m) => m.batchId))
  const mine = piles.filter((p) => p.goodsId === goods.id && batches.has(p.batchId) && p.free.gt(0))
  const there = mine.reduce((sum, p) => sum.plus(p.free), ZERO)
  if (quantity.gt(there)) refuse({ code: 'not-here-any-more', goods: goods.name, there, asked: quantity })
  if (goods.track === 'serial') {
    const known = await findBatches(
      w.tx,
      [...batches].flatMap((id) => id ?? []),
    )
    const here = mine.flatMap((p) => (p.batchId === null ? [] : (known.get(p.batchId)?.serial ?? [])))
    const stranger = serials.findIndex((s) => !here.some((h) => sameName(h, s)))
    if (stranger >= 0) refuseAt(`${at}.serials.${stranger}`, `${serials[stranger]} did not come with it, or is gone.`)
    if (serials.length === 0 && !quantity.eq(here.length))
      refuseAt(`${at}.serials`, `${goods.name} is tracked by serial. Say which ones.`)
    return [{ serials: serials.length > 0 ? serials : here, quantity }]
  }
  if (serials.length > 0) refuseAt(`${at}.serials`, `${goods.name} has no serials. Leave them out.`)
  // First from where they came to, then from wherever they were carried.
  let missing = quantity
  const home = new Set(came.map((m) => m.placeId))
  const near = [...mine].sort((a, b) => Number(home.has(b.placeId)) - Number(home.has(a.placeId)))
  return near.flatMap((p): Named[] => {
    const part = smaller(p.free, missing)
    missing = missing.minus(part)
    return part.gt(0) ? [{ placeId: p.placeId, batchId: p.batchId ?? undefined, quantity: part }] : []
  })
}

/** Reads what goes back of a receipt: lines of it, each once. */
const readBack = async (
  w: Work,
  lines: readonly ReceivedLineRow[],
  asked: readonly Asked[],
  on: Day,
): Promise<readonly Back[]> => {
  const goods = await findGoods(
    w.tx,
    lines.map((l) => l.goodsId),
  )
  const back: Back[] = []
  for (const [i, a] of asked.entries()) {
    const at = `lines.${i}`
    const line =
      lines.find((l) => l.id === a.lineId) ?? refuseAt(`${at}.lineId`, 'This did not come with that receipt.')
    if (back.some((b) => b.line === line)) refuseAt(`${at}.lineId`, 'This line is named twice. Add the quantities.')
    const value =
      takeReturned(cameTally(line, w.currency), a.quantity) ??
      refuse({
        code: 'more-than-came-back',
        line: line.name,
        left: line.quantity.minus(line.returned),
        asked: a.quantity,
      })
    const thing = present(goods.get(line.goodsId))
    back.push({ line, goods: thing, quantity: a.quantity, value, from: await whichOf(w, thing, line, a, on, at) })
  }
  return back
}

/**
 * What an undone receipt takes off the worth of what stays, or gives it, so that stock is worth what it was before it came; as
 * far as it can be: at average cost what leaves is an average, and not what just these came in at.
 */
const rightWorth = async (
  w: Work,
  { goods, value }: Back,
  cost: Money,
  left: readonly MoveRow[],
): Promise<MoveRow[]> => {
  const [first] = left
  if (goods.costing !== 'average' || !first) return []
  const { pools } = await stockOn(w, [goods], first.on)
  const free = pools.get(poolOf(goods.costing, first))?.free
  if (!free) return []
  const { toStock } = splitDifference(subtractMoney(cost, value), {
    here: free.quantity,
    of: free.quantity,
    most: free.value,
  })
  return toStock.minor === 0n ? [] : [{ ...first, quantity: ZERO, value: toStock, saleLineId: null }]
}

interface SendingBack {
  readonly receivedId: number
  readonly on?: Day
  readonly reason: string
  readonly lines?: readonly Asked[]
  /** It never came. */
  readonly undoes: boolean
}

/** Counts back what went: on its line, on its order, and for the sale it came for. */
const tallyBack = async (w: Work, { line, quantity, value }: Back, undoes: boolean): Promise<void> => {
  await updateReceivedLine(w.tx, line.id, {
    returned: line.returned.plus(quantity),
    returnedValue: addMoney(money(line.returnedValue, w.currency), value).minor,
  })
  if (line.orderLineId === null) return
  await tallySentBack(
    w.tx,
    line.orderLineId,
    undoes ? { received: quantity, returned: ZERO } : { received: ZERO, returned: quantity },
  )
  const [order] = await listPurchaseLines(w.tx, { lineIds: [line.orderLineId] })
  if (order && order.saleLineId !== null) await takeCameFor(w.tx, order.saleLineId, quantity)
}

/** Takes goods off the shelves at what they cost, and off what came. Answers the id of what is written. */
const sendBack = async (w: Work, { receivedId, on: asked, reason, lines, undoes }: SendingBack): Promise<number> => {
  const paper = found((await listGoodsReceived(w.tx, { id: receivedId }))[0], 'receipt of goods', receivedId)
  const on = dayAfter(w, asked, paper.onDay, `${paper.number} came only later.`)
  const came = await listReceivedLines(w.tx, { receivedIds: [receivedId] })
  if (undoes && came.some((l) => l.billed.gt(0) || l.returned.gt(0)))
    refuse({ code: 'receipt-went-on', number: paper.number })
  const all = came
    .filter((l) => l.returned.lt(l.quantity))
    .map((l) => ({ lineId: l.id, quantity: l.quantity.minus(l.returned) }))
  if (!lines && all.length === 0) refuse({ code: 'all-went-back', number: paper.number })
  const back = await readBack(w, came, lines ?? all, on)
  const number = await takeNumber(w.tx, 'goods-returned', on)
  const id = await reserveId(w.tx, 'goods_returned')
  const costs: Money[] = []
  for (const b of back) {
    const { moves } = await planLeaving(w, [{ goods: b.goods, quantity: b.quantity, from: b.from }], { on })
    await insertMoves(w.tx, moves, { kind: 'goods-returned', id })
    const cost = negateMoney(
      sumMoney(
        moves.map((m) => m.value),
        w.currency,
      ),
    )
    const right = undoes ? await rightWorth(w, b, cost, moves) : []
    await insertMoves(w.tx, right, { kind: 'goods-returned', id })
    costs.push(right.reduce((sum, m) => subtractMoney(sum, m.value), cost))
    await tallyBack(w, b, undoes)
  }
  const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, w.currency)
  const text = `${undoes ? `${paper.number} undone` : `Sent back ${number}`}, ${paper.supplier}: ${reason}`
  const entry = postGoodsReturned({ on, text, value: sum(back.map((b) => b.value)), cost: sum(costs) })
  const entryId = entry.lines.length > 0 ? await w.post(entry, { kind: 'goods-returned', id }) : null
  if (entryId !== null)
    await insertCostShares(
      w.tx,
      entryId,
      back.map((b, i) => ({
        goodsId: b.goods.id,
        saleLineId: null,
        amount: subtractMoney(present(costs[i]), b.value).minor,
      })),
    )
  await insertGoodsReturned(w.tx, { number, receivedId, onDay: on, reason, undoes, entryId }, id)
  await insertReturnedLines(
    w.tx,
    back.map((b, i) => ({
      returnedId: id,
      receivedLineId: b.line.id,
      quantity: b.quantity,
      value: b.value.minor,
      cost: present(costs[i]).minor,
    })),
  )
  return id
}

/** Goods go back to the supplier they came from. What is billed of them waits for the supplier's credit. */
export const returnToSupplier = defineCommand('return-to-supplier', returnToSupplierInput, async (w, input) => {
  const id = await sendBack(w, { ...input, undoes: false })
  return { id, answer: async () => present(await returnedView(w.tx, id, w.currency)) }
})

/** A receipt that was entered wrong, as if it had never been: nothing of it may be billed, sold or back. */
export const undoReceipt = defineCommand('undo-receipt', undoReceiptInput, async (w, input) => {
  await sendBack(w, { ...input, undoes: true })
  return { id: input.receivedId, answer: async () => present(await receivedView(w.tx, input.receivedId, w)) }
})
