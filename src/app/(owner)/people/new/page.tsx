import type { Metadata } from 'next'
import { listPriceLevels, listTaxAreas } from '@/data/queries/prices'
import { Heading } from '@/ui/Heading'
import { CustomerForm } from '@/ui/people/CustomerForm'
import { NO_CUSTOMER } from '@/ui/people/noCustomer'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'New customer' }

export default async function NewCustomer({ searchParams }: { searchParams: Search }) {
  const { db, today, currency } = await openShop()
  const { name = '' } = await queryOf(searchParams)
  const [levels, areas] = await Promise.all([listPriceLevels(db), listTaxAreas(db)])
  return (
    <>
      <Heading title="New customer" beside="a name is enough" />
      <CustomerForm
        id={null}
        start={{ ...NO_CUSTOMER, name: name.slice(0, 200) }}
        currency={currency}
        today={today}
        levels={levels.map((l) => ({ code: l.code, name: l.name }))}
        areas={areas.map((a) => ({ code: a.code, name: a.name }))}
      />
    </>
  )
}
