import { money, subtractMoney, sumMoney, type Money } from '@/core/money'
import { listInvoicesOfSales } from '@/data/queries/invoices'
import { listHandovers } from '@/data/queries/sales'
import type { Work } from '../command'

/** What was billed ahead of handover and is not income yet, by sale line. */
export const readWaitingAhead = async (w: Work, saleId: number): Promise<(saleLineId: number) => Money> => {
  const invoices = (await listInvoicesOfSales(w.tx, [saleId], w.currency)).filter(
    (i) => i.status === 'issued',
  )
  const handovers = await listHandovers(w.tx, [saleId], w.currency)
  return (saleLineId) => {
    const put = invoices.flatMap((i) =>
      i.lines
        .filter((l) => l.saleLineId === saleLineId)
        .map((l) => (i.kind === 'credit-note' ? money(-l.ahead.minor, w.currency) : l.ahead)),
    )
    const earned = handovers.flatMap((h) =>
      h.lines.filter((l) => l.saleLineId === saleLineId).map((l) => l.earned),
    )
    return subtractMoney(sumMoney(put, w.currency), sumMoney(earned, w.currency))
  }
}
