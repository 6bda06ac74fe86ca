import type { Metadata } from 'next'
import { present } from '@/core/present'
import { readCountLines } from '@/model/goods/countLines'
import { readPlaces } from '@/model/goods/placesOf'
import { To } from '@/ui/To'
import { CountForm } from '@/ui/goods/CountForm'
import { Heading } from '@/ui/Heading'
import { SearchBox } from '@/ui/SearchBox'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Count stock' }

export default async function CountPage({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { today, currency } = shop
  const { search, place } = await queryOf(searchParams)
  const places = await readPlaces(shop)
  const at = places.length > 1 ? (places.find((p) => String(p.id) === place) ?? present(places[0])) : null
  const lines = await readCountLines(shop, { search, placeId: at?.id })
  return (
    <>
      <Heading title="Count stock" beside="Enter what you counted; empty lines stay unchanged" />
      {at && (
        <p className="links mb-3">
          {places.map((p) => (
            <To
              key={p.id}
              aria-current={p.id === at.id ? 'page' : undefined}
              className={p.id === at.id ? 'font-bold' : 'underline'}
              href={`/goods/count?place=${p.id}${search ? `&search=${encodeURIComponent(search)}` : ''}`}
            >
              {p.name}
            </To>
          ))}
        </p>
      )}
      <div className="mb-3">
        <SearchBox label="Search goods" placeholder="code, name, barcode" />
      </div>
      <CountForm key={at?.id} placeId={at?.id ?? null} currency={currency} today={today} lines={lines} />
    </>
  )
}
