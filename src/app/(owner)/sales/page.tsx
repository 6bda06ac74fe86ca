import { readSaleList } from '@/model/sale/saleList'
import type { Metadata } from 'next'
import Link from 'next/link'
import { formatDayShort } from '@/core/day'
import { STANDS } from '@/core/sale'
import { Empty } from '@/ui/Empty'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { MoneyBar } from '@/ui/MoneyBar'
import { SearchBox } from '@/ui/SearchBox'
import { Stamp } from '@/ui/Stamp'
import { withQuery } from '@/ui/address'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Sales' }
const PAGE = 50
const CHANNELS = ['counter', 'phone', 'shopfront'] as const

export default async function Sales({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { business, today } = shop
  const query = await queryOf(searchParams)
  const stands = (STANDS as readonly string[]).includes(query.stands ?? '') ? query.stands : undefined
  const after = /^\d{1,9}$/.test(query.after ?? '') ? Number(query.after) : undefined
  const filter = {
    search: query.search,
    stands,
    customerId: /^\d{1,9}$/.test(query.customer ?? '') ? Number(query.customer) : undefined,
    kind: query.kind,
    channel: CHANNELS.find((c) => c === query.channel),
  }
  const { stories, counts } = await readSaleList(shop, filter, { limit: PAGE, after })
  const link = (change: Record<string, string | undefined>): string =>
    withQuery('/sales', query, { after: undefined, ...change })
  return (
    <>
      <Heading
        title="Sales"
        action={
          <>
            <a href="/api/v1/export/sales.csv" className="btn">
              Save as CSV
            </a>
            <a href="/api/v1/export/sales.xlsx" className="btn">
              XLSX
            </a>
            <Link prefetch={false} href="/invoices" className="btn">
              Invoices
            </Link>
            <Link prefetch={false} href="/sales/reports" className="btn">
              How sales go
            </Link>
            <Link prefetch={false} href="/sales/coming" className="btn">
              Coming again
            </Link>
            {business.shopfrontOpen && (
              <Link prefetch={false} href="/sales/baskets" className="btn">
                Baskets
              </Link>
            )}
            <Link prefetch={false} href="/sales/new" className="btn btn-do" data-primary>
              New sale <kbd className="font-figure text-xs">n</kbd>
            </Link>
          </>
        }
      />
      <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <SearchBox label="Search sales" placeholder="number, customer, title, their order" />
        <nav aria-label="Where they stand" className="flex flex-wrap gap-x-4 gap-y-1">
          <Link
            prefetch={false}
            href={link({ stands: undefined })}
            aria-current={stands ? undefined : 'page'}
            className="text-iron-700 aria-[current]:font-bold aria-[current]:text-rust-600"
          >
            all
          </Link>
          {STANDS.filter((s) => counts[s]).map((s) => (
            <Link
              key={s}
              prefetch={false}
              href={link({ stands: s })}
              aria-current={stands === s ? 'page' : undefined}
              className="text-iron-700 aria-[current]:font-bold aria-[current]:text-rust-600"
            >
              {s} <span className="fig text-xs text-iron-500">{counts[s]}</span>
            </Link>
          ))}
        </nav>
        <nav aria-label="Kinds and channels" className="flex flex-wrap gap-x-4 gap-y-1">
          {business.kinds.map((k) => (
            <Narrow key={k} name={k} here={query.kind === k} href={link({ kind: query.kind === k ? undefined : k })} />
          ))}
          <span aria-hidden className="text-paper-300">
            |
          </span>
          {CHANNELS.map((c) => (
            <Narrow
              key={c}
              name={c}
              here={query.channel === c}
              href={link({ channel: query.channel === c ? undefined : c })}
            />
          ))}
        </nav>
      </div>
      {stories.length === 0 ? (
        <Empty>
          {query.search || stands || query.kind || query.channel
            ? 'No sale fits. Change the words, or show all.'
            : 'Every sale will stand here, from the first estimate to the last payment. Start with a new one.'}
        </Empty>
      ) : (
        <div className="overflow-x-auto">
          <table className="ledger">
            <thead>
              <tr>
                <th scope="col">Sale</th>
                <th scope="col">Customer and what</th>
                <th scope="col">Stands</th>
                <th scope="col" className="w-[170px]">
                  Where the money stands
                </th>
                <th scope="col" className="r">
                  Total
                </th>
                <th scope="col" className="r">
                  Open
                </th>
                <th scope="col" className="r">
                  Since
                </th>
              </tr>
            </thead>
            <tbody>
              {stories.map((s) => (
                <tr key={s.sale.id} className="row">
                  <td className="font-figure">{s.sale.number}</td>
                  <td className="max-w-[340px]">
                    <Link prefetch={false} data-row href={`/sales/${s.sale.id}`} className="cover block truncate">
                      <b>{s.sale.customerName}</b> <span className="text-iron-500">· {s.sale.title}</span>
                    </Link>
                  </td>
                  <td>
                    <Stamp stands={s.stands} />
                  </td>
                  <td>
                    <MoneyBar bar={s.bar} small />
                  </td>
                  <td className="r">
                    <Figure of={s.bar.total} />
                  </td>
                  <td className="r">
                    <Figure of={s.open} blankZero className={s.late.minor > 0n ? 'text-oxide-700' : ''} />
                  </td>
                  <td className="r sub whitespace-nowrap">{formatDayShort(s.sale.startedOn, today)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {stories.length === PAGE && (
        <p className="pt-3">
          <Link prefetch={false} href={link({ after: String(stories.at(-1)?.sale.id) })} className="btn">
            Older sales
          </Link>
        </p>
      )}
    </>
  )
}

const Narrow = ({ name, here, href }: { readonly name: string; readonly here: boolean; readonly href: string }) => (
  <Link
    prefetch={false}
    href={href}
    aria-current={here ? 'page' : undefined}
    className="sub aria-[current]:font-bold aria-[current]:text-rust-600!"
  >
    {name}
  </Link>
)
