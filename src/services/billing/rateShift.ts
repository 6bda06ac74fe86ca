import { present } from '@/core/present'
import { addMoney, subtractMoney, zeroMoney, type Money } from '@/core/money'
import type { TaxedDocument } from '@/core/tax'
import type { SaleRow } from '@/data/queries/sales'
import type { Work } from '../command'
import { billedGross, billedSoFar, isBilledAtOther, priceParts } from './draftBill'
import type { SaleLineRow } from '@/data/queries/saleLine'
import { totalsOf } from '@/model/sale/worth'

/**
 * What bills at other tax rates than the sale's make it more with tax (negative: less): bills take the rates of their own
 * day. What is billed, and the rest at the sale's rates, less the sale at its rates; nothing while no bill has other
 * rates, and with the last bill the sale comes to what was billed, to the cent.
 */
const rateShiftOf = async (w: Work, sale: SaleRow, lines: readonly SaleLineRow[]): Promise<Money> => {
  const none = zeroMoney(w.currency)
  const codes = await w.taxCodes()
  if (codes.every((c) => c.rateOf === null)) return none
  const before = await billedSoFar(w, { sale, lines })
  if (!lines.some((l) => isBilledAtOther(before, l.id, l.taxCodeId))) return none
  const rest = lines
    .map((l) => ({ lineId: l.id, quantity: l.agreed.minus(l.billed).plus(l.toRebill) }))
    .filter((p) => p.quantity.gt(0))
  const atSale = (l: SaleLineRow) => present(codes.find((c) => c.id === l.taxCodeId))
  const toCome = priceParts(w, { sale, lines }, rest, before, atSale).gross
  const plain = totalsOf({ ...sale, rateShift: none }, lines, codes)
  return subtractMoney(addMoney(billedGross(before, w.currency), toCome), plain.gross)
}

/** What a sale comes to now, within a command: with bills that are not kept in its sums yet. */
export const totalsNow = async (
  w: Work,
  sale: SaleRow,
  lines: readonly SaleLineRow[],
): Promise<{ readonly totals: TaxedDocument; readonly rateShift: Money }> => {
  const rateShift = await rateShiftOf(w, sale, lines)
  return { totals: totalsOf({ ...sale, rateShift }, lines, await w.taxCodes()), rateShift }
}
