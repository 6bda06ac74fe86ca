import type { Metadata } from 'next'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import { formatDayShort } from '@/core/day'
import { formatMoney, isPositiveMoney } from '@/core/money'
import { sayRepeat } from '@/services/read/repeats'
import type { StoryLine } from '@/services/read/stories'
import { readSheet, type Sheet } from '@/services/read/sheet'
import { Figure } from '@/ui/Figure'
import { Files } from '@/ui/files/Files'
import { WriteLetter } from '@/ui/post/WriteLetter'
import { PromiseSection } from '@/ui/sale/PromiseSection'
import { RepeatLine } from '@/ui/sale/RepeatLine'
import { SheetTools } from '@/ui/sale/SheetTools'
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
      {sheet.overLimit && (
        <p className="mt-3 border-l-4 border-oxide-700 bg-oxide-100 px-3 py-2">
          With what is agreed, {sale.customerName} is {formatMoney(sheet.overLimit)} over their credit limit.
        </p>
      )}
      {sheet.stopSupply !== null && stands !== 'settled' && (
        <p className="mt-3 border-l-4 border-oxide-700 bg-oxide-100 px-3 py-2">
          Something of {sale.customerName} is {sheet.stopSupply} days late. Think twice before more goes on
          credit.
        </p>
      )}
      <div className="mt-6 grid gap-x-7 gap-y-8 lg:grid-cols-[minmax(0,1fr)_340px]">
        <div className="min-w-0">
          {sale.noteAbove && <p className="mb-3 max-w-prose whitespace-pre-line">{sale.noteAbove}</p>}
          <Lines sheet={sheet} />
          {sale.note && <p className="mt-3 max-w-prose whitespace-pre-line">{sale.note}</p>}
          {sale.deliverTo && (
            <p className="sub mt-3">
              Delivered to {sale.deliverTo.replace(/\n/g, ', ')}
              {sale.deliverNote && ` (${sale.deliverNote})`}
            </p>
          )}
          <PromiseSection sheet={sheet} />
          <Papers sheet={sheet} />
          <Versions sheet={sheet} />
          <Costs sheet={sheet} />
        </div>
        <aside className="grid content-start gap-6">
          <NextBox sheet={sheet} start={DOINGS.find((d) => d === asked)} />
          <section>
            <h2>Trail</h2>
            <Trail lines={sheet.trail} planned={sheet.planned} today={today} />
          </section>
          {sheet.repeats.length > 0 && (
            <section>
              <h2>Comes again</h2>
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

const DOING: Readonly<Record<string, Doing | 'money'>> = {
  'hand-over': 'hand-over',
  bill: 'bill',
  offer: 'offer',
  renew: 'offer',
  'ask-again': 'agree',
  'give-back': 'held',
  'promise-broken': 'money',
  'card-refused': 'money',
  'charge-late': 'charge-late',
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
          {story.lines.map((l) =>
            l.kind === 'heading' || l.kind === 'text' ? (
              <tr key={l.id}>
                <td
                  colSpan={8}
                  className={l.kind === 'heading' ? 'pt-3! font-slab text-lg font-semibold' : 'text-iron-700'}
                >
                  {l.description}
                </td>
              </tr>
            ) : (
              <SheetRow key={l.id} line={l} sheet={sheet} />
            ),
          )}
          {story.lines.length === 0 && (
            <tr>
              <td colSpan={8} className="text-iron-500">
                Nothing on it yet. Add what they want.
              </td>
            </tr>
          )}
        </tbody>
        <tbody>
          {isPositiveMoney(sheet.wholeLess) && (
            <tr>
              <td colSpan={agreed ? 7 : 4} className="r border-0! text-iron-500">
                off the whole{sale.discountPercent.gt(0) ? `, ${sale.discountPercent.toString()} %` : ''}
              </td>
              <td className="border-0! r">
                <Figure of={{ ...sheet.wholeLess, minor: -sheet.wholeLess.minor }} />
              </td>
            </tr>
          )}
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
          <a
            className="btn"
            href={`/api/v1/export/sales/${sale.id}/${agreed ? 'confirmation' : 'estimate'}.pdf`}
            target="_blank"
          >
            {agreed ? 'Order confirmation' : 'Estimate'} (PDF)
          </a>
        )}
        {agreed && story.lines.some((l) => l.fromShelf && l.toHandOver.gt(0)) && (
          <a className="btn" href={`/api/v1/export/sales/${sale.id}/pick-list.pdf`} target="_blank">
            Pick list (PDF)
          </a>
        )}
        {story.lines.length > 0 && sale.sentOn && !sale.closedAs && (
          <WriteLetter paper={agreed ? 'confirmation' : 'estimate'} paperId={sale.id} />
        )}
        {agreed && !sale.sentOn && !sale.closedAs && <WriteLetter paper="confirmation" paperId={sale.id} />}
        {(story.arrangement.kind === 'layaway' || story.arrangement.kind === 'installments') && (
          <a className="btn" href={`/api/v1/export/papers/agreement/${sale.id}.pdf`} target="_blank">
            Agreement (PDF)
          </a>
        )}
        <SheetTools sale={sheet.forActions} today={sheet.today} />
      </p>
    </div>
  )
}

const SheetRow = ({ line: l, sheet }: { readonly line: StoryLine; readonly sheet: Sheet }) => {
  const { sale } = sheet.story
  const agreed = sale.agreedOn !== null
  const left = l.choice !== 'none' && !l.chosen
  const dropped = agreed && l.agreed.isZero()
  const missing = l.toHandOver.minus(l.setAside)
  const worth = sheet.worths.get(l.id)!
  return (
    <tr className={dropped && !left ? 'text-iron-500 line-through' : left ? 'text-iron-500' : ''}>
      <td className="max-w-[280px] min-w-[160px] break-words">
        {l.description}
        {l.choice !== 'none' && (
          <span className="sub">
            {' '}
            ({l.choice === 'optional' ? 'optional' : `one of: ${l.choiceGroup}`}
            {agreed ? (dropped ? ', not taken' : ', taken') : l.chosen ? ', counts' : ''})
          </span>
        )}
        {l.note && <div className="sub">{l.note}</div>}
        {l.deliverTo && l.deliverTo !== sale.deliverTo && (
          <div className="sub">to {l.deliverTo.replace(/\n/g, ', ')}</div>
        )}
        {agreed && l.fromShelf && l.toHandOver.gt(0) && (
          <div className={`text-xs ${missing.gt(0) ? 'text-oxide-700' : 'text-iron-500'}`}>
            {l.setAside.toString()} of {l.toHandOver.toString()} on the shelf
          </div>
        )}
      </td>
      <td className="fig">{(agreed && !left ? l.agreed : l.quantity).toString()}</td>
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
        {(l.discountPercent.gt(0) || l.discountAmount > 0n) && (
          <div className="ml-auto max-w-[112px] font-text text-xs whitespace-normal text-iron-500">
            less {lessInWords(l, worth.currency)}
          </div>
        )}
        {l.priceFrom && l.priceFrom !== 'list' && (
          <div className="ml-auto max-w-[112px] font-text text-xs whitespace-normal text-iron-500">
            {l.priceFrom}
          </div>
        )}
      </td>
      <td className="fig text-iron-500">{sheet.margins.get(l.id) ?? ''}</td>
      <td className="fig">{left ? `(${formatMoney(worth)})` : formatMoney(worth)}</td>
    </tr>
  )
}

const lessInWords = (l: StoryLine, currency: string): string =>
  [
    l.discountPercent.gt(0) ? `${l.discountPercent.toString()} %` : '',
    l.discountAmount > 0n ? formatMoney({ minor: l.discountAmount, currency }) : '',
  ]
    .filter(Boolean)
    .join(' and ')

const KIND = { offered: 'estimate', agreed: 'agreed', changed: 'agreed, changed' } as const

/** Every version that was sent or agreed, each to be compared with the one before. */
const Versions = ({ sheet }: { readonly sheet: Sheet }) =>
  sheet.versions.length < 2 ? null : (
    <section className="mt-7">
      <h2>Versions</h2>
      <table className="ledger">
        <tbody>
          {sheet.versions.map((v) => (
            <tr key={v.n}>
              <td className="font-figure">{v.n}</td>
              <td className="sub whitespace-nowrap">{formatDayShort(v.on, sheet.today)}</td>
              <td>{KIND[v.kind]}</td>
              <td>
                {v.n > 1 && (
                  <Link
                    prefetch={false}
                    className="underline"
                    href={`/sales/${sheet.story.sale.id}/versions?before=${v.n - 1}&now=${v.n}`}
                  >
                    what changed
                  </Link>
                )}
              </td>
              <td className="r">
                <Figure of={v.gross} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )

/** Estimated against agreed against billed against what it really cost. For the owner alone. */
const Costs = ({ sheet: { costs: c } }: { readonly sheet: Sheet }) =>
  c === null ? null : (
    <section className="mt-7">
      <h2>Thought and done</h2>
      <dl className="flex flex-wrap gap-x-8 gap-y-2">
        {(
          [
            ['first offered', c.offered],
            ['agreed', c.agreed],
            ['billed', c.billed],
            ['thought to cost', c.expectedCost],
            ['cost so far', c.actualCost],
          ] as const
        ).map(([name, amount]) => (
          <div key={name}>
            <dt className="sub">{name}</dt>
            <dd className="fig text-left!">{amount ? formatMoney(amount) : '–'}</dd>
          </div>
        ))}
        <div>
          <dt className="sub">margin of what is billed</dt>
          <dd className="fig text-left!">{c.margin ? `${c.margin.toString()} %` : '–'}</dd>
        </div>
      </dl>
    </section>
  )

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
