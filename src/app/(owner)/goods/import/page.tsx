import type { Metadata } from 'next'
import { ImportGoods } from '@/ui/goods/ImportGoods'
import { Heading } from '@/ui/Heading'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Import goods' }

export default async function ImportPage() {
  await openShop()
  return (
    <>
      <Heading title="Import goods" />
      <p className="mb-4 max-w-prose">
        The first row holds the column names: <b>code</b>, <b>name</b> and <b>price</b> are required; optional are kind
        (stock, work, charge), tax code, income account, barcode, notes, tags, weight, size, reorder at and online shop.
        Existing codes are updated; empty cells change nothing. Tip: start from{' '}
        <a className="underline" href="/api/v1/export/goods.xlsx">
          an export of your current goods
        </a>{' '}
        .
      </p>
      <ImportGoods />
    </>
  )
}
