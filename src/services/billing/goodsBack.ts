import {
  decimal,
  isPositiveMoney,
  larger,
  roundToMoney,
  smaller,
  smallerMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  zeroMoney,
  ZERO,
  type Decimal,
  type Money,
} from '@/core/money'
import type { Credit } from '@/core/sale'
import { postGoodsBack } from '@/core/ledger'
import type { Day } from '@/core/day'
import { takeNumber } from '@/data/queries/numbers'
import { insertHandover, listHandovers, reserveId } from '@/data/queries/sales'
import { findGoods, insertMoves, listMovesOf } from '@/data/queries/goods'
import type { Work } from '../command'
import { refuse } from '../refuse'
import type { LockedSale } from '../sales/saleWork'
import { readWaitingAhead } from './waitingAhead'

/** The part of a credit that had been billed ahead of handover: it goes back from there, never having been income. */
export const aheadOfCredit = async (
  w: Work,
  { sale, lines }: LockedSale,
  credit: Credit,
  invoiceLines: readonly { id: number; saleLineId: number }[],
  back: ReadonlyMap<number, Decimal>,
): Promise<Map<number, Money>> => {
  const waitingOn = await readWaitingAhead(w, sale.id)
  return new Map(
    credit.lines.map((part) => {
      const line = lines.find((l) => l.id === invoiceLines.find((x) => x.id === part.lineId)!.saleLineId)!
      const waiting = waitingOn(line.id)
      const aheadQuantity = larger(
        line.billed.minus(line.credited).minus(line.handedOver.minus(line.returned)),
        ZERO,
      )
      const taken = smaller(part.quantity.minus(back.get(part.lineId) ?? ZERO), aheadQuantity)
      if (!isPositiveMoney(waiting) || taken.lte(0)) return [part.lineId, zeroMoney(w.currency)] as const
      const share = taken.eq(aheadQuantity)
        ? waiting
        : roundToMoney(toDecimal(waiting).times(taken).div(aheadQuantity), w.currency)
      return [part.lineId, smallerMoney(share, part.net)] as const
    }),
  )
}

/** Goods come back to the shelves they left from, at the cost they left with. Answers how much of each invoice line came. */
export const takeGoodsBack = async (
  w: Work,
  { sale, lines }: LockedSale,
  credit: Credit,
  invoiceLines: readonly { id: number; saleLineId: number; description: string }[],
  onDay: Day,
): Promise<Map<number, Decimal>> => {
  const handovers = await listHandovers(w.tx, [sale.id], w.currency)
  const out = handovers.filter((h) => h.direction === 'out')
  const back = handovers.filter((h) => h.direction === 'back')
  const moved = await listMovesOf(w.tx, { kind: 'handover', ids: handovers.map((h) => h.id) }, w.currency)
  const placeOf = (goodsId: number): number | undefined => moved.find((m) => m.goodsId === goodsId)?.placeId
  const came = new Map<number, Decimal>()
  const rows: { saleLineId: number; quantity: Decimal; cost: Money }[] = []
  for (const part of credit.lines.filter((p) => p.quantity.gt(0))) {
    const of = invoiceLines.find((l) => l.id === part.lineId)!
    const line = lines.find((l) => l.id === of.saleLineId)!
    const left = line.handedOver.minus(line.returned)
    if (part.quantity.gt(left))
      refuse({ code: 'more-than-handed-over', line: line.description, left, asked: part.quantity })
    const costs = (papers: typeof handovers) =>
      sumMoney(
        papers.flatMap((h) => h.lines.filter((l) => l.saleLineId === line.id).map((l) => l.cost)),
        w.currency,
      )
    const atCost = subtractMoney(costs(out), costs(back))
    const cost = part.quantity.eq(left)
      ? atCost
      : roundToMoney(toDecimal(atCost).times(part.quantity).div(left), w.currency)
    rows.push({ saleLineId: line.id, quantity: part.quantity, cost })
    came.set(part.lineId, part.quantity)
  }
  if (rows.length === 0) return came
  const number = await takeNumber(w.tx, 'handover', onDay)
  const handoverId = await reserveId(w.tx, 'handover')
  const cost = sumMoney(
    rows.map((r) => r.cost),
    w.currency,
  )
  const entry = postGoodsBack({ on: onDay, text: `Goods came back ${number}, ${sale.customerName}`, cost })
  const entryId = isPositiveMoney(cost)
    ? await w.post(entry, { kind: 'handover', id: handoverId, saleId: sale.id, customerId: sale.customerId })
    : null
  await insertHandover(
    w.tx,
    { number, saleId: sale.id, direction: 'back', onDay, by: 'counter', entryId },
    handoverId,
    rows.map((r) => ({
      saleLineId: r.saleLineId,
      quantity: r.quantity.toFixed(4),
      cost: r.cost.minor,
      earned: 0n,
    })),
  )
  for (const r of rows) {
    const line = lines.find((l) => l.id === r.saleLineId)!
    if (line.goodsId === null || line.kind === 'work' || line.kind === 'charge') continue
    const parts = await goodsOfLine(w, line.goodsId, r.quantity)
    const shares = splitByCost(moved, parts, r.cost)
    await insertMoves(
      w.tx,
      parts.map((p, i) => ({
        goodsId: p.goodsId,
        placeId: placeOf(p.goodsId)!,
        on: onDay,
        quantity: p.quantity,
        value: shares[i]!,
      })),
      { kind: 'handover', id: handoverId },
    )
  }
  return came
}

const goodsOfLine = async (w: Work, goodsId: number, quantity: Decimal) => {
  const goods = (await findGoods(w.tx, [goodsId])).get(goodsId)!
  return goods.kind === 'kit'
    ? goods.parts.map((p) => ({ goodsId: p.goodsId, quantity: p.quantity.times(quantity) }))
    : [{ goodsId, quantity }]
}

/** A kit's cost comes back to its parts in proportion to what they left with. */
const splitByCost = (
  moved: readonly { goodsId: number; value: Money }[],
  parts: readonly { goodsId: number }[],
  cost: Money,
): Money[] => {
  const left = parts.map((p) =>
    moved
      .filter((m) => m.goodsId === p.goodsId && m.value.minor < 0n)
      .reduce((sum, m) => sum - m.value.minor, 0n),
  )
  return splitMoney(
    cost,
    left.map((minor) => decimal(minor)),
  )
}
