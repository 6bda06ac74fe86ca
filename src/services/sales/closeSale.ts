import { z } from 'zod'
import { isPositiveMoney, sumMoney } from '@/core/money'
import { listHeld } from '@/data/queries/money'
import { updateSale } from '@/data/queries/sales'
import { defineCommand } from '../command'
import { id, needed, on } from '../input/fields'
import { refuse } from '../refuse'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale } from './saleWork'

const input = z.object({ saleId: id, on, reason: needed(500, 'A reason') })

const closeSale = (as: 'declined' | 'cancelled') =>
  defineCommand(`${as}-sale`, input, async (w, { saleId, on: given, reason }) => {
    const locked = await takeSale(w, saleId)
    mustBeOpen(locked)
    if (as === 'declined' && locked.sale.agreedOn)
      refuse({ code: 'already-agreed', on: locked.sale.agreedOn })
    if (locked.lines.some((l) => l.handedOver.gt(l.returned) || l.billed.gt(l.credited)))
      refuse({ code: 'goods-or-bills-first' })
    const held = sumMoney(
      (await listHeld(w.tx, { saleIds: [saleId] }, w.currency)).map((h) => h.amount),
      w.currency,
    )
    if (isPositiveMoney(held)) refuse({ code: 'held-first', held })
    await updateSale(w.tx, saleId, { closedAs: as, closedOn: given ?? w.today, closedReason: reason })
    await refreshSale(w, saleId)
    return answerSale(w, saleId)
  })

/** The customer said no to an estimate. */
export const declineSale = closeSale('declined')
/** Called off, by either side; nothing of it may be handed over, billed or held any more. */
export const cancelSale = closeSale('cancelled')
