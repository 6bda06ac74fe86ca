import { money } from '@/core/money'
import { lineWorth, shareWholeDiscount } from '@/core/sale'
import { listSaleLines, setWholeLess, type SaleLineRow, type SaleRow } from '@/data/queries/sales'
import type { Work } from '../command'
import { countedQuantity } from '../read/stories'

/** Shares what is off the whole over the lines that count, anew; what is billed keeps the share it was billed with. */
export const shareDiscount = async (
  w: Work,
  sale: Pick<SaleRow, 'id' | 'agreedOn' | 'discountPercent' | 'discountAmount'>,
): Promise<readonly SaleLineRow[]> => {
  const lines = await listSaleLines(w.tx, [sale.id])
  const none = lines.every((l) => l.wholeLess === 0n)
  if (none && sale.discountPercent.isZero() && sale.discountAmount.minor === 0n) return lines
  const amount = (minor: bigint) => money(minor, w.currency)
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
  const changed = lines.flatMap((l, i) =>
    l.wholeLess === shares[i]!.minor ? [] : [{ lineId: l.id, wholeLess: shares[i]!.minor }],
  )
  await setWholeLess(w.tx, changed)
  return lines.map((l, i) => ({ ...l, wholeLess: shares[i]!.minor }))
}
