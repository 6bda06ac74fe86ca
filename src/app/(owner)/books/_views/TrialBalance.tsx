import { openList } from '@/app/(owner)/_list'
import { openShop } from '@/app/(owner)/_shop'
import { trialBalance } from '@/api/lists/books'
import { ListExport } from '@/ui/list/ListExport'
import { formatMoney, isZeroMoney } from '@/core/money'
import { Answer } from './Answer'
import { ListRows } from '@/ui/list/ListView'

export const TrialBalance = async ({ query }: { readonly query: Readonly<Record<string, string>> }) => {
  const shop = await openShop()
  const open = await openList(trialBalance, shop, query)
  const agree = isZeroMoney(open.balance.difference)
  return (
    <>
      <Answer about="Every account with its balance. Debit is where value went, credit where it came from; both sides must come to the same.">
        {agree ? 'In balance' : 'Out of balance'}: debits <b className="fig">{formatMoney(open.balance.debit)}</b>,
        credits <b className="fig">{formatMoney(open.balance.credit)}</b>.
      </Answer>
      <ListRows open={open} about={shop} foot={agree ? 'In balance' : 'Out of balance'} className="max-w-3xl" />
      <div className="no-print mt-5">
        <ListExport name="trial-balance" query={open.query} />
      </div>
    </>
  )
}
