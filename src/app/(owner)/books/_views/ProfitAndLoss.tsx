import { Fragment } from 'react'
import { openShop } from '@/app/(owner)/_shop'
import { formatDay, yearOf, type Day } from '@/core/day'
import type { ProfitAndLoss as Report } from '@/core/ledger'
import { absMoney, formatMoney } from '@/core/money'
import { PROFIT_BY_NAMES } from '@/lists/profit'
import { PROFIT, PROFIT_PARTS } from '@/lists/reportParts'
import { readProfitByMonth } from '@/model/books/books'
import { readBudgeted } from '@/model/books/budget'
import { ProfitChart } from '@/ui/charts/ProfitChart'
import { ListExport } from '@/ui/list/ListExport'
import { To } from '@/ui/To'
import { Answer } from './Answer'
import { Columns, figuresOf, type Column } from './Columns'
import { spansOf, type SpanColumn } from './spans'

/** By what the gross profit of the same days is told apart elsewhere. */
const EARNED_BY = ['sale', 'goods', 'customer', 'kind', 'channel'] as const

/** What was earned and spent: its answer first, then by month, each beside the same days before. */
export const ProfitAndLoss = async ({ from, to }: { from: Day; to: Day }) => {
  const { db, currency } = await openShop()
  const [p, budget] = await Promise.all([
    readProfitByMonth(db, { from, to }, currency),
    readBudgeted(db, { from, to }, currency),
  ])
  const [total, ...beside] = spansOf(p, { from, to })
  const meant = budget ? [{ head: 'Budget', from, to, report: budget }] : []
  const { whole, change, months } = p
  return (
    <>
      <Answer about="Profit is what you sold, less what the goods cost you, less your expenses; all without sales tax.">
        {whole.profit.minor < 0n ? 'Loss' : 'Net profit'} <b className="fig">{formatMoney(absMoney(whole.profit))}</b>{' '}
        from {formatDay(from)} through {formatDay(to)}: {formatMoney(change.by)} {change.less ? 'less' : 'more'} than in
        the {p.days} days before.
      </Answer>
      {months.length > 1 && (
        <ProfitChart
          months={months.map((m) => ({
            from: m.from,
            to: m.to,
            income: m.report.totalIncome,
            costs: m.costs,
            profit: m.report.profit,
          }))}
        />
      )}
      <Columns
        label="Profit and loss by month"
        parts={PROFIT_PARTS}
        lastName={PROFIT}
        columns={[...(total ? [total] : []), ...meant, ...beside].map(columnOf)}
      />
      <div className="no-print mt-5 flex flex-wrap items-center gap-4">
        <ListExport name="profit-and-loss" query={{ from, to }} />
        <To className="underline" href={`/books/budget?year=${yearOf(to)}`}>
          Budget of {yearOf(to)}
        </To>
        <span>
          Gross profit by{' '}
          {EARNED_BY.map((by, i) => (
            <Fragment key={by}>
              {i > 0 && ' · '}
              <To className="underline" href={`/sales/profit?${new URLSearchParams({ by, from, to })}`}>
                {PROFIT_BY_NAMES[by].toLowerCase()}
              </To>
            </Fragment>
          ))}
        </span>
      </div>
    </>
  )
}

const columnOf = ({ head, from, to, report: r }: SpanColumn<Report>): Column => {
  const href = (id: number) => `/books/accounts/${id}?from=${from}&to=${to}`
  return {
    head,
    parts: [
      { rows: figuresOf(r.income, href), total: r.totalIncome },
      { rows: figuresOf(r.costOfGoods, href), total: r.grossProfit },
      { rows: figuresOf(r.expenses, href), total: r.totalExpenses },
    ],
    last: r.profit,
  }
}
