import { present } from '@/core/present'
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
  negateMoney,
} from '@/core/money'
import { firstDayFor, lowestFrom, type Change } from '@/core/running'
import type { Credit } from '@/core/sale'
import { unitsOf } from '@/core/stock'
import { postGoodsBack } from '@/core/ledger'
import type { Day } from '@/core/day'
import { takeNumber } from '@/data/queries/numbers'
import { findGoods } from '@/data/queries/goods'
import type { Work } from '../command'
import { refuse } from '@/contract/refuse'
import type { LockedSale } from '../sales/saleWork'
import { readWaitingAhead } from './waitingAhead'
import { reserveId } from '@/data/queries/reserveId'
import type { SaleLineRow } from '@/data/queries/saleLine'
import { insertHandover, listHandovers, type HandoverRow } from '@/data/queries/handover'
import { insertMoves, listMovesOf, type MoveRow } from '@/data/queries/stock'

/** The part of a credit that had been billed ahead of handover: it goes back from there, never having been income. */
export const aheadOfCredit = async (
  w: Work,
  { sale, lines }: LockedSale,
  credit: Credit,
  invoiceLines: readonly { id: number; saleLineId: number }[],
  { back, on }: { readonly back: ReadonlyMap<number, Decimal>; readonly on: Day },
): Promise<Map<number, Money>> => {
  const waitingOn = await readWaitingAhead(w, sale.id)
  return new Map(
    credit.lines.map((part) => {
      const line = present(
        lines.find((l) => l.id === present(invoiceLines.find((x) => x.id === part.lineId)).saleLineId),
      )
      const waiting = waitingOn.now(line.id)
      const aheadQuantity = larger(line.billed.minus(line.credited).minus(line.handedOver.minus(line.returned)), ZERO)
      const taken = smaller(part.quantity.minus(back.get(part.lineId) ?? ZERO), aheadQuantity)
      if (!isPositiveMoney(waiting) || taken.lte(0)) return [part.lineId, zeroMoney(w.currency)] as const
      const share = taken.eq(aheadQuantity)
        ? waiting
        : roundToMoney(toDecimal(waiting).times(taken).div(aheadQuantity), w.currency)
      const ahead = smallerMoney(share, part.net)
      waitingOn.refuseEarly(line.id, ahead, on)
      return [part.lineId, ahead] as const
    }),
  )
}

/** Goods of a line that come back, and what they had cost. */
export interface ComingBack {
  readonly line: SaleLineRow
  readonly quantity: Decimal
  readonly cost: Money
}

/** What of a line is out: handed over and not brought back, day by day, and what it cost. */
export const outOf = (handovers: readonly HandoverRow[], line: SaleLineRow, currency: string) => {
  const sign = (h: HandoverRow): 1 | -1 => (h.direction === 'out' ? 1 : -1)
  const ofLine = handovers.flatMap((h) => h.lines.filter((l) => l.saleLineId === line.id).map((l) => ({ ...l, h })))
  const changes = ofLine.map((l): Change => ({ on: l.h.on, by: unitsOf(l.quantity.times(sign(l.h))) }))
  const cost = (direction: 'out' | 'back'): Money =>
    sumMoney(
      ofLine.filter((l) => l.h.direction === direction).map((l) => l.cost),
      currency,
    )
  return {
    quantity: line.handedOver.minus(line.returned),
    cost: subtractMoney(cost('out'), cost('back')),
    /** Refuses that goods come back on a day before they left. */
    refuseEarly: (quantity: Decimal, on: Day): void => {
      if (unitsOf(quantity) <= lowestFrom(changes, on)) return
      const from = firstDayFor([changes], unitsOf(quantity), on)
      if (from !== null) refuse({ code: 'not-before', from, what: `${line.description} left only later.` })
    },
  }
}

/** Goods of credited lines come back to the shelves they left from, at the cost they left with. Answers how much of each invoice line came. */
export const takeGoodsBack = async (
  w: Work,
  { sale, lines }: LockedSale,
  credit: Credit,
  invoiceLines: readonly { id: number; saleLineId: number; description: string }[],
  paper: { readonly on: Day; readonly replace: boolean },
): Promise<Map<number, Decimal>> => {
  const handovers = await listHandovers(w.tx, [sale.id], w.currency)
  const came = new Map<number, Decimal>()
  const rows: ComingBack[] = []
  for (const part of credit.lines.filter((p) => p.quantity.gt(0))) {
    const of = present(invoiceLines.find((l) => l.id === part.lineId))
    const line = present(lines.find((l) => l.id === of.saleLineId))
    const out = outOf(handovers, line, w.currency)
    if (part.quantity.gt(out.quantity))
      refuse({
        code: 'more-than-handed-over',
        line: line.description,
        left: out.quantity,
        asked: part.quantity,
      })
    out.refuseEarly(part.quantity, paper.on)
    const cost = part.quantity.eq(out.quantity)
      ? out.cost
      : roundToMoney(toDecimal(out.cost).times(part.quantity).div(out.quantity), w.currency)
    rows.push({ line, quantity: part.quantity, cost })
    came.set(part.lineId, part.quantity)
  }
  if (rows.length > 0) await bringBack(w, sale, handovers, rows, paper)
  return came
}

interface BackPaper {
  readonly on: Day
  /** To be handed over again. */
  readonly replace: boolean
  /** Left out: each thing goes back where it left from. */
  readonly placeId?: number
  /** The handover it takes back, where it does. */
  readonly returnsId?: number
  readonly reason?: string
}

/** Writes that goods came back: their cost leaves cost of goods sold, and they lie on the shelf again. Answers the paper. */
export const bringBack = async (
  w: Work,
  sale: LockedSale['sale'],
  handovers: readonly HandoverRow[],
  rows: readonly ComingBack[],
  paper: BackPaper,
): Promise<{ readonly id: number; readonly number: string }> => {
  const number = await takeNumber(w.tx, 'handover', paper.on)
  const id = await reserveId(w.tx, 'handover')
  const cost = sumMoney(
    rows.map((r) => r.cost),
    w.currency,
  )
  const text = `Goods came back ${number}, ${sale.customerName}`
  const entryId = isPositiveMoney(cost)
    ? await w.post(postGoodsBack({ on: paper.on, text, cost }), {
        kind: 'handover',
        id,
        saleId: sale.id,
        customerId: sale.customerId,
      })
    : null
  const { returnsId, reason } = paper
  await insertHandover(
    w.tx,
    {
      number,
      saleId: sale.id,
      direction: 'back',
      onDay: paper.on,
      by: 'counter',
      entryId,
      returnsId,
      reason,
    },
    id,
    rows.map((r) => ({
      saleLineId: r.line.id,
      quantity: r.quantity,
      cost: r.cost.minor,
      earned: 0n,
      replace: paper.replace,
    })),
  )
  const ids = returnsId === undefined ? handovers.map((h) => h.id) : [returnsId]
  const moved = await listMovesOf(w.tx, { kind: 'handover', ids }, w.currency)
  for (const r of rows) await insertMoves(w.tx, await movesBack(w, r, moved, paper), { kind: 'handover', id })
  return { id, number }
}

/** What comes back to which shelf: kits as their parts, the cost in proportion to what the parts left with. */
const movesBack = async (
  w: Work,
  { line, quantity, cost }: ComingBack,
  moved: readonly MoveRow[],
  paper: BackPaper,
): Promise<MoveRow[]> => {
  if (line.goodsId === null || line.kind === 'work' || line.kind === 'charge') return []
  const goods = present((await findGoods(w.tx, [line.goodsId])).get(line.goodsId))
  const parts =
    goods.kind === 'kit'
      ? goods.parts.map((p) => ({ goodsId: p.goodsId, quantity: p.quantity.times(quantity) }))
      : [{ goodsId: line.goodsId, quantity }]
  const leftWith = parts.map(
    (p) =>
      negateMoney(
        sumMoney(
          moved.filter((m) => m.goodsId === p.goodsId && m.value.minor < 0n).map((m) => m.value),
          w.currency,
        ),
      ).minor,
  )
  const shares = splitMoney(
    cost,
    leftWith.map((minor) => decimal(minor)),
  )
  return parts.map((p, i) => ({
    goodsId: p.goodsId,
    placeId: paper.placeId ?? present(moved.find((m) => m.goodsId === p.goodsId)).placeId,
    on: paper.on,
    quantity: p.quantity,
    value: present(shares[i]),
  }))
}
