import { house, readBusiness } from '@/model/access/house'
import type { Metadata } from 'next'
import { formatDay } from '@/core/day'
import { localeOf } from '@/core/locale'
import { decimal, formatPrice } from '@/core/money'
import { businessToday } from '@/services/clock'
import { findPage, notePageSeen } from '@/services/customerPage/openPage'
import { readPage, type CustomerPage } from '@/services/customerPage/readPage'
import { EstimateAnswer } from '@/ui/customer/EstimateAnswer'
import { HouseLocale } from '@/ui/HouseLocale'
import { PayOnPage } from '@/ui/customer/PayOnPage'

export const metadata: Metadata = { title: 'Your page' }

export default async function OwnPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params
  const db = house()
  const today = await businessToday(db)
  const [page, business] = await Promise.all([findPage(db, token, today), readBusiness()])
  if (!page || !business) return <Closed />
  const [view] = await Promise.all([readPage(db, page, business, today), notePageSeen(db, page, today)])
  return (
    <HouseLocale locale={localeOf(business.locale)}>
      <main className="mx-auto max-w-170 px-4 py-6">
        <header className="mb-6 flex items-start justify-between gap-4 border-b-2 border-iron-900 pb-3">
          <div className="min-w-1/2">
            <h1>{view.business.name}</h1>
            <p className="sub whitespace-pre-line">
              {[view.business.address, view.business.phone, view.business.email].filter(Boolean).join('\n')}
            </p>
          </div>
          <p className="text-right">
            <span className="sub">for</span> <b className="block">{view.customer.name}</b>
          </p>
        </header>
        <div className="grid gap-8">
          {view.sale && (
            <EstimateAnswer
              key={`${view.sale.version}${view.sale.stands}`}
              token={token}
              sale={view.sale}
              currency={view.business.currency}
            />
          )}
          {view.notShown && <p>{WHY[view.notShown]}</p>}
          <Money view={view} token={token} />
          <Papers view={view} token={token} />
        </div>
      </main>
    </HouseLocale>
  )
}

/** Why the sale they come for is not shown. */
const WHY: Readonly<Record<NonNullable<CustomerPage['notShown']>, string>> = {
  prepared: 'We are preparing your estimate. You will find it on this page as soon as we have sent it.',
  revised: 'We are revising your estimate. You will find the new one on this page as soon as we have sent it.',
  over: 'This estimate is no longer open. Please ask us for a new one.',
}

const show = (amount: string, currency: string): string => formatPrice(decimal(amount), currency)

const Closed = () => (
  <main className="mx-auto max-w-140 px-4 py-16">
    <h1>This page is not open</h1>
    <p className="mt-2">Please ask us for a new one.</p>
  </main>
)

const Money = ({ view, token }: { readonly view: CustomerPage; readonly token: string }) => {
  const { owes, held, deposit, business } = view
  const owing = owes.dues.length > 0
  if (!owing && deposit === null && !/[1-9]/.test(held)) return null
  return (
    <section>
      <h2>Your balance</h2>
      {owing && (
        <table className="ledger mb-3">
          <tbody>
            {owes.dues.map((d) => (
              <tr key={d.id}>
                <td>
                  {d.name}
                  <div className={`text-xs ${d.late ? 'text-oxide-700' : 'text-iron-500'}`}>
                    {d.late ? 'was due' : 'due'} {formatDay(d.due)}
                  </div>
                </td>
                <td className="fig">{show(d.open, view.business.currency)}</td>
              </tr>
            ))}
            <tr className="total">
              <td>open, {business.currency}</td>
              <td className="fig">{show(owes.total, view.business.currency)}</td>
            </tr>
          </tbody>
        </table>
      )}
      {/[1-9]/.test(held) && (
        <p className="mb-3 text-brass-700">
          We are holding {show(held, business.currency)} {business.currency} for you. It will be applied to your next
          invoice.
        </p>
      )}
      {deposit !== null && (
        <div className="mb-5">
          <p className="mb-2">
            Please pay a deposit of{' '}
            <b>
              {show(deposit, business.currency)} {business.currency}
            </b>{' '}
            to start the work. It will be deducted from your invoice.
          </p>
          <PayOnPage key={`d${deposit}`} token={token} currency={business.currency} what="deposit" amount={deposit} />
        </div>
      )}
      {owing && (
        <PayOnPage key={`o${owes.total}`} token={token} currency={business.currency} what="open" amount={owes.total} />
      )}
    </section>
  )
}

const Papers = ({ view, token }: { readonly view: CustomerPage; readonly token: string }) =>
  view.papers.length === 0 ? null : (
    <section>
      <h2>Your documents</h2>
      <table className="ledger">
        <tbody>
          {view.papers.map((p) => (
            <tr key={`${p.kind}${p.id}`}>
              <td className="sub whitespace-nowrap">{formatDay(p.on)}</td>
              <td>
                <a className="underline" href={`/api/c/${token}/papers/${p.kind}/${p.id}.pdf`} target="_blank">
                  {p.name} {p.number}
                </a>
              </td>
              <td className="fig">{show(p.amount, view.business.currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {view.older && (
        <p className="sub mt-2">Your latest documents, and those of what is open. Ask us for older ones.</p>
      )}
    </section>
  )
