import type { Metadata } from 'next'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import { formatDayShort } from '@/core/day'
import { formatMoney } from '@/core/money'
import { readSheet, type Sheet } from '@/services/read/sheet'
import { Figure } from '@/ui/Figure'
import { MoneyBar, MoneyLegend } from '@/ui/MoneyBar'
import { DOINGS, type Doing } from '@/ui/sale/actions'
import { SaleActions } from '@/ui/sale/SaleActions'
import { Stamp } from '@/ui/Stamp'
import { Ticks } from '@/ui/Ticks'
import { Trail } from '@/ui/Trail'
import { idFrom, openShop, queryOf, type Search } from '../../_shop'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Search
}

export const generateMetadata = async ({ params }: Props): Promise<Metadata> => ({
  title: `Sale ${(await params).id}`,
})

export default async function SaleSheet({ params, searchParams }: Props) {
  const { db, business, today } = await openShop()
  const sheet = (await readSheet(db, await idFrom(params), business, today)) ?? notFound()
  const asked = (await queryOf(searchParams)).do
  const { sale, stands, bar } = sheet.story
  return (
    <>
      <div className="sub mb-0.5 flex flex-wrap justify-between gap-x-4">
        <span>
          Sale {sale.number} ·{' '}
          <Link
            prefetch={false}
            href={`/people/${sale.customerId}`}
            className="font-bold text-iron-900 hover:underline"
          >
            {sale.customerName}
          </Link>
          {sale.purchaseOrder && ` · their order ${sale.purchaseOrder}`}
        </span>
        <span>
          {sale.wantedBy && `wanted by ${formatDayShort(sale.wantedBy, today)} · `}
          {sheet.paysHow}
        </span>
      </div>
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="min-w-0 break-words">{sale.title || 'Nothing on it yet'}</h1>
        <Stamp stands={stands} />
        {sale.closedReason && <span className="sub">{sale.closedReason}</span>}
      </div>
      <MoneyBar bar={bar} />
      <MoneyLegend bar={bar} />
      <div className="mt-6 grid gap-x-7 gap-y-8 lg:grid-cols-[minmax(0,1fr)_340px]">
        <div className="min-w-0">
          <Lines sheet={sheet} />
          {sale.note && <p className="mt-3 max-w-prose whitespace-pre-line">{sale.note}</p>}
          <Papers sheet={sheet} />
        </div>
        <aside className="grid content-start gap-6">
          <NextBox sheet={sheet} start={DOINGS.find((d) => d === asked)} />
          <section>
            <h2>Trail</h2>
            <Trail lines={sheet.trail} planned={sheet.planned} today={today} />
          </section>
        </aside>
      </div>
    </>
  )
}

const DOING: Readonly<Record<string, Doing | 'money'>> = {
  'hand-over': 'hand-over',
  bill: 'bill',
  offer: 'offer',
  renew: 'offer',
  'ask-again': 'agree',
  'ask-deposit': 'money',
  collect: 'money',
  remind: 'money',
}

const NextBox = ({ sheet, start }: { readonly sheet: Sheet; readonly start: Doing | undefined }) => {
  const { story } = sheet
  const [first, ...more] = story.next
  return (
    <section className="border-l-4 border-rust-600 bg-rust-100 px-4 py-3">
      <h2>Next</h2>
      <p>
        {first
          ? `${first.why}${first.amount ? ` (${formatMoney(first.amount)})` : ''}.`
          : story.stands === 'settled'
            ? 'Everything is done and paid.'
            : story.stands === 'draft'
              ? 'Send the estimate, or agree straight away.'
              : story.stands === 'offered'
                ? 'The estimate is out. Wait for their answer, or ask.'
                : 'Nothing to do today.'}
      </p>
      {more.length > 0 && (
        <p className="sub mt-1 text-iron-700!">then: {more.map((n) => n.why).join('; ')}</p>
      )}
      <div className="no-print mt-3">
        <SaleActions
          sale={sheet.forActions}
          version={sheet.version}
          today={sheet.today}
          start={start}
          suggested={first ? (DOING[first.action] ?? null) : null}
        />
      </div>
    </section>
  )
}

const Lines = ({ sheet }: { readonly sheet: Sheet }) => {
  const { story } = sheet
  const { sale, totals } = story
  const agreed = sale.agreedOn !== null
  return (
    <div className="overflow-x-auto">
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col" className="r">
              {agreed ? 'Agreed' : 'Quantity'}
            </th>
            {agreed && (
              <>
                <th scope="col" className="r">
                  Handed over
                </th>
                <th scope="col" className="r">
                  Billed
                </th>
                <th scope="col">
                  <span className="sr-only">Progress</span>
                </th>
              </>
            )}
            <th scope="col" className="r">
              Each
            </th>
            <th scope="col" className="r">
              Margin
            </th>
            <th scope="col" className="r">
              Sum
            </th>
          </tr>
        </thead>
        <tbody>
          {story.lines.map((l) => {
            const dropped = agreed && l.agreed.isZero()
            const missing = l.toHandOver.minus(l.setAside)
            return (
              <tr key={l.id} className={dropped ? 'text-iron-500 line-through' : ''}>
                <td className="max-w-[280px] min-w-[160px] break-words">
                  {l.description}
                  {l.note && <div className="sub">{l.note}</div>}
                  {agreed && l.fromShelf && l.toHandOver.gt(0) && (
                    <div className={`text-xs ${missing.gt(0) ? 'text-oxide-700' : 'text-iron-500'}`}>
                      {l.setAside.toString()} of {l.toHandOver.toString()} on the shelf
                    </div>
                  )}
                </td>
                <td className="fig">{(agreed ? l.agreed : l.quantity).toString()}</td>
                {agreed && (
                  <>
                    <td className="fig">{l.handedOver.minus(l.returned).toString()}</td>
                    <td className="fig">{l.billed.minus(l.credited).toString()}</td>
                    <td>
                      <Ticks
                        agreed={l.agreed}
                        handedOver={l.handedOver.minus(l.returned)}
                        billed={l.billed.minus(l.credited)}
                      />
                    </td>
                  </>
                )}
                <td className="fig">
                  {sheet.price(l.unitPrice)}
                  {l.discountPercent.gt(0) && (
                    <div className="text-xs text-iron-500">less {l.discountPercent.toString()} %</div>
                  )}
                </td>
                <td className="fig text-iron-500">{sheet.margins.get(l.id) ?? ''}</td>
                <td className="fig">{formatMoney(l.net)}</td>
              </tr>
            )
          })}
          {story.lines.length === 0 && (
            <tr>
              <td colSpan={8} className="text-iron-500">
                Nothing on it yet. Add what they want.
              </td>
            </tr>
          )}
        </tbody>
        <tbody>
          <tr>
            <td colSpan={agreed ? 7 : 4} className="r border-0! text-iron-500">
              net
            </td>
            <td className="border-0! r">
              <Figure of={totals.net} />
            </td>
          </tr>
          {sheet.taxes.map((t) => (
            <tr key={t.name}>
              <td colSpan={agreed ? 7 : 4} className="r border-0! text-iron-500">
                {t.name}
              </td>
              <td className="border-0! r">
                <Figure of={t.amount} />
              </td>
            </tr>
          ))}
          <tr className="total">
            <td colSpan={agreed ? 7 : 4} className="r">
              total
            </td>
            <td className="fig">
              <Figure of={totals.gross} />
            </td>
          </tr>
        </tbody>
      </table>
      <p className="no-print mt-3 flex flex-wrap gap-2">
        {!sale.closedAs && (
          <Link prefetch={false} className="btn" href={`/sales/${sale.id}/change`}>
            {agreed ? 'Change what is agreed' : 'Change the lines'}
          </Link>
        )}
        {story.lines.length > 0 && (
          <a className="btn" href={`/api/v1/export/sales/${sale.id}/estimate.pdf`} target="_blank">
            {agreed ? 'Order confirmation' : 'Estimate'} (PDF)
          </a>
        )}
      </p>
    </div>
  )
}

const Papers = ({ sheet }: { readonly sheet: Sheet }) => {
  const { invoices, handovers } = sheet.story
  if (invoices.length + handovers.length + sheet.entries.length === 0) return null
  return (
    <section className="mt-7">
      <h2>Papers and what they did in the books</h2>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Paper</th>
            <th scope="col">In the books</th>
            <th scope="col" className="r">
              Amount
            </th>
          </tr>
        </thead>
        <tbody>
          {invoices
            .filter((i) => i.status === 'draft')
            .map((i) => (
              <tr key={i.id}>
                <td className="sub whitespace-nowrap">{formatDayShort(i.on, sheet.today)}</td>
                <td>
                  <Link prefetch={false} className="underline" href={`/invoices/${i.id}`}>
                    Draft of an invoice
                  </Link>
                </td>
                <td className="sub">nothing yet</td>
                <td className="r">
                  <Figure of={i.gross} />
                </td>
              </tr>
            ))}
          {sheet.entries.map((e) => (
            <tr key={e.id}>
              <td className="sub whitespace-nowrap">{formatDayShort(e.on, sheet.today)}</td>
              <td>
                <Link prefetch={false} className="hover:underline" href={e.href}>
                  {e.text}
                </Link>
              </td>
              <td className="sub">
                <Link prefetch={false} className="hover:underline" href={`/books/entries/${e.id}`}>
                  {e.says}
                </Link>
              </td>
              <td className="fig">{formatMoney(e.amount)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
