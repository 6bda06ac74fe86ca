import type { Metadata } from 'next'
import { pageAsked } from '@/contract/pageAsked'
import { present } from '@/core/present'
import { readCountLines } from '@/model/goods/countLines'
import { readPlaces } from '@/model/goods/placesOf'
import { To } from '@/ui/To'
import { CountForm } from '@/ui/goods/CountForm'
import { Heading } from '@/ui/Heading'
import { PageLinks } from '@/ui/list/ListPages'
import { SearchBox } from '@/ui/SearchBox'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Count stock' }

export default async function CountPage({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { today, currency } = shop
  const query = await queryOf(searchParams)
  const { place } = query
  const { search, page } = pageAsked.parse(query)
  const places = await readPlaces(shop)
  const at = places.length > 1 ? (places.find((p) => String(p.id) === place) ?? present(places[0])) : null
  const { lines, more } = await readCountLines(shop, { search, placeId: at?.id, page })
  const asked = { ...(at && place && { place: String(at.id) }), ...(search !== '' && { search }) }
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
      {(page > 1 || more) && <p className="sub pt-3">What you entered stays while you turn pages or search.</p>}
      <PageLinks path="/goods/count" query={asked} page={page} more={more} />
    </>
  )
}
