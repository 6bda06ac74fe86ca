import type { Metadata } from 'next'
import Link from 'next/link'
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
            <Link prefetch={false} href="/people/new" className="btn btn-do" data-primary>
              New customer
            </Link>
          </>
        }
      />
      <ListView open={open} about={shop} />
    </>
  )
}
