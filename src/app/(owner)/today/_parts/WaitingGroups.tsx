import { To } from '@/ui/To'
import { formatCount } from '@/core/locale'
import { formatDayShort, type Day } from '@/core/day'
import { formatMoney } from '@/core/money'
import type { NextAction } from '@/core/sale'
import { worthOf, type PutAside, type Waiting, type WaitingGroup } from '@/model/today/waiting'
import { moneyInHref } from '@/ui/money/moneyInHref'
import { pack } from '@/ui/pack'
import { RowPictures } from '@/ui/RowPicture'
import { answerTo } from '@/ui/sale/answerTo'
import { BringBack } from '@/ui/today/BringBack'
import { WaitingRows, type DrawnWaiting } from '@/ui/today/WaitingRows'

const LABEL: Readonly<Record<NextAction, string>> = {
  'write-again': 'See the email',
  remind: 'Send reminder',
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

/** Where what answers a step is done: in a panel over Today wherever it is one, so that the hands stay on the list. */
const hrefOf = ({ glance, step }: Waiting): string => {
  const { sale, draftId } = glance
  if (step.action === 'write-again') return '/post?state=bounced'
  const answer = answerTo(step.action, draftId !== null)
  if (answer === 'take') return moneyInHref(sale.customerId, sale.id)
  if (answer === 'issue' && draftId !== null) return `/invoices/${draftId}`
  return answer === null ? `/sales/${sale.id}` : overToday(sale.id, answer)
}

/** `/today?sale=7&do=bill`: a panel of a sale over the list. */
const overToday = (saleId: number, doing: string): string => `/today?sale=${saleId}&do=${doing}`

/** What is waiting, by what it asks of the owner, each group with what its rows add up to. */
export const WaitingGroups = ({ groups }: { readonly groups: readonly WaitingGroup[] }) => (
  <div className="grid gap-6">
    <RowPictures names={['payment', 'later']} />
    {shownOf(groups).map(({ g, shown, first }) => (
      <section key={g.title} aria-label={g.title}>
        <h2 className="flex items-baseline gap-3">
          <span className="flex-1">
            {g.title} <span className="font-normal text-iron-500">{formatCount(g.waiting.length)}</span>
          </span>
          <span className="fig text-base sm:mr-58.5">{formatMoney(g.worth)}</span>
        </h2>
        <ul>
          <WaitingRows rows={pack(g.waiting.slice(0, shown).map(drawWaiting))} first={first} />
          {g.waiting.length > shown && (
            <li className="sub pt-3">
              and {formatCount(g.waiting.length - shown)} more, in{' '}
              <To href="/sales" className="underline">
                Sales
              </To>
            </li>
          )}
        </ul>
      </section>
    ))}
  </div>
)

/** So many rows are shown, the first groups first; of each group at least a few, and never more than fit a look. */
const [AT_MOST, OF_EACH, OF_ONE] = [60, 8, 30]
/** So many of them fill the first screen. */
const ON_FIRST_SCREEN = 18
const shownOf = (groups: readonly WaitingGroup[]) => {
  let before = 0
  return groups.map((g) => {
    const shown = Math.min(g.waiting.length, OF_ONE, Math.max(OF_EACH, AT_MOST - before))
    const first = Math.max(0, ON_FIRST_SCREEN - before)
    before += shown
    return { g, shown, first }
  })
}

const drawWaiting = (w: Waiting): DrawnWaiting => {
  const { sale } = w.glance
  return {
    id: sale.id,
    customer: sale.customerName,
    title: sale.title,
    why: w.step.why,
    worth: formatMoney(worthOf(w)),
    act: LABEL[w.step.action],
    href: hrefOf(w),
    edge: EDGE[w.step.action],
    takeHref: w.step.action === 'remind' ? moneyInHref(sale.customerId, sale.id) : undefined,
    notNowHref: overToday(sale.id, 'put-off'),
  }
}

/** What was postponed or dismissed, folded away, each with its way back. */
export const PutAsideRows = ({ rows, today }: { readonly rows: readonly PutAside[]; readonly today: Day }) =>
  rows.length > 0 && (
    <details className="mt-7">
      <summary className="cursor-pointer text-iron-500">Postponed or dismissed: {rows.length}</summary>
      <ul className="mt-2">
        {rows.map((p) => (
          <li
            key={p.glance.sale.id + p.step.action}
            className="flex items-center gap-3 border-b border-paper-200 py-1.5"
          >
            <div className="min-w-0 flex-1">
              <To href={`/sales/${p.glance.sale.id}`} className="block hover:underline one-line">
                {p.glance.sale.customerName}
                <span className="text-iron-500"> · {p.glance.sale.title}</span>
              </To>
              <div className="sub one-line">
                {LABEL[p.step.action]},{' '}
                {p.until ? `postponed to ${formatDayShort(p.until, today)}` : `dismissed: ${p.reason}`}
              </div>
            </div>
            <span className="fig text-iron-500">{formatMoney(worthOf(p))}</span>
            <BringBack saleId={p.glance.sale.id} action={p.step.action} name={p.glance.sale.customerName} />
          </li>
        ))}
      </ul>
    </details>
  )
