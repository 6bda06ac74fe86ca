import type { Metadata } from 'next'
import { yearOf } from '@/core/day'
import { readBudgetPage } from '@/model/books/budget'
import { BudgetForm } from '@/ui/books/BudgetForm'
import { Heading } from '@/ui/Heading'
import { To } from '@/ui/To'
import { openReports, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Budget' }

export default async function Budget({ searchParams }: { searchParams: Search }) {
  const shop = await openReports()
  const { year: asked = '' } = await queryOf(searchParams)
  const year = /^(199\d|20\d\d|21\d\d)$/.test(asked) ? Number(asked) : yearOf(shop.today)
  const rows = await readBudgetPage(shop, year)
  return (
    <>
      <Heading
        above={
          <To className="underline" href="/books?view=profit-and-loss">
            Profit and loss
          </To>
        }
        title={`Budget of ${year}`}
        beside={
          <>
            <To className="mr-3 underline" href={`/books/budget?year=${year - 1}`}>
              {year - 1}
            </To>
            <To className="underline" href={`/books/budget?year=${year + 1}`}>
              {year + 1}
            </To>
          </>
        }
      />
      <BudgetForm key={year} year={year} rows={rows} currency={shop.currency} />
    </>
  )
}
