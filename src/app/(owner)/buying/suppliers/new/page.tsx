import type { Metadata } from 'next'
import { NO_SUPPLIER } from '@/ui/buying/supplierDraft'
import { SupplierForm } from '@/ui/buying/SupplierForm'
import { Heading } from '@/ui/Heading'
import { openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'New supplier' }

export default async function NewSupplier() {
  await openShop()
  return (
    <>
      <Heading title="New supplier" />
      <div className="max-w-lg">
        <SupplierForm id={null} start={NO_SUPPLIER} />
      </div>
    </>
  )
}
