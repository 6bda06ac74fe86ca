import { deletePick, listPicks } from '@/data/queries/pick'
import { kitsBegun } from '@/core/stock'
import { readKitLines } from '@/model/sale/kitLines'
import { closeSaleInput } from '@/contract/inputs/sales/closeSale'
import { isPositiveMoney, subtractMoney, type Money } from '@/core/money'
import { updateSale } from '@/data/queries/sales'
import type { Day } from '@/core/day'
import type { Method } from '@/core/ledger'
import { defineCommand, paperDay, type Work } from '../command'
import { sumHeldAt } from '../money/heldOn'
import { keepFeeIn, moveIn, refundIn } from '../money/heldWork'
import { refuse } from '@/contract/refuse'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale, type LockedSale } from './saleWork'

type Closing = 'declined' | 'cancelled'

export interface HeldEnds {
  readonly fee: Money
  readonly rest: Method | 'account'
}

/** Sends a sale's held money where it goes when the sale ends: first the fee that is kept, then the rest. */
export const endHeld = async (
  w: Work,
  { sale }: LockedSale,
  ends: HeldEnds,
  how: { readonly on: Day; readonly reason: string },
): Promise<{ readonly fee: Money; readonly back: Money; readonly refund: string | null }> => {
  const place = { customerId: sale.customerId, saleId: sale.id }
  const held = await sumHeldAt(w, place)
  if (ends.fee.minor > held.minor) refuse({ code: 'more-than-held', held, asked: ends.fee })
  const leaving = { ...place, ...how, customerName: sale.customerName }
  if (isPositiveMoney(ends.fee)) await keepFeeIn(w, { ...leaving, amount: ends.fee })
  const back = subtractMoney(held, ends.fee)
  if (!isPositiveMoney(back)) return { fee: ends.fee, back, refund: null }
  if (ends.rest === 'account') {
    await moveIn(w, { ...leaving, amount: back, toSaleId: null })
    return { fee: ends.fee, back, refund: null }
  }
  const refund = await refundIn(w, { ...leaving, amount: back, method: ends.rest })
  return { fee: ends.fee, back, refund: refund.number }
}

/** Closes a sale that is taken: nothing of it handed over, billed or held. */
export const closeIn = async (
  w: Work,
  locked: LockedSale,
  as: Closing,
  how: { readonly on: Day; readonly reason: string; readonly held?: HeldEnds },
): Promise<void> => {
  const { sale } = locked
  mustBeOpen(locked)
  if (as === 'declined' && sale.agreedOn) refuse({ code: 'already-agreed', on: sale.agreedOn })
  if (locked.lines.some((l) => l.handedOver.gt(l.returned) || l.billed.gt(l.credited)))
    refuse({ code: 'goods-or-bills-first' })
  const kits = await readKitLines(w.tx, locked.lines)
  if ([...kits.values()].some((kit) => kitsBegun(kit).gt(0))) refuse({ code: 'goods-or-bills-first' })
  for (const pick of await listPicks(w.tx, { saleId: sale.id, open: true })) await deletePick(w.tx, pick.id)
  if (how.held) await endHeld(w, locked, how.held, how)
  const held = await sumHeldAt(w, { customerId: sale.customerId, saleId: sale.id })
  if (isPositiveMoney(held)) refuse({ code: 'held-first', held })
  await updateSale(w.tx, sale.id, { closedAs: as, closedOn: how.on, closedReason: how.reason })
}

const closeSale = (as: Closing) =>
  defineCommand(`${as}-sale`, closeSaleInput, async (w, { saleId, on: given, reason, fee, rest }) => {
    const ends = fee !== undefined || rest !== undefined
    await closeIn(w, await takeSale(w, saleId), as, {
      on: ends ? paperDay(w, given) : (given ?? w.today),
      reason,
      ...(ends ? { held: { fee: w.money(fee ?? '0', 'fee'), rest: rest ?? 'account' } } : {}),
    })
    await refreshSale(w, saleId)
    return answerSale(w, saleId)
  })

/** The customer said no to an estimate. */
export const declineSale = closeSale('declined')
/** Called off, by either side; nothing of it may be handed over or billed any more, and held money goes where it is said to. */
export const cancelSale = closeSale('cancelled')
