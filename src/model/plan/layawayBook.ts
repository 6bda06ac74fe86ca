import type { LayawayStands } from '@/core/plan'
import { type Money, isPositiveMoney, sumMoney, toDecimalString } from '@/core/money'
import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listLayawayIds } from '@/data/queries/sales'
import { readStories } from '@/model/sale/readStories'

export interface LayawayRow {
  readonly saleId: number
  readonly number: number
  readonly customerId: number
  readonly customer: string
  readonly title: string
  readonly stands: LayawayStands
  readonly total: Money
  readonly held: Money
  readonly left: Money
  readonly behind: Money
  readonly behindSince: Day | null
  readonly next: { readonly due: Day; readonly open: Money } | null
  readonly ends: Day | null
}

/** All layaways (or one customer’s) whose goods still stand here: those behind first. */
export const readLayawayBook = async (db: Db, business: Business, today: Day, customerId?: number) => {
  const ids = await listLayawayIds(db, customerId)
  const stories = await readStories(db, ids, business, today)
  const rows = stories
    .flatMap((s): LayawayRow[] =>
      s.layaway
        ? [
            {
              saleId: s.sale.id,
              number: s.sale.number,
              customerId: s.sale.customerId,
              customer: s.sale.customerName,
              title: s.sale.title,
              stands: s.layaway.standing.stands,
              total: s.totals.gross,
              held: s.held,
              left: s.layaway.standing.left,
              behind: s.layaway.standing.behind,
              behindSince: s.layaway.standing.behindSince,
              next: s.layaway.standing.next,
              ends: s.layaway.plan.rows.at(-1)?.due ?? null,
            },
          ]
        : [],
    )
    .sort((a, b) => Number(isPositiveMoney(b.behind)) - Number(isPositiveMoney(a.behind)) || a.number - b.number)
  const sum = (pick: (r: LayawayRow) => Money): Money => sumMoney(rows.map(pick), business.currency)
  return {
    rows,
    totals: {
      total: sum((r) => r.total),
      held: sum((r) => r.held),
      left: sum((r) => r.left),
      behind: sum((r) => r.behind),
    },
  }
}

export const layawayBookView = async (db: Db, business: Business, today: Day) => {
  const book = await readLayawayBook(db, business, today)
  const t = toDecimalString
  return {
    rows: book.rows.map((r) => ({
      ...r,
      total: t(r.total),
      held: t(r.held),
      left: t(r.left),
      behind: t(r.behind),
      next: r.next && { due: r.next.due, open: t(r.next.open) },
    })),
    totals: Object.fromEntries(Object.entries(book.totals).map(([k, v]) => [k, t(v)])),
  }
}
