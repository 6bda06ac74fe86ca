import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { customers } from '@/api/lists/sales'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'People' }

export default async function People({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(customers, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="People"
        action={
          <>
            <ListExport name="customers" query={open.query} />
            <To href="/people/import" className="btn">
              Import
            </To>
            <To href="/people/new" className="btn btn-do" data-primary>
              New customer
            </To>
          </>
        }
      />
      <ListView open={open} about={shop} />
    </>
  )
}
