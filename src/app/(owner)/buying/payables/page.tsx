import type { Metadata } from 'next'
import { payables } from '@/api/lists/buying'
import { readDueSoon } from '@/model/buying/payables'
import { PayDue } from '@/ui/buying/PayDue'
import { Facts } from '@/ui/Facts'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { DayPick } from '@/ui/owed/DayPick'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Payables' }

export default async function Payables({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const [open, due] = await Promise.all([openList(payables, shop, await queryOf(searchParams)), readDueSoon(shop)])
  return (
    <>
      <Heading
        title="Payables"
        beside={<DayPick path="/buying/payables" asOf={open.asOf} today={shop.today} />}
        action={
          <>
            <ListExport name="payables" query={open.query} />
            <PayDue due={due} currency={shop.currency} today={shop.today} />
          </>
        }
      />
      <Facts
        facts={[
          ['To be paid within a week', due.goesOut, '/buying/bills?show=open&sort=dueOn'],
          ['Falls due to us by then', due.comesIn, '/invoices?state=open&sort=due'],
        ]}
      />
      <p className="sub mb-3">What we owe, by how long it is due.</p>
      <ListRows open={open} about={shop} />
    </>
  )
}
