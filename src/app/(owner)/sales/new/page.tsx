import type { Metadata } from 'next'
import { decimal } from '@/core/money'
import { goodsView } from '@/model/goods/goods'
import { readPrice, taxAreasView } from '@/model/goods/prices'
import { emptyLine } from '@/ui/sale/lineDraft'
import { customerView } from '@/model/people/customers'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { Heading } from '@/ui/Heading'
import { NO_FACTS } from '@/ui/sale/saleFacts'
import { SaleForm } from '@/ui/sale/SaleForm'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'New sale' }

export default async function NewSalePage({ searchParams }: { searchParams: Search }) {
  const { db, business, today, currency } = await openShop()
  const query = await queryOf(searchParams)
  const customer = /^\d{1,9}$/.test(query.customer ?? '')
    ? await customerView(db, Number(query.customer), business, today)
    : null
  const [codes, areas] = await Promise.all([readPlainTaxCodes(db, today), taxAreasView(db)])
  // `take=12x3,14x1`: three of goods 12 and one of goods 14, at today's prices.
  const wanted = (query.take ?? '').split(',').flatMap((part) => {
    const [, goodsId, quantity] = /^(\d{1,9})x(\d{1,8}(?:\.\d{1,4})?)$/.exec(part) ?? []
    return goodsId && quantity ? [{ goodsId: Number(goodsId), quantity }] : []
  })
  const lines = (
    await Promise.all(
      wanted.slice(0, 50).map(async ({ goodsId, quantity }, i) => {
        const [goods, price] = await Promise.all([
          goodsView(db, goodsId, business, today),
          readPrice(db, { goodsId, quantity: decimal(quantity), customerId: customer?.id }, business, today),
        ])
        if (!goods || !price) return []
        const base = {
          ...emptyLine(price.ownTaxCode),
          key: `take${i}`,
          goodsId,
          quantity,
          description: goods.name,
        }
        return [
          {
            ...base,
            unitPrice: price.price,
            priceFrom: price.from,
            available: price.available ?? undefined,
            unitCost: price.unitCost,
          },
        ]
      }),
    )
  ).flat()
  return (
    <>
      <Heading title="New sale" />
      <SaleForm
        sale={null}
        today={today}
        settings={{ currency, roundPer: business.taxRoundedPer, codes, areas }}
        pricesIncludeTax={business.pricesIncludeTax}
        kinds={business.kinds}
        buyer={customer}
        facts={{ ...NO_FACTS, kind: business.kinds[0] ?? '' }}
        lines={lines}
      />
    </>
  )
}
