import type { Metadata } from 'next'
import { parcels } from '@/api/lists/sales'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Parcels' }

export default async function Parcels({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(parcels, shop, await queryOf(searchParams))
  return (
    <>
      <Heading title="Parcels" beside="Sent with a carrier" action={<ListExport name="parcels" query={open.query} />} />
      <ListView open={open} about={shop} />
    </>
  )
}
