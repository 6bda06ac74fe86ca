import type { Metadata } from 'next'
import { profit } from '@/api/lists/sales'
import { formatDay } from '@/core/day'
import { readCustomerName } from '@/model/people/customerForm'
import { nameOfChannel } from '@/model/sale/profit'
import type { Where } from '@/model/where'
import { BestAndWorst } from '@/ui/sale/BestAndWorst'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { MadeOf } from '@/ui/list/MadeOf'
import { withQuery } from '@/ui/address'
import { openList } from '../../_list'
import { openReports, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'What it earned' }

/** Whose sales alone are asked for, in words; null where all are. */
const narrowedTo = async (where: Where, query: Readonly<Record<string, string>>): Promise<string | null> => {
  if (query.channel) return nameOfChannel(query.channel)
  if (query.customer) return (await readCustomerName(where, query.customer))?.name ?? null
  return query.kind || null
}

export default async function Profit({ searchParams }: { searchParams: Search }) {
  const shop = await openReports()
  const query = await queryOf(searchParams)
  const open = await openList(profit, shop, query)
  const of = await narrowedTo(shop, open.query)
  const heading = (
    <Heading
      title="What it earned"
      beside="Income less what went for it; together the gross profit of the profit and loss"
      action={of === null && <ListExport name="profit" query={open.query} />}
    />
  )
  if (of !== null) {
    const by = ['channel', 'customer', 'kind'].find((k) => k in open.query)
    const all = withQuery('/sales/profit', open.query, { by, kind: undefined, channel: undefined, customer: undefined })
    return (
      <>
        {heading}
        <MadeOf
          of={`${of}, ${formatDay(open.span.from)} – ${formatDay(open.span.to)}`}
          all={{ href: all, says: 'Whole report' }}
          open={open}
          about={shop}
        />
      </>
    )
  }
  return (
    <>
      {heading}
      <BestAndWorst all={open.earners} />
      <ListView open={open} about={shop} />
    </>
  )
}
