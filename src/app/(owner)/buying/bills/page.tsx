import type { Metadata } from 'next'
import { bills } from '@/api/lists/buying'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { To } from '@/ui/To'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Bills' }

export default async function Bills({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(bills, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="Bills"
        beside="What we owe for goods, rent and all else"
        action={
          <>
            <ListExport name="bills" query={open.query} />
            <To className="btn btn-do" data-primary href="/buying/bills/new">
              Enter bill
            </To>
          </>
        }
      />
      <ListView open={open} about={shop} />
    </>
  )
}
