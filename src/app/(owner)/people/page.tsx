import type { Metadata } from 'next'
import Link from 'next/link'
import { z } from 'zod'
import { makeCursor } from '@/api/operation'
import { readCustomers } from '@/model/people/customers'
import { withQuery } from '@/ui/address'
import { Empty } from '@/ui/Empty'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { ChosenTag } from '@/ui/ChosenTag'
import { SearchBox } from '@/ui/SearchBox'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'People' }
const PAGE = 60
const cursor = z.object({ name: z.string(), id: z.number() })

const readAfter = (text: string | undefined) => {
  try {
    return text ? cursor.parse(JSON.parse(Buffer.from(text, 'base64url').toString())) : undefined
  } catch {
    return undefined
  }
}

export default async function People({ searchParams }: { searchParams: Search }) {
  const { db, business, today } = await openShop()
  const query = await queryOf(searchParams)
  const people = await readCustomers(
    db,
    { search: query.search, owing: query.show === 'owing', tag: query.tag },
    { limit: PAGE, after: readAfter(query.after) },
    business,
    today,
  )
  const last = people.at(-1)
  return (
    <>
      <Heading
        title="People"
        action={
          <>
            <a className="btn" href="/api/v1/export/customers.csv">
              Save as CSV
            </a>
            <Link prefetch={false} href="/people/new" className="btn btn-do" data-primary>
              New customer
            </Link>
          </>
        }
      />
      <div className="mb-3 flex flex-wrap items-center gap-4">
        <SearchBox label="Search people" placeholder="name, contact, e-mail, phone" />
        <Link
          prefetch={false}
          className="text-iron-700 aria-[current]:font-bold aria-[current]:text-rust-600"
          aria-current={query.show === 'owing' ? 'page' : undefined}
          href={withQuery('/people', query, {
            show: query.show === 'owing' ? undefined : 'owing',
            after: undefined,
          })}
        >
          only those who owe
        </Link>
        <ChosenTag tag={query.tag} path="/people" query={query} />
      </div>
      {people.length === 0 ? (
        <Empty>
          {query.search ? 'Nobody fits.' : 'Your customers will stand here. A name is enough to begin with.'}
        </Empty>
      ) : (
        <div className="overflow-x-auto">
          <table className="ledger">
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Contact</th>
                <th scope="col">Reach</th>
                <th scope="col" className="r">
                  Sales
                </th>
                <th scope="col" className="r">
                  Owes
                </th>
                <th scope="col" className="r">
                  of it late
                </th>
                <th scope="col" className="r">
                  Held
                </th>
              </tr>
            </thead>
            <tbody>
              {people.map((c) => (
                <tr key={c.id} className="row">
                  <td className="max-w-[280px] truncate">
                    <Link prefetch={false} data-row className="cover font-bold" href={`/people/${c.id}`}>
                      {c.name}
                    </Link>
                    {c.kind && <span className="sub"> · {c.kind}</span>}
                  </td>
                  <td className="max-w-[160px] truncate">{c.contact}</td>
                  <td className="sub max-w-[260px] truncate">{[c.phone, c.email].filter(Boolean).join(' · ')}</td>
                  <td className="fig">{c.sales || ''}</td>
                  <td className="r">
                    <Figure of={c.owed} blankZero />
                  </td>
                  <td className="r">
                    <Figure of={c.late} blankZero className="text-oxide-700" />
                  </td>
                  <td className="r">
                    <Figure of={c.held} blankZero className="text-brass-700" />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {people.length === PAGE && last && (
        <p className="pt-3">
          <Link
            prefetch={false}
            className="btn"
            href={withQuery('/people', query, { after: makeCursor({ name: last.name, id: last.id }) })}
          >
            Further on
          </Link>
        </p>
      )}
    </>
  )
}
