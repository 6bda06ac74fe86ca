import { present } from '@/core/present'
import {
  addMoney,
  largerMoney,
  negateMoney,
  shareMoney,
  smallerMoney,
  subtractMoney,
  zeroMoney,
  type Money,
} from '@/core/money'
import { shareTax, type ComponentTax, type SharedTax } from '@/core/tax'
import type { TaxPosting } from '@/core/ledger'
import { findInvoice } from '@/data/queries/invoices'
import { findSales, sumSale } from '@/data/queries/sales'
import type { Work } from '../command'
import { totalsNow } from '../billing/rateShift'
import { listSaleLines } from '@/data/queries/saleLine'
import { sumTaxAhead, sumTaxOnDue } from '@/data/queries/taxMove'

/** Component taxes as postings, each on its own account. */
export const asPostings = async (w: Work, taxes: readonly Omit<ComponentTax, 'net'>[]): Promise<TaxPosting[]> => {
  if (taxes.length === 0) return []
  const codes = await w.taxCodes()
  return taxes.map((t) => ({
    accountId: present(present(codes.find((c) => c.id === t.taxCodeId)).accountOf.get(t.componentId)),
    amount: t.amount,
  }))
}

export const negateTaxes = (taxes: readonly ComponentTax[]): ComponentTax[] =>
  taxes.map((t) => ({ ...t, net: negateMoney(t.net), amount: negateMoney(t.amount) }))

/** The tax inside a part of an invoice. */
export const taxOfInvoicePart = async (w: Work, invoiceId: number, part: Money): Promise<SharedTax> => {
  const invoice = present(await findInvoice(w.tx, invoiceId, w.currency))
  return shareTax(part, {
    gross: invoice.gross,
    taxes: invoice.taxes
      .filter((t) => t.componentId !== null)
      .map((t) => ({ ...t, componentId: present(t.componentId) })),
  })
}

/** A sale's total with tax and its taxes, and how much of it no bill has billed yet: only that can be paid ahead. */
const aheadOf = async (w: Work, saleId: number) => {
  const [[sale], lines, sums] = [
    await findSales(w.tx, [saleId], w.currency),
    await listSaleLines(w.tx, [saleId]),
    await sumSale(w.tx, saleId, w.currency),
  ]
  const { totals } = await totalsNow(w, present(sale), lines)
  const taxes = totals.taxes.flatMap((t) =>
    t.components.map((c) => ({
      taxCodeId: t.taxCodeId,
      componentId: c.componentId,
      net: t.net,
      amount: c.amount,
    })),
  )
  return { gross: totals.gross, taxes, held: sums.held, notBilled: subtractMoney(totals.gross, sums.billed) }
}

/**
 * The tax that money coming ahead for a sale makes due at once, where the business says so; else none. Never on more than
 * the price: what is held beyond what is still to be billed will be given back.
 *
 * @example 169.00 for a sale of 119.00 with 19.00 tax: 19.00
 */
export const taxComing = async (w: Work, saleId: number | null, amount: Money): Promise<ComponentTax[]> => {
  if (!w.business.taxOnDeposits || saleId === null) return []
  const { gross, taxes, held, notBilled } = await aheadOf(w, saleId)
  const room = largerMoney(subtractMoney(notBilled, held), zeroMoney(w.currency))
  return [...shareTax(smallerMoney(amount, room), { gross, taxes }).taxes]
}

/** Held money about to leave a sale: how much of how much, and the bill it is put on, where it is one of this sale. */
interface HeldGoing {
  readonly saleId: number | null
  readonly part: Money
  readonly held: Money
  readonly bill?: Money
}

/**
 * The tax on held money that leaves a sale, as it is taken off again (negative): all of it when all the money leaves, else
 * its share. What is put on a bill of the sale is the taxed part first; what leaves another way is what was held beyond
 * the price first.
 */
export const taxGoing = async (w: Work, { saleId, part, held, bill }: HeldGoing): Promise<ComponentTax[]> => {
  const standing = saleId === null ? [] : await sumTaxAhead(w.tx, saleId, w.currency)
  if (saleId === null || standing.length === 0) return []
  const none = zeroMoney(w.currency)
  const { notBilled } = await aheadOf(w, saleId)
  const taxed = smallerMoney(held, largerMoney(bill ? addMoney(notBilled, bill) : notBilled, none))
  const going = bill ? smallerMoney(part, taxed) : largerMoney(subtractMoney(part, subtractMoney(held, taxed)), none)
  return negateTaxes(
    standing.map((t) => ({ ...t, net: partOf(t.net, going, taxed), amount: partOf(t.amount, going, taxed) })),
  )
}

/** The share of an amount, signed, that goes with a part of a whole, rounded by the largest remainder; all of it with all. */
const partOf = (amount: Money, part: Money, whole: Money): Money =>
  part.minor >= whole.minor ? amount : present(shareMoney(amount, [part, subtractMoney(whole, part)])[0])

/** What of the tax that stands taken back on a due comes back with a part of it (negative of what stands). */
export const taxBack = async (
  w: Work,
  due: { readonly id: number; readonly why: 'discount' | 'write-off' },
  part: Money,
  whole: Money,
): Promise<ComponentTax[]> =>
  negateTaxes(
    (await sumTaxOnDue(w.tx, due.id, due.why, w.currency)).map((t) => ({
      ...t,
      net: partOf(t.net, part, whole),
      amount: partOf(t.amount, part, whole),
    })),
  )
