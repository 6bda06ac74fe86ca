import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { offers, orders, saleCosts, salesByChannel, salesByKind, sentOffers } from '@/api/lists/sales'
import type { Reader } from '@/api/lists/reader'
import { twelveMonthsUntil } from '@/lists/days'
import { readFilter } from '@/lists/list'
import { offersList } from '@/lists/saleReports'
import type { Fields } from '@/lists/field'
import { withQuery } from '@/ui/address'
import { Span } from '@/ui/books/Span'
import { day } from '@/core/day'
import { OfferChart } from '@/ui/charts/OfferChart'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListLinks } from '@/ui/list/ListLinks'
import { ListRows } from '@/ui/list/ListView'
import { MadeOf } from '@/ui/list/MadeOf'
import { openList } from '../../_list'
import { openReports, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Sales reports' }

const VIEWS = { offers: 'Estimates', costs: 'Estimate and actual', by: 'By type and channel' } as const
/** An address without what opens one figure of a report. */
const WHOLE = {
  group: undefined,
  fate: undefined,
  kind: undefined,
  channel: undefined,
  page: undefined,
  sort: undefined,
}
type Shop = Awaited<ReturnType<typeof openReports>>
interface Part {
  readonly shop: Shop
  readonly query: Record<string, string>
}

export default async function Reports({ searchParams }: { searchParams: Search }) {
  const shop = await openReports()
  const query = await queryOf(searchParams)
  const { from, to } = twelveMonthsUntil(readFilter(offersList.fields, query), shop.today)
  const view = query.view === 'costs' || query.view === 'by' ? query.view : 'offers'
  const part = { shop, query: { ...query, from, to } }
  const narrowed = query.kind ?? query.channel
  return (
    <>
      <Heading title="Sales reports" />
      <div className="mb-4 flex flex-wrap items-end gap-6">
        <nav aria-label="Reports" className="links pb-4">
          {Object.entries(VIEWS).map(([k, name]) => (
            <To
              key={k}
              href={withQuery('/sales/reports', query, { view: k, ...WHOLE })}
              aria-current={view === k ? 'page' : undefined}
              className="text-iron-700 aria-[current]:font-bold aria-[current]:text-rust-600"
            >
              {name}
            </To>
          ))}
        </nav>
        <Span today={shop.today} from={from} to={to} />
      </div>
      {view === 'offers' && (query.group === undefined ? <Offers {...part} /> : <SentOffers {...part} />)}
      {view === 'costs' && <Report {...part} reader={saleCosts} />}
      {view === 'by' && narrowed !== undefined && <Orders {...part} of={narrowed} />}
      {view === 'by' && narrowed === undefined && (
        <div className="grid max-w-4xl gap-7">
          <Report {...part} reader={salesByKind} />
          <Report {...part} reader={salesByChannel} />
        </div>
      )}
    </>
  )
}

const Report = async <Row, F extends Fields>({ shop, query, reader }: Part & { readonly reader: Reader<Row, F> }) => {
  const open = await openList(reader, shop, query)
  return (
    <section>
      <ListRows open={open} about={shop} />
      <div className="no-print mt-3">
        <ListExport name={reader.list.name} query={open.query} />
      </div>
    </section>
  )
}

const Offers = async ({ shop, query }: Part) => {
  const open = await openList(offers, shop, query)
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
        <ListLinks
          label="Grouped"
          usual="month"
          name="by"
          choices={offers.list.fields.by.choices ?? []}
          path="/sales/reports"
          query={open.query}
        />
        <ListExport name="offers" query={open.query} />
      </div>
      {(query.by ?? 'month') === 'month' && open.rows.length > 0 && (
        <OfferChart
          bars={open.rows.map((r) => ({ month: day(`${r.group}-01`), agreed: r.agreed, lost: r.lost, open: r.open }))}
        />
      )}
      <div className="mt-5">
        <ListRows open={open} about={shop} />
      </div>
    </>
  )
}

const allOf = (query: Part['query']) => ({ href: withQuery('/sales/reports', query, WHOLE), says: 'Whole report' })

const SentOffers = async ({ shop, query }: Part) => {
  const open = await openList(sentOffers, shop, query)
  const fate = sentOffers.list.fields.fate.choices?.find((c) => c.value === query.fate)?.name
  const of = [query.group, fate].filter(Boolean).join(', ')
  return <MadeOf of={of} all={allOf(query)} open={open} about={shop} />
}

const Orders = async ({ shop, query, of }: Part & { readonly of: string }) => (
  <MadeOf of={of} all={allOf(query)} open={await openList(orders, shop, query)} about={shop} />
)
