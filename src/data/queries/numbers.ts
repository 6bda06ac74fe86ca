import { present } from '@/core/present'
import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { builtOnce } from '../builtOnce'
import type { Db } from '../connect'
import { numberSeries } from '../schema'

const takeNext = builtOnce((db) =>
  db
    .insert(numberSeries)
    .values({ series: sql.placeholder('series'), year: sql.placeholder('year'), last: 1 })
    .onConflictDoUpdate({
      target: [numberSeries.series, numberSeries.year],
      set: { last: sql`${numberSeries.last} + 1` },
    })
    .returning({ last: numberSeries.last }),
)
const nextIn = async (db: Db, series: string, year: number): Promise<number> =>
  present((await takeNext(db, { series, year }))[0]).last

/** Prefixes of the papers' numbers: `2026-0147` for invoices, `R-2026-0931` for receipts. */
const PREFIX = {
  invoice: '',
  'credit-note': 'C-',
  receipt: 'R-',
  refund: 'F-',
  handover: 'H-',
  'stock-count': 'N-',
  'stock-transfer': 'M-',
  'stock-adjustment': 'A-',
  assembly: 'Y-',
  'purchase-order': 'O-',
  'goods-received': 'G-',
  'goods-returned': 'Q-',
  bill: 'I-',
  'supplier-credit': 'J-',
  'supplier-payment': 'E-',
  'landed-cost': 'V-',
  'set-off': 'U-',
  'supplier-refund': 'EB-',
  pick: 'L-',
  'deposit-request': 'D-',
  plan: 'P-',
  'extra-charge': 'X-',
  'write-off': 'W-',
  'held-transfer': 'T-',
  'drawer-move': 'K-',
  'drawer-count': 'Z-',
  'banking-slip': 'B-',
  'card-settlement': 'S-',
} as const
export type Series = keyof typeof PREFIX

/**
 * The next number of a series in the year of `on`. Taken inside the caller's transaction: the row stays locked until it
 * ends, and a transaction that fails gives its number back, so numbers have no gaps.
 */
export const takeNumber = async (db: Db, series: Series, on: Day): Promise<string> => {
  const year = Number(on.slice(0, 4))
  return `${PREFIX[series]}${year}-${String(await nextIn(db, series, year)).padStart(4, '0')}`
}

/** Sales are counted through, from 1001. */
export const takeSaleNumber = async (db: Db): Promise<number> => 1000 + (await nextIn(db, 'sale', 0))
