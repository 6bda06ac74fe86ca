import { readAccount } from '@/model/books/account'
import type { Metadata } from 'next'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import { formatDay, isDay, yearStart } from '@/core/day'
import { formatBalance, formatMoney, negateMoney } from '@/core/money'
import { withQuery } from '@/ui/address'
import { Span } from '@/ui/books/Span'
import { Heading } from '@/ui/Heading'
import { idFrom, openShop, queryOf, type Search } from '../../../_shop'
import { hrefOfSource } from '@/model/books/entrySource'

export const metadata: Metadata = { title: 'Account' }
const PAGE = 200

export default async function AccountPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>
  searchParams: Search
}) {
  const shop = await openShop()
  const { today } = shop
  const query = await queryOf(searchParams)
  const to = query.to && isDay(query.to) ? query.to : today
  const from = query.from && isDay(query.from) ? query.from : yearStart(to)
  const skip = /^\d{1,7}$/.test(query.skip ?? '') ? Number(query.skip) : 0
  const { account, count, opening, rows, balance } =
    (await readAccount(shop, await idFrom(params), { from, to, limit: PAGE, skip })) ?? notFound()
  return (
    <>
      <Heading
        above={
          <>
            <Link prefetch={false} className="underline" href="/books?view=trial-balance">
              Trial balance
            </Link>{' '}
            · {account.code} · {account.kind}
          </>
        }
        title={account.name}
        beside={<Span from={from} to={to} today={today} />}
      />
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col" className="w-[110px]">
              Day
            </th>
            <th scope="col">What</th>
            <th scope="col" className="r w-[130px]">
              Debit
            </th>
            <th scope="col" className="r w-[130px]">
              Credit
            </th>
            <th scope="col" className="r w-[150px]">
              Balance
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td className="sub">{formatDay(from)}</td>
            <td className="sub">{skip > 0 ? 'carried over' : 'before that day'}</td>
            <td />
            <td />
            <td className="fig">{formatBalance(opening)}</td>
          </tr>
          {rows.map((l) => (
            <tr key={l.id} className="row">
              <td className="sub whitespace-nowrap">{formatDay(l.on)}</td>
              <td className="max-w-[460px] truncate">
                <Link
                  prefetch={false}
                  data-row
                  className="cover"
                  href={hrefOfSource({ id: l.entryId, sourceKind: l.sourceKind, sourceId: l.sourceId })}
                >
                  {l.text}
                </Link>
              </td>
              <td className="fig">{l.amount.minor > 0n && formatMoney(l.amount)}</td>
              <td className="fig">{l.amount.minor < 0n && formatMoney(negateMoney(l.amount))}</td>
              <td className="fig">{formatBalance(l.balance)}</td>
            </tr>
          ))}
        </tbody>
        <tbody>
          <tr className="total">
            <td />
            <td />
            <td />
            <td className="r">balance</td>
            <td className="fig">{formatBalance(balance)}</td>
          </tr>
        </tbody>
      </table>
      {skip + rows.length < count && (
        <p className="pt-3">
          <Link
            prefetch={false}
            className="btn"
            href={withQuery(`/books/accounts/${account.id}`, query, { skip: String(skip + PAGE) })}
          >
            Later lines ({count - skip - rows.length} more)
          </Link>
        </p>
      )}
    </>
  )
}
