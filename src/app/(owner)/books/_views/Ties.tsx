import { ties } from '@/api/lists/books'
import { openList } from '@/app/(owner)/_list'
import { openShop } from '@/app/(owner)/_shop'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'

export const Ties = async ({ query }: { readonly query: Readonly<Record<string, string>> }) => {
  const shop = await openShop()
  const open = await openList(ties, shop, query)
  return (
    <>
      <p className="mb-3 max-w-prose">
        Every figure below is kept twice: in your documents and in the accounts. The two must match on any day. If a
        difference appears, note the date and restore from your last export, or ask for help; do not correct it by hand.
      </p>
      <ListRows open={open} about={shop} className="max-w-205" />
      <div className="no-print mt-5">
        <ListExport name="ties" query={open.query} />
      </div>
    </>
  )
}
