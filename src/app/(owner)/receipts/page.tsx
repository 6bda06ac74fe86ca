import type { Metadata } from 'next'
import { formatCount } from '@/core/locale'
import { To } from '@/ui/To'
import { receipts } from '@/api/lists/money'
import { formatDay, isDayInReach } from '@/core/day'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Receipts' }

export default async function Receipts({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const query = await queryOf(searchParams)
  const open = await openList(receipts, shop, query)
  const { on } = open.query
  const { count } = open
  return (
    <>
      <Heading
        title="Receipt book"
        beside={on && isDayInReach(on) ? formatDay(on) : undefined}
        action={
          <>
            <ListExport name="receipts" query={open.query} />
            <To href="/money-in" className="btn btn-do" data-primary>
              Take money
            </To>
          </>
        }
      />
      <ListView
        open={open}
        about={shop}
        foot={count === undefined ? 'many that fit' : `${formatCount(count)} ${count === 1 ? 'receipt' : 'receipts'}`}
      />
    </>
  )
}
