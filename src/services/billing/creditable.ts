import { present } from '@/core/present'
import type { z } from 'zod'
import { isPositiveMoney, subtractMoney, sumMoney, ZERO, type Decimal, type Money } from '@/core/money'
import { creditAmount, creditQuantities, type Credit, type CreditableLine, type CreditableTax } from '@/core/sale'
import type { InvoiceRow, NewInvoice } from '@/data/queries/invoices'
import type { Work } from '../command'
import type { lineQuantities } from '@/contract/lines'
import { refuse } from '@/contract/refuse'

/** What of an invoice can still be credited: its lines and taxes, with what earlier credit notes took. */
export const creditable = (invoice: InvoiceRow, credits: readonly InvoiceRow[], currency: string) => {
  const before = credits.flatMap((c) => c.lines)
  const lines = invoice.lines.map((l): CreditableLine & { saleLineId: number; description: string } => {
    const mine = before.filter((b) => b.creditsLineId === l.id)
    return {
      id: l.id,
      saleLineId: l.saleLineId,
      description: l.description,
      taxCodeId: l.taxCodeId,
      quantity: l.quantity,
      net: l.net,
      tax: l.tax,
      creditedQuantity: mine.reduce((sum, b) => sum.plus(b.quantity), ZERO),
      creditedNet: sumMoney(
        mine.map((b) => b.net),
        currency,
      ),
      creditedTax: sumMoney(
        mine.map((b) => b.tax),
        currency,
      ),
    }
  })
  const taxes = invoice.taxes
    .filter((t) => t.componentId !== null)
    .map((t): CreditableTax => ({
      taxCodeId: t.taxCodeId,
      componentId: present(t.componentId),
      amount: t.amount,
      credited: sumMoney(
        credits.flatMap((c) =>
          c.taxes.filter((x) => x.componentId === t.componentId && x.taxCodeId === t.taxCodeId).map((x) => x.amount),
        ),
        currency,
      ),
    }))
  return { lines, taxes }
}

const leftOf = (l: CreditableLine): Decimal => l.quantity.minus(l.creditedQuantity)

/** What is credited by quantities: those chosen, or all that is left. */
export const creditLines = (
  lines: readonly (CreditableLine & { saleLineId: number; description: string })[],
  taxes: readonly CreditableTax[],
  chosen: z.output<typeof lineQuantities> | undefined,
): Credit => {
  const left = sumMoney(
    lines.flatMap((l) => [subtractMoney(l.net, l.creditedNet), subtractMoney(l.tax, l.creditedTax)]),
    present(lines[0]).net.currency,
  )
  if (!isPositiveMoney(left) && lines.every((l) => leftOf(l).lte(0)))
    refuse({ code: 'more-than-invoice-left', left, asked: left })
  const wanted = chosen
    ? chosen.map((c) => ({
        line: lines.find((l) => l.saleLineId === c.lineId) ?? refuse({ code: 'not-found', what: 'line', id: c.lineId }),
        quantity: c.quantity,
      }))
    : lines.map((line) => ({ line, quantity: leftOf(line) })).filter((x) => x.quantity.gt(0))
  for (const { line, quantity } of wanted) {
    if (quantity.gt(leftOf(line)))
      refuse({ code: 'more-than-billed', line: line.description, left: leftOf(line), asked: quantity })
  }
  return creditQuantities(
    lines,
    taxes,
    wanted.map(({ line, quantity }) => ({ lineId: line.id, quantity })),
  )
}

/** What is credited by an amount with tax. */
export const creditSum = (
  w: Work,
  lines: readonly CreditableLine[],
  taxes: readonly CreditableTax[],
  amount: Money,
): Credit => {
  const left = sumMoney(
    lines.flatMap((l) => [subtractMoney(l.net, l.creditedNet), subtractMoney(l.tax, l.creditedTax)]),
    w.currency,
  )
  if (amount.minor > left.minor) refuse({ code: 'more-than-invoice-left', left, asked: amount })
  return creditAmount(lines, taxes, amount)
}

/** The credit’s tax rows, in the shape an invoice keeps them. */
export const taxRows = (invoice: InvoiceRow, credit: Credit, currency: string): NewInvoice['taxes'][number][] => {
  const codeOf = new Map(invoice.lines.map((l) => [l.id, l.taxCodeId]))
  const codes = [...new Set(credit.lines.map((l) => present(codeOf.get(l.lineId))))]
  return codes.flatMap((taxCodeId): NewInvoice['taxes'][number][] => {
    const net = sumMoney(
      credit.lines.filter((l) => codeOf.get(l.lineId) === taxCodeId).map((l) => l.net),
      currency,
    ).minor
    const parts = credit.taxes.filter((t) => t.taxCodeId === taxCodeId)
    return parts.length === 0
      ? [{ taxCodeId, componentId: null, net, amount: 0n }]
      : parts.map((t) => ({ taxCodeId, componentId: t.componentId, net, amount: t.amount.minor }))
  })
}
