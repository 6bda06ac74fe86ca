import type { Metadata } from 'next'
import Link from 'next/link'
import { formatDayShort } from '@/core/day'
import { formatMoney, isPositiveMoney } from '@/core/money'
import { Empty } from '@/ui/Empty'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { openShop } from '../../_shop'
import { readLayawayBook } from '@/model/plan/layawayBook'

export const metadata: Metadata = { title: 'Layaway' }

export default async function Layaways() {
  const { db, business, today } = await openShop()
  const { rows, totals } = await readLayawayBook(db, business, today)
  return (
    <>
      <Heading
        title="Layaway"
        beside="goods that stay here until they are paid up"
        action={
          <>
            <a className="btn" href="/api/v1/export/layaways.csv">
              Save as CSV
            </a>
            <a className="btn" href="/api/v1/export/layaways.xlsx">
              XLSX
            </a>
          </>
        }
      />
      <OwedTabs at="/owed/layaways" />
      {rows.length === 0 ? (
        <Empty>Nothing is on layaway. Say on an agreed sale how they pay, and choose layaway.</Empty>
      ) : (
        <div className="overflow-x-auto">
          <table className="ledger">
            <thead>
              <tr>
                <th scope="col">Sale</th>
                <th scope="col">Customer</th>
                <th scope="col">What</th>
                <th scope="col">Stands</th>
                {['Total', 'Held', 'Still to come', 'Behind'].map((h) => (
                  <th key={h} scope="col" className="r">
                    {h}
                  </th>
                ))}
                <th scope="col">Next</th>
                <th scope="col">Ends</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <tr key={r.saleId} className="row">
                  <td>
                    <Link prefetch={false} data-row className="cover font-figure" href={`/sales/${r.saleId}`}>
                      {r.number}
                    </Link>
                  </td>
                  <td className="max-w-[180px] truncate">{r.customer}</td>
                  <td className="sub max-w-[200px] truncate">{r.title}</td>
                  <td
                    className={
                      r.stands === 'behind'
                        ? 'font-bold text-oxide-700'
                        : r.stands === 'paid up'
                          ? 'font-bold text-patina-700'
                          : ''
                    }
                  >
                    {r.stands}
                  </td>
                  <td className="r">
                    <Figure of={r.total} />
                  </td>
                  <td className="r">
                    <Figure of={r.held} blankZero className="text-brass-700" />
                  </td>
                  <td className="r">
                    <Figure of={r.left} blankZero />
                  </td>
                  <td className="r">
                    <Figure of={r.behind} blankZero className="text-oxide-700" />
                    {r.behindSince && isPositiveMoney(r.behind) && (
                      <div className="text-xs text-oxide-700">since {formatDayShort(r.behindSince, today)}</div>
                    )}
                  </td>
                  <td className="whitespace-nowrap">
                    {r.next && (
                      <>
                        {formatDayShort(r.next.due, today)} <span className="sub">{formatMoney(r.next.open)}</span>
                      </>
                    )}
                  </td>
                  <td className="sub whitespace-nowrap">{r.ends && formatDayShort(r.ends, today)}</td>
                </tr>
              ))}
            </tbody>
            <tbody>
              <tr className="total">
                <td colSpan={4} className="r">
                  total
                </td>
                <td className="fig">{formatMoney(totals.total)}</td>
                <td className="fig">{formatMoney(totals.held)}</td>
                <td className="fig">{formatMoney(totals.left)}</td>
                <td className="fig">{formatMoney(totals.behind)}</td>
                <td colSpan={2} />
              </tr>
            </tbody>
          </table>
        </div>
      )}
    </>
  )
}
