import { openList } from '@/app/(owner)/_list'
import { openShop } from '@/app/(owner)/_shop'
import { taxReturns } from '@/api/lists/books'
import { readNextReturn } from '@/model/books/taxReturns'
import { NewTaxReturn } from '@/ui/books/NewTaxReturn'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'

/** Tax returns, the newest first, and a way to the next one. */
export const TaxReturns = async ({ view }: { readonly view: string }) => {
  const shop = await openShop()
  const [open, next] = await Promise.all([openList(taxReturns, shop, { view }), readNextReturn(shop)])
  return (
    <section className="mt-8">
      <div className="no-print mb-3 flex flex-wrap items-center justify-between gap-3">
        <h2>Tax returns</h2>
        <NewTaxReturn {...next} today={shop.today} />
      </div>
      <ListRows open={open} about={shop} />
      {open.rows.length > 0 && (
        <div className="no-print mt-5">
          <ListExport name="tax-returns" query={open.query} />
        </div>
      )}
    </section>
  )
}
