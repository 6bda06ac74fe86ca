import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { formatCount } from '@/core/locale'
import type { ReactNode } from 'react'
import { formatDayLong, formatDayShort, type Day } from '@/core/day'
import { formatMoney } from '@/core/money'
import { readToday, type TodayView, type Stuck } from '@/model/today/today'
import { readFirstSteps } from '@/model/today/firstSteps'
import { groupWaiting } from '@/model/today/waiting'
import { Empty } from '@/ui/Empty'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { readSheet } from '@/model/sale/readSheet'
import { DOINGS } from '@/ui/sale/saleActs'
import { FirstSteps } from '@/ui/today/FirstSteps'
import { TodayHands } from '@/ui/today/TodayHands'
import { openShop, queryOf, type Search } from '../_shop'
import { PutAsideRows, WaitingGroups } from './_parts/WaitingGroups'

export const metadata: Metadata = { title: 'Today' }

/** `?sale=7&do=bill`: what is done over the list. */
const openedOver = async (search: Search) => {
  const { sale, do: asked } = await queryOf(search)
  const doing = DOINGS.find((d) => d === asked)
  if (!doing || !/^\d{1,9}$/.test(sale ?? '')) return null
  const { db, business, today } = await openShop()
  const sheet = await readSheet(db, Number(sale), business, today)
  return sheet && { sale: sheet.forActions, version: sheet.version, doing }
}

export default async function Today({ searchParams }: { searchParams: Search }) {
  const { db, business, today } = await openShop()
  const [view, open, steps] = await Promise.all([
    readToday(db, business, today),
    openedOver(searchParams),
    readFirstSteps(db, business),
  ])
  const count = view.waiting.length
  return (
    <>
      <Heading
        title={formatDayLong(today)}
        beside={
          count === 0
            ? 'Nothing to do'
            : `${formatCount(count)} ${count === 1 ? 'thing' : 'things'} to do, worth ${formatMoney(view.inThem)}`
        }
        action={
          <To href="/sales/new" className="btn btn-do" data-primary>
            New sale <kbd className="font-figure text-xs">n</kbd>
          </To>
        }
      />
      <div className="grid gap-x-11 gap-y-8 lg:grid-cols-[minmax(0,1fr)_300px]">
        <section aria-label="What waits">
          <FirstSteps open={steps} skipped={business.stepsSkipped} />
          {count === 0 ? (
            <Empty>All done. Goods to hand over, invoices to send and payments to chase will appear here.</Empty>
          ) : (
            <WaitingGroups groups={groupWaiting(view.waiting)} />
          )}
          <PutAsideRows rows={view.putAside} today={today} />
        </section>
        <aside className="grid content-start gap-7">
          <Drawer drawer={view.drawer} today={today} />
          <Besides view={view} today={today} />
          <OutThere out={view.out} />
          <ComingUp items={view.comingUp} today={today} />
        </aside>
      </div>
      <TodayHands today={today} open={open} />
    </>
  )
}

/** Which lots are past or soon will be. */
const sayExpiring = ({ lots }: TodayView['expiring'], first: Day, today: Day): string =>
  lots === 1
    ? `1 lot ${first < today ? 'expired' : 'expires'} on ${formatDayShort(first, today)}`
    : `${lots} lots expire within a month, the first ${first < today ? 'is past' : `on ${formatDayShort(first, today)}`}`

const STUCK = { sale: '/sales', bill: '/buying/bills', entry: '/books/entries' } as const
const hrefOfStuck = ({ kind, id }: Stuck): string =>
  kind === 'statements' ? '/money-in/statements' : `${STUCK[kind]}/${id}`
const sayStuck = ({ kind, name, on }: Stuck, today: Day): string =>
  kind === 'statements'
    ? `No statement of ${name} since ${formatDayShort(on, today)}`
    : `${name} was to repeat on ${formatDayShort(on, today)} and could not`

/** What waits beside the sales: letters, baskets, what comes again this week. */
const Besides = ({ view, today }: { readonly view: TodayView; readonly today: Day }) => {
  const { post, baskets, again, expiring, sending, backup, stuck } = view
  const count =
    post.waiting + post.bounced + baskets + again.length + expiring.lots + sending.picks + sending.lost + stuck.length
  if (count === 0 && backup === null) return null
  const row = (key: string, href: string, children: ReactNode) => (
    <li key={key} className="border-b border-paper-200 py-1.5">
      <To className="hover:underline" href={href}>
        {children}
      </To>
    </li>
  )
  return (
    <section>
      <h2>Also</h2>
      <ul>
        {backup !== null &&
          row(
            'backup',
            '/settings/data',
            <span className="text-oxide-700">
              {backup === 'failed' ? 'The last backup failed' : 'The last good backup is old'}
            </span>,
          )}
        {stuck.map((x) =>
          row(`${x.kind}${x.id}`, hrefOfStuck(x), <span className="text-oxide-700">{sayStuck(x, today)}</span>),
        )}
        {post.bounced > 0 &&
          row(
            'bounced',
            '/post?state=bounced',
            <span className="text-oxide-700">
              {post.bounced} {post.bounced === 1 ? 'email' : 'emails'} bounced
            </span>,
          )}
        {post.waiting > 0 &&
          row(
            'waiting',
            '/post?state=waiting',
            `${post.waiting} ${post.waiting === 1 ? 'email' : 'emails'} waiting to be sent`,
          )}
        {baskets > 0 &&
          row(
            'baskets',
            '/sales/baskets',
            `${baskets} open ${baskets === 1 ? 'basket' : 'baskets'} in the online shop`,
          )}
        {sending.lost > 0 &&
          row(
            'lost',
            '/parcels?state=lost',
            <span className="text-oxide-700">
              {sending.lost} {sending.lost === 1 ? 'parcel' : 'parcels'} lost
            </span>,
          )}
        {sending.picks > 0 &&
          row('picks', '/picks', `${sending.picks} ${sending.picks === 1 ? 'pick list' : 'pick lists'} not sent yet`)}
        {expiring.first !== null &&
          row('expiring', '/goods/stock?sort=expires', sayExpiring(expiring, expiring.first, today))}
        {again.map((c) =>
          row(
            `${c.repeat.id}${c.on}`,
            `/sales/${c.repeat.saleId}`,
            <>
              <span className="sub">{formatDayShort(c.on, today)}</span> {c.repeat.customerName}: {c.repeat.title}{' '}
              repeats
            </>,
          ),
        )}
      </ul>
    </section>
  )
}

/** What a figure beside the list is called, and where it opens into what it is made of. */
const Of = ({ href, children }: { readonly href: string; readonly children: ReactNode }) => (
  <td className="px-0">
    <To href={href} className="hover:underline">
      {children}
    </To>
  </td>
)

const Drawer = ({ drawer, today }: { readonly drawer: TodayView['drawer']; readonly today: Day }) => (
  <section>
    <h2>Cash drawer</h2>
    <table className="ledger">
      <tbody>
        <tr>
          <Of href="/money-in/drawer">Other cash</Of>
          <td className="r">
            <Figure of={drawer.other} asBalance />
          </td>
        </tr>
        <tr>
          <Of href={`/receipts?method=cash&on=${today}`}>
            Cash taken today, {drawer.receipts} {drawer.receipts === 1 ? 'receipt' : 'receipts'}
          </Of>
          <td className="r">
            <Figure of={drawer.cash} />
          </td>
        </tr>
        <tr className="total">
          <Of href="/money-in/drawer">Should be in the drawer</Of>
          <td className="fig">
            <Figure of={drawer.now} asBalance />
          </td>
        </tr>
      </tbody>
    </table>
  </section>
)

const OutThere = ({ out }: { readonly out: TodayView['out'] }) => (
  <section>
    <h2>Open business</h2>
    <table className="ledger">
      <tbody>
        {[
          {
            stands: 'offered',
            count: out.offered,
            one: 'estimate sent',
            many: 'estimates sent',
            amount: out.offeredAmount,
          },
          { stands: 'agreed', count: out.agreed, one: 'open order', many: 'open orders', amount: out.agreedAmount },
        ].map(({ stands, count, one, many, amount }) => (
          <tr key={stands}>
            <Of href={`/sales?stands=${stands}`}>
              {count} {count === 1 ? one : many}
            </Of>
            <td className="r">
              <Figure of={amount} />
            </td>
          </tr>
        ))}
        <tr>
          <Of href="/owed/held">Already held for them</Of>
          <td className="r">
            <Figure of={out.held} className="text-brass-700" />
          </td>
        </tr>
      </tbody>
    </table>
  </section>
)

const ComingUp = ({
  items,
  today,
}: {
  readonly items: TodayView['comingUp']
  readonly today: TodayView['comingUp'][number]['on']
}) => (
  <section>
    <h2>Coming up</h2>
    {items.length === 0 ? (
      <p className="sub">Nothing due in the coming days.</p>
    ) : (
      <table className="ledger">
        <tbody>
          {items.map((c, i) => (
            <tr key={i}>
              <td className="sub pl-0 whitespace-nowrap">{formatDayShort(c.on, today)}</td>
              <td className="py-1 leading-tight wrap-anywhere">
                <To href={`/sales/${c.saleId}`} className="hover:underline">
                  {c.text}
                </To>
              </td>
              <td className="r">{c.amount && <Figure of={c.amount} />}</td>
            </tr>
          ))}
        </tbody>
      </table>
    )}
  </section>
)
