import { readRegister, type RegisterRow } from '@/model/invoice/register'
import { present } from '@/core/present'
import type { Metadata } from 'next'
import Link from 'next/link'
import { formatDayShort } from '@/core/day'
import { formatMoney, isPositiveMoney } from '@/core/money'
import { withQuery } from '@/ui/address'
import { Empty } from '@/ui/Empty'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { InvoiceFilters } from '@/ui/invoices/InvoiceFilters'
import { SavedViews } from '@/ui/SavedViews'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Invoices' }
const PAGE = 60
const KIND = { invoice: '', counter: 'counter', 'credit-note': 'credit note' } as const

export default async function Invoices({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { today, currency } = shop
  const query = await queryOf(searchParams)
  const after = /^\d{1,9}$/.test(query.after ?? '') ? Number(query.after) : undefined
  const { rows, sums, views, customer, goods } = await readRegister(shop, query, { limit: PAGE, after })
  const { after: _, ...kept } = query
  const save = new URLSearchParams(kept).toString()
  return (
    <>
      <Heading
        title="Invoices"
        beside={`${sums.count} that fit`}
        action={
          <>
            <a className="btn" href={`/api/v1/export/invoices.csv?${save}`}>
              Save as CSV
            </a>
            <a className="btn" href={`/api/v1/export/invoices.xlsx?${save}`}>
              XLSX
            </a>
          </>
        }
      />
      <SavedViews place="invoices" path="/invoices" views={views} query={save} />
      <InvoiceFilters key={save} query={kept} today={today} currency={currency} customer={customer} goods={goods} />
      {rows.length === 0 ? (
        <Empty>
          {save === '' ? 'Every invoice, counter sale and credit note will stand here.' : 'No invoice fits.'}
        </Empty>
      ) : (
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">Invoice</th>
              <th scope="col">On</th>
              <th scope="col">Customer</th>
              <th scope="col">Sale</th>
              {['Net', 'Tax', 'Total', 'Open'].map((h) => (
                <th key={h} scope="col" className="r">
                  {h}
                </th>
              ))}
              <th scope="col">Due</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <Row key={r.id} r={r} today={today} />
            ))}
          </tbody>
          <tbody>
            <tr className="total">
              <td colSpan={4} className="r">
                all that fit, credit notes taken off
              </td>
              <td className="fig">{formatMoney(sums.net)}</td>
              <td className="fig">{formatMoney(sums.tax)}</td>
              <td className="fig">{formatMoney(sums.gross)}</td>
              <td className="fig">{formatMoney(sums.open)}</td>
              <td />
            </tr>
          </tbody>
        </table>
      )}
      {rows.length === PAGE && (
        <p className="pt-3">
          <Link
            prefetch={false}
            className="btn"
            href={withQuery('/invoices', kept, { after: String(present(rows.at(-1)).id) })}
          >
            Older invoices
          </Link>
        </p>
      )}
    </>
  )
}

const Row = ({ r, today }: { readonly r: RegisterRow; readonly today: RegisterRow['on'] }) => {
  const late = isPositiveMoney(r.open) && r.due !== null && r.due < today
  return (
    <tr className="row">
      <td className="whitespace-nowrap">
        <Link prefetch={false} data-row className="cover font-figure" href={`/invoices/${r.id}`}>
          {r.number ?? 'draft'}
        </Link>
        {KIND[r.kind] && <span className="sub"> {KIND[r.kind]}</span>}
      </td>
      <td className="sub whitespace-nowrap">{formatDayShort(r.on, today)}</td>
      <td className="max-w-[170px] truncate">{r.customer}</td>
      <td className="sub max-w-[150px] truncate">
        {r.saleNumber} {r.title}
      </td>
      <td className="r">
        <Figure of={r.net} />
      </td>
      <td className="r">
        <Figure of={r.tax} />
      </td>
      <td className="r">
        <Figure of={r.gross} />
      </td>
      <td className="r">
        <Figure of={r.open} blankZero className={late ? 'text-oxide-700' : ''} />
      </td>
      <td className={`whitespace-nowrap ${late ? 'text-oxide-700' : 'sub'}`}>
        {r.due && formatDayShort(r.due, today)}
        {late && ', late'}
      </td>
    </tr>
  )
}
