import { openList } from '@/app/(owner)/_list'
import { openShop } from '@/app/(owner)/_shop'
import { trialBalance } from '@/api/lists/books'
import { subtractMoney, isZeroMoney, zeroMoney, type Money } from '@/core/money'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'

export const TrialBalance = async ({ query }: { readonly query: Readonly<Record<string, string>> }) => {
  const shop = await openShop()
  const open = await openList(trialBalance, shop, query)
  const side = (name: 'debit' | 'credit'): Money => (open.sums[name] as Money | undefined) ?? zeroMoney(shop.currency)
  const agree = isZeroMoney(subtractMoney(side('debit'), side('credit')))
  return (
    <>
      <ListRows open={open} about={shop} foot={agree ? 'both sides agree' : 'the sides differ'} className="max-w-3xl" />
      <p className="no-print mt-5">
        <ListExport name="trial-balance" query={open.query} />
      </p>
    </>
  )
}
