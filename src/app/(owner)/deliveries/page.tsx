import type { Metadata } from 'next'
import { deliveries } from '@/api/lists/sales'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Deliveries' }

export default async function Deliveries({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(deliveries, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="Deliveries"
        beside="What we bring ourselves: the stops of a day"
        action={<ListExport name="deliveries" query={open.query} />}
      />
      <ListView open={open} about={shop} />
    </>
  )
}
