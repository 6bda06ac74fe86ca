import type { Metadata } from 'next'
import { readAgain, readSupplier } from '@/model/buying/pages'
import { OrderForm } from '@/ui/buying/OrderForm'
import { Heading } from '@/ui/Heading'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'New purchase order' }

export default async function NewOrder({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const query = await queryOf(searchParams)
  const again = await readAgain(shop, query.again)
  const supplier = await readSupplier(shop, again ? String(again.supplierId) : query.supplier)
  return (
    <>
      <Heading title="New purchase order" />
      <div className="max-w-3xl">
        <OrderForm
          id={null}
          supplier={supplier?.name ?? ''}
          today={shop.today}
          start={{
            supplierId: supplier ? String(supplier.id) : '',
            wantedBy: '',
            confirmedFor: '',
            note: '',
            lines: again?.lines ?? [],
          }}
        />
      </div>
    </>
  )
}
