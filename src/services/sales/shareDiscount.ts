import { present } from '@/core/present'
import { money } from '@/core/money'
import { lineWorth, shareWholeDiscount } from '@/core/sale'
import type { SaleRow } from '@/data/queries/sales'
import type { Work } from '../command'
import { listSaleLines, setWholeLess, type SaleLineRow } from '@/data/queries/saleLine'
import { countedQuantity } from '@/model/sale/worth'

type Discounted = Pick<SaleRow, 'id' | 'agreedOn' | 'discountPercent' | 'discountAmount'>

/** The lines with their shares of what is off the whole, anew; what is billed keeps the share it was billed with. */
export const withShares = (
  sale: Discounted,
  lines: readonly SaleLineRow[],
  currency: string,
): readonly SaleLineRow[] => {
  const amount = (minor: bigint) => money(minor, currency)
  if (lines.every((l) => l.wholeLess === 0n) && sale.discountPercent.eq(0) && sale.discountAmount.minor === 0n)
    return lines
  const shares = shareWholeDiscount(
    lines.map((l) => ({
      worth: lineWorth(
        { ...l, discountAmount: amount(l.discountAmount), wholeLess: amount(0n) },
        countedQuantity(sale, l),
      ),
      fixed: l.billed.gt(l.toRebill) ? amount(l.wholeLess) : null,
    })),
    { percent: sale.discountPercent, amount: sale.discountAmount },
  )
  return lines.map((l, i) => ({ ...l, wholeLess: present(shares[i]).minor }))
}

/** Shares what is off the whole over a sale's lines and writes the shares down. */
export const shareDiscount = async (w: Work, sale: Discounted): Promise<readonly SaleLineRow[]> => {
  const before = await listSaleLines(w.tx, [sale.id])
  const lines = withShares(sale, before, w.currency)
  await setWholeLess(
    w.tx,
    lines
      .filter((l, i) => l.wholeLess !== present(before[i]).wholeLess)
      .map((l) => ({ lineId: l.id, wholeLess: l.wholeLess })),
  )
  return lines
}
