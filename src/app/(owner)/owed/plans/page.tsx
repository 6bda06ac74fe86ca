import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { plans } from '@/api/lists/money'
import { formatMoney, isPositiveMoney } from '@/core/money'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Installments' }

export default async function Plans({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(plans, shop, await queryOf(searchParams))
  const { unearned } = open.book.totals
  return (
    <>
      <Heading
        title="Installments"
        beside={open.query.ended ? 'Ended plans' : 'Active plans'}
        action={<ListExport name="plans" query={open.query} />}
      />
      <OwedTabs at="/owed/plans" />
      <ListView open={open} about={shop} />
      {isPositiveMoney(unearned) && (
        <p className="mt-3">
          {formatMoney(unearned)} of finance charges not yet earned (a liability):{' '}
          <To className="underline" href="/books?view=ties">
            matches its account
          </To>
          .
        </p>
      )}
    </>
  )
}
