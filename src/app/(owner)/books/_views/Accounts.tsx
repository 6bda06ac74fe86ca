import { openList } from '@/app/(owner)/_list'
import { openShop } from '@/app/(owner)/_shop'
import { accounts } from '@/api/lists/books'
import { AddAccountButton } from '@/ui/books/AddAccountButton'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'

export const Accounts = async ({ query }: { readonly query: Readonly<Record<string, string>> }) => {
  const shop = await openShop()
  const open = await openList(accounts, shop, query)
  return (
    <>
      <div className="no-print mb-3 flex flex-wrap items-center justify-between gap-3">
        <p className="sub max-w-prose">Every account with what it holds today. Open one to rename, hide or merge it.</p>
        <AddAccountButton />
      </div>
      <ListRows open={open} about={shop} className="max-w-3xl" />
      <div className="no-print mt-5">
        <ListExport name="accounts" query={open.query} />
      </div>
    </>
  )
}
