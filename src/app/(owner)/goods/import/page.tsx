import type { Metadata } from 'next'
import { ImportGoods } from '@/ui/goods/ImportGoods'
import { Heading } from '@/ui/Heading'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Import goods' }

export default async function ImportPage() {
  await openShop()
  return (
    <>
      <Heading title="Goods from a spreadsheet" />
      <p className="mb-4 max-w-prose">
        The first row names the columns: <b>code</b>, <b>name</b> and <b>price</b>, and whichever you have of kind
        (stock, work, charge), tax code, income account, barcode, notes, tags, weight, size, reorder and shopfront.
        Codes that are there already are changed; an empty cell leaves what is there.{' '}
        <a className="underline" href="/api/v1/export/goods.xlsx">
          Your goods as they are now
        </a>{' '}
        are a good beginning.
      </p>
      <ImportGoods />
    </>
  )
}
