import { openShop } from '@/app/(owner)/_shop'
import { formatDay, type Day } from '@/core/day'
import { CASH_PARTS, type CashFlow as Report } from '@/core/ledger'
import { absMoney, formatMoney } from '@/core/money'
import { CASH_CHANGE, CASH_FLOW_PARTS } from '@/lists/reportParts'
import { readCashFlowByMonth } from '@/model/books/books'
import { LedgerHead, right } from '@/ui/LedgerHead'
import { ListExport } from '@/ui/list/ListExport'
import { To } from '@/ui/To'
import { Answer } from './Answer'
import { Columns, figuresOf, type Column } from './Columns'
import { spansOf, type SpanColumn } from './spans'

/** Where cash came from and went: its answer first, then by month, and what each account of cash held. */
export const CashFlow = async ({ from, to }: { from: Day; to: Day }) => {
  const { db, currency } = await openShop()
  const flow = await readCashFlowByMonth(db, { from, to }, currency)
  const { whole } = flow
  return (
    <>
      <Answer about="Cash is the drawer, checks, card payments in transit and every bank account; each figure what an account across from it brought, or took.">
        You had <b className="fig">{formatMoney(whole.opening)}</b> before {formatDay(from)} and{' '}
        <b className="fig">{formatMoney(whole.closing)}</b> on {formatDay(to)}: {formatMoney(absMoney(whole.change))}{' '}
        {whole.change.minor < 0n ? 'less' : 'more'}.
      </Answer>
      <Columns
        label="Cash flow by month"
        parts={CASH_FLOW_PARTS}
        lastName={CASH_CHANGE}
        columns={spansOf(flow, { from, to }).map(columnOf)}
      />
      <Held of={whole} from={from} to={to} />
      <div className="no-print mt-5">
        <ListExport name="cash-flow" query={{ from, to }} />
      </div>
    </>
  )
}

const columnOf = ({ head, from, to, report }: SpanColumn<Report>): Column => {
  const href = (id: number) => `/books?view=journal&from=${from}&to=${to}&account=${id}&acrossCash=true`
  return {
    head,
    parts: CASH_PARTS.map((p) => ({ ...report.parts[p], rows: figuresOf(report.parts[p].rows, href) })),
    last: report.change,
  }
}

const Held = ({ of, from, to }: { readonly of: Report; readonly from: Day; readonly to: Day }) => (
  <table className="ledger mt-7 max-w-2xl">
    <LedgerHead heads={['Cash', right('At the beginning'), right('At the end')]} />
    <tbody>
      {of.held.map((h) => (
        <tr key={h.id} className="row">
          <td>
            <To data-row className="cover" href={`/books/accounts/${h.id}?from=${from}&to=${to}`}>
              {h.name}
            </To>
          </td>
          <td className="fig">{formatMoney(h.opening)}</td>
          <td className="fig">{formatMoney(h.closing)}</td>
        </tr>
      ))}
    </tbody>
    <tbody>
      <tr className="total">
        <td />
        <td className="fig">{formatMoney(of.opening)}</td>
        <td className="fig">{formatMoney(of.closing)}</td>
      </tr>
    </tbody>
  </table>
)
