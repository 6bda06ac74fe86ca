import type { Metadata } from 'next'
import { findCustomer } from '@/data/queries/customers'
import { readPlainTaxCodes } from '@/services/read/taxCodes'
import { Heading } from '@/ui/Heading'
import { NewSale } from '@/ui/sale/NewSale'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'New sale' }

export default async function NewSalePage({ searchParams }: { searchParams: Search }) {
  const { db, business, today, currency } = await openShop()
  const query = await queryOf(searchParams)
  const customer = /^\d{1,9}$/.test(query.customer ?? '')
    ? await findCustomer(db, Number(query.customer), currency)
    : null
  const codes = await readPlainTaxCodes(db)
  return (
    <>
      <Heading title="New sale" />
      <NewSale
        today={today}
        settings={{
          currency,
          pricesIncludeTax: business.pricesIncludeTax,
          roundPer: business.taxRoundedPer,
          codes,
        }}
        customer={customer && { id: customer.id, name: customer.name, taxExempt: customer.taxExempt }}
      />
    </>
  )
}
