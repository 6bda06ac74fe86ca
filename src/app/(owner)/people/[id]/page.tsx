import type { Metadata } from 'next'
import { Sales } from './_parts/Sales'
import { Receipts } from './_parts/Receipts'
import { Owes } from './_parts/Owes'
import { Held } from './_parts/Held'
import { Refunds } from './_parts/Refunds'
import { Days } from './_parts/Days'
import { Who } from './_parts/Who'
import { sayFacts } from './_parts/sayFacts'
import { To } from '@/ui/To'
import { notFound, redirect } from 'next/navigation'
import { formatDay } from '@/core/day'
import { formatMoney, isPositiveMoney, zeroMoney } from '@/core/money'
import { addBars, moneyBar, overLimit } from '@/core/sale'
import { readCustomer } from '@/model/people/customers'
import { readUsual } from '@/model/sale/usualGoods'
import { Files } from '@/ui/files/Files'
import { readLinks } from '@/services/post/links'
import { CustomerActs } from '@/ui/people/CustomerActs'
import { Links } from '@/ui/people/Links'
import { Usual } from '@/ui/people/Usual'
import { Heading } from '@/ui/Heading'
import { MoneyBar, MoneyLegend } from '@/ui/MoneyBar'
import { idFrom, openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Customer' }

export default async function CustomerPage({ params }: { params: Promise<{ id: string }> }) {
  const { db, business, today, currency } = await openShop()
  const page = (await readCustomer(db, await idFrom(params), business, today)) ?? notFound()
  const { customer, standing } = page
  if (customer.joinedToId !== null) redirect(`/people/${customer.joinedToId}`)
  const links = await readLinks(db, customer.id, today)
  const none = zeroMoney(currency)
  const bar = page.sales
    .filter((s) => s.stands !== 'declined' && s.stands !== 'cancelled')
    .map((s) => s.bar)
    .reduce(addBars, moneyBar({ total: none, billed: none, open: none, late: none, held: none }))
  const over = overLimit(page.committed, customer.creditLimit)
  const usual = (await readUsual(db, customer.id, business, today, 15)) ?? []
  return (
    <>
      <Heading
        above={[customer.kind, customer.contact, customer.phone, customer.email].filter(Boolean).join(' · ')}
        title={customer.name}
        beside={sayFacts(page)}
        action={
          <CustomerActs
            id={customer.id}
            name={customer.name}
            walkIn={customer.walkIn}
            late={isPositiveMoney(standing.late)}
          />
        }
      />
      {customer.tags.length > 0 && (
        <p className="mb-3 flex flex-wrap gap-2">
          {customer.tags.map((t) => (
            <To key={t} className="stamp text-iron-500" href={`/people?tag=${encodeURIComponent(t)}`}>
              {t}
            </To>
          ))}
        </p>
      )}
      {over && (
        <p className="notice notice-bad mb-3">With what is agreed, over the credit limit by {formatMoney(over)}.</p>
      )}
      <p className="sub mb-1">
        Payment progress of the last {page.sales.length === 1 ? 'sale' : `${page.sales.length} sales`}
      </p>
      <MoneyBar bar={bar} />
      <MoneyLegend bar={bar} />
      <div className="mt-7 grid gap-x-9 gap-y-8 xl:grid-cols-[minmax(0,1fr)_360px]">
        <section className="min-w-0">
          <Sales page={page} today={today} />
          <Usual customerId={customer.id} rows={usual} today={today} currency={currency} />
          {page.receipts.length > 0 && <Receipts page={page} />}
        </section>
        <aside className="grid content-start gap-7">
          <Owes page={page} today={today} />
          <Held page={page} today={today} currency={currency} />
          {page.refunds.length > 0 && <Refunds page={page} today={today} />}
          <Days page={page} today={today} />
          <Who page={page} />
          {links.length > 0 && (
            <Links
              links={links.map((l) => ({
                id: l.id,
                saleId: l.saleId,
                opens:
                  l.saleNumber === null
                    ? 'everything of theirs'
                    : `sale ${l.saleNumber}${l.opensAll ? ' and everything else' : ''}`,
                until: formatDay(l.expiresOn),
                seen: l.seenOn ? `opened ${formatDay(l.seenOn)}` : 'never opened',
              }))}
            />
          )}
          {!customer.walkIn && <Files ownerKind="customer" ownerId={customer.id} files={page.files} label="Files" />}
          {customer.note && (
            <section>
              <h2>Notes</h2>
              <p className="whitespace-pre-line">{customer.note}</p>
            </section>
          )}
        </aside>
      </div>
    </>
  )
}
