import { present } from '@/core/present'
import {
  isPositiveMoney,
  larger,
  roundToMoney,
  smaller,
  smallerMoney,
  sumMoney,
  toDecimal,
  zeroMoney,
  ZERO,
  type Decimal,
  type Money,
  isWhole,
} from '@/core/money'
import { firstDayFor, lowestFrom, type Change } from '@/core/running'
import type { Credit } from '@/core/sale'
import { comeBack, sameName, stillOut, unitsOf, type Batch, type Out } from '@/core/stock'
import { postGoodsBack } from '@/core/ledger'
import type { Day } from '@/core/day'
import { takeNumber } from '@/data/queries/numbers'
import type { Work } from '../command'
import { refuse, refuseAt } from '@/contract/refuse'
import type { LockedSale } from '../sales/saleWork'
import { scrap } from '../goods/scrap'
import { readWaitingAhead } from './waitingAhead'
import { reserveId } from '@/data/queries/reserveId'
import type { SaleLineRow } from '@/data/queries/saleLine'
import { findBatches } from '@/data/queries/batch'
import { kitOutOf, readKitLines } from '@/model/sale/kitLines'
import { insertHandover, listHandovers, type HandoverRow } from '@/data/queries/handover'
import { insertMoves, listMovesOfHandovers, lockStock, type MoveRow } from '@/data/queries/stock'

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

/** Goods of a line that come back, batch by batch with what they had left with. */
export interface ComingBack {
  readonly line: SaleLineRow
  readonly quantity: Decimal
  readonly pieces: readonly Out[]
}

/** What goods that come back had cost. */
export const costBack = ({ pieces }: ComingBack, currency: string): Money =>
  sumMoney(
    pieces.map((p) => p.value),
    currency,
  )

/** What handovers moved, with the goods locked whose pieces may come back. */
export const lockMovesOf = async (w: Work, handovers: readonly HandoverRow[]) => {
  const moves = await listMovesOfHandovers(
    w.tx,
    handovers.map((h) => h.id),
    w.currency,
  )
  await lockStock(
    w.tx,
    moves.map((m) => m.goodsId),
    w.currency,
  )
  return moves
}

/** What of a line is out: handed over and not brought back, day by day, and what it cost. */
export const outOf = (handovers: readonly HandoverRow[], moves: readonly MoveRow[], line: SaleLineRow) => {
  const sign = (h: HandoverRow): 1 | -1 => (h.direction === 'out' ? 1 : -1)
  const ofLine = handovers.flatMap((h) => h.lines.filter((l) => l.saleLineId === line.id).map((l) => ({ ...l, h })))
  const changes = ofLine.map((l): Change => ({ on: l.h.on, by: unitsOf(l.quantity.times(sign(l.h))) }))
  return {
    quantity: line.handedOver.minus(line.returned),
    pieces: stillOut(moves.filter((m) => m.saleLineId === line.id)),
    /** Refuses that goods come back on a day before they left. */
    refuseEarly: (quantity: Decimal, on: Day): void => {
      if (unitsOf(quantity) <= lowestFrom(changes, on)) return
      const from = firstDayFor([changes], unitsOf(quantity), on)
      if (from !== null) refuse({ code: 'not-before', from, what: `${line.description} left only later.` })
    },
  }
}

/** What is out of a line: all of it, or just the serials named. */
export const namedOut = (
  outs: readonly Out[],
  batches: ReadonlyMap<number, Batch>,
  serials: readonly string[] | undefined,
): readonly Out[] =>
  serials?.length
    ? serials.map(
        (serial) =>
          outs.find((o) => o.batchId !== null && sameName(batches.get(o.batchId)?.serial, serial)) ??
          refuseAt('lines', `Serial ${serial} is not out on this line, or is back already.`),
      )
    : outs

/** Goods of credited lines come back to the shelves they left from, at the cost they left with. Answers how much of each invoice line came. */
export const takeGoodsBack = async (
  w: Work,
  { sale, lines }: LockedSale,
  credit: Credit,
  invoiceLines: readonly { id: number; saleLineId: number; description: string }[],
  paper: BackPaper & {
    readonly serialsOf?: (saleLineId: number) => readonly string[] | undefined
    readonly scrap?: boolean
  },
): Promise<Map<number, Decimal>> => {
  const handovers = await listHandovers(w.tx, [sale.id], w.currency)
  const moves = await lockMovesOf(w, handovers)
  const kits = await readKitLines(w.tx, lines)
  const batches = await findBatches(
    w.tx,
    moves.flatMap((m) => m.batchId ?? []),
  )
  const came = new Map<number, Decimal>()
  const rows: ComingBack[] = []
  for (const part of credit.lines.filter((p) => p.quantity.gt(0))) {
    const of = present(invoiceLines.find((l) => l.id === part.lineId))
    const line = present(lines.find((l) => l.id === of.saleLineId))
    const out = outOf(handovers, moves, line)
    if (part.quantity.gt(out.quantity))
      refuse({
        code: 'more-than-handed-over',
        line: line.description,
        left: out.quantity,
        asked: part.quantity,
      })
    out.refuseEarly(part.quantity, paper.on)
    const serials = paper.serialsOf?.(line.id)
    const pieces = comeBack(namedOut(out.pieces, batches, serials), out.pieces, {
      quantity: part.quantity,
      whole: serials?.length ? part.quantity : out.quantity,
      kit: kitOutOf(kits.get(line.id)),
    })
    rows.push({ line, quantity: part.quantity, pieces })
    came.set(part.lineId, part.quantity)
  }
  if (rows.length === 0) return came
  const made = await bringBack(w, sale, rows, paper)
  if (paper.scrap) await scrap(w, made.moves, { on: paper.on, reason: paper.reason ?? '' })
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

/** A serial comes back whole or not at all. */
const mustBeWhole = async (w: Work, rows: readonly ComingBack[]): Promise<void> => {
  const broken = rows.filter((r) => r.pieces.some((p) => p.batchId !== null && !isWhole(p.quantity)))
  const batches = await findBatches(
    w.tx,
    broken.flatMap((r) => r.pieces.flatMap((p) => p.batchId ?? [])),
  )
  for (const { line, quantity, pieces } of broken)
    if (pieces.some((p) => p.batchId !== null && batches.get(p.batchId)?.serial && !isWhole(p.quantity)))
      refuse({ code: 'whole-serials', goods: line.description, asked: quantity })
}

/** Writes that goods came back: their cost leaves cost of goods sold, and they lie on the shelf again. Answers the paper. */
export const bringBack = async (
  w: Work,
  sale: LockedSale['sale'],
  rows: readonly ComingBack[],
  paper: BackPaper,
): Promise<{ readonly id: number; readonly number: string; readonly moves: readonly MoveRow[] }> => {
  await mustBeWhole(w, rows)
  const number = await takeNumber(w.tx, 'handover', paper.on)
  const id = await reserveId(w.tx, 'handover')
  const cost = sumMoney(
    rows.map((r) => costBack(r, w.currency)),
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
      cost: costBack(r, w.currency).minor,
      earned: 0n,
      replace: paper.replace,
    })),
  )
  const moves = rows.flatMap((r) =>
    r.pieces.map((p) => ({ ...p, placeId: paper.placeId ?? p.placeId, on: paper.on, saleLineId: r.line.id })),
  )
  await insertMoves(w.tx, moves, { kind: 'handover', id })
  return { id, number, moves }
}
