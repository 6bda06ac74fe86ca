import type { Metadata } from 'next'
import { stockAges } from '@/api/lists/sales'
import { readPlaces } from '@/model/goods/placesOf'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { DayPick } from '@/ui/owed/DayPick'
import { To } from '@/ui/To'
import { openList } from '../../_list'
import { openReports, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Stock by age' }

export default async function StockAges({ searchParams }: { searchParams: Search }) {
  const shop = await openReports()
  const query = await queryOf(searchParams)
  const [open, places] = await Promise.all([openList(stockAges, shop, query), readPlaces(shop)])
  const link = (place: string) => {
    const asked = new URLSearchParams({ asOf: open.asOf, ...(place ? { place } : {}) })
    return `/goods/age?${asked.toString()}`
  }
  return (
    <>
      <Heading
        title="Stock by age"
        beside={<DayPick path="/goods/age" asOf={open.asOf} today={shop.today} />}
        action={<ListExport name="stock-ages" query={open.query} />}
      />
      {places.length > 1 && (
        <p className="links mb-3">
          {[{ id: '', name: 'All places' }, ...places.map((p) => ({ id: String(p.id), name: p.name }))].map((p) => (
            <To
              key={p.id}
              href={link(p.id)}
              aria-current={(query.place ?? '') === p.id ? 'true' : undefined}
              className={(query.place ?? '') === p.id ? 'font-bold text-rust-600' : undefined}
            >
              {p.name}
            </To>
          ))}
        </p>
      )}
      <p className="sub mb-3">
        By the day on which it came in. Of what is not told apart, the newest is taken to be here still.
      </p>
      <ListRows open={open} about={shop} />
    </>
  )
}
