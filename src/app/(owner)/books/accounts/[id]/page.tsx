import { ACCOUNT_KIND_NAMES } from '@/core/names'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { account as accountReader } from '@/api/lists/books'
import { accountList } from '@/lists/books'
import { yearUntil } from '@/lists/days'
import { readFilter } from '@/lists/list'
import { AccountActs } from '@/ui/books/AccountActs'
import { readAccountName, readMergeTargets } from '@/model/books/account'
import { Span } from '@/ui/books/Span'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { openList } from '../../../_list'
import { idFrom, openShop, queryOf, type Search } from '../../../_shop'

export const metadata: Metadata = { title: 'Account' }

interface Props {
  readonly params: Promise<{ id: string }>
  readonly searchParams: Search
}

export default async function AccountPage({ params, searchParams }: Props) {
  const shop = await openShop()
  const query = await queryOf(searchParams)
  const { from, to } = yearUntil(readFilter(accountList.fields, query), shop.today)
  const id = await idFrom(params)
  const asked = { ...query, account: String(id), from, to }
  const [account, others, open] = await Promise.all([
    readAccountName(shop, id),
    readMergeTargets(shop, id),
    openList(accountReader, shop, asked, `/books/accounts/${id}`),
  ])
  if (!account) notFound()
  return (
    <>
      <Heading
        above={
          <>
            <To className="underline" href="/books?view=trial-balance">
              Trial balance
            </To>{' '}
            · {account.code} · {ACCOUNT_KIND_NAMES[account.kind]}
          </>
        }
        title={account.name}
        beside={<Span from={from} to={to} today={shop.today} />}
        action={
          <>
            <ListExport name="account" query={open.query} />
            <AccountActs account={account} others={others} today={shop.today} />
          </>
        }
      />
      <ListRows open={open} about={shop} />
    </>
  )
}
