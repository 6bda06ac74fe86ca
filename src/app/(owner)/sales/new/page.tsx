import type { Metadata } from 'next'
import { customerView } from '@/services/read/customers'
import { readPlainTaxCodes } from '@/services/read/taxCodes'
import { Heading } from '@/ui/Heading'
import { NO_FACTS, SaleForm } from '@/ui/sale/SaleForm'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'New sale' }

export default async function NewSalePage({ searchParams }: { searchParams: Search }) {
  const { db, business, today, currency } = await openShop()
  const query = await queryOf(searchParams)
  const customer = /^\d{1,9}$/.test(query.customer ?? '')
    ? await customerView(db, Number(query.customer), business, today)
    : null
  const codes = await readPlainTaxCodes(db)
  return (
    <>
      <Heading title="New sale" />
      <SaleForm
        sale={null}
        today={today}
        settings={{ currency, roundPer: business.taxRoundedPer, codes }}
        pricesIncludeTax={business.pricesIncludeTax}
        kinds={business.kinds}
        buyer={customer && { ...customer, exempt: customer.taxExempt }}
        facts={{ ...NO_FACTS, kind: business.kinds[0] ?? '' }}
        lines={[]}
      />
    </>
  )
}
