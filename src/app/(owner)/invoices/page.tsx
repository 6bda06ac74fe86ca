import type { Metadata } from 'next'
import { formatCount } from '@/core/locale'
import { invoices } from '@/api/lists/money'
import { readAsked } from '@/lists/list'
import { readRegisterNames } from '@/model/invoice/register'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { SavedViews } from '@/ui/SavedViews'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Invoices' }

export default async function Invoices({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const query = await queryOf(searchParams)
  const [open, names] = await Promise.all([
    openList(invoices, shop, query),
    readRegisterNames(shop, readAsked(invoices.list, query).filter),
  ])
  const kept = new URLSearchParams(open.query).toString()
  return (
    <>
      <Heading
        title="Invoices"
        beside={open.count === undefined ? 'many that fit' : `${formatCount(open.count)} that fit`}
        action={<ListExport name="invoices" query={open.query} />}
      />
      <SavedViews place="invoices" path="/invoices" views={names.views} query={kept} />
      <ListView open={open} about={shop} customer={names.customer} />
      {names.goods && <p className="mt-2">Only with {names.goods} on it.</p>}
    </>
  )
}
