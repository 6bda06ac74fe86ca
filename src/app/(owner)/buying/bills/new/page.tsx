import type { Metadata } from 'next'
import { readBillChoices } from '@/model/buying/pages'
import { BillForm } from '@/ui/buying/BillForm'
import { Heading } from '@/ui/Heading'
import { openShop, queryOf, type Search } from '../../../_shop'

export const metadata: Metadata = { title: 'Enter bill' }

export default async function NewBill({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { supplier } = await queryOf(searchParams)
  const choices = await readBillChoices(shop, supplier)
  return (
    <>
      <Heading title="Enter bill" beside="Of a supplier" />
      <div className="max-w-4xl">
        <BillForm {...choices} currency={shop.currency} today={shop.today} />
      </div>
    </>
  )
}
