import { arrangeSaleInput } from '@/contract/inputs/sales/arrangeSale'
import { isPositiveMoney } from '@/core/money'
import { updateSale } from '@/data/queries/sales'
import { defineCommand, type Work } from '../command'
import { type Arrangement, keepArrangement } from '@/contract/arrangement'
import { readUsual } from '@/contract/usualArrangements'
import { heldKindOf, reclassIn } from '../money/heldWork'
import { planOf } from '@/model/plan/terms'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale, type LockedSale } from './saleWork'
import { lockHeld } from '@/data/queries/held'

/** What is left out of a layaway or installments, as Settings say. */
const filledIn = (w: Work, chosen: Arrangement): Arrangement => {
  const usual = readUsual(w.business.usualArrangements)
  if (chosen.kind === 'layaway') {
    const { firstPercent, ...rest } = usual.layaway
    const first = chosen.firstPayment === undefined && firstPercent ? { firstPercent } : {}
    return { ...rest, ...first, ...chosen } as Arrangement
  }
  if (chosen.kind !== 'installments') return chosen
  const { charge, graceDays } = usual.late
  return {
    ...(charge ? { lateCharge: charge } : {}),
    ...(graceDays === undefined ? {} : { graceDays }),
    ...(usual.installments.graceDays === undefined ? {} : { graceDays: usual.installments.graceDays }),
    ...chosen,
  } as Arrangement
}

/** Arranges a sale that is taken: terms that make no schedule are refused; held money changes its kind with it. */
export const arrangeIn = async (w: Work, { sale }: LockedSale, wish: Arrangement): Promise<void> => {
  const chosen = filledIn(w, wish)
  if (isPositiveMoney(sale.total)) planOf(chosen, sale.total, w.today, w.currency)
  const place = { customerId: sale.customerId, saleId: sale.id }
  const held = await lockHeld(w.tx, place, w.currency)
  const kept = keepArrangement(chosen)
  const kind = heldKindOf(kept)
  const other = held.filter((h) => h.kind !== kind)
  if (other.length > 0) await reclassIn(w, { ...place, customerName: sale.customerName, held: other, to: kind })
  await updateSale(w.tx, sale.id, { arrangement: kept })
}

/** Says how the sale will be paid from now on. Bills issued before keep their dues. */
export const arrangeSale = defineCommand(
  'arrange-sale',
  arrangeSaleInput,
  async (w, { saleId, arrangement: chosen }) => {
    const locked = await takeSale(w, saleId)
    mustBeOpen(locked)
    await arrangeIn(w, locked, chosen)
    await refreshSale(w, saleId)
    return answerSale(w, saleId)
  },
)
