import type { Metadata } from 'next'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import { formatDay, formatDayShort, isDay, type Day } from '@/core/day'
import { formatMoney, isPositiveMoney, isZeroMoney, subtractMoney, zeroMoney } from '@/core/money'
import { expectByWeek } from '@/core/receivables'
import { listOpenAsOf } from '@/data/queries/receivables'
import { sumOpenByDay } from '@/data/queries/money'
import { findCustomer } from '@/data/queries/customers'
import { readOwed } from '@/services/read/books'
import { withQuery } from '@/ui/address'
import { AgeBar, WeekChart } from '@/ui/charts'
import { Empty } from '@/ui/Empty'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { AsOf } from '@/ui/money/AsOf'
import { MoneyBar } from '@/ui/MoneyBar'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Owed' }

export default async function Owed({ searchParams }: { searchParams: Search }) {
  const { db, business, today, currency } = await openShop()
  const query = await queryOf(searchParams)
  const asOf = query.asOf && isDay(query.asOf) ? query.asOf : today
  const by = query.by === 'invoice' ? ('invoice' as const) : ('due' as const)
  const chosen = /^\d{1,9}$/.test(query.customer ?? '') ? Number(query.customer) : null
  const [owed, open] = await Promise.all([readOwed(db, { asOf, by }, business), sumOpenByDay(db, currency)])
  const late = (r: (typeof owed.rows)[number]) => subtractMoney(r.total, r.notDue)
  const rows = owed.rows.filter((r) =>
    query.show === 'late' ? isPositiveMoney(late(r)) : query.show === 'held' ? isPositiveMoney(r.held) : true,
  )
  const shown =
    query.show === 'late' ? 'those who are late' : query.show === 'held' ? 'those whose money is held' : null
  const none = zeroMoney(currency)
  return (
    <>
      <Heading
        title="Owed to you"
        beside={<AsOf asOf={asOf} today={today} by={by} />}
        action={
          <>
            <a className="btn" href={`/api/v1/export/receivables.csv?asOf=${asOf}&by=${by}`}>
              Save as CSV
            </a>
            <a className="btn" href={`/api/v1/export/receivables.xlsx?asOf=${asOf}&by=${by}`}>
              XLSX
            </a>
            <Link prefetch={false} className="btn btn-do" data-primary href="/money-in">
              Take money
            </Link>
          </>
        }
      />
      <div className="mb-6 grid gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_470px]">
        <section>
          <h2>How old it is</h2>
          <AgeBar ages={owed.totals} />
        </section>
        <section>
          <h2>{asOf === today ? 'Falls due, week by week' : 'Falls due from today, week by week'}</h2>
          <WeekChart weeks={expectByWeek(open, { today, weeks: 8, currency })} today={today} />
        </section>
      </div>
      {shown && (
        <p className="mb-2">
          Only {shown} ·{' '}
          <Link prefetch={false} className="underline" href={withQuery('/owed', query, { show: undefined })}>
            show all
          </Link>
        </p>
      )}
      {rows.length === 0 ? (
        <Empty>
          {shown
            ? 'Nobody.'
            : 'Nobody owes you anything on this day. What is billed and not paid will stand here, by how old it is.'}
        </Empty>
      ) : (
        <div className="overflow-x-auto">
          <table className="ledger">
            <thead>
              <tr>
                <th scope="col">Customer</th>
                <th scope="col" className="w-[150px]">
                  Where the money stands
                </th>
                <th scope="col" className="r">
                  Not due
                </th>
                <th scope="col" className="r">
                  1–30
                </th>
                <th scope="col" className="r">
                  31–60
                </th>
                <th scope="col" className="r">
                  61–90
                </th>
                <th scope="col" className="r">
                  Over 90
                </th>
                <th scope="col" className="r">
                  Owed
                </th>
                <th scope="col" className="r">
                  Held
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <tr key={r.customerId} className="row">
                  <td className="max-w-[240px] truncate">
                    <Link
                      prefetch={false}
                      data-row
                      className="cover"
                      href={withQuery('/owed', query, { customer: String(r.customerId) })}
                      scroll={false}
                    >
                      {r.name}
                    </Link>
                  </td>
                  <td>
                    <MoneyBar
                      small
                      bar={{
                        earned: none,
                        held: r.held,
                        notDue: r.notDue,
                        late: late(r),
                        toCome: none,
                        total: { minor: r.held.minor + r.total.minor, currency },
                        heldBeyond: none,
                      }}
                    />
                  </td>
                  <td className="r">
                    <Figure of={r.notDue} blankZero />
                  </td>
                  <td className="r">
                    <Figure of={r.d1to30} blankZero />
                  </td>
                  <td className="r">
                    <Figure of={r.d31to60} blankZero />
                  </td>
                  <td className="r">
                    <Figure of={r.d61to90} blankZero />
                  </td>
                  <td className="r">
                    <Figure of={r.over90} blankZero />
                  </td>
                  <td className="r">
                    <Figure of={r.total} className="font-bold" />
                  </td>
                  <td className="r">
                    <Figure of={r.held} blankZero className="text-brass-700" />
                  </td>
                </tr>
              ))}
            </tbody>
            <tbody>
              <tr className="total">
                <td />
                <td className="r">{shown ? 'total of all' : 'total'}</td>
                {(['notDue', 'd1to30', 'd31to60', 'd61to90', 'over90', 'total', 'held'] as const).map((k) => (
                  <td key={k} className="fig">
                    {formatMoney(owed.totals[k])}
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        </div>
      )}
      <p className={`mt-2 text-xs ${owed.agrees ? 'text-iron-500' : 'font-bold text-oxide-700'}`}>
        {owed.agrees ? '✓ equals' : `✗ differs by ${formatMoney(owed.difference)} from`} the receivables
        account in the books on {formatDay(asOf)}:{' '}
        <Link prefetch={false} className="underline" href={`/books?view=trial-balance&asOf=${asOf}`}>
          {formatMoney(owed.controlAccount)}
        </Link>
      </p>
      {chosen && <OneCustomer customerId={chosen} asOf={asOf} today={today} />}
    </>
  )
}

/** What one customer had open: the way down from the table to invoices and entries. */
const OneCustomer = async ({ customerId, asOf, today }: { customerId: number; asOf: Day; today: Day }) => {
  const { db, currency } = await openShop()
  const [customer, dues] = await Promise.all([
    findCustomer(db, customerId, currency),
    listOpenAsOf(db, customerId, asOf, currency),
  ])
  if (!customer) notFound()
  return (
    <section id="customer" className="mt-7 border-l-4 border-rust-600 bg-paper-100 p-4">
      <h2>
        <Link prefetch={false} className="hover:underline" href={`/people/${customerId}`}>
          {customer.name}
        </Link>
      </h2>
      {dues.length === 0 ? (
        <p className="sub">Nothing was open on {formatDay(asOf)}.</p>
      ) : (
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">Invoice</th>
              <th scope="col">Sale</th>
              <th scope="col">Issued</th>
              <th scope="col">Due</th>
              <th scope="col" className="r">
                Open
              </th>
            </tr>
          </thead>
          <tbody>
            {dues.map((d) => (
              <tr key={d.dueId}>
                <td>
                  {d.invoiceId === null ? (
                    d.name
                  ) : (
                    <Link prefetch={false} className="underline" href={`/invoices/${d.invoiceId}`}>
                      {d.name}
                    </Link>
                  )}
                </td>
                <td className="max-w-[300px] truncate">
                  <Link prefetch={false} className="hover:underline" href={`/sales/${d.saleId}`}>
                    {d.saleNumber} {d.title}
                  </Link>
                </td>
                <td className="sub">{formatDayShort(d.issuedOn, today)}</td>
                <td className={d.dueOn < asOf ? 'text-oxide-700' : 'sub'}>
                  {formatDayShort(d.dueOn, today)}
                  {d.dueOn < asOf && ', late'}
                </td>
                <td className="fig">{isZeroMoney(d.open) ? '' : formatMoney(d.open)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-3 flex gap-2">
        <Link prefetch={false} className="btn" href={`/money-in?customer=${customerId}`}>
          Take money from them
        </Link>
        <Link prefetch={false} className="btn" href={`/people/${customerId}`}>
          See the customer
        </Link>
      </p>
    </section>
  )
}
