import type { Metadata } from 'next'
import { purchaseOrders } from '@/api/lists/buying'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { Menu } from '@/ui/Menu'
import { To } from '@/ui/To'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Buying' }

export default async function Buying({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(purchaseOrders, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="Buying"
        beside="Purchase orders"
        action={
          <>
            <ListExport name="purchase-orders" query={open.query} />
            <Menu label="More">
              <To href="/buying/proposals">What to order</To>
              <To href="/buying/received">Goods received</To>
              <To href="/buying/not-invoiced">Received, not invoiced</To>
              <To href="/buying/bills">Bills</To>
              <To href="/buying/payables">Payables</To>
              <To href="/buying/payments">Payments</To>
              <To href="/buying/suppliers">Suppliers</To>
            </Menu>
            <To className="btn btn-do" data-primary href="/buying/new">
              New purchase order
            </To>
          </>
        }
      />
      <ListView open={open} about={shop} />
    </>
  )
}
