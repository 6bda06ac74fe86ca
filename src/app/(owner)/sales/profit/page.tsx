import type { Metadata } from 'next'
import { profit } from '@/api/lists/sales'
import { BestAndWorst } from '@/ui/sale/BestAndWorst'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { openList } from '../../_list'
import { openReports, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'What it earned' }

export default async function Profit({ searchParams }: { searchParams: Search }) {
  const shop = await openReports()
  const open = await openList(profit, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="What it earned"
        beside="Income less what went for it; together the gross profit of the profit and loss"
        action={<ListExport name="profit" query={open.query} />}
      />
      <BestAndWorst all={open.earners} />
      <ListView open={open} about={shop} />
    </>
  )
}
