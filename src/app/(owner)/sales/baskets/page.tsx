import type { Metadata } from 'next'
import { baskets } from '@/api/lists/sales'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Baskets' }

export default async function Baskets({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(baskets, shop, await queryOf(searchParams))
  const isOpen = shop.business.shopfrontOpen
  return (
    <>
      <Heading
        title="Open baskets"
        beside={isOpen ? 'most recent first' : 'The online shop is closed'}
        action={open.rows.length > 0 && <ListExport name="baskets" query={open.query} />}
      />
      {open.rows.length === 0 && !isOpen ? (
        <Empty>Turn on the online shop in Settings; customers’ baskets will appear here.</Empty>
      ) : (
        <ListRows open={open} about={shop} className="max-w-4xl" />
      )}
    </>
  )
}
