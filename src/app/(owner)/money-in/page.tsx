import type { Metadata } from 'next'
import { findCustomer } from '@/data/queries/customers'
import { Heading } from '@/ui/Heading'
import { MoneyInForm } from '@/ui/money/MoneyInForm'
import Link from 'next/link'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Money in' }

export default async function MoneyIn({ searchParams }: { searchParams: Search }) {
  const { db, business, today, currency } = await openShop()
  const query = await queryOf(searchParams)
  const customer = /^\d{1,9}$/.test(query.customer ?? '')
    ? await findCustomer(db, Number(query.customer), currency)
    : null
  return (
    <>
      <Heading
        title="Money in"
        action={
          <>
            <Link prefetch={false} href="/money-in/drawer" className="btn">
              The drawer
            </Link>
            <Link prefetch={false} href="/money-in/bank" className="btn">
              To the bank
            </Link>
            <Link prefetch={false} href="/receipts" className="btn">
              Receipt book
            </Link>
          </>
        }
      />
      <MoneyInForm
        key={`${customer?.id}`}
        currency={currency}
        today={today}
        customer={customer && { id: customer.id, name: customer.name }}
        smallestCoin={business.smallestCoin}
        saleId={/^\d{1,9}$/.test(query.sale ?? '') ? Number(query.sale) : null}
      />
    </>
  )
}
