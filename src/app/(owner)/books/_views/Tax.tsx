import { openList } from '@/app/(owner)/_list'
import { openShop } from '@/app/(owner)/_shop'
import { tax } from '@/api/lists/books'
import type { Shown } from '@/app/(owner)/books/_views/shown'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'

export const Tax = async ({ from, to, query }: Shown) => {
  const shop = await openShop()
  const open = await openList(tax, shop, { ...query, from, to })
  return (
    <>
      <p className="sub mb-3 max-w-prose">
        Sales tax on what you invoiced, by tax code: the base is what was sold without tax, the tax what you owe the tax
        office for it.
      </p>
      <ListRows open={open} about={shop} className="max-w-3xl" />
      <div className="no-print mt-5">
        <ListExport name="tax" query={open.query} />
      </div>
    </>
  )
}
