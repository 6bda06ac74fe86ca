import type { Metadata } from 'next'
import { notInvoiced } from '@/api/lists/buying'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { DayPick } from '@/ui/owed/DayPick'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Received, not invoiced' }

export default async function NotInvoicedPage({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(notInvoiced, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="Received, not invoiced"
        beside={<DayPick path="/buying/not-invoiced" asOf={open.asOf} today={shop.today} />}
        action={<ListExport name="not-invoiced" query={open.query} />}
      />
      <p className="sub mb-3">
        What came and is not billed, less what is billed and did not come or went back; together the account “Goods
        received, not invoiced”.
      </p>
      <ListRows open={open} about={shop} />
    </>
  )
}
