import { z } from 'zod'
import { isPositiveMoney, sumMoney } from '@/core/money'
import { listHeld } from '@/data/queries/money'
import { updateSale } from '@/data/queries/sales'
import type { Day } from '@/core/day'
import { defineCommand, type Work } from '../command'
import { id, needed, on } from '../input/fields'
import { refuse } from '../refuse'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale, type LockedSale } from './saleWork'

const input = z.object({ saleId: id, on, reason: needed(500, 'A reason') })

type Closing = 'declined' | 'cancelled'

/** Closes a sale that is taken: nothing of it handed over, billed or held. */
export const closeIn = async (
  w: Work,
  locked: LockedSale,
  as: Closing,
  how: { readonly on: Day; readonly reason: string },
): Promise<void> => {
  const { sale } = locked
  mustBeOpen(locked)
  if (as === 'declined' && sale.agreedOn) refuse({ code: 'already-agreed', on: sale.agreedOn })
  if (locked.lines.some((l) => l.handedOver.gt(l.returned) || l.billed.gt(l.credited)))
    refuse({ code: 'goods-or-bills-first' })
  const held = sumMoney(
    (await listHeld(w.tx, { saleIds: [sale.id] }, w.currency)).map((h) => h.amount),
    w.currency,
  )
  if (isPositiveMoney(held)) refuse({ code: 'held-first', held })
  await updateSale(w.tx, sale.id, { closedAs: as, closedOn: how.on, closedReason: how.reason })
}

const closeSale = (as: Closing) =>
  defineCommand(`${as}-sale`, input, async (w, { saleId, on: given, reason }) => {
    await closeIn(w, await takeSale(w, saleId), as, { on: given ?? w.today, reason })
    await refreshSale(w, saleId)
    return answerSale(w, saleId)
  })

/** The customer said no to an estimate. */
export const declineSale = closeSale('declined')
/** Called off, by either side; nothing of it may be handed over, billed or held any more. */
export const cancelSale = closeSale('cancelled')
