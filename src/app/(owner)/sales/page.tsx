import { isPositiveMoney } from '@/core/money'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { sales } from '@/api/lists/sales'
import { countSalesByStands } from '@/model/sale/saleList'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListLinks } from '@/ui/list/ListLinks'
import { ListNarrow, ListRows } from '@/ui/list/ListView'
import { Menu } from '@/ui/Menu'
import { barWords } from '@/ui/MoneyBar'
import { stampWords } from '@/ui/Stamp'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Sales' }

export default async function Sales({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const query = await queryOf(searchParams)
  // Who asks for nothing sees what is not finished; who searches, searches everything.
  const asked = Object.keys(query).some((k) => k !== 'page' && k !== 'sort') ? query : { ...query, stands: 'working' }
  const [open, counts] = await Promise.all([openList(sales, shop, asked), countSalesByStands(shop)])
  return (
    <>
      <Heading
        title="Sales"
        action={
          <>
            <ListExport name="sales" query={open.query} />
            <Elsewhere baskets={shop.business.shopfrontOpen} />
            <To href="/sales/new" className="btn btn-do" data-primary>
              New sale <kbd className="font-figure text-xs">n</kbd>
            </To>
          </>
        }
      />
      <ListNarrow open={open} about={shop} counts={{ stands: { ...counts, ...together(counts) } }} />
      {shop.business.kinds.length > 1 && (
        <div className="mb-2">
          <ListLinks
            label="Types"
            name="kind"
            choices={shop.business.kinds.map((k) => ({ value: k, name: k }))}
            path="/sales"
            query={open.query}
          />
        </div>
      )}
      <ListRows
        open={open}
        about={shop}
        cells={{
          stands: (s) => stampWords({ stands: s.stands, owes: isPositiveMoney(s.open) }),
          received: (s) => ({ bar: barWords(s.bar, true), width: 'w-40 ml-auto' }),
        }}
      />
    </>
  )
}

const WORKING = ['draft', 'offered', 'lapsed', 'agreed', 'owing']
/** How many are in progress, and how many there are. */
const together = (counts: Readonly<Record<string, number>>) => {
  const sum = (of: readonly string[]) => of.reduce((n, stands) => n + (counts[stands] ?? 0), 0)
  return { working: sum(WORKING), all: sum(Object.keys(counts)) }
}

const Elsewhere = ({ baskets }: { readonly baskets: boolean }) => (
  <Menu label="More">
    <To href="/invoices">Invoices</To>
    <To href="/sales/reports">Sales reports</To>
    <To href="/picks">Pick lists</To>
    <To href="/parcels">Parcels</To>
    <To href="/deliveries">Deliveries</To>
    <To href="/sales/profit">What it earned</To>
    <To href="/sales/coming">Repeating sales</To>
    {baskets && <To href="/sales/baskets">Baskets</To>}
  </Menu>
)
