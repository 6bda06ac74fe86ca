import { present } from '@/core/present'
import { isPositiveMoney, type Money } from '@/core/money'
import { discountOn, type Filling, type OpenDue } from '@/core/receipt'
import type { ComponentTax } from '@/core/tax'
import type { Day } from '@/core/day'
import type { DueRow } from '@/data/queries/money'
import { insertTaxMoves } from '@/data/queries/promises'
import type { Work } from '../command'
import { negateTaxes, taxOfInvoicePart } from './taxWork'

/** Dues as the core fills them: what is open, and what comes off for paying all the rest on the day. */
export const offered = (dues: readonly DueRow[], on: Day): OpenDue[] =>
  dues.map((d): OpenDue => {
    const discount = discountOn(d, on)
    return {
      id: d.id,
      saleId: d.saleId,
      dueOn: d.dueOn,
      open: d.open,
      ...(discount && isPositiveMoney(discount) ? { discount } : {}),
    }
  })

/** A discount that is taken on a due, and the tax in it. */
export interface DueDiscount {
  readonly dueId: number
  readonly net: Money
  readonly taxes: readonly ComponentTax[]
}

/** What comes off for paying early, due by due. */
export const discountsOf = (w: Work, dues: readonly DueRow[], filled: Filling['dues']): Promise<DueDiscount[]> =>
  Promise.all(
    filled.flatMap(({ dueId, discount }) =>
      discount
        ? [
            taxOfInvoicePart(w, present(present(dues.find((d) => d.id === dueId)).invoiceId), discount).then(
              (share) => ({
                dueId,
                ...share,
              }),
            ),
          ]
        : [],
    ),
  )

/** Writes down the tax that comes back with discounts taken. */
export const noteDiscounts = async (
  w: Work,
  discounts: readonly DueDiscount[],
  paper: { readonly onDay: Day; readonly entryId: number; readonly receiptId?: number },
): Promise<void> => {
  for (const d of discounts)
    await insertTaxMoves(w.tx, negateTaxes(d.taxes), { ...paper, why: 'discount', dueId: d.dueId })
}
