import { openShop } from '@/app/(owner)/_shop'
import { formatDay, type Day } from '@/core/day'
import type { BalanceSheet as Report, ReportRow } from '@/core/ledger'
import { PROFIT_NOT_CARRIED } from '@/core/names'
import { formatMoney, isZeroMoney } from '@/core/money'
import { present } from '@/core/present'
import { BALANCE_PARTS, BOTH_SIDES } from '@/lists/reportParts'
import { readBalanceSheets } from '@/model/books/books'
import { ListExport } from '@/ui/list/ListExport'
import { Answer } from './Answer'
import { Columns, figuresOf, type Column } from './Columns'

/** What you have and owe on a day, a month before and a year before: its answer first, then by account. */
export const BalanceSheet = async ({ to }: { to: Day }) => {
  const { db, currency } = await openShop()
  const sheets = await readBalanceSheets(db, to, currency)
  const b = present(sheets[0]).report
  return (
    <>
      <Answer about="Assets are what you have, liabilities what you owe (money held for customers among it), equity what is left and yours.">
        On {formatDay(to)} you have <b className="fig">{formatMoney(b.totalAssets)}</b> and owe{' '}
        <b className="fig">{formatMoney(b.totalLiabilities)}</b>; <b className="fig">{formatMoney(b.totalEquity)}</b> is
        yours.
      </Answer>
      <Columns
        label="Balance sheet"
        parts={BALANCE_PARTS}
        lastName={BOTH_SIDES}
        columns={sheets.map(({ on, report }) => columnOf(on, report))}
      />
      <p className="sub mt-3">
        {isZeroMoney(b.difference)
          ? '✓ Balanced: assets = liabilities + equity'
          : `✗ Out of balance by ${formatMoney(b.difference)}`}
      </p>
      <div className="no-print mt-5">
        <ListExport name="balance-sheet" query={{ asOf: to }} />
      </div>
    </>
  )
}

/** What was earned and is in no account of equity yet stands behind them all. */
const EARNINGS = 'earnings'

const columnOf = (on: Day, b: Report): Column => {
  const of = (rows: readonly ReportRow[]) => figuresOf(rows, (id) => `/books/accounts/${id}?to=${on}`)
  const earned = {
    name: PROFIT_NOT_CARRIED,
    amount: b.earnings,
    href: `/books?view=profit-and-loss&from=1990-01-01&to=${on}`,
  }
  return {
    head: formatDay(on),
    parts: [
      { rows: of(b.assets), total: b.totalAssets },
      { rows: of(b.liabilities), total: b.totalLiabilities },
      { rows: new Map([...of(b.equity), [EARNINGS, earned]]), total: b.totalEquity },
    ],
    last: b.totalLiabilitiesAndEquity,
  }
}
