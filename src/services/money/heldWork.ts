import { present } from '@/core/present'
import { isPositiveMoney, roundToCoins, shareMoney, subtractMoney, type Money, negateMoney } from '@/core/money'
import type { ComponentTax } from '@/core/tax'
import { postHeldMove, postKeptFee, postRefund, type HeldAmount, type HeldKind, type Method } from '@/core/ledger'
import type { Day } from '@/core/day'
import { takeNumber } from '@/data/queries/numbers'
import { findSales } from '@/data/queries/sales'
import type { Work } from '../command'
import { readArrangement } from '@/contract/arrangement'
import { refuse } from '@/contract/refuse'
import { layawayLeft } from '../plans/layawayLeft'
import { heldOn, refuseHeld, type HeldPlace } from './heldOn'
import { asPostings, taxComing, taxGoing } from './taxWork'
import { insertHeldMoves } from '@/data/queries/held'
import { insertRefund } from '@/data/queries/refund'
import { reserveId } from '@/data/queries/reserveId'
import { insertHeldTransfer } from '@/data/queries/heldTransfer'
import { insertTaxMoves } from '@/data/queries/taxMove'

/** Held money about to leave its place: which kinds of it, and the tax on it that goes with it (negative). */
export interface HeldLeaving {
  readonly whole: Money
  readonly parts: readonly HeldAmount[]
  readonly tax: readonly ComponentTax[]
}

/** What kind of held money a sale's is: layaway, or a deposit. */
export const heldKindOf = (arrangement: unknown): HeldKind =>
  readArrangement(arrangement).kind === 'layaway' ? 'layaway' : 'deposit'

/**
 * Locks a place and says what leaves it on a day (`bill`: the bill of the place's own sale it is put on). More than
 * is held there, on that day and on every later one, is refused.
 */
export const leaveHeld = async (
  w: Work,
  place: HeldPlace,
  amount: Money,
  on: Day,
  bill?: Money,
): Promise<HeldLeaving> => {
  const held = await heldOn(w, place, on)
  if (amount.minor > held.free.minor || !isPositiveMoney(amount)) return refuseHeld(w, place, held, amount, on)
  const shares = shareMoney(
    amount,
    held.kinds.map((k) => k.free),
  )
  return {
    whole: held.now,
    parts: held.kinds
      .map((k, i) => ({ kind: k.kind, amount: present(shares[i]) }))
      .filter((h) => isPositiveMoney(h.amount)),
    tax: await taxGoing(w, { saleId: place.saleId, part: amount, held: held.now, bill }),
  }
}

type MoveNote = Omit<Parameters<typeof insertHeldMoves>[1][number], 'customerId' | 'saleId' | 'kind' | 'amount'>

/** Writes down that held money left, with the tax on it. */
export const noteLeft = async (w: Work, place: HeldPlace, leaving: HeldLeaving, note: MoveNote): Promise<void> => {
  await insertHeldMoves(
    w.tx,
    leaving.parts.map((p) => ({ ...place, kind: p.kind, amount: negateMoney(p.amount).minor, ...note })),
  )
  await insertTaxMoves(w.tx, leaving.tax, {
    onDay: note.onDay,
    why: 'ahead',
    saleId: place.saleId,
    entryId: note.entryId,
  })
}

interface Leaving extends HeldPlace {
  readonly amount: Money
  readonly on: Day
  readonly reason: string
  readonly customerName: string
}

/** Gives held money back, in coins that exist. Answers the refund's id and number. */
export const refundIn = async (w: Work, r: Leaving & { readonly method: Method }) => {
  const leaving = await leaveHeld(w, r, r.amount, r.on)
  const paid = r.method === 'cash' ? roundToCoins(r.amount, w.business.smallestCoin) : r.amount
  const rounding = subtractMoney(paid, r.amount)
  const number = await takeNumber(w.tx, 'refund', r.on)
  const id = await reserveId(w.tx, 'refund')
  const entry = postRefund({
    on: r.on,
    text: `Refund ${number}, ${r.customerName}`,
    method: r.method,
    held: leaving.parts,
    rounding,
    taxAhead: await asPostings(w, leaving.tax),
  })
  const entryId = await w.post(entry, { kind: 'refund', id, customerId: r.customerId, saleId: r.saleId })
  await insertRefund(
    w.tx,
    {
      number,
      customerId: r.customerId,
      saleId: r.saleId,
      onDay: r.on,
      method: r.method,
      amount: r.amount.minor,
      rounding: rounding.minor,
      reason: r.reason,
      entryId,
    },
    id,
  )
  await noteLeft(w, { customerId: r.customerId, saleId: r.saleId }, leaving, {
    onDay: r.on,
    why: 'refund',
    refundId: id,
    entryId,
  })
  return { id, number }
}

/** Keeps held money as a fee: it is earned now. */
export const keepFeeIn = async (w: Work, f: Leaving): Promise<void> => {
  const leaving = await leaveHeld(w, f, f.amount, f.on)
  const number = await takeNumber(w.tx, 'held-transfer', f.on)
  const id = await reserveId(w.tx, 'held_transfer')
  const entry = postKeptFee({
    on: f.on,
    text: `Fee kept ${number}, ${f.customerName}: ${f.reason}`,
    held: leaving.parts,
    taxAhead: await asPostings(w, leaving.tax),
  })
  const entryId = await w.post(entry, { kind: 'held-transfer', id, customerId: f.customerId, saleId: f.saleId })
  await insertHeldTransfer(
    w.tx,
    {
      number,
      kind: 'kept',
      customerId: f.customerId,
      fromSaleId: f.saleId,
      toSaleId: null,
      onDay: f.on,
      amount: f.amount.minor,
      reason: f.reason,
      entryId,
    },
    id,
  )
  await noteLeft(w, { customerId: f.customerId, saleId: f.saleId }, leaving, {
    onDay: f.on,
    why: 'fee',
    transferId: id,
    entryId,
  })
}

/** Moves held money to another sale of the customer, or to their account. It stays held. */
export const moveIn = async (w: Work, m: Leaving & { readonly toSaleId: number | null }): Promise<number> => {
  const leaving = await leaveHeld(w, m, m.amount, m.on)
  const [to] = m.toSaleId === null ? [] : await findSales(w.tx, [m.toSaleId], w.currency)
  const kind = to ? heldKindOf(to.arrangement) : 'account'
  if (to?.agreedOn && kind === 'layaway') {
    const left = await layawayLeft(w, to.id)
    if (m.amount.minor > left.minor) refuse({ code: 'more-than-open', open: left, asked: m.amount })
  }
  const taxThere = await taxComing(w, m.toSaleId, m.amount)
  const number = await takeNumber(w.tx, 'held-transfer', m.on)
  const id = await reserveId(w.tx, 'held_transfer')
  const entry = postHeldMove({
    on: m.on,
    text: `Held money moved ${number}, ${m.customerName}${to ? `, to sale ${to.number}` : ', to their account'}`,
    held: leaving.parts,
    to: kind,
    taxAhead: await asPostings(w, leaving.tax),
    taxThere: await asPostings(w, taxThere),
  })
  // Between two sales of one kind the account does not change: the move is kept, and posts in and out of it.
  const entryId = await w.post(entry, {
    kind: 'held-transfer',
    id,
    customerId: m.customerId,
    saleId: m.saleId ?? m.toSaleId,
  })
  await insertHeldTransfer(
    w.tx,
    {
      number,
      kind: 'moved',
      customerId: m.customerId,
      fromSaleId: m.saleId,
      toSaleId: m.toSaleId,
      onDay: m.on,
      amount: m.amount.minor,
      reason: m.reason,
      entryId,
    },
    id,
  )
  const note = { onDay: m.on, why: 'move' as const, transferId: id, entryId }
  await noteLeft(w, { customerId: m.customerId, saleId: m.saleId }, leaving, note)
  await insertHeldMoves(w.tx, [{ customerId: m.customerId, saleId: m.toSaleId, kind, amount: m.amount.minor, ...note }])
  await insertTaxMoves(w.tx, taxThere, { onDay: m.on, why: 'ahead', saleId: m.toSaleId, entryId })
  return id
}

/** Held money of a sale that is paid another way from now on: a layaway's becomes a deposit, or the other way round. */
export const reclassIn = async (
  w: Work,
  r: HeldPlace & {
    readonly customerName: string
    readonly held: readonly HeldAmount[]
    readonly to: HeldKind
  },
): Promise<void> => {
  const text = `Held money stands as ${r.to} from now on, ${r.customerName}`
  const entry = postHeldMove({ on: w.today, text, held: r.held, to: r.to, taxThere: [] })
  const place = { customerId: r.customerId, saleId: r.saleId }
  const entryId = await w.post(entry, { kind: 'held-transfer', id: null, ...place })
  const note = { ...place, onDay: w.today, why: 'move' as const, entryId }
  await insertHeldMoves(
    w.tx,
    r.held.flatMap((h) => [
      { ...note, kind: h.kind, amount: negateMoney(h.amount).minor },
      { ...note, kind: r.to, amount: h.amount.minor },
    ]),
  )
}
