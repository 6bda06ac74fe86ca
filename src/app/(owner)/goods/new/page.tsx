import { readGoodsChoices } from '@/model/goods/goodsPage'
import { present } from '@/core/present'
import type { Metadata } from 'next'
import { NO_GOODS } from '@/ui/goods/goodsDraft'
import { GoodsForm } from '@/ui/goods/GoodsForm'
import { Heading } from '@/ui/Heading'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'New goods' }

export default async function NewGoods() {
  const shop = await openShop()
  const { currency, today } = shop
  const { codes, incomes, levels, places } = await readGoodsChoices(shop)
  return (
    <>
      <Heading title="New goods" />
      <GoodsForm
        id={null}
        currency={currency}
        today={today}
        codes={codes.map((c) => ({ code: c.code, name: c.name }))}
        accounts={incomes}
        levels={levels}
        places={places}
        start={{ ...NO_GOODS, taxCode: present(codes[0]).code }}
      />
    </>
  )
}
