import type { Metadata } from 'next'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { NO_SUPPLIER } from '@/ui/buying/supplierDraft'
import { SupplierForm } from '@/ui/buying/SupplierForm'
import { Heading } from '@/ui/Heading'
import { openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'New supplier' }

export default async function NewSupplier() {
  const { db, today } = await openShop()
  const codes = await readPlainTaxCodes(db, today)
  return (
    <>
      <Heading title="New supplier" />
      <div className="max-w-lg">
        <SupplierForm id={null} start={NO_SUPPLIER} codes={codes} />
      </div>
    </>
  )
}
