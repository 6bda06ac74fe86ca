import { present } from '@/core/present'
import { sumMoney, type Money } from '@/core/money'
import type { Filling } from '@/core/receipt'
import type { ComponentTax } from '@/core/tax'
import type { Day } from '@/core/day'
import type { Work } from '../command'
import { asPostings, negateTaxes, taxOfInvoicePart } from './taxWork'
import type { DueRow } from '@/data/queries/due'
import { insertTaxMoves } from '@/data/queries/taxMove'

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

/** Discounts together, as an entry posts them: what is taken off, and each tax in it on its own account. */
export const discountPosted = async (w: Work, discounts: readonly Omit<DueDiscount, 'dueId'>[]) => ({
  net: sumMoney(
    discounts.map((d) => d.net),
    w.currency,
  ),
  taxes: await asPostings(
    w,
    discounts.flatMap((d) => d.taxes),
  ),
})

/** Writes down the tax that comes back with discounts taken. */
export const noteDiscounts = async (
  w: Work,
  discounts: readonly DueDiscount[],
  paper: { readonly onDay: Day; readonly entryId: number; readonly receiptId?: number },
): Promise<void> => {
  await Promise.all(
    discounts.map((d) => insertTaxMoves(w.tx, negateTaxes(d.taxes), { ...paper, why: 'discount', dueId: d.dueId })),
  )
}
