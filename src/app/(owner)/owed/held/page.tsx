import type { Metadata } from 'next'
import Link from 'next/link'
import { formatDay, isDay } from '@/core/day'
import { formatMoney, isZeroMoney, negateMoney, subtractMoney } from '@/core/money'
import { Empty } from '@/ui/Empty'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { DayPick } from '@/ui/owed/DayPick'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { openShop, queryOf, type Search } from '../../_shop'
import { readHeldReport } from '@/model/held/heldReport'

export const metadata: Metadata = { title: 'Held money' }
const KIND = { deposit: 'deposit', layaway: 'layaway', account: 'on account' } as const

export default async function Held({ searchParams }: { searchParams: Search }) {
  const { db, today, currency } = await openShop()
  const asked = (await queryOf(searchParams)).asOf
  const asOf = asked && isDay(asked) ? asked : today
  const { lines, totals, books } = await readHeldReport(db, asOf, currency)
  return (
    <>
      <Heading
        title="Held money"
        beside={<DayPick path="/owed/held" asOf={asOf} today={today} />}
        action={
          <>
            <a className="btn" href={`/api/v1/export/held.csv?asOf=${asOf}`}>
              Save as CSV
            </a>
            <a className="btn" href={`/api/v1/export/held.xlsx?asOf=${asOf}`}>
              XLSX
            </a>
          </>
        }
      />
      <OwedTabs at="/owed/held" />
      <p className="mb-4 max-w-prose">
        Money that came and is not earned yet. It belongs to the customer: a debt of yours, not income.
      </p>
      {lines.length === 0 ? (
        <Empty>Nobody’s money is held on {formatDay(asOf)}.</Empty>
      ) : (
        <table className="ledger max-w-[900px]">
          <thead>
            <tr>
              <th scope="col">Customer</th>
              <th scope="col">For</th>
              <th scope="col">As</th>
              <th scope="col" className="r">
                Held
              </th>
            </tr>
          </thead>
          <tbody>
            {lines.map((l, i) => (
              <tr key={i} className="row">
                <td className="max-w-[260px] truncate">
                  <Link
                    prefetch={false}
                    data-row
                    className="cover"
                    href={l.saleId === null ? `/people/${l.customerId}` : `/sales/${l.saleId}`}
                  >
                    {l.customer}
                  </Link>
                </td>
                <td className="sub max-w-[320px] truncate">
                  {l.saleNumber === null ? 'nothing in particular' : `${l.saleNumber} ${l.title}`}
                </td>
                <td>{KIND[l.kind]}</td>
                <td className="r">
                  <Figure of={l.amount} className="text-brass-700" />
                </td>
              </tr>
            ))}
          </tbody>
          <tbody>
            <tr className="total">
              <td colSpan={3} className="r">
                total
              </td>
              <td className="fig">{formatMoney(totals.all)}</td>
            </tr>
          </tbody>
        </table>
      )}
      <dl className="mt-4 grid max-w-[620px] grid-cols-[1fr_auto_auto] gap-x-6 gap-y-1 text-xs">
        {(['deposit', 'layaway', 'account'] as const).map((k) => {
          const difference = subtractMoney(totals[k], negateMoney(books[k]))
          return (
            <div key={k} className="contents">
              <dt>held as {KIND[k]}</dt>
              <dd className="fig">{formatMoney(totals[k])}</dd>
              <dd className={isZeroMoney(difference) ? 'text-iron-500' : 'font-bold text-oxide-700'}>
                {isZeroMoney(difference)
                  ? '✓ equals its account'
                  : `✗ differs by ${formatMoney(difference)} from its account`}
              </dd>
            </div>
          )
        })}
      </dl>
    </>
  )
}
