import { readOpenAsOf } from '@/model/receivables/openAsOf'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import { formatDay, formatDayShort, type Day } from '@/core/day'
import { formatMoney, isZeroMoney } from '@/core/money'
import { ChaseCustomer } from '@/ui/owed/ChaseCustomer'
import { readNextReminder } from '@/services/chase/remind'
import { openShop } from '../../_shop'

/** What one customer had open: the way down from the table to invoices and entries. */
export const OneCustomer = async ({ customerId, asOf, today }: { customerId: number; asOf: Day; today: Day }) => {
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
