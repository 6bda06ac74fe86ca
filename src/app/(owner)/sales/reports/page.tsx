import { present } from '@/core/present'
import type { Metadata } from 'next'
import Link from 'next/link'
import { addMonths, isDay, type Day } from '@/core/day'
import { formatMoney } from '@/core/money'
import { readOffers, readSaleCosts, readSalesBy, type OfferGroup } from '@/model/sale/reports'
import { withQuery } from '@/ui/address'
import { Span } from '@/ui/books/Span'
import { OfferChart } from '@/ui/charts'
import { Empty } from '@/ui/Empty'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'How sales go' }

const VIEWS = { offers: 'estimates', costs: 'thought and done', by: 'by kind and channel' } as const
const GROUPS: Readonly<Record<OfferGroup, string>> = {
  month: 'by month',
  kind: 'by kind',
  channel: 'by channel',
  customer: 'by customer',
  reason: 'lost to',
}

type Shop = Awaited<ReturnType<typeof openShop>>
interface Part {
  readonly shop: Shop
  readonly span: { readonly from: Day; readonly to: Day }
  readonly query: Record<string, string>
}

export default async function Reports({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const query = await queryOf(searchParams)
  const to = query.to && isDay(query.to) ? query.to : shop.today
  const from = query.from && isDay(query.from) ? query.from : addMonths(to, -12)
  const view = query.view === 'costs' || query.view === 'by' ? query.view : 'offers'
  const part = { shop, span: { from, to }, query }
  return (
    <>
      <Heading
        title="How sales go"
        action={
          <a
            className="btn"
            href={`/api/v1/export/${view === 'costs' ? 'sale-costs' : 'offers'}.csv?from=${from}&to=${to}&by=${query.by ?? 'month'}`}
          >
            Save as CSV
          </a>
        }
      />
      <div className="mb-4 flex flex-wrap items-end gap-6">
        <nav aria-label="Reports" className="flex gap-4 pb-4">
          {Object.entries(VIEWS).map(([k, name]) => (
            <Link
              key={k}
              prefetch={false}
              href={withQuery('/sales/reports', query, { view: k, after: undefined })}
              aria-current={view === k ? 'page' : undefined}
              className="text-iron-700 aria-[current]:font-bold aria-[current]:text-rust-600"
            >
              {name}
            </Link>
          ))}
        </nav>
        <Span today={shop.today} from={from} to={to} />
      </div>
      {view === 'offers' && <Offers {...part} />}
      {view === 'costs' && <Costs {...part} />}
      {view === 'by' && <ByKind {...part} />}
    </>
  )
}

const Offers = async ({ shop: { db, business, today }, span, query }: Part) => {
  const by = (Object.keys(GROUPS) as OfferGroup[]).find((g) => g === query.by) ?? 'month'
  const rows = await readOffers(db, span, by, business, today)
  return (
    <>
      <nav aria-label="Grouped" className="mb-4 flex gap-4">
        {Object.entries(GROUPS).map(([k, name]) => (
          <Link
            key={k}
            prefetch={false}
            href={withQuery('/sales/reports', query, { by: k })}
            aria-current={by === k ? 'page' : undefined}
            className="sub aria-[current]:font-bold aria-[current]:text-rust-600"
          >
            {name}
          </Link>
        ))}
      </nav>
      {rows.length === 0 ? (
        <Empty>No estimates were sent in these days. Send one, and how they fare will stand here.</Empty>
      ) : (
        <>
          {by === 'month' && (
            <OfferChart bars={rows.map((r) => ({ label: r.group, agreed: r.agreed, lost: r.lost, open: r.open }))} />
          )}
          <table className="ledger mt-5 max-w-[980px]">
            <thead>
              <tr>
                <th scope="col">{by === 'reason' ? 'Lost to' : 'Estimates'}</th>
                {['Sent', 'Agreed', 'Lost', 'Open', 'Of those decided', 'Days to yes', 'Sent for', 'Agreed for'].map(
                  (h) => (
                    <th key={h} scope="col" className="r">
                      {h}
                    </th>
                  ),
                )}
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <tr key={r.group}>
                  <td className="max-w-[260px] truncate">{r.group}</td>
                  <td className="fig">{r.sent}</td>
                  <td className="fig">{r.agreed}</td>
                  <td className="fig">{r.lost}</td>
                  <td className="fig">{r.open}</td>
                  <td className="fig">{r.rate === null ? '–' : `${r.rate.toString()} %`}</td>
                  <td className="fig">{r.days === null ? '–' : r.days.toString()}</td>
                  <td className="fig">{formatMoney(r.sentAmount)}</td>
                  <td className="fig">{formatMoney(r.agreedAmount)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </>
  )
}

const PAGE = 60

const Costs = async ({ shop: { db, business }, span, query }: Part) => {
  const after = /^\d{1,9}$/.test(query.after ?? '') ? Number(query.after) : undefined
  const rows = await readSaleCosts(db, span, business, { limit: PAGE, after })
  if (rows.length === 0) return <Empty>No sales were agreed in these days.</Empty>
  return (
    <>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">Sale</th>
            <th scope="col">What</th>
            {['First offered', 'Agreed', 'Billed', 'Thought to cost', 'Cost', 'Margin'].map((h) => (
              <th key={h} scope="col" className="r">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.saleId} className="row">
              <td className="font-figure">{r.number}</td>
              <td className="max-w-[320px] truncate">
                <Link prefetch={false} data-row className="cover" href={`/sales/${r.saleId}`}>
                  {r.customer} <span className="text-iron-500">· {r.title}</span>
                </Link>
              </td>
              <td className="r">{r.offered ? <Figure of={r.offered} /> : '–'}</td>
              <td className="r">
                <Figure of={r.agreed} />
              </td>
              <td className="r">
                <Figure of={r.billed} />
              </td>
              <td className="r">
                <Figure of={r.expectedCost} blankZero />
              </td>
              <td className="r">
                <Figure of={r.actualCost} blankZero />
              </td>
              <td className="fig">{r.margin === null ? '' : `${r.margin.toString()} %`}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length === PAGE && (
        <p className="pt-3">
          <Link
            prefetch={false}
            className="btn"
            href={withQuery('/sales/reports', query, { after: String(present(rows.at(-1)).saleId) })}
          >
            Further on
          </Link>
        </p>
      )}
    </>
  )
}

const ByKind = async ({ shop: { db, currency }, span }: Part) => {
  const [kinds, channels] = await Promise.all([
    readSalesBy(db, span, 'kind', currency),
    readSalesBy(db, span, 'channel', currency),
  ])
  return (
    <div className="grid max-w-[820px] gap-7">
      {(
        [
          ['Kind', kinds],
          ['Channel', channels],
        ] as const
      ).map(([name, rows]) => (
        <table key={name} className="ledger">
          <thead>
            <tr>
              <th scope="col">{name}</th>
              <th scope="col" className="r">
                Sales
              </th>
              <th scope="col" className="r">
                Agreed with tax
              </th>
              <th scope="col" className="r">
                Billed
              </th>
              <th scope="col" className="r">
                Share
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.group}>
                <td>{r.group}</td>
                <td className="fig">{r.sales}</td>
                <td className="r">
                  <Figure of={r.total} />
                </td>
                <td className="r">
                  <Figure of={r.billed} />
                </td>
                <td className="fig">{r.share.toString()} %</td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
    </div>
  )
}
