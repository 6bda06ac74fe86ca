import { openShop } from '@/app/(owner)/_shop'
import { formatDay, formatMonth, type Day } from '@/core/day'
import type { ProfitAndLoss as Report, ReportRow } from '@/core/ledger'
import { absMoney, formatMoney, isZeroMoney, zeroMoney, type Money } from '@/core/money'
import { readProfitByMonth, type ProfitByMonth } from '@/model/books/books'
import { ProfitChart } from '@/ui/books/ProfitChart'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'
import { ListExport } from '@/ui/list/ListExport'
import { To } from '@/ui/To'
import { Answer } from './Answer'

/** What was earned and spent: its answer first, then by month, each beside the same days before. */
export const ProfitAndLoss = async ({ from, to }: { from: Day; to: Day }) => {
  const { db, currency } = await openShop()
  const p = await readProfitByMonth(db, { from, to }, currency)
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
      <Months of={p} span={{ from, to }} currency={currency} />
      <p className="no-print mt-5">
        <ListExport name="profit-and-loss" query={{ from, to }} />
      </p>
    </>
  )
}

interface TableProps {
  readonly of: ProfitByMonth
  readonly span: { readonly from: Day; readonly to: Day }
  readonly currency: string
}

const PARTS = [
  { title: 'Income', rows: (r: Report) => r.income, totalName: 'Income', total: (r: Report) => r.totalIncome },
  {
    title: 'What the goods cost',
    rows: (r: Report) => r.costOfGoods,
    totalName: 'Gross profit',
    total: (r: Report) => r.grossProfit,
  },
  { title: 'Expenses', rows: (r: Report) => r.expenses, totalName: 'Expenses', total: (r: Report) => r.totalExpenses },
] as const

/** The accounts, a month a column; every figure opens into the lines it is made of. */
const Months = ({ of: { whole, before, months }, span, currency }: TableProps) => {
  const columns = [
    { head: 'Total', ...span, report: whole },
    { head: 'Before', from: before.from, to: before.to, report: before.report },
    ...(months.length > 1 ? months.map((m) => ({ head: `${formatMonth(m.from)} ${m.from.slice(2, 4)}`, ...m })) : []),
  ]
  const none = zeroMoney(currency)
  return (
    <>
      {months.length > 6 && <p className="sub mb-1">More months to the right.</p>}
      <div className="overflow-x-auto" role="region" aria-label="Profit and loss by month" tabIndex={0}>
        <table className="ledger [&_td]:px-2 [&_th]:px-2">
          <LedgerHead heads={[unseen('Account'), ...columns.map((c) => right(c.head))]} />
          {PARTS.map((part) => (
            <tbody key={part.title}>
              <tr>
                <td colSpan={columns.length + 1} className="border-b-iron-900 pt-3 font-slab text-lg font-semibold">
                  {part.title}
                </td>
              </tr>
              {accountsOf(columns.map((c) => part.rows(c.report))).map((account) => (
                <tr key={account.id}>
                  <td className="max-w-55 min-w-40">{account.name}</td>
                  {columns.map((c) => {
                    const amount = part.rows(c.report).find((r) => r.id === account.id)?.amount ?? none
                    return (
                      <td key={c.head} className="fig">
                        {!isZeroMoney(amount) && (
                          <To
                            className="hover:underline"
                            href={`/books/accounts/${account.id}?from=${c.from}&to=${c.to}`}
                          >
                            {formatMoney(amount)}
                          </To>
                        )}
                      </td>
                    )
                  })}
                </tr>
              ))}
              <SumRow name={part.totalName} amounts={columns.map((c) => part.total(c.report))} />
            </tbody>
          ))}
          <tbody>
            <tr className="total">
              <td>Net profit</td>
              {columns.map((c) => (
                <td key={c.head} className="fig">
                  {formatMoney(c.report.profit)}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
    </>
  )
}

const SumRow = ({ name, amounts }: { readonly name: string; readonly amounts: readonly Money[] }) => (
  <tr className="font-bold">
    <td className="border-0">{name}</td>
    {amounts.map((amount, i) => (
      <td key={i} className="fig border-0 border-t border-iron-900">
        {formatMoney(amount)}
      </td>
    ))}
  </tr>
)

/** Every account that stands in any of the columns, in the order of their codes. */
const accountsOf = (columns: readonly (readonly ReportRow[])[]): readonly ReportRow[] =>
  [...new Map(columns.flat().map((r) => [r.id, r])).values()].sort((a, b) => a.code.localeCompare(b.code))
