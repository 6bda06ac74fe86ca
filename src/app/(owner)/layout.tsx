import { countLettersToSee } from '@/model/post/post'
import { countSalesInHand } from '@/model/sale/saleList'
import { readFlags } from '@/model/receivables/owed'
import type { ReactNode } from 'react'
import { Band } from '@/ui/Band'
import { Follow } from '@/ui/Follow'
import { localeOf } from '@/core/locale'
import { HouseLocale } from '@/ui/HouseLocale'
import { Inside } from '@/ui/inside'
import { Keys } from '@/ui/Keys'
import { Notices } from '@/ui/Notices'
import { Spine } from '@/ui/Spine'
import { openShop } from './_shop'

export const dynamic = 'force-dynamic'

export default async function OwnerLayout({ children }: { children: ReactNode }) {
  const shop = await openShop()
  const { db, business, today, currency } = shop
  const [flags, inHand, post] = await Promise.all([
    readFlags(db, today, currency),
    countSalesInHand(shop),
    countLettersToSee(shop),
  ])
  return (
    <HouseLocale locale={localeOf(business.locale)}>
      <div className="min-h-screen">
        <a
          href="#main"
          className="btn btn-do sr-only focus:not-sr-only focus:fixed focus:top-2 focus:left-2 focus:z-50"
        >
          Skip to content
        </a>
        <Band name={business.name} flags={flags} today={today} currency={currency} />
        <div className="flex flex-col md:flex-row">
          <Spine agreed={inHand} post={post} />
          <main id="main" className="min-w-0 flex-1 px-4 py-5 md:px-6">
            {children}
          </main>
        </div>
        <Keys />
        <Follow />
        <Inside />
        <Notices />
      </div>
    </HouseLocale>
  )
}
