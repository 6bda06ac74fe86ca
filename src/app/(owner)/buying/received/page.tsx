import type { Metadata } from 'next'
import { goodsReceived } from '@/api/lists/buying'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Goods received' }

export default async function GoodsReceivedPage({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(goodsReceived, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="Goods received"
        beside="What came from suppliers, and what of it is not billed yet"
        action={<ListExport name="goods-received" query={open.query} />}
      />
      <ListView open={open} about={shop} />
    </>
  )
}
