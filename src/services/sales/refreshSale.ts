import { present } from '@/core/present'
import { addMoney, subtractMoney } from '@/core/money'
import { moneyBar, standsAs } from '@/core/sale'
import type { TaxedDocument } from '@/core/tax'
import { lockSale, sumSale, updateSale, type SaleRow } from '@/data/queries/sales'
import type { Work } from '../command'
import { totalsNow } from '../billing/rateShift'
import { shareDiscount } from './shareDiscount'
import { isOut, saysAsSent } from '@/model/sale/asSent'
import { readVersions } from '@/model/sale/versions'
import type { SaleLineRow } from '@/data/queries/saleLine'

export interface RefreshedSale {
  readonly sale: SaleRow
  readonly lines: readonly SaleLineRow[]
  readonly totals: TaxedDocument
}

/**
 * Writes the caches on a sale anew from its papers: where it stands (leaving lapsing to the day it is asked about), total,
 * billed, and whether an estimate that is out was changed since. Every command on a sale ends with this. Tested equal to what the papers say.
 */
export const refreshSale = async (w: Work, saleId: number): Promise<RefreshedSale> => {
  const sale = present(await lockSale(w.tx, saleId, w.currency))
  const [lines, sums] = await Promise.all([shareDiscount(w, sale), sumSale(w.tx, saleId, w.currency)])
  const { totals, rateShift } = await totalsNow(w, sale, lines)
  const billed = addMoney(sums.billed, sums.beyond)
  const { total } = moneyBar({
    total: addMoney(subtractMoney(totals.gross, sums.creditedForGood), sums.beyond),
    billed,
    open: sums.open,
    late: { ...sums.open, minor: 0n },
    held: sums.held,
  })
  const reworked = isOut(sale) && !saysAsSent({ lines, totals }, await readVersions(w.tx, saleId, w.currency))
  const stands = standsAs({ ...sale, lines, open: sums.open, held: sums.held }, w.today)
  await updateSale(w.tx, saleId, {
    stage: stands === 'lapsed' ? 'offered' : stands,
    rateShift: rateShift.minor,
    total: total.minor,
    billed: billed.minor,
    reworked,
  })
  return { sale: { ...sale, rateShift }, lines, totals }
}
