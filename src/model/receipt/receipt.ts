import { present } from '@/core/present'
import { isPositiveMoney, sumMoney, type Money } from '@/core/money'
import { nameOfDue } from '@/core/receipt'
import type { Db } from '@/data/connect'
import { findInvoice } from '@/data/queries/invoices'
import { findSales } from '@/data/queries/sales'
import { listDuesOfSales } from '@/data/queries/due'
import { listFillsOfReceipt } from '@/data/queries/fill'
import { listHeldMoves } from '@/data/queries/held'
import type { ReceiptRow } from '@/data/queries/receipt'

export interface PaidThing {
  readonly what: string
  readonly href: string
  readonly amount: Money
}

/** What a receipt paid when it was taken: dues, money held ahead, or the counter sale it belongs to. */
export const readWhatItPaid = async (db: Db, receipt: ReceiptRow, currency: string): Promise<PaidThing[]> => {
  if (receipt.invoiceId !== null) {
    const invoice = present(await findInvoice(db, receipt.invoiceId, currency))
    return [{ what: `Counter sale ${invoice.number}`, href: `/invoices/${invoice.id}`, amount: receipt.amount }]
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
      return { what: nameOfDue(due), href, amount: f.amount }
    }),
    ...moves.map((m) => ({
      what:
        m.saleId === null
          ? 'Held on account'
          : `Held as ${m.kind === 'layaway' ? 'layaway' : 'a deposit'} for sale ${sales.find((s) => s.id === m.saleId)?.number ?? ''}`,
      href: m.saleId === null ? `/people/${m.customerId}` : `/sales/${m.saleId}`,
      amount: m.amount,
    })),
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
