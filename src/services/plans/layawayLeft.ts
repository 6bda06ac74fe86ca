import { present } from '@/core/present'
import { subtractMoney, type Money } from '@/core/money'
import { findSales } from '@/data/queries/sales'
import type { Work } from '../command'
import { sumHeldAt } from '../money/heldOn'
import { totalsNow } from '../billing/rateShift'
import { listSaleLines } from '@/data/queries/saleLine'

/** What of a layaway is still to come: its total with tax, less what is billed and what is held. */
export const layawayLeft = async (w: Work, saleId: number): Promise<Money> => {
  const [[sale], lines] = [await findSales(w.tx, [saleId], w.currency), await listSaleLines(w.tx, [saleId])]
  const held = await sumHeldAt(w, { customerId: present(sale).customerId, saleId })
  const { gross } = (await totalsNow(w, present(sale), lines)).totals
  return subtractMoney(subtractMoney(gross, present(sale).billed), held)
}
