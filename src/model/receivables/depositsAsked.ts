import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import type { Day } from '@/core/day'
import type { DepositAsked } from '@/core/receipt'
import { listAskedAhead } from '@/data/queries/sales'
import { readStories } from '@/model/sale/readStories'

/** Deposits asked for on agreed sales of a customer and not received, the first sale first. */
export const readDepositsAsked = async (
  db: Db,
  customerId: number,
  business: Business,
  today: Day,
): Promise<DepositAsked[]> => {
  const stories = await readStories(db, await listAskedAhead(db, customerId), business, today)
  return stories.flatMap((s) => {
    const step = s.next.find((n) => n.action === 'ask-deposit')
    return step?.amount ? [{ saleId: s.sale.id, open: step.amount }] : []
  })
}
