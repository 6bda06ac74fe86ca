import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { Clock } from 'lucide-react'
import type { ReactNode } from 'react'
import { formatDayLong, formatDayShort, type Day } from '@/core/day'
import { formatMoney } from '@/core/money'
import type { NextAction } from '@/core/sale'
import { readToday, type TodayView, type Waiting } from '@/model/today/today'
import { Empty } from '@/ui/Empty'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { openShop } from '../_shop'

export const metadata: Metadata = { title: 'Today' }

export default async function Today() {
  const { db, business, today } = await openShop()
  const view = await readToday(db, business, today)
  const count = view.waiting.length
  return (
    <>
      <Heading
        title={formatDayLong(today)}
        beside={
          count === 0
            ? 'Nothing to do'
            : `${count} ${count === 1 ? 'thing' : 'things'} to do, worth ${formatMoney(view.inThem)}`
        }
        action={
          <To href="/sales/new" className="btn btn-do" data-primary>
            New sale <kbd className="font-figure text-xs">n</kbd>
          </To>
        }
      />
      <div className="grid gap-x-11 gap-y-8 lg:grid-cols-[minmax(0,1fr)_300px]">
        <section aria-label="What waits">
          {count === 0 ? (
            <Empty>All done. Goods to hand over, invoices to send and payments to chase will appear here.</Empty>
          ) : (
            <WaitingList waiting={view.waiting} />
          )}
        </section>
        <aside className="grid content-start gap-7">
          <Drawer drawer={view.drawer} />
          <Besides view={view} today={today} />
          <OutThere out={view.out} />
          <ComingUp items={view.comingUp} today={today} />
        </aside>
      </div>
    </>
  )
}

const LABEL: Readonly<Record<NextAction, string>> = {
  'write-again': 'See the email',
  remind: 'Take payment',
  'promise-broken': 'Take payment',
  'card-refused': 'Take payment',
  'charge-late': 'Add late fee',
  'give-back': 'Refund',
  collect: 'Take payment',
  'ask-deposit': 'Take deposit',
  'hand-over': 'Hand over',
  bill: 'Invoice',
  buy: 'See shortages',
  'ask-again': 'Follow up',
  'confirm-order': 'Confirm',
  renew: 'Renew',
  offer: 'Send estimate',
}
const EDGE: Readonly<Record<NextAction, string>> = {
  'write-again': 'bg-oxide-700',
  remind: 'bg-oxide-700',
  'promise-broken': 'bg-oxide-700',
  'card-refused': 'bg-oxide-700',
  'charge-late': 'bg-oxide-700',
  'give-back': 'hatch',
  collect: 'bg-slate-600',
  'ask-deposit': 'hatch',
  'hand-over': 'bg-patina-700',
  bill: 'bg-slate-400',
  buy: 'bg-rust-600',
  'ask-again': 'bg-paper-300',
  'confirm-order': 'bg-rust-600',
  renew: 'bg-paper-300',
  offer: 'bg-paper-300',
}

/** Steps that money coming in would answer. */
const TO_TAKE: readonly NextAction[] = ['remind', 'promise-broken', 'card-refused', 'collect', 'ask-deposit']

const hrefOf = ({ story, step }: Waiting): string => {
  const sale = `/sales/${story.sale.id}`
  if (step.action === 'write-again') return '/post?state=bounced'
  if (TO_TAKE.includes(step.action)) return `/money-in?customer=${story.sale.customerId}&sale=${story.sale.id}`
  if (step.action === 'hand-over') return `${sale}?do=hand-over`
  if (step.action === 'bill') return `${sale}?do=bill`
  if (step.action === 'renew' || step.action === 'offer') return `${sale}?do=offer`
  return sale
}

const WaitingList = ({ waiting }: { readonly waiting: readonly Waiting[] }) => (
  <ul>
    {waiting.slice(0, 60).map((w) => (
      <li key={w.story.sale.id} className="flex items-center gap-3 border-b border-paper-200 py-1.5">
        <span aria-hidden className={`h-10 w-1.5 shrink-0 ${EDGE[w.step.action]}`} />
        <div className="min-w-0 flex-1">
          <To href={`/sales/${w.story.sale.id}`} className="block truncate font-bold hover:underline">
            {w.story.sale.customerName}
            <span className="font-normal text-iron-500"> · {w.story.sale.title}</span>
          </To>
          <div className="sub truncate" title={w.step.why}>
            {w.step.why}
          </div>
        </div>
        <span className="fig">{formatMoney(w.step.amount ?? w.story.bar.total)}</span>
        <To
          data-row
          href={hrefOf(w)}
          className="btn w-37.5 max-sm:w-auto max-sm:px-2"
          aria-label={`${LABEL[w.step.action]}: ${w.story.sale.customerName}`}
        >
          {LABEL[w.step.action]}
        </To>
        <To
          href={`/sales/${w.story.sale.id}?do=put-off`}
          className="p-1 text-iron-500 hover:text-iron-900 max-sm:hidden"
          aria-label={`Not now: ${w.story.sale.customerName}, ${LABEL[w.step.action]}`}
          title="Not now: postpone or dismiss"
        >
          <Clock size={17} />
        </To>
      </li>
    ))}
    {waiting.length > 60 && (
      <li className="sub pt-3">
        and {waiting.length - 60} more, in{' '}
        <To href="/sales" className="underline">
          Sales
        </To>
      </li>
    )}
  </ul>
)

/** What waits beside the sales: letters, baskets, what comes again this week. */
const Besides = ({ view, today }: { readonly view: TodayView; readonly today: Day }) => {
  const { post, baskets, again } = view
  if (post.waiting + post.bounced + baskets + again.length === 0) return null
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

const Drawer = ({ drawer }: { readonly drawer: TodayView['drawer'] }) => (
  <section>
    <h2>Cash drawer</h2>
    <table className="ledger">
      <tbody>
        <tr>
          <td className="px-0">Other cash</td>
          <td className="r">
            <Figure of={drawer.before} asBalance />
          </td>
        </tr>
        <tr>
          <td className="px-0">
            Cash taken today, {drawer.receipts} {drawer.receipts === 1 ? 'receipt' : 'receipts'}
          </td>
          <td className="r">
            <Figure of={drawer.cash} />
          </td>
        </tr>
        <tr className="total">
          <td className="px-0">Should be in the drawer</td>
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
            <td className="px-0">
              <To href={`/sales?stands=${stands}`} className="hover:underline">
                {count} {count === 1 ? one : many}
              </To>
            </td>
            <td className="r">
              <Figure of={amount} />
            </td>
          </tr>
        ))}
        <tr>
          <td className="px-0">Already held for them</td>
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
              <td className="py-1 leading-tight">
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
