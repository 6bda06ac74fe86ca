import { readOpenBaskets } from '@/model/sale/saleList'
import type { Metadata } from 'next'
import Link from 'next/link'
import { formatDay } from '@/core/day'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Baskets' }

export default async function Baskets() {
  const shop = await openShop()
  const { business } = shop
  const baskets = await readOpenBaskets(shop)
  return (
    <>
      <Heading
        title="Baskets on the shopfront"
        beside={business.shopfrontOpen ? 'being filled, the one last touched first' : 'the shopfront is closed'}
      />
      {baskets.length === 0 ? (
        <Empty>
          {business.shopfrontOpen
            ? 'When somebody fills a basket, it stands here while they do.'
            : 'Open the shopfront in Settings; what customers gather will stand here.'}
        </Empty>
      ) : (
        <table className="ledger max-w-[820px]">
          <tbody>
            {baskets.map((b) => (
              <tr key={b.id} className="row">
                <td>
                  <Link prefetch={false} data-row className="cover font-bold" href={`/sales/baskets/${b.id}`}>
                    {b.name || 'somebody'}
                  </Link>
                  <span className="sub"> {b.email}</span>
                </td>
                <td className="fig">
                  {b.things} {b.things === 1 ? 'thing' : 'things'}
                </td>
                <td className="r sub">since {formatDay(b.startedOn)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  )
}
