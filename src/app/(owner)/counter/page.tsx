import type { Metadata } from 'next'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { Heading } from '@/ui/Heading'
import { CounterTill } from '@/ui/money/CounterTill'
import { openShop } from '../_shop'

export const metadata: Metadata = { title: 'Counter' }

export default async function Counter() {
  const { db, business, currency, today } = await openShop()
  return (
    <>
      <Heading title="Counter" beside="Scan or type, Enter, cash given, Enter" />
      <CounterTill
        settings={{
          currency,
          pricesIncludeTax: business.pricesIncludeTax,
          roundPer: business.taxRoundedPer,
          smallestCoin: business.smallestCoin,
          codes: await readPlainTaxCodes(db, today),
        }}
      />
    </>
  )
}
