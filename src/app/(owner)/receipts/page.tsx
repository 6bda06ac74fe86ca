import { readReceiptBook } from '@/model/receipt/receiptPage'
import { present } from '@/core/present'
import type { Metadata } from 'next'
import Link from 'next/link'
import { formatDay, isDay } from '@/core/day'
import { METHODS } from '@/core/ledger'
import { formatMoney, parseMoney, sumMoney } from '@/core/money'
import { withQuery } from '@/ui/address'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { ReceiptFilters } from '@/ui/money/ReceiptFilters'
import { SearchBox } from '@/ui/SearchBox'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Receipts' }
const PAGE = 60

export default async function Receipts({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { today, currency } = shop
  const query = await queryOf(searchParams)
  const on = query.on && isDay(query.on) ? query.on : undefined
  const amount = query.amount ? parseMoney(query.amount, currency) : null
  const after = /^\d{1,9}$/.test(query.after ?? '') ? Number(query.after) : undefined
  const receipts = await readReceiptBook(
    shop,
    {
      on,
      from: query.from && isDay(query.from) ? query.from : undefined,
      to: query.to && isDay(query.to) ? query.to : undefined,
      method: METHODS.find((m) => m === query.method),
      amount: amount?.ok ? amount.value : undefined,
      search: query.search,
      customerId: /^\d{1,9}$/.test(query.customer ?? '') ? Number(query.customer) : undefined,
    },
    { limit: PAGE, after },
  )
  const counted = receipts.filter((r) => !r.voidedOn)
  return (
    <>
      <Heading
        title="Receipt book"
        beside={on ? formatDay(on) : undefined}
        action={
          <>
            <a className="btn" href="/api/v1/export/receipts.csv">
              Save as CSV
            </a>
            <Link prefetch={false} href="/money-in" className="btn btn-do" data-primary>
              Take money
            </Link>
          </>
        }
      />
      <div className="mb-3 flex flex-wrap items-end gap-4">
        <SearchBox label="Search receipts" placeholder="number, customer, reference" />
        <ReceiptFilters key={JSON.stringify(query)} query={query} today={today} currency={currency} />
        {on && (
          <Link prefetch={false} className="underline" href="/receipts">
            all days
          </Link>
        )}
      </div>
      {receipts.length === 0 ? (
        <Empty>
          {Object.keys(query).length > 0
            ? 'No receipt fits.'
            : 'Every receipt will stand here. Take money in, or sell at the counter.'}
        </Empty>
      ) : (
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">Receipt</th>
              <th scope="col">From</th>
              <th scope="col">On</th>
              <th scope="col">How</th>
              <th scope="col">Reference</th>
              <th scope="col" className="r">
                Amount
              </th>
            </tr>
          </thead>
          <tbody>
            {receipts.map((r) => (
              <tr key={r.id} className={`row ${r.voidedOn ? 'text-iron-500 line-through' : ''}`}>
                <td>
                  <Link prefetch={false} data-row className="cover font-figure" href={`/receipts/${r.id}`}>
                    {r.number}
                  </Link>
                </td>
                <td className="max-w-[280px] truncate">{r.customerName}</td>
                <td className="sub whitespace-nowrap">{formatDay(r.on)}</td>
                <td>
                  {r.method}
                  {r.invoiceId && <span className="sub"> · counter</span>}
                </td>
                <td className="sub max-w-[180px] truncate">{r.reference}</td>
                <td className="fig">{formatMoney(r.amount)}</td>
              </tr>
            ))}
          </tbody>
          <tbody>
            <tr className="total">
              <td colSpan={5} className="r">
                {counted.length} {counted.length === 1 ? 'receipt' : 'receipts'} shown
              </td>
              <td className="fig">
                {formatMoney(
                  sumMoney(
                    counted.map((r) => r.amount),
                    currency,
                  ),
                )}
              </td>
            </tr>
          </tbody>
        </table>
      )}
      {receipts.length === PAGE && (
        <p className="pt-3">
          <Link
            prefetch={false}
            className="btn"
            href={withQuery('/receipts', query, { after: String(present(receipts.at(-1)).id) })}
          >
            Older receipts
          </Link>
        </p>
      )}
    </>
  )
}
