import {
  negateMoney,
  shareMoney,
  smallerMoney,
  subtractMoney,
  sumMoney,
  zeroMoney,
  type Money,
} from '@/core/money'
import { shareTax, type ComponentTax, type SharedTax } from '@/core/tax'
import type { TaxPosting } from '@/core/ledger'
import { findInvoice } from '@/data/queries/invoices'
import { sumTaxAhead } from '@/data/queries/promises'
import { findSales, listSaleLines } from '@/data/queries/sales'
import type { Work } from '../command'
import { totalsOf } from '../read/stories' // prettier-ignore

/** Component taxes as postings, each on its own account. */
export const asPostings = async (w: Work, taxes: readonly ComponentTax[]): Promise<TaxPosting[]> => {
  const codes = await w.taxCodes()
  return taxes.map((t) => ({
    accountId: codes.find((c) => c.id === t.taxCodeId)!.accountOf.get(t.componentId)!,
    amount: t.amount,
  }))
}

export const negateTaxes = (taxes: readonly ComponentTax[]): ComponentTax[] =>
  taxes.map((t) => ({ ...t, net: negateMoney(t.net), amount: negateMoney(t.amount) }))

/** The tax inside a part of an invoice. */
export const taxOfInvoicePart = async (w: Work, invoiceId: number, part: Money): Promise<SharedTax> => {
  const invoice = (await findInvoice(w.tx, invoiceId, w.currency))!
  return shareTax(part, {
    gross: invoice.gross,
    taxes: invoice.taxes.filter((t) => t.componentId !== null).map((t) => ({ ...t, componentId: t.componentId! })),
  }) // prettier-ignore
}

/** Several shares as one: nets added up, taxes by component. */
export const addShares = (shares: readonly SharedTax[], currency: string): SharedTax => {
  const byComponent = new Map<string, ComponentTax>()
  for (const t of shares.flatMap((s) => s.taxes)) {
    const key = `${t.taxCodeId}:${t.componentId}`
    const before = byComponent.get(key)
    byComponent.set(
      key,
      before
        ? {
            ...t,
            net: sumMoney([before.net, t.net], currency),
            amount: sumMoney([before.amount, t.amount], currency),
          }
        : t,
    )
  }
  return {
    net: sumMoney(
      shares.map((s) => s.net),
      currency,
    ),
    taxes: [...byComponent.values()],
  }
}

/** The tax that money coming ahead for a sale makes due at once, where the business says so; else none. */
export const taxComing = async (w: Work, saleId: number | null, amount: Money): Promise<ComponentTax[]> => {
  if (!w.business.taxOnDeposits || saleId === null) return []
  const [[sale], lines, codes] = await Promise.all([
    findSales(w.tx, [saleId], w.currency),
    listSaleLines(w.tx, [saleId]),
    w.taxCodes(),
  ])
  const totals = totalsOf(sale!, lines, codes, w.business)
  const taxes = totals.taxes.flatMap((t) =>
    t.components.map((c) => ({
      taxCodeId: t.taxCodeId,
      componentId: c.componentId,
      net: t.net,
      amount: c.amount,
    })),
  )
  return [...shareTax(smallerMoney(amount, totals.gross), { gross: totals.gross, taxes }).taxes]
}

/**
 * The tax on held money that leaves a sale, as it is taken off again (negative): all of it when all the money leaves, else
 * its share.
 */
export const taxGoing = async (
  w: Work,
  saleId: number | null,
  part: Money,
  held: Money,
): Promise<ComponentTax[]> => {
  if (saleId === null) return []
  const rest = subtractMoney(held, part)
  const share = (whole: Money): Money =>
    rest.minor <= 0n ? whole : (shareMoney(whole, [part, rest])[0] ?? zeroMoney(w.currency))
  return negateTaxes(
    (await sumTaxAhead(w.tx, saleId, w.currency)).map((t) => ({
      ...t,
      net: share(t.net),
      amount: share(t.amount),
    })),
  )
}
