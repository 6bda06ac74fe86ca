import { present } from '@/core/present'
import { isPositiveMoney, sumMoney, type Money } from '@/core/money'
import { lineIn, paperWords, type PaperLine } from '@/core/formats'
import type { Db } from '@/data/connect'
import { findInvoice } from '@/data/queries/invoices'
import { findSales } from '@/data/queries/sales'
import { listDuesOfSales } from '@/data/queries/due'
import { listFillsOfReceipt } from '@/data/queries/fill'
import { listHeldMoves } from '@/data/queries/held'
import type { ReceiptRow } from '@/data/queries/receipt'

export interface PaidThing {
  /** In English, as the owner reads it; papers say the line in their own language. */
  readonly what: string
  readonly line: PaperLine
  readonly href: string
  readonly amount: Money
}

const paid = (line: PaperLine, href: string, amount: Money): PaidThing => ({
  what: lineIn(paperWords('en'), line),
  line,
  href,
  amount,
})

/** What a receipt paid when it was taken: dues, money held ahead, or the counter sale it belongs to. */
export const readWhatItPaid = async (db: Db, receipt: ReceiptRow, currency: string): Promise<PaidThing[]> => {
  if (receipt.invoiceId !== null) {
    const invoice = present(await findInvoice(db, receipt.invoiceId, currency))
    const line: PaperLine = { what: 'counterSale', number: invoice.number }
    return [paid(line, `/invoices/${invoice.id}`, receipt.amount)]
  }
  const [allFills, allMoves] = await Promise.all([
    listFillsOfReceipt(db, receipt.id, currency),
    listHeldMoves(db, { receiptId: receipt.id }, currency),
  ])
  const fills = allFills.filter((f) => f.kind === 'receipt')
  const moves = allMoves.filter((m) => m.why === 'receipt')
  const [dues, sales] = await Promise.all([
    listDuesOfSales(db, [...new Set(fills.map((f) => f.saleId))], currency),
    findSales(
      db,
      moves.flatMap((m) => (m.saleId === null ? [] : [m.saleId])),
      currency,
    ),
  ])
  return [
    ...fills.map((f) => {
      const due = present(dues.find((d) => d.id === f.dueId))
      const href = due.invoiceId === null ? `/sales/${due.saleId}` : `/invoices/${due.invoiceId}`
      return paid({ what: 'due-part', number: due.number, label: due.label }, href, f.amount)
    }),
    ...moves.map((m) =>
      m.saleId === null
        ? paid({ what: 'heldOnAccount', number: null }, `/people/${m.customerId}`, m.amount)
        : paid(
            {
              what: m.kind === 'layaway' ? 'heldAsLayaway' : 'heldForSale',
              number: String(sales.find((s) => s.id === m.saleId)?.number ?? ''),
            },
            `/sales/${m.saleId}`,
            m.amount,
          ),
    ),
  ]
}

/** What came off for paying early with a receipt. */
export const readDiscount = async (db: Db, receiptId: number, currency: string): Promise<Money> =>
  sumMoney(
    (await listFillsOfReceipt(db, receiptId, currency))
      .filter((f) => f.kind === 'discount' && isPositiveMoney(f.amount))
      .map((f) => f.amount),
    currency,
  )
