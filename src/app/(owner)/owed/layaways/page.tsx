import type { Metadata } from 'next'
import { layaways } from '@/api/lists/money'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Layaway' }

export default async function Layaways({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(layaways, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="Layaway"
        beside="Goods you keep until they are paid"
        action={<ListExport name="layaways" query={open.query} />}
      />
      <OwedTabs at="/owed/layaways" />
      <ListView open={open} about={shop} />
    </>
  )
}
