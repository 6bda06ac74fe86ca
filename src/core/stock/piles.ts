import { rowsBy } from '../rowsBy'
import { addMonths, type Day } from '../day'
import type { Costing } from '../kinds'
import { larger, splitMoney, sumMoney, ZERO, type Decimal, type Money } from '../money'
import { present } from '../present'
import { freeOn, quantityOn } from './leaveOn'
import type { Lying } from './picking'

/** Pieces that are told apart: a lot, one serial, or a layer, that is what came together. */
export interface Batch {
  readonly id: number
  readonly goodsId: number
  readonly lot: string | null
  /** The last day on which it may be handed over. */
  readonly expires: Day | null
  readonly serial: string | null
  readonly cameOn: Day
}

/**
 * Whether two names of lots or serials are the same: they are typed by hand and scanned, so their case says nothing.
 *
 * @example sameName('fs-101', 'FS-101') // true
 */
export const sameName = (a: string | null | undefined, b: string): boolean => a?.toLowerCase() === b.toLowerCase()

/**
 * Serials as they are typed, scanned or written in a cell one after the other.
 *
 * @example splitSerials('FS-101, FS-102;FS-103') // FS-101, FS-102, FS-103
 */
export const splitSerials = (text: string): string[] => text.split(/[\s,;]+/).filter((s) => s !== '')

/** Where pieces lie: a thing, in a place, of a batch where its pieces are told apart. */
export interface PileAt {
  readonly goodsId: number
  readonly placeId: number
  readonly batchId: number | null
}

/** How many lie in a pile: now, at the end of a day, and as many as may leave on it so that no later day falls below zero. */
export interface Pile extends PileAt {
  readonly batch: Batch | null
  readonly now: Decimal
  readonly on: Decimal
  readonly free: Decimal
}

/**
 * The name of what costs alike: all of a thing at average cost, one serial wherever it lies, or a layer in one place.
 *
 * @example at average cost, lot 9 of thing 7 in place 2 → '7::', as every other lot of it in every other place
 */
export const poolOf = (costing: Costing, { goodsId, placeId, batchId }: PileAt): string =>
  `${goodsId}:${costing === 'fifo' ? placeId : ''}:${costing === 'average' ? '' : (batchId ?? '')}`

/**
 * By what pieces are put in the order in which they go: the earliest to expire, then what came first. Pieces that are not told
 * apart have no turn; lots that do not expire come last.
 *
 * @example a lot that expires on 1 March 2027 goes before one that came earlier and expires on 2 March
 */
export const turnOf = (batch: Batch | null): string =>
  batch === null
    ? ''
    : `${batch.expires ?? '9999-12-31'} ${batch.cameOn} ${batch.serial === null ? String(batch.id).padStart(10, '0') : ''}`

/** Whether a batch may not be handed over on a day any more. */
export const isPast = (batch: Batch | null, on: Day): boolean =>
  batch !== null && batch.expires !== null && batch.expires < on

/**
 * The last day of a warranty of so many months from the day on which a piece was handed over; null where there is none.
 *
 * @example warrantyEnds(day('2026-03-02'), 24) // 2028-03-02
 */
export const warrantyEnds = (handedOver: Day, months: number | null): Day | null =>
  months ? addMonths(handedOver, months) : null

/** What changed a pile on a day: ten-thousandths of the quantity, and minor units of the value. */
export interface PileChange extends PileAt {
  readonly on: Day
  readonly quantity: bigint
  readonly value: bigint
}

/** The piles that changes make, as they stand on a day and now. Fails where a change names a batch that is not among `batches`. */
export const pilesOn = (
  changes: readonly PileChange[],
  batches: ReadonlyMap<number, Batch>,
  on: Day,
): readonly Pile[] =>
  [...rowsBy(changes, (c) => `${c.goodsId}:${c.placeId}:${c.batchId ?? ''}`).values()].map((mine) => {
    const { goodsId, placeId, batchId } = present(mine[0])
    const by = mine.map((c) => ({ on: c.on, by: c.quantity }))
    const last = mine.reduce<Day>((latest, c) => (c.on > latest ? c.on : latest), on)
    return {
      goodsId,
      placeId,
      batchId,
      batch: batchId === null ? null : present(batches.get(batchId)),
      now: quantityOn(by, last),
      on: quantityOn(by, on),
      free: freeOn(by, on),
    }
  })

/** The piles as they lie now: on a day after which nothing moves, so that all of each may leave. Fails as `pilesOn` does. */
export const pilesNow = (
  lying: readonly (PileAt & { readonly quantity: Decimal })[],
  batches: ReadonlyMap<number, Batch>,
): readonly Pile[] =>
  lying.map(({ goodsId, placeId, batchId, quantity }) => ({
    goodsId,
    placeId,
    batchId,
    batch: batchId === null ? null : present(batches.get(batchId)),
    now: quantity,
    on: quantity,
    free: quantity,
  }))

/** What of piles may leave on a day, in its turn; of lots that are past nothing goes to a customer. */
export const mayGo = <P extends Pile>(
  piles: readonly P[],
  on: Day,
  toCustomer: boolean,
): readonly (Lying & { readonly pile: P })[] =>
  piles
    .filter((p) => !(toCustomer && isPast(p.batch, on)))
    .map((pile) => ({
      pile,
      goodsId: pile.goodsId,
      placeId: pile.placeId,
      batchId: pile.batchId,
      turn: turnOf(pile.batch),
      quantity: pile.free,
    }))

/** What lies in a pile and what it is worth, with how its thing is costed. */
export interface Worth extends PileAt {
  readonly costing: Costing
  readonly quantity: Decimal
  readonly value: Money
}

/**
 * Shares out what piles of one pool are worth together by how many lie in each, so that pieces that cost alike are worth alike
 * wherever they lie. The sum stays; a pool of which nothing lies anywhere keeps what it is worth at its first pile.
 *
 * @example 3 in the shop worth 30.00 and 1 in the store room worth 50.00, at average cost → 60.00 and 20.00
 */
export const shareWorth = <W extends Worth>(piles: readonly W[], currency: string): readonly W[] => {
  const pools = rowsBy(piles, (pile) => poolOf(pile.costing, pile))
  const values = new Map<W, Money>()
  for (const pool of pools.values()) {
    const all = sumMoney(
      pool.map((p) => p.value),
      currency,
    )
    const shares = splitMoney(
      all,
      pool.map((p) => larger(p.quantity, ZERO)),
    )
    pool.forEach((pile, i) => values.set(pile, present(shares[i])))
  }
  return piles.map((pile) => ({ ...pile, value: present(values.get(pile)) }))
}
