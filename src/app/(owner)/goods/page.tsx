import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { goods } from '@/api/lists/sales'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { Menu } from '@/ui/Menu'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Goods' }

export default async function Goods({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(goods, shop, await queryOf(searchParams))
  const labels = open.rows.map((g) => `${g.goods.id}x1`).join(',')
  return (
    <>
      <Heading
        title="Goods"
        action={
          <>
            <ListExport name="goods" query={open.query} />
            <Menu label="More">
              <To href="/goods/stock">Stock on a day</To>
              <To href="/goods/backorders">Backorders</To>
              <To href="/goods/age">Stock by age</To>
              <To href="/goods/turnover">What sells, what stays</To>
              <To href="/goods/import">Import</To>
              <To href="/goods/count">Count stock</To>
              {labels && (
                <a href={`/api/v1/export/labels.pdf?goods=${labels}`} target="_blank">
                  Labels (PDF)
                </a>
              )}
            </Menu>
            <To className="btn btn-do" data-primary href="/goods/new">
              New goods
            </To>
          </>
        }
      />
      <ListView open={open} about={shop} />
    </>
  )
}
