import { openList } from '@/app/(owner)/_list'
import { openShop } from '@/app/(owner)/_shop'
import { trialBalance } from '@/api/lists/books'
import { ListExport } from '@/ui/list/ListExport'
import { isZeroMoney } from '@/core/money'
import { ListRows } from '@/ui/list/ListView'

export const TrialBalance = async ({ query }: { readonly query: Readonly<Record<string, string>> }) => {
  const shop = await openShop()
  const open = await openList(trialBalance, shop, query)
  const agree = isZeroMoney(open.balance.difference)
  return (
    <>
      <ListRows open={open} about={shop} foot={agree ? 'In balance' : 'Out of balance'} className="max-w-3xl" />
      <p className="no-print mt-5">
        <ListExport name="trial-balance" query={open.query} />
      </p>
    </>
  )
}
