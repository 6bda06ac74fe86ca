import type { Metadata } from 'next'
import { held } from '@/api/lists/money'
import { isDayInReach } from '@/core/day'
import { formatMoney, isZeroMoney, negateMoney, subtractMoney } from '@/core/money'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { DayPick } from '@/ui/owed/DayPick'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Held money' }
const KIND = { deposit: 'deposit', layaway: 'layaway', account: 'on account' } as const

export default async function Held({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { today } = shop
  const open = await openList(held, shop, await queryOf(searchParams))
  const asked = open.query.asOf
  const asOf = asked && isDayInReach(asked) ? asked : today
  const { totals, books } = open.report
  return (
    <>
      <Heading
        title="Held money"
        beside={<DayPick path="/owed/held" asOf={asOf} today={today} />}
        action={<ListExport name="held" query={open.query} />}
      />
      <OwedTabs at="/owed/held" />
      <p className="mb-4 max-w-prose">
        Money received but not yet earned. It still belongs to the customer: a liability, not income.
      </p>
      <ListRows open={open} about={shop} className="max-w-4xl" />
      <dl className="mt-4 grid max-w-2xl grid-cols-[1fr_auto_auto] gap-x-6 gap-y-1 text-xs">
        {(['deposit', 'layaway', 'account'] as const).map((k) => {
          const difference = subtractMoney(totals[k], negateMoney(books[k]))
          return (
            <div key={k} className="contents">
              <dt>held as {KIND[k]}</dt>
              <dd className="fig">{formatMoney(totals[k])}</dd>
              <dd className={isZeroMoney(difference) ? 'text-iron-500' : 'font-bold text-oxide-700'}>
                {isZeroMoney(difference)
                  ? '✓ Matches its account'
                  : `✗ ${formatMoney(difference)} different from its account`}
              </dd>
            </div>
          )
        })}
      </dl>
    </>
  )
}
