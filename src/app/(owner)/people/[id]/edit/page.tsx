import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { toDecimalString } from '@/core/money'
import { findCustomer, listAddresses } from '@/data/queries/customers'
import { Heading } from '@/ui/Heading'
import { CustomerForm } from '@/ui/people/CustomerForm'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Change a customer' }

export default async function EditCustomer({ params }: { params: Promise<{ id: string }> }) {
  const { db, today, currency } = await openShop()
  const id = await idFrom(params)
  const [customer, addresses] = await Promise.all([findCustomer(db, id, currency), listAddresses(db, id)])
  if (!customer) notFound()
  const deliverTo = addresses.filter((a) => a.kind === 'deliver-to').map((a) => a.text)
  return (
    <>
      <Heading title={customer.name} />
      <CustomerForm
        id={id}
        currency={currency}
        today={today}
        start={{
          name: customer.name,
          contact: customer.contact,
          email: customer.email,
          phone: customer.phone,
          kind: customer.kind,
          note: customer.note,
          net: String(customer.terms.net),
          discountPercent: customer.terms.discountPercent
            ? String(Number(customer.terms.discountPercent))
            : '',
          discountDays: customer.terms.discountDays === null ? '' : String(customer.terms.discountDays),
          taxExempt: customer.taxExempt,
          exemptNumber: customer.exemptNumber,
          exemptUntil: customer.exemptUntil ?? '',
          creditLimit: customer.creditLimit ? toDecimalString(customer.creditLimit) : '',
          billTo: addresses.find((a) => a.kind === 'bill-to')?.text ?? '',
          deliverTo: deliverTo.length > 0 ? deliverTo : [''],
        }}
      />
    </>
  )
}
