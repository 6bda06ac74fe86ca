import { readCustomerChoices, readCustomerToChange } from '@/model/people/customerForm'
import type { Metadata } from 'next'
import { notFound, redirect } from 'next/navigation'
import { PAPER_LANGUAGES } from '@/core/formats'
import { toDecimalString } from '@/core/money'
import { ByMistake } from '@/ui/ByMistake'
import { Heading } from '@/ui/Heading'
import { CustomerForm } from '@/ui/people/CustomerForm'
import { emptyAddress } from '@/ui/people/customerDraft'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Change a customer' }

export default async function EditCustomer({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const { today, currency } = shop
  const id = await idFrom(params)
  const [kept, choices] = await Promise.all([readCustomerToChange(shop, id), readCustomerChoices(shop)])
  const { customer, addresses, contacts, edition, unused } = kept ?? notFound()
  if (customer.joinedToId !== null) redirect(`/people/${customer.joinedToId}`)
  const plain = <T extends { id: number }>({ id: _id, ...rest }: T) => rest
  return (
    <>
      <Heading title={customer.name} />
      <CustomerForm
        id={id}
        edition={edition}
        currency={currency}
        today={today}
        {...choices}
        start={{
          name: customer.name,
          contact: customer.contact,
          email: customer.email,
          phone: customer.phone,
          kind: customer.kind,
          note: customer.note,
          terms: {
            net: String(customer.terms.net),
            discountPercent: customer.terms.discountPercent ? String(Number(customer.terms.discountPercent)) : '',
            discountDays: customer.terms.discountDays === null ? '' : String(customer.terms.discountDays),
          },
          taxExempt: customer.taxExempt,
          exemptNumber: customer.exemptNumber,
          exemptUntil: customer.exemptUntil ?? '',
          priceLevel: customer.priceLevel,
          language: PAPER_LANGUAGES.find((l) => l === customer.language) ?? 'en',
          tags: customer.tags.join(', '),
          creditLimit: customer.creditLimit ? toDecimalString(customer.creditLimit) : '',
          addresses: addresses.length > 0 ? addresses.map(plain) : [emptyAddress('bill-to')],
          contacts: contacts.map(plain),
        }}
      />
      {unused && <ByMistake path={`/customers/${id}`} what={customer.name} go="/people" />}
    </>
  )
}
