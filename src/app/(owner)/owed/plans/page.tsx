import type { Metadata } from 'next'
import Link from 'next/link'
import { formatDayShort } from '@/core/day'
import { formatMoney, isPositiveMoney } from '@/core/money'
import { readPlanBook } from '@/model/plan/planBook'
import { Empty } from '@/ui/Empty'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Installments' }

export default async function Plans({ searchParams }: { searchParams: Search }) {
  const { db, business, today } = await openShop()
  const ended = (await queryOf(searchParams)).ended === 'true'
  const { rows, totals } = await readPlanBook(db, { ended }, business, today)
  return (
    <>
      <Heading
        title="Installments"
        beside={ended ? 'plans that ended' : 'plans that run'}
        action={
          <>
            <Link prefetch={false} className="btn" href={ended ? '/owed/plans' : '/owed/plans?ended=true'}>
              {ended ? 'Those that run' : 'Those that ended'}
            </Link>
            <a className="btn" href={`/api/v1/export/plans.csv?ended=${ended}`}>
              Save as CSV
            </a>
            <a className="btn" href={`/api/v1/export/plans.xlsx?ended=${ended}`}>
              XLSX
            </a>
          </>
        }
      />
      <OwedTabs at="/owed/plans" />
      {rows.length === 0 ? (
        <Empty>
          {ended
            ? 'No plan has ended yet.'
            : 'No plan runs. Say on a sale that they pay in installments; the plan begins with its invoice.'}
        </Empty>
      ) : (
        <div className="overflow-x-auto">
          <table className="ledger">
            <thead>
              <tr>
                <th scope="col">Plan</th>
                <th scope="col">Customer</th>
                <th scope="col">Sale</th>
                {['Financed', 'Charge', 'Paid', 'Open', 'Late'].map((h) => (
                  <th key={h} scope="col" className="r">
                    {h}
                  </th>
                ))}
                <th scope="col">Next</th>
                <th scope="col">{ended ? 'Ended' : 'Ends'}</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <tr key={r.planId} className="row">
                  <td>
                    <Link prefetch={false} data-row className="cover font-figure" href={`/sales/${r.saleId}`}>
                      {r.number}
                    </Link>
                  </td>
                  <td className="max-w-[180px] truncate">{r.customer}</td>
                  <td className="sub max-w-[180px] truncate">
                    {r.saleNumber} {r.title}
                  </td>
                  <td className="r">
                    <Figure of={r.financed} />
                  </td>
                  <td className="r">
                    <Figure of={r.charge} blankZero />
                  </td>
                  <td className="r">
                    <Figure of={r.paid} blankZero className="text-patina-700" />
                  </td>
                  <td className="r">
                    <Figure of={r.open} blankZero />
                  </td>
                  <td className="r">
                    <Figure of={r.late} blankZero className="text-oxide-700" />
                    {r.rowsLate > 1 && <div className="text-xs text-oxide-700">{r.rowsLate} rows</div>}
                  </td>
                  <td className="whitespace-nowrap">
                    {r.next && (
                      <>
                        {formatDayShort(r.next, today)}
                        <span className="sub"> {r.nextOpen && formatMoney(r.nextOpen)}</span>
                      </>
                    )}
                    {r.hasCard && <div className="sub">by card</div>}
                  </td>
                  <td className="sub whitespace-nowrap">{r.endedAs ?? (r.ends && formatDayShort(r.ends, today))}</td>
                </tr>
              ))}
            </tbody>
            <tbody>
              <tr className="total">
                <td colSpan={3} className="r">
                  total
                </td>
                <td className="fig">{formatMoney(totals.financed)}</td>
                <td />
                <td className="fig">{formatMoney(totals.paid)}</td>
                <td className="fig">{formatMoney(totals.open)}</td>
                <td className="fig">{formatMoney(totals.late)}</td>
                <td colSpan={2} />
              </tr>
            </tbody>
          </table>
        </div>
      )}
      {isPositiveMoney(totals.unearned) && (
        <p className="mt-3">
          {formatMoney(totals.unearned)} of the charges is owed but not earned yet (a liability):{' '}
          <Link prefetch={false} className="underline" href="/books?view=ties">
            it equals its account
          </Link>
          .
        </p>
      )}
    </>
  )
}
