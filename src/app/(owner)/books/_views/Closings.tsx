import { openList } from '@/app/(owner)/_list'
import { openShop } from '@/app/(owner)/_shop'
import { closings } from '@/api/lists/books'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'

export const Closings = async ({ query }: { readonly query: Readonly<Record<string, string>> }) => {
  const shop = await openShop()
  const open = await openList(closings, shop, query)
  return (
    <>
      <ListRows open={open} about={shop} />
      {open.rows.length > 0 && (
        <div className="no-print mt-5">
          <ListExport name="closings" query={open.query} />
        </div>
      )}
    </>
  )
}
