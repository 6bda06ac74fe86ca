import { addressLine } from '@/core/people'
import { house, readBusiness } from '@/model/access/house'
import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { cookieOf } from '@/api/entry'
import { BASKET_COOKIE, readMyBasket } from '@/api/shop'
import { pageAsked } from '@/contract/pageAsked'
import { businessDate } from '@/services/clock'
import { readShop } from '@/services/shopfront/readShop'
import { localeOf } from '@/core/locale'
import { HouseLocale } from '@/ui/HouseLocale'
import { Shop } from '@/ui/customer/Shop'

export const metadata: Metadata = { title: 'Shop' }

interface Props {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}

export default async function ShopPage({ searchParams }: Props) {
  const db = house()
  const business = await readBusiness()
  if (!business?.shopfrontOpen)
    return (
      <main className="mx-auto max-w-140 px-4 py-16">
        <h1>The shop is closed just now</h1>
        <p className="mt-2">Call us, and we will gladly help.</p>
      </main>
    )
  const asked = pageAsked.parse(await searchParams)
  const [{ things, more }, basket] = await Promise.all([
    readShop(db, business, businessDate(), asked),
    readMyBasket(cookieOf({ headers: await headers() }, BASKET_COOKIE)),
  ])
  return (
    <HouseLocale locale={localeOf(business.locale)}>
      <main className="mx-auto max-w-275 px-4 py-6">
        <header className="mb-6 border-b-2 border-iron-900 pb-3">
          <h1>{business.name}</h1>
          <p className="sub">
            {[addressLine(business.address), business.phone].filter(Boolean).join(' · ')} · prices{' '}
            {business.pricesIncludeTax ? 'with' : 'without'} tax
          </p>
        </header>
        {things.length === 0 && asked.search === '' && asked.page === 1 ? (
          <p>No items in the shop yet.</p>
        ) : (
          <Shop
            things={things}
            asked={asked}
            more={more}
            start={basket}
            currency={business.currency}
            withTax={business.pricesIncludeTax}
          />
        )}
      </main>
    </HouseLocale>
  )
}
