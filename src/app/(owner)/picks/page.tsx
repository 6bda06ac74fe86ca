import type { Metadata } from 'next'
import { picks } from '@/api/lists/sales'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { PickAll } from '@/ui/parcels/PickAll'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Pick lists' }

export default async function Picklists({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(picks, shop, await queryOf(searchParams))
  return (
    <>
      <Heading
        title="Pick lists"
        beside="What to gather, pack and send"
        action={
          <>
            <ListExport name="picks" query={open.query} />
            {open.rows.some((p) => p.state === 'to pick') && (
              <a className="btn" href="/api/v1/export/picks.pdf" target="_blank">
                One walk for all (PDF)
              </a>
            )}
            <PickAll />
          </>
        }
      />
      <ListView open={open} about={shop} />
    </>
  )
}
