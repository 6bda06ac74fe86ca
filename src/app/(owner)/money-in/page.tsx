import { readCustomerName } from '@/model/people/customerForm'
import type { Metadata } from 'next'
import { Heading } from '@/ui/Heading'
import { MoneyInForm } from '@/ui/money/MoneyInForm'
import { To } from '@/ui/To'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Money in' }

export default async function MoneyIn({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { business, today, currency } = shop
  const query = await queryOf(searchParams)
  const customer = await readCustomerName(shop, query.customer)
  return (
    <>
      <Heading
        title="Money in"
        action={
          <>
            <To href="/money-in/drawer" className="btn">
              The drawer
            </To>
            <To href="/money-in/bank" className="btn">
              Take to the bank
            </To>
            <To href="/receipts" className="btn">
              Receipt book
            </To>
          </>
        }
      />
      <MoneyInForm
        key={`${customer?.id}`}
        currency={currency}
        today={today}
        customer={customer}
        smallestCoin={business.smallestCoin}
        saleId={/^\d{1,9}$/.test(query.sale ?? '') ? Number(query.sale) : null}
      />
    </>
  )
}
