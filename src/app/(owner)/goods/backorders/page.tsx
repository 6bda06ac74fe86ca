import type { Metadata } from 'next'
import { backorders } from '@/api/lists/sales'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Backorders' }

export default async function Backorders({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(backorders, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="Backorders"
        beside="Ordered and not in stock; who has waited longest first"
        action={<ListExport name="backorders" query={open.query} />}
      />
      <ListView open={open} about={shop} />
    </>
  )
}
