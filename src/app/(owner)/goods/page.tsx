import { present } from '@/core/present'
import type { Metadata } from 'next'
import Link from 'next/link'
import { formatPrice, toFourPlaces } from '@/core/money'
import { readGoodsList } from '@/model/goods/goods'
import { withQuery } from '@/ui/address'
import { ChosenTag } from '@/ui/ChosenTag'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { SearchBox } from '@/ui/SearchBox'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Goods' }
const PAGE = 60
const KINDS = ['stock', 'work', 'charge', 'kit'] as const

export default async function Goods({ searchParams }: { searchParams: Search }) {
  const { db, business, currency } = await openShop()
  const query = await queryOf(searchParams)
  const kind = KINDS.find((k) => k === query.kind)
  const goods = await readGoodsList(
    db,
    {
      search: query.search,
      kind,
      tag: query.tag,
      low: query.show === 'low',
      retired: query.show === 'retired',
    },
    { limit: PAGE, after: query.after ? { code: query.after } : undefined },
    business,
  )
  const blank = (text: string) => (text === '0' ? '' : text)
  return (
    <>
      <Heading
        title="Goods"
        action={
          <>
            <a className="btn" href="/api/v1/export/goods.csv">
              Save as CSV
            </a>
            <Link prefetch={false} className="btn" href="/goods/import">
              From a spreadsheet
            </Link>
            {goods.length > 0 && (
              <a
                className="btn"
                href={`/api/v1/export/labels.pdf?goods=${goods.map((g) => `${g.goods.id}x1`).join(',')}`}
                target="_blank"
              >
                Labels (PDF)
              </a>
            )}
            <Link prefetch={false} className="btn" href="/goods/count">
              Count the shelf
            </Link>
            <Link prefetch={false} className="btn btn-do" data-primary href="/goods/new">
              New goods
            </Link>
          </>
        }
      />
      <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <SearchBox label="Search goods" placeholder="code, name, barcode" />
        <nav aria-label="Kinds" className="flex gap-4">
          {[undefined, ...KINDS].map((k) => (
            <Link
              key={k ?? 'all'}
              prefetch={false}
              href={withQuery('/goods', query, { kind: k, after: undefined })}
              aria-current={kind === k ? 'page' : undefined}
              className="text-iron-700 aria-[current]:font-bold aria-[current]:text-rust-600"
            >
              {k ?? 'all'}
            </Link>
          ))}
        </nav>
        <nav aria-label="Only" className="flex gap-4">
          {(
            [
              ['low', 'to buy'],
              ['retired', 'retired'],
            ] as const
          ).map(([show, name]) => (
            <Link
              key={show}
              prefetch={false}
              href={withQuery('/goods', query, {
                show: query.show === show ? undefined : show,
                after: undefined,
              })}
              aria-current={query.show === show ? 'page' : undefined}
              className="text-iron-700 aria-[current]:font-bold aria-[current]:text-rust-600"
            >
              {name}
            </Link>
          ))}
        </nav>
        <ChosenTag tag={query.tag} path="/goods" query={query} />
      </div>
      {goods.length === 0 ? (
        <Empty>
          {query.search || kind || query.show || query.tag
            ? 'Nothing fits.'
            : 'What you sell, make and do will stand here: stock, work, charges, kits.'}
        </Empty>
      ) : (
        <div className="overflow-x-auto">
          <table className="ledger">
            <thead>
              <tr>
                <th scope="col">Code</th>
                <th scope="col">Name</th>
                <th scope="col">Kind</th>
                <th scope="col">Tax</th>
                <th scope="col" className="r">
                  Price
                </th>
                <th scope="col" className="r">
                  Costs
                </th>
                <th scope="col" className="r">
                  On hand
                </th>
                <th scope="col" className="r">
                  Set aside
                </th>
                <th scope="col" className="r">
                  Available
                </th>
              </tr>
            </thead>
            <tbody>
              {goods.map((g) => {
                const counted = g.goods.kind === 'stock' || g.goods.kind === 'kit'
                return (
                  <tr key={g.goods.id} className="row">
                    <td className="font-figure text-[14px] whitespace-nowrap">{g.goods.code}</td>
                    <td className="max-w-[300px] truncate">
                      <Link prefetch={false} data-row className="cover" href={`/goods/${g.goods.id}`}>
                        {g.goods.name}
                      </Link>
                    </td>
                    <td className="sub">{g.goods.kind}</td>
                    <td className="sub">{g.taxCode}</td>
                    <td className="fig">{formatPrice(g.listPrice, currency)}</td>
                    <td className="fig text-iron-500">
                      {g.unitCost.isZero() ? '' : formatPrice(g.unitCost.toDecimalPlaces(2), currency)}
                    </td>
                    <td className="fig">{counted && toFourPlaces(g.onHand)}</td>
                    <td className="fig text-iron-500">{blank(toFourPlaces(g.setAside))}</td>
                    <td className="fig font-bold">
                      {counted && toFourPlaces(g.available)}
                      {g.short.gt(0) && <span className="text-xs text-oxide-700"> short {g.short.toString()}</span>}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </div>
      )}
      {goods.length === PAGE && (
        <p className="pt-3">
          <Link
            prefetch={false}
            className="btn"
            href={withQuery('/goods', query, { after: present(goods.at(-1)).goods.code })}
          >
            Further on
          </Link>
        </p>
      )}
    </>
  )
}
