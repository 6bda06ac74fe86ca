import { giveUpLayawayInput } from '@/contract/inputs/plans/giveUpLayaway'
import { toDecimalString, subtractMoney } from '@/core/money'
import { givingUpFee } from '@/core/plan'
import { defineCommand, paperDay } from '../command'
import { readArrangement } from '@/contract/arrangement'
import { readPart } from '@/contract/usualArrangements'
import { sumHeldAt } from '../money/heldOn'
import { refuse } from '@/contract/refuse'
import { closeIn } from '../sales/closeSale'
import { refreshSale } from '../sales/refreshSale'
import { mustBeAgreed, takeSale } from '../sales/saleWork'
import { listReceiptsForSale } from '@/data/queries/receipt'

/**
 * A layaway is given up, in one step: the fee of its terms is earned (never more than was paid), the rest goes back to the
 * customer, the goods are available again, and the sale is cancelled.
 */
export const giveUpLayaway = defineCommand('give-up-layaway', giveUpLayawayInput, async (w, g) => {
  const locked = await takeSale(w, g.saleId)
  mustBeAgreed(locked)
  const { sale } = locked
  const chosen = readArrangement(sale.arrangement)
  if (chosen.kind !== 'layaway') return refuse({ code: 'not-this-arrangement', needs: 'layaway' })
  const onDay = paperDay(w, g.on)
  const { totals } = await refreshSale(w, sale.id)
  const paid = await sumHeldAt(w, { customerId: sale.customerId, saleId: sale.id })
  const fee = givingUpFee(readPart(chosen.fee, w.currency), totals.gross, paid)
  const [last] = await listReceiptsForSale(w.tx, sale.id)
  await closeIn(w, locked, 'cancelled', {
    on: onDay,
    reason: g.reason,
    held: { fee, rest: g.method ?? (last?.method === 'set-off' ? 'account' : last?.method) ?? 'cash' },
  })
  await refreshSale(w, sale.id)
  return {
    id: sale.id,
    answer: async () => ({
      saleId: sale.id,
      paid: toDecimalString(paid),
      fee: toDecimalString(fee),
      refund: toDecimalString(subtractMoney(paid, fee)),
    }),
  }
})
