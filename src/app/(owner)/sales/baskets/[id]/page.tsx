import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { readBasket } from '@/services/shopfront/readShop'
import { Heading } from '@/ui/Heading'
import { OwnerBasket } from '@/ui/shopfront/OwnerBasket'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'A basket' }

export default async function BasketPage({ params }: { params: Promise<{ id: string }> }) {
  const { db, business, today, currency } = await openShop()
  const basket = (await readBasket(db, await idFrom(params), business, today)) ?? notFound()
  return (
    <>
      <Heading above="Sell in the online shop" title={basket.name ? `Basket of ${basket.name}` : 'A basket'} />
      <OwnerBasket start={basket} currency={currency} />
    </>
  )
}
