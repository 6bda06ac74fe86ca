import { money, type Money, negateMoney } from '@/core/money'
import { balanceOn, firstDayFor, lowestFrom, type Change } from '@/core/running'
import { type Day, day } from '@/core/day'
import { listInvoicesOfSales } from '@/data/queries/invoices'
import type { Work } from '../command'
import { refuse } from '@/contract/refuse'
import { listHandovers } from '@/data/queries/handover'

const FOR_EVER = day('9999-12-31')

/** What was billed ahead of handover and is not income yet, line by line. */
export interface WaitingAhead {
  readonly now: (saleLineId: number) => Money
  /** Refuses that an amount stops waiting on a day on which it did not wait yet. */
  readonly refuseEarly: (saleLineId: number, amount: Money, on: Day) => void
}

export const readWaitingAhead = async (w: Work, saleId: number): Promise<WaitingAhead> => {
  const invoices = (await listInvoicesOfSales(w.tx, [saleId], w.currency)).filter((i) => i.status === 'issued')
  const handovers = await listHandovers(w.tx, [saleId], w.currency)
  const changes = (saleLineId: number): Change[] => [
    ...invoices.flatMap((i) =>
      i.lines
        .filter((l) => l.saleLineId === saleLineId)
        .map((l) => ({ on: i.on, by: i.kind === 'credit-note' ? negateMoney(l.ahead).minor : l.ahead.minor })),
    ),
    ...handovers.flatMap((h) =>
      h.lines.filter((l) => l.saleLineId === saleLineId).map((l) => ({ on: h.on, by: negateMoney(l.earned).minor })),
    ),
  ]
  return {
    now: (saleLineId) => money(balanceOn(changes(saleLineId), FOR_EVER), w.currency),
    refuseEarly: (saleLineId, amount, on) => {
      if (on >= w.today || amount.minor <= lowestFrom(changes(saleLineId), on)) return
      const from = firstDayFor([changes(saleLineId)], amount.minor, on) ?? w.today
      refuse({ code: 'not-before', from, what: 'It was invoiced ahead of its handover only later.' })
    },
  }
}
