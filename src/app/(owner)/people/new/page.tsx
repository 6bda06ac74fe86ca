import { readCustomerChoices } from '@/model/people/customerForm'
import type { Metadata } from 'next'
import { Heading } from '@/ui/Heading'
import { CustomerForm } from '@/ui/people/CustomerForm'
import { NO_CUSTOMER } from '@/ui/people/customerDraft'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'New customer' }

export default async function NewCustomer({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { today, currency } = shop
  const { name = '' } = await queryOf(searchParams)
  return (
    <>
      <Heading title="New customer" beside="a name is enough" />
      <CustomerForm
        id={null}
        start={{ ...NO_CUSTOMER, name: name.slice(0, 200) }}
        currency={currency}
        today={today}
        {...await readCustomerChoices(shop)}
      />
    </>
  )
}
