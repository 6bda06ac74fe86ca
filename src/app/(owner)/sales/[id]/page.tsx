import { addressLine } from '@/core/people'
import { PURCHASE_STATUS_NAMES } from '@/core/names'
import { cache } from 'react'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { formatDayShort, sayDays } from '@/core/day'
import { formatMoney, isPositiveMoney } from '@/core/money'
import { sayRepeat } from '@/model/sale/repeats'
import type { Sheet } from '@/model/sale/sheet'
import { Files } from '@/ui/files/Files'
import { PromiseSection } from '@/ui/sale/PromiseSection'
import { RepeatLine } from '@/ui/sale/RepeatLine'
import { MoneyBar, MoneyLegend } from '@/ui/MoneyBar'
import { SaleActs } from '@/ui/sale/SaleActs'
import { answerTo } from '@/ui/sale/answerTo'
import { DOINGS, type Doing } from '@/ui/sale/saleActs'
import { Stamp } from '@/ui/Stamp'
import { Trail } from '@/ui/Trail'
import { idFrom, openShop, queryOf, type Search } from '../../_shop'
import { SheetLines } from '@/ui/sale/SheetLines'
import { Costs, Papers, Versions } from '@/ui/sale/SheetPapers'
import { readSheet } from '@/model/sale/readSheet'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Search
}

/** The sale of the page, read once for its title and its sheet. */
const sheetOf = cache(async (id: number) => {
  const { db, business, today } = await openShop()
  return readSheet(db, id, business, today)
})

export const generateMetadata = async ({ params }: Props): Promise<Metadata> => {
  const sheet = await sheetOf(await idFrom(params))
  return { title: sheet ? `Sale ${sheet.story.sale.number}` : 'Sale' }
}

export default async function SaleSheet({ params, searchParams }: Props) {
  const { today } = await openShop()
  const sheet = (await sheetOf(await idFrom(params))) ?? notFound()
  const asked = (await queryOf(searchParams)).do
  const { sale, stands, bar } = sheet.story
  return (
    <>
      <div className="sub mb-0.5 flex flex-wrap justify-between gap-x-4">
        <span>
          Sale {sale.number} ·{' '}
          <To href={`/people/${sale.customerId}`} className="font-bold text-iron-900 hover:underline">
            {sale.customerName}
          </To>
          {sale.purchaseOrder && ` · PO ${sale.purchaseOrder}`}
        </span>
        <span>
          {sale.wantedBy && `needed by ${formatDayShort(sale.wantedBy, today)} · `}
          {sheet.paysHow}
        </span>
      </div>
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="min-w-0">{sale.title || 'Empty sale'}</h1>
        <Stamp stands={stands} owes={isPositiveMoney(sheet.story.open)} />
        {sale.closedReason && <span className="sub">{sale.closedReason}</span>}
      </div>
      <MoneyBar bar={bar} />
      <MoneyLegend bar={bar} />
      {sheet.overLimit && (
        <p className="notice notice-bad mt-3">
          Including open orders, {sale.customerName} is {formatMoney(sheet.overLimit)} over the credit limit.
        </p>
      )}
      {sheet.stopSupply !== null && stands !== 'settled' && (
        <p className="notice notice-bad mt-3">
          {sale.customerName} has an invoice {sayDays(sheet.stopSupply)} late. Think twice before giving more credit.
        </p>
      )}
      <div className="mt-6 grid gap-x-7 gap-y-7 lg:grid-cols-[minmax(0,1fr)_320px] lg:grid-rows-[auto_1fr]">
        <div className="lg:col-start-2">
          <NextBox sheet={sheet} start={DOINGS.find((d) => d === asked)} />
        </div>
        <div className="grid content-start gap-7 lg:col-start-1 lg:row-span-2 lg:row-start-1">
          <div>
            {sale.noteAbove && <p className="mb-3 max-w-prose whitespace-pre-line">{sale.noteAbove}</p>}
            <SheetLines sheet={sheet} />
            {sale.note && <p className="mt-3 max-w-prose whitespace-pre-line">{sale.note}</p>}
            {sale.deliverTo && (
              <p className="sub mt-3">
                Deliver to {addressLine(sale.deliverTo)}
                {sale.deliverNote && ` (${sale.deliverNote})`}
              </p>
            )}
          </div>
          <PromiseSection sheet={sheet} />
          <section>
            <h2>Trail</h2>
            <Trail lines={sheet.trail} planned={sheet.planned} today={today} />
          </section>
          <Papers sheet={sheet} />
          <Costs sheet={sheet} />
          <Versions sheet={sheet} />
        </div>
        <aside className="grid content-start gap-7 lg:col-start-2">
          {sheet.bought.length > 0 && (
            <section>
              <h2>Bought for it</h2>
              {sheet.bought.map((o) => (
                <p key={o.id}>
                  <To className="underline" href={`/buying/orders/${o.id}`}>
                    {o.number}
                  </To>{' '}
                  {o.supplier} <span className="sub">{PURCHASE_STATUS_NAMES[o.status].toLowerCase()}</span>
                </p>
              ))}
            </section>
          )}
          {sheet.repeats.length > 0 && (
            <section>
              <h2>Repeat</h2>
              {sheet.repeats.map((r) => (
                <RepeatLine key={r.id} id={r.id} says={sayRepeat(r)} nextOn={r.nextOn} done={r.done} />
              ))}
            </section>
          )}
          <Files ownerKind="sale" ownerId={sale.id} files={sheet.files} label="Files" />
        </aside>
      </div>
    </>
  )
}

/** A step as a sentence, with its amount. */
const sayStep = ({ why, amount }: Sheet['story']['next'][number]): string => {
  const says = amount ? `${why.replace(/\.$/, '')} (${formatMoney(amount)})` : why
  return /[.…]$/.test(says) ? says : `${says}.`
}

const NextBox = ({ sheet, start }: { readonly sheet: Sheet; readonly start: Doing | undefined }) => {
  const { story } = sheet
  const [first, ...more] = story.next
  return (
    <section className="border-l-4 border-rust-600 bg-rust-100 px-4 py-3">
      <h2>Next</h2>
      <p>
        {first
          ? sayStep(first)
          : story.stands === 'settled'
            ? 'Done and paid.'
            : story.stands === 'draft'
              ? 'Send the estimate, or save it as an order.'
              : story.stands === 'offered'
                ? 'Estimate sent. Wait for the answer, or follow up.'
                : 'Nothing to do today.'}
      </p>
      {more.length > 0 && <p className="sub mt-1 text-iron-700">After that: {more.map((n) => n.why).join('; ')}</p>}
      <div className="no-print mt-3">
        <SaleActs
          sale={sheet.forActions}
          version={sheet.version}
          today={sheet.today}
          start={start}
          suggested={first ? answerTo(first.action, sheet.forActions.draftInvoiceId !== null) : null}
        />
      </div>
    </section>
  )
}
