import type { Metadata } from 'next'
import { proposals } from '@/api/lists/buying'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { OrderProposed } from '@/ui/buying/OrderProposed'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'What to order' }

export default async function Proposals({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(proposals, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="What to order"
        beside="What sales are short of, and what fell to its reorder point"
        action={
          <>
            <ListExport name="proposals" query={open.query} />
            {open.rows.some((p) => p.supplier !== '') && <OrderProposed />}
          </>
        }
      />
      <ListView open={open} about={shop} />
    </>
  )
}
