import type { Metadata } from 'next'
import { suppliers } from '@/api/lists/buying'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { To } from '@/ui/To'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Suppliers' }

export default async function Suppliers({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(suppliers, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="Suppliers"
        action={
          <>
            <ListExport name="suppliers" query={open.query} />
            <To className="btn btn-do" data-primary href="/buying/suppliers/new">
              New supplier
            </To>
          </>
        }
      />
      <ListView open={open} about={shop} />
    </>
  )
}
