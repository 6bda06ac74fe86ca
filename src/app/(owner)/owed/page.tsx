import { readOpenAsOf, readOpenByDay } from '@/model/receivables/openAsOf'
import type { Metadata } from 'next'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import { formatDay, formatDayShort, isDay, type Day } from '@/core/day'
import { formatMoney, isPositiveMoney, isZeroMoney, subtractMoney, type Money } from '@/core/money'
import { ageNames, expectByWeek, type AgeColumn } from '@/core/receivables'
import { withQuery } from '@/ui/address'
import { AgeBar, WeekChart } from '@/ui/charts'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { AsOf } from '@/ui/money/AsOf'
import { AgeTable, type AgeFigures } from '@/ui/owed/AgeTable'
import { ChaseCustomer } from '@/ui/owed/ChaseCustomer'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { readNextReminder } from '@/services/chase/remind'
import { openShop, queryOf, type Search } from '../_shop'
import { AGE_GROUPS, readOwed, type AgeGroup } from '@/model/receivables/owed'

export const metadata: Metadata = { title: 'Owed' }

export default async function Owed({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { db, business, today, currency } = shop
  const query = await queryOf(searchParams)
  const asOf = query.asOf && isDay(query.asOf) ? query.asOf : today
  const by = query.by === 'invoice' ? ('invoice' as const) : ('due' as const)
  const group = AGE_GROUPS.find((g) => g === query.group) ?? 'customer'
  const only = { kind: query.kind || undefined, channel: query.channel || undefined }
  const part = only.kind ?? only.channel
  const names = ageNames(business.ageLimits)
  const chosen = /^\d{1,9}$/.test(query.customer ?? '') ? Number(query.customer) : null
  const [owed, open] = await Promise.all([readOwed(db, { asOf, by, group, only }, business), readOpenByDay(shop)])
  const late = (r: (typeof owed.rows)[number]) => subtractMoney(r.total, r.notDue)
  const rows = owed.rows.filter((r) =>
    query.show === 'late'
      ? isPositiveMoney(late(r))
      : query.show === 'held'
        ? isPositiveMoney(r.held) || isPositiveMoney(r.onAccount)
        : true,
  )
  const shown =
    query.show === 'late' ? 'those who are late' : query.show === 'held' ? 'those whose money is held' : null
  return (
    <>
      <Heading
        title="Owed to you"
        beside={<AsOf asOf={asOf} today={today} by={by} group={group} />}
        action={
          <>
            <a className="btn" href={`/api/v1/export/receivables.csv?asOf=${asOf}&by=${by}&group=${group}`}>
              Save as CSV
            </a>
            <a className="btn" href={`/api/v1/export/receivables.xlsx?asOf=${asOf}&by=${by}&group=${group}`}>
              XLSX
            </a>
            <Link prefetch={false} className="btn btn-do" data-primary href="/money-in">
              Take money
            </Link>
          </>
        }
      />
      <OwedTabs at="/owed" />
      <div className="mb-6 grid gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_470px]">
        <section>
          <h2>How old it is</h2>
          <AgeBar ages={owed.totals} names={names} />
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
        <AgeTable
          key={`${asOf}:${group}:${query.show}`}
          rows={rows.map((r) => ({
            ...figures(r),
            key: r.key,
            customerId: r.customerId,
            name: r.name,
            href: hrefOf(group, r, query),
          }))}
          totals={figures(owed.totals)}
          names={names}
          what={WHAT[group]}
          totalOf={shown && !part ? 'total of all' : 'total'}
          currency={currency}
          letters={group === 'customer' && asOf === today}
        />
      )}
      {part && (
        <p className="mt-2">
          Only sales of {part} ·{' '}
          <Link
            prefetch={false}
            className="underline"
            href={withQuery('/owed', query, { kind: undefined, channel: undefined })}
          >
            show all
          </Link>
        </p>
      )}
      <p
        className={`mt-2 text-xs ${part ? 'hidden' : ''} ${owed.agrees ? 'text-iron-500' : 'font-bold text-oxide-700'}`}
      >
        {owed.agrees ? '✓ equals' : `✗ differs by ${formatMoney(owed.difference)} from`} the receivables account in the
        books on {formatDay(asOf)}:{' '}
        <Link prefetch={false} className="underline" href={`/books?view=trial-balance&asOf=${asOf}`}>
          {formatMoney(owed.controlAccount)}
        </Link>
      </p>
      {chosen && <OneCustomer customerId={chosen} asOf={asOf} today={today} />}
    </>
  )
}

const WHAT: Readonly<Record<AgeGroup, string>> = {
  customer: 'Customer',
  sale: 'Sale',
  kind: 'Kind',
  channel: 'Channel',
}

type Figured = Readonly<Record<AgeColumn | 'total' | 'held' | 'onAccount', Money>>
const figures = (r: Figured): AgeFigures => {
  const of = (m: Money): string => m.minor.toString()
  return {
    notDue: of(r.notDue),
    d1to30: of(r.d1to30),
    d31to60: of(r.d31to60),
    d61to90: of(r.d61to90),
    over90: of(r.over90),
    total: of(r.total),
    held: of(r.held),
    onAccount: of(r.onAccount),
  }
}

/** Where a row of the table leads: what it is made of. */
const hrefOf = (
  group: AgeGroup,
  r: { readonly key: string; readonly customerId: number | null },
  query: Record<string, string>,
): string =>
  group === 'customer' || r.key.startsWith('a')
    ? `${withQuery('/owed', query, { customer: String(r.customerId), group: undefined })}#customer`
    : group === 'sale'
      ? `/sales/${r.key}`
      : withQuery('/owed', query, { group: 'sale', [group]: r.key })

/** What one customer had open: the way down from the table to invoices and entries. */
const OneCustomer = async ({ customerId, asOf, today }: { customerId: number; asOf: Day; today: Day }) => {
  const shop = await openShop()
  const { db, business, currency } = shop
  const [open, reminder] = await Promise.all([
    readOpenAsOf(shop, customerId, asOf),
    readNextReminder(db, customerId, business, today),
  ])
  const { customer, dues } = open ?? notFound()
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
        <a className="btn" href={`/api/v1/export/papers/open-items/${customerId}.pdf`} target="_blank">
          What is open (PDF)
        </a>
        <ChaseCustomer
          customerId={customerId}
          name={customer.name}
          currency={currency}
          stage={reminder?.stage ?? null}
          from={reminder?.wait ? formatDay(reminder.wait) : null}
        />
      </p>
    </section>
  )
}
