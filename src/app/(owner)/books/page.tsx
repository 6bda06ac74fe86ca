import { readAccounts } from '@/model/books/journal'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { addMonths, formatDay, isDayInReach, monthStart, yearStart, type Day } from '@/core/day'
import { withQuery } from '@/ui/address'
import { BooksActions } from '@/ui/books/BooksActions'
import { Span } from '@/ui/books/Span'
import { Heading } from '@/ui/Heading'
import { openReports, queryOf, type Search } from '../_shop'
import { isView, OF_ONE_VIEW, VIEWS, type View } from '@/app/(owner)/books/_views/shown'
import { Accounts } from '@/app/(owner)/books/_views/Accounts'
import { CashFlow } from '@/app/(owner)/books/_views/CashFlow'
import { Closings } from '@/app/(owner)/books/_views/Closings'
import { TaxReturns } from '@/app/(owner)/books/_views/TaxReturns'
import { Years } from '@/app/(owner)/books/_views/Years'
import { Journal } from '@/app/(owner)/books/_views/Journal'
import { TrialBalance } from '@/app/(owner)/books/_views/TrialBalance'
import { ProfitAndLoss } from '@/app/(owner)/books/_views/ProfitAndLoss'
import { BalanceSheet } from '@/app/(owner)/books/_views/BalanceSheet'
import { Tax } from '@/app/(owner)/books/_views/Tax'
import { Taxed } from '@/app/(owner)/books/_views/Taxed'
import { Ties } from '@/app/(owner)/books/_views/Ties'

export const metadata: Metadata = { title: 'Books' }

export default async function Books({ searchParams }: { searchParams: Search }) {
  const shop = await openReports()
  const { business, today } = shop
  const query = await queryOf(searchParams)
  const view: View = isView(query.view) ? query.view : 'journal'
  const asDay = (text: string | undefined, otherwise: Day): Day => (text && isDayInReach(text) ? text : otherwise)
  const to = asDay(query.to ?? query.asOf, today)
  const from = asDay(query.from, view === 'journal' ? addMonths(monthStart(to), -1) : yearStart(to))
  const accounts = await readAccounts(shop)
  const spans = ['journal', 'profit-and-loss', 'cash-flow', 'tax'].includes(view)
  return (
    <>
      <Heading
        title="Books"
        above={
          <To className="underline" href="/books/month">
            Month’s end
          </To>
        }
        beside={business.closedThrough ? `closed through ${formatDay(business.closedThrough)}` : undefined}
        action={
          <BooksActions
            today={today}
            currency={business.currency}
            accounts={accounts.map((a) => ({ code: a.code, name: a.name }))}
            closed={business.closedThrough !== null}
            start={query.do === 'entry' ? 'entry' : undefined}
          />
        }
      />
      <div className="mb-4 flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b border-paper-300">
        <nav aria-label="Reports" className="flex flex-wrap gap-x-6">
          {Object.entries(VIEWS).map(([v, name]) => (
            <To
              key={v}
              href={withQuery('/books', query, { view: v, ...OF_ONE_VIEW })}
              aria-current={v === view ? 'page' : undefined}
              className="border-b-[3px] border-transparent py-2 text-iron-700 aria-[current]:border-rust-600 aria-[current]:font-bold aria-[current]:text-iron-900"
            >
              {name}
            </To>
          ))}
        </nav>
        {view !== 'closings' && view !== 'accounts' && <Span from={spans ? from : null} to={to} today={today} />}
      </div>
      {view === 'journal' && <Journal from={from} to={to} query={query} />}
      {view === 'trial-balance' && <TrialBalance query={{ ...query, asOf: to }} />}
      {view === 'profit-and-loss' && <ProfitAndLoss from={from} to={to} />}
      {view === 'balance-sheet' && <BalanceSheet to={to} />}
      {view === 'cash-flow' && <CashFlow from={from} to={to} />}
      {view === 'tax' && query.code && <Taxed from={from} to={to} query={query} />}
      {view === 'tax' && !query.code && (
        <>
          <Tax from={from} to={to} query={query} />
          <TaxReturns view={view} />
        </>
      )}
      {view === 'ties' && <Ties query={{ ...query, asOf: to }} />}
      {view === 'closings' && (
        <>
          <Years />
          <Closings query={query} />
        </>
      )}
      {view === 'accounts' && <Accounts query={query} />}
    </>
  )
}
