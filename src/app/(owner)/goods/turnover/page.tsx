import type { Metadata } from 'next'
import { turnover } from '@/api/lists/sales'
import { SellsAndStays } from '@/ui/goods/SellsAndStays'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { Span } from '@/ui/books/Span'
import { openList } from '../../_list'
import { openReports, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'What sells, what stays' }

export default async function TurnoverPage({ searchParams }: { searchParams: Search }) {
  const shop = await openReports()
  const open = await openList(turnover, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="What sells, what stays"
        beside="Profit is income less the cost of what went; turns and days at the pace of this period"
        action={<ListExport name="turnover" query={open.query} />}
      />
      <div className="mb-3">
        <Span today={shop.today} from={open.span.from} to={open.span.to} />
      </div>
      <SellsAndStays rows={open.rows} />
      <ListRows open={open} about={shop} />
    </>
  )
}
