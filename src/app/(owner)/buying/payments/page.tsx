import type { Metadata } from 'next'
import { supplierPayments } from '@/api/lists/buying'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Payments to suppliers' }

export default async function PaymentsPage({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(supplierPayments, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="Payments to suppliers"
        beside="From the bank, the drawer or another account"
        action={<ListExport name="supplier-payments" query={open.query} />}
      />
      <ListView open={open} about={shop} />
    </>
  )
}
