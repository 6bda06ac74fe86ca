import { To } from '@/ui/To'
import { Clock } from 'lucide-react'
import { formatMoney } from '@/core/money'
import type { NextAction } from '@/core/sale'
import { worthOf, type Waiting, type WaitingGroup } from '@/model/today/waiting'

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

/** Steps that money coming in would answer. */
const TO_TAKE: readonly NextAction[] = ['promise-broken', 'card-refused', 'collect', 'ask-deposit']

const hrefOf = ({ story, step }: Waiting): string => {
  const sale = `/sales/${story.sale.id}`
  if (step.action === 'write-again') return '/post?state=bounced'
  if (TO_TAKE.includes(step.action)) return `/money-in?customer=${story.sale.customerId}&sale=${story.sale.id}`
  if (step.action === 'remind') return `${sale}?do=remind`
  if (step.action === 'hand-over') return `${sale}?do=hand-over`
  const draft = story.invoices.find((i) => i.status === 'draft')
  if (step.action === 'bill') return draft ? `/invoices/${draft.id}` : `${sale}?do=bill`
  if (step.action === 'renew' || step.action === 'offer') return `${sale}?do=offer`
  return sale
}

/** What is waiting, by what it asks of the owner, each group with what its rows add up to. */
export const WaitingGroups = ({ groups }: { readonly groups: readonly WaitingGroup[] }) => (
  <div className="grid gap-6">
    {groups.map((g) => (
      <section key={g.title} aria-label={g.title}>
        <h2 className="flex items-baseline gap-3">
          <span className="flex-1">
            {g.title} <span className="font-normal text-iron-500">{g.waiting.length}</span>
          </span>
          <span className="fig text-base sm:mr-49.75">{formatMoney(g.worth)}</span>
        </h2>
        <ul>
          {g.waiting.slice(0, MOST_SHOWN).map((w) => (
            <WaitingRow key={w.story.sale.id} waiting={w} />
          ))}
          {g.waiting.length > MOST_SHOWN && (
            <li className="sub pt-3">
              and {g.waiting.length - MOST_SHOWN} more, in{' '}
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

const MOST_SHOWN = 30

const WaitingRow = ({ waiting: w }: { readonly waiting: Waiting }) => (
  <li className="flex items-center gap-3 border-b border-paper-200 py-1.5">
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
    <span className="fig">{formatMoney(worthOf(w))}</span>
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
)
