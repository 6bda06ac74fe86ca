import type { Metadata } from 'next'
import { toFourPlaces } from '@/core/money'
import { readGoodsList } from '@/model/goods/goods'
import { CountForm } from '@/ui/goods/CountForm'
import { Heading } from '@/ui/Heading'
import { SearchBox } from '@/ui/SearchBox'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Count stock' }

export default async function CountPage({ searchParams }: { searchParams: Search }) {
  const { db, business, today, currency } = await openShop()
  const { search } = await queryOf(searchParams)
  const goods = await readGoodsList(db, { search, kind: 'stock' }, { limit: 200 }, business)
  return (
    <>
      <Heading title="Count stock" beside="Enter what you counted; empty lines stay unchanged" />
      <div className="mb-3">
        <SearchBox label="Search goods" placeholder="code, name, barcode" />
      </div>
      <CountForm
        key={search ?? ''}
        currency={currency}
        today={today}
        lines={goods.map((g) => ({
          goodsId: g.goods.id,
          code: g.goods.code,
          name: g.goods.name,
          onHand: toFourPlaces(g.onHand),
          unitCost: toFourPlaces(g.unitCost),
        }))}
      />
    </>
  )
}
