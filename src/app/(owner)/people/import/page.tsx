import type { Metadata } from 'next'
import { Heading } from '@/ui/Heading'
import { ImportCustomers } from '@/ui/people/ImportCustomers'
import { To } from '@/ui/To'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Import customers' }

export default async function ImportCustomersPage() {
  await openShop()
  return (
    <>
      <Heading
        above={
          <To className="underline" href="/people">
            People
          </To>
        }
        title="Import customers"
      />
      <p className="mb-4 max-w-prose">
        An address book as vCard, or a table whose first row holds the column names: <b>name</b> is required; optional
        are contact, email, phone, address, kind, notes and terms (days). Who is a customer already is left out. To take
        yours along:{' '}
        <a className="underline" href="/api/v1/export/customers.vcf">
          all customers as vCard
        </a>
        .
      </p>
      <ImportCustomers />
    </>
  )
}
