import type { Metadata } from 'next'
import Link from 'next/link'
import { notFound, redirect } from 'next/navigation'
import { daysBetween, formatDay, formatDayShort } from '@/core/day'
import { formatMoney, isPositiveMoney, sumMoney, toDecimalString, zeroMoney } from '@/core/money'
import { addBars, moneyBar, overLimit } from '@/core/sale'
import { readCustomer } from '@/model/people/customers'
import { readUsual } from '@/model/sale/usualGoods'
import { PayChart } from '@/ui/charts'
import { Files } from '@/ui/files/Files'
import { readLinks } from '@/services/post/links'
import { JoinCustomer } from '@/ui/people/JoinCustomer'
import { Links } from '@/ui/people/Links'
import { Usual } from '@/ui/people/Usual'
import { WriteLetter } from '@/ui/post/WriteLetter'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { MoneyBar, MoneyLegend } from '@/ui/MoneyBar'
import { HeldActions } from '@/ui/people/HeldActions'
import { Stamp } from '@/ui/Stamp'
import { TakeBack } from '@/ui/TakeBack'
import { idFrom, openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Customer' }

export default async function CustomerPage({ params }: { params: Promise<{ id: string }> }) {
  const { db, business, today, currency } = await openShop()
  const page = (await readCustomer(db, await idFrom(params), business, today)) ?? notFound()
  const { customer, standing } = page
  if (customer.joinedToId !== null) redirect(`/people/${customer.joinedToId}`)
  const links = await readLinks(db, customer.id, today)
  const { refunds } = page
  const none = zeroMoney(currency)
  const bar = page.sales
    .filter((s) => s.stands !== 'declined' && s.stands !== 'cancelled')
    .map((s) => s.bar)
    .reduce(addBars, moneyBar({ total: none, billed: none, open: none, late: none, held: none }))
  const facts = [
    customer.taxExempt
      ? `exempt from tax${customer.exemptNumber ? `, ${customer.exemptNumber}` : ''}${customer.exemptUntil ? ` until ${formatDay(customer.exemptUntil)}` : ''}`
      : '',
    customer.terms.net > 0 ? `pays in ${customer.terms.net} days` : 'pays when billed',
    customer.terms.discountPercent
      ? `${Number(customer.terms.discountPercent)} % off within ${customer.terms.discountDays ?? 0} days`
      : '',
    customer.creditLimit ? `credit limit ${formatMoney(customer.creditLimit)}` : '',
    customer.priceLevel ? `prices: ${customer.priceLevel}` : '',
    customer.language === 'en' ? '' : `papers in ${customer.language}`,
  ].filter(Boolean)
  const over = overLimit(page.committed, customer.creditLimit)
  const usual = (await readUsual(db, customer.id, business, today, 15)) ?? []
  return (
    <>
      <Heading
        above={[customer.kind, customer.contact, customer.phone, customer.email].filter(Boolean).join(' · ')}
        title={customer.name}
        beside={facts.join(' · ')}
        action={
          <>
            {!customer.walkIn && (
              <Link prefetch={false} className="btn" href={`/people/${customer.id}/edit`}>
                Change
              </Link>
            )}
            <a className="btn" href={`/api/v1/export/statements/${customer.id}.pdf`} target="_blank">
              Statement (PDF)
            </a>
            <WriteLetter paper="statement" paperId={customer.id} label="Mail the statement" />
            {isPositiveMoney(standing.late) && (
              <Link prefetch={false} className="btn" href={`/owed?customer=${customer.id}#customer`}>
                Remind
              </Link>
            )}
            {!customer.walkIn && <JoinCustomer id={customer.id} name={customer.name} />}
            <Link prefetch={false} className="btn" href={`/money-in?customer=${customer.id}`}>
              Take money
            </Link>
            <Link prefetch={false} className="btn btn-do" data-primary href={`/sales/new?customer=${customer.id}`}>
              New sale
            </Link>
          </>
        }
      />
      {customer.tags.length > 0 && (
        <p className="mb-3 flex flex-wrap gap-2">
          {customer.tags.map((t) => (
            <Link
              key={t}
              prefetch={false}
              className="stamp text-iron-500"
              href={`/people?tag=${encodeURIComponent(t)}`}
            >
              {t}
            </Link>
          ))}
        </p>
      )}
      {over && (
        <p className="mb-3 border-l-4 border-oxide-700 bg-oxide-100 px-3 py-2">
          With what is agreed, over the credit limit by {formatMoney(over)}.
        </p>
      )}
      <p className="sub mb-1">Where the money of their last {page.sales.length} sales stands</p>
      <MoneyBar bar={bar} />
      <MoneyLegend bar={bar} />
      <div className="mt-7 grid gap-x-9 gap-y-8 lg:grid-cols-[minmax(0,1fr)_360px]">
        <section className="min-w-0">
          <h2>Sales</h2>
          {page.sales.length === 0 ? (
            <p className="sub">None yet.</p>
          ) : (
            <table className="ledger">
              <thead>
                <tr>
                  <th scope="col">Sale</th>
                  <th scope="col">What</th>
                  <th scope="col">Stands</th>
                  <th scope="col" className="w-[120px]">
                    Money
                  </th>
                  <th scope="col" className="r">
                    Total
                  </th>
                  <th scope="col" className="r">
                    Since
                  </th>
                </tr>
              </thead>
              <tbody>
                {page.sales.map((s) => (
                  <tr key={s.sale.id} className="row">
                    <td className="font-figure">{s.sale.number}</td>
                    <td className="max-w-[260px] truncate">
                      <Link prefetch={false} data-row className="cover" href={`/sales/${s.sale.id}`}>
                        {s.sale.title}
                      </Link>
                    </td>
                    <td>
                      <Stamp stands={s.stands} />
                    </td>
                    <td>
                      <MoneyBar small bar={s.bar} />
                    </td>
                    <td className="r">
                      <Figure of={s.bar.total} />
                    </td>
                    <td className="r sub whitespace-nowrap">{formatDayShort(s.sale.startedOn, today)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {standing.sales > page.sales.length && (
            <p className="mt-2">
              <Link prefetch={false} className="underline" href={`/sales?customer=${customer.id}`}>
                all {standing.sales} sales
              </Link>
            </p>
          )}
          <Usual customerId={customer.id} rows={usual} today={today} currency={currency} />
          {page.receipts.length > 0 && (
            <>
              <h2 className="mt-7">Receipts</h2>
              <table className="ledger">
                <tbody>
                  {page.receipts.map((r) => (
                    <tr key={r.id} className={r.voidedOn ? 'text-iron-500 line-through' : ''}>
                      <td>
                        <Link prefetch={false} className="font-figure hover:underline" href={`/receipts/${r.id}`}>
                          {r.number}
                        </Link>
                      </td>
                      <td className="sub">{formatDay(r.on)}</td>
                      <td>{r.method}</td>
                      <td className="fig">{formatMoney(r.amount)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </>
          )}
        </section>
        <aside className="grid content-start gap-7">
          <section>
            <h2>Owes</h2>
            {page.dues.length === 0 ? (
              <p className="sub">Nothing.</p>
            ) : (
              <table className="ledger">
                <tbody>
                  {page.dues.map((d) => (
                    <tr key={d.id}>
                      <td>
                        <Link prefetch={false} className="hover:underline" href={`/invoices/${d.invoiceId}`}>
                          Invoice {d.number}
                        </Link>
                        <div className={`text-xs ${d.dueOn < today ? 'text-oxide-700' : 'text-iron-500'}`}>
                          {d.dueOn < today
                            ? `${daysBetween(d.dueOn, today)} days late`
                            : `due ${formatDayShort(d.dueOn, today)}`}
                        </div>
                      </td>
                      <td className="fig">{formatMoney(d.open)}</td>
                    </tr>
                  ))}
                  <tr className="total">
                    <td>owed</td>
                    <td className="fig">{formatMoney(standing.owed)}</td>
                  </tr>
                </tbody>
              </table>
            )}
          </section>
          <section>
            <h2>Held for them</h2>
            {page.held.length === 0 ? (
              <p className="sub">
                Nothing. Money that comes in ahead of a bill stands here; it is theirs until it is earned.
              </p>
            ) : (
              <>
                <table className="ledger">
                  <tbody>
                    {page.held.map((h, i) => (
                      <tr key={i}>
                        <td>
                          {h.saleId === null ? (
                            'on account'
                          ) : (
                            <Link prefetch={false} className="hover:underline" href={`/sales/${h.saleId}`}>
                              {h.kind} for a sale
                            </Link>
                          )}
                        </td>
                        <td className="fig text-brass-700">{formatMoney(h.amount)}</td>
                      </tr>
                    ))}
                    <tr className="total">
                      <td>held</td>
                      <td className="fig">
                        {formatMoney(
                          sumMoney(
                            page.held.map((h) => h.amount),
                            currency,
                          ),
                        )}
                      </td>
                    </tr>
                  </tbody>
                </table>
                <HeldActions
                  customerId={customer.id}
                  name={customer.name}
                  currency={currency}
                  today={today}
                  owes={isPositiveMoney(standing.owed)}
                  held={page.held.map((h) => ({ saleId: h.saleId, amount: toDecimalString(h.amount) }))}
                />
              </>
            )}
          </section>
          {refunds.length > 0 && (
            <section>
              <h2>Given back from their account</h2>
              <table className="ledger">
                <tbody>
                  {refunds.map((r) => (
                    <tr key={r.id}>
                      <td>
                        Refund {r.number}
                        <span className="sub"> {formatDay(r.on)}</span>
                        {r.voidedOn === null ? (
                          <TakeBack kind="refund" id={r.id} today={today} />
                        ) : (
                          <span className="sub"> voided {formatDay(r.voidedOn)}</span>
                        )}
                      </td>
                      <td className="fig">{formatMoney(r.amount)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
          )}
          {page.days && page.paid.length > 1 && (
            <section>
              <h2>Days they take to pay</h2>
              <PayChart
                bars={[...page.paid]
                  .reverse()
                  .slice(-24)
                  .map((p) => ({ on: p.paidOn, days: daysBetween(p.from, p.paidOn) }))}
                average={page.days.average}
                today={today}
              />
              <p className="sub">
                {page.days.average.toFixed(1)} on average by amount, {page.days.median} in the middle
              </p>
            </section>
          )}
          {page.contacts.length > 0 && (
            <section>
              <h2>Whom to ask for</h2>
              {page.contacts.map((c) => (
                <p key={c.id} className="mb-1">
                  {c.name}
                  <span className="sub"> {[c.role, c.phone, c.email].filter(Boolean).join(' · ')}</span>
                </p>
              ))}
            </section>
          )}
          {page.addresses.length > 0 && (
            <section>
              <h2>Addresses</h2>
              {page.addresses.map((a) => (
                <p key={a.id} className="mb-2 whitespace-pre-line">
                  <span className="sub">
                    {a.kind === 'bill-to' ? 'bill to' : 'deliver to'}
                    {a.isDefault && ', usual'}
                  </span>
                  {'\n'}
                  {a.text}
                  {a.instructions && <span className="sub">{`\n${a.instructions}`}</span>}
                </p>
              ))}
            </section>
          )}
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
