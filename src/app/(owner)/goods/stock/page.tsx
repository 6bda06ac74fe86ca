import type { Metadata } from 'next'
import { stockOn } from '@/api/lists/sales'
import { formatMoney, isZeroMoney } from '@/core/money'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { DayPick } from '@/ui/owed/DayPick'
import { openList } from '../../_list'
import { openReports, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Stock on a day' }

export default async function StockOn({ searchParams }: { searchParams: Search }) {
  const shop = await openReports()
  const open = await openList(stockOn, shop, await queryOf(searchParams))
  const { value, difference } = open.stock
  return (
    <>
      <Heading
        title="Stock"
        beside={<DayPick path="/goods/stock" asOf={open.asOf} today={shop.today} />}
        action={<ListExport name="stock" query={open.query} />}
      />
      <p className="mb-4">
        Goods on hand were worth <b className="fig">{formatMoney(value)}</b>.{' '}
        {isZeroMoney(difference) ? (
          <span className="sub">✓ Matches its account</span>
        ) : (
          <span className="text-oxide-700">✗ {formatMoney(difference)} different from its account</span>
        )}
      </p>
      <ListRows open={open} about={shop} className="max-w-4xl" />
    </>
  )
}
