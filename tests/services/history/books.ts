import { sql } from 'drizzle-orm'
import { addDays, addMonths, day, monthEnd, monthStart, yearOf, type Day } from '@/core/day'
import { listTaxFacts } from '@/data/queries/namedTaxFacts'
import { listTaxReturns } from '@/data/queries/taxReturns'
import { readCashFlow } from '@/model/books/books'
import { amountOf } from '@/model/books/taxReturns'
import { runDueEntryRepeats, startEntryRepeat } from '@/services/books/repeatEntry'
import { reverseOwnEntry } from '@/services/books/reverseEntry'
import { writeEntry } from '@/services/books/writeEntry'
import { closeYear, reopenYear } from '@/services/books/closeYear'
import { draftTaxReturn, fileTaxReturn, payTaxReturn, unpayTaxReturn } from '@/services/books/taxReturn'
import type { TestShop } from '../shop'
import type { About } from './moves'
import type { History } from './history'
import type { Step } from './steps'

/** How far tax on sales and on purchases, filed and not, is from the accounts of tax on a day; what was paid is left out. */
export const taxIsOff = async (db: TestShop['db'], asOf: Day): Promise<readonly [sales: bigint, purchases: bigint]> => {
  const from = day('1990-01-01')
  const open = await listTaxFacts(db, 'invoiced', { from, through: asOf, late: [] }, 'USD')
  const filed = (await listTaxReturns(db)).flatMap((r) =>
    (r.rows ?? []).flatMap((row) =>
      row.papers.filter((p) => p.on <= asOf).map((p) => ({ side: row.side, tax: amountOf(p.tax, 'USD') })),
    ),
  )
  const of = (side: string) => [...open, ...filed].reduce((sum, f) => (f.side === side ? sum + f.tax.minor : sum), 0n)
  const [held] = await db.execute<{ sales: string; purchases: string }>(sql`
    select coalesce(-sum(l.amount) filter (where a.id in (select account_id from tax_component)), 0)::text as sales,
           coalesce(sum(l.amount) filter (where a.role = 'tax-on-purchases'), 0)::text as purchases
      from entry_line l join account a on a.id = l.account_id join entry e on e.id = l.entry_id
     where l.on_day <= ${asOf} and e.source_kind <> 'tax-return'`)
  return [of('sales') - BigInt(held!.sales), of('purchases') - BigInt(held!.purchases)]
}

/** How far the cash flow of a span is from what cash was before it and after it. */
export const cashIsOff = async (db: TestShop['db'], from: Day, to: Day): Promise<bigint> =>
  (await readCashFlow(db, { from, to }, 'USD')).difference.minor

export const BOOKS = {
  'year-end': async (h: History, x: Step) => {
    const year = yearOf(h.today) - 1
    return x.flag ? h.attempt(closeYear, { year }) : h.attempt(reopenYear, { year })
  },
  'own-entry': async (h: History, x: Step, { on, amount }: About) => {
    const own = await h.shop.db.execute<{ id: number }>(
      sql`select id from entry where source_kind = 'own' order by id desc limit 4`,
    )
    const entryId = own.length === 0 ? 0 : own[x.pick % own.length]!.id
    if (x.n > 4) {
      const sides = ['debit', 'credit'] as const
      const [one, other] = x.flag ? sides : sides.toReversed()
      const lines = [
        { account: '6000', [one!]: amount },
        { account: '1020', [other!]: amount },
      ]
      return h.attempt(writeEntry, { on, text: 'Own', lines, reverseOn: x.pick % 3 ? null : addDays(h.today, x.n) })
    }
    if (x.n === 4) return h.attempt(reverseOwnEntry, { entryId, on, reason: 'Not so' })
    if (x.n === 3)
      return h.attempt(startEntryRepeat, { entryId, every: 'two-weeks', firstOn: h.today, times: x.pick % 4 || null })
    await runDueEntryRepeats({ db: h.shop.db, today: h.today })
    return undefined
  },
  'tax-return': async (h: History, x: Step, { on, amount }: About) => {
    const from = monthStart(addMonths(h.today, -1 - (x.pick % 3)))
    const returnId = await h.idOf('tax_return', x.pick)
    if (x.n > 6) return h.attempt(unpayTaxReturn, { returnId, on, reason: 'Came back' })
    if (x.n > 4) return h.attempt(payTaxReturn, { returnId, on, ...(x.flag && { amount }) })
    if (x.n > 2) return h.attempt(fileTaxReturn, { returnId })
    return h.attempt(draftTaxReturn, { from, through: monthEnd(from) })
  },
}
