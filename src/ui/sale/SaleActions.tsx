'use client'
import { To } from '@/ui/To'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { Panel } from '../Panel'
import type { Doing, SheetLine } from './actions'
import { Agree } from './panels/Agree'
import { AskDeposit } from './panels/AskDeposit'
import { Bill } from './panels/Bill'
import { Close } from './panels/Close'
import { GiveLink } from './panels/GiveLink'
import { HandOver } from './panels/HandOver'
import { Offer } from './panels/Offer'
import type { PanelProps, SheetSale } from './panels/parts'
import { PayHow } from './panels/PayHow'
import { KeepCard } from './panels/KeepCard'
import { PayOff } from './panels/PayOff'
import { Reschedule } from './panels/Reschedule'
import { ChargeLate } from './panels/ChargeLate'
import { GiveUp } from './panels/GiveUp'
import { HeldMoney } from './panels/HeldMoney'
import { PromisePay } from './panels/PromisePay'
import { WriteOff } from './panels/WriteOff'
import { PutOff } from './panels/PutOff'
import { Repeat } from './panels/Repeat'

interface Props {
  readonly sale: SheetSale
  /** Changes whenever something happened to the sale: an open panel then begins anew with the new figures. */
  readonly version: string
  readonly today: Day
  readonly start?: Doing
  /** What the program suggests first; its button is the page's primary one. */
  readonly suggested: Doing | 'money' | null
}

interface Act {
  readonly doing: Doing
  readonly label: string
}

const actsFor = (s: SheetSale): readonly Act[] => {
  const left = (pick: (l: SheetLine) => string) => s.lines.some((l) => Number(pick(l)) > 0)
  const putOff: Act[] = s.step ? [{ doing: 'put-off', label: 'Not now' }] : []
  if (s.stands === 'declined' || s.stands === 'cancelled') return putOff
  if (!s.agreed) {
    return s.lines.length === 0
      ? []
      : [
          { doing: 'agree', label: 'They agree' },
          {
            doing: 'offer',
            label: s.stands === 'draft' ? 'Send estimate' : s.stands === 'lapsed' ? 'Renew' : 'Send again',
          },
          { doing: 'pay-how', label: 'How they pay' },
          { doing: 'decline', label: 'Declined' },
          ...putOff,
        ]
  }
  return [
    ...(left((l) => l.toHandOver) ? [{ doing: 'hand-over' as const, label: 'Hand over' }] : []),
    ...(left((l) => l.toBill) && !s.promise.layaway ? [{ doing: 'bill' as const, label: 'Bill' }] : []),
    ...(left((l) => l.toBill) && !s.promise.layaway
      ? [{ doing: 'ask-deposit' as const, label: 'Ask for a deposit' }]
      : []),
    ...(s.stands === 'agreed'
      ? [
          { doing: 'pay-how' as const, label: 'How they pay' },
          { doing: 'cancel' as const, label: 'Cancel' },
        ]
      : []),
    ...putOff,
  ]
}

/** Done from the promise section; here too when it is what is next. */
const EXTRA: readonly Act[] = [
  { doing: 'held', label: 'Held money' },
  { doing: 'charge-late', label: 'Late charge' },
]

/** Everything that can be done with a sale now; each opens its panel, filled in. */
export const SaleActions = ({ sale, version, today, start, suggested }: Props) => {
  const router = useRouter()
  const [doing, setDoing] = useState<Doing | null>(start ?? null)
  const acts = [...EXTRA.filter((e) => e.doing === suggested), ...actsFor(sale)]
  const close = () => {
    setDoing(null)
    // A panel opened by its address does not open again when the page is read anew.
    if (start) router.replace(location.pathname, { scroll: false })
  }
  const primary = acts.find((a) => a.doing === suggested)?.doing ?? (suggested === 'money' ? null : acts[0]?.doing)
  return (
    <div className="flex flex-wrap gap-2">
      {suggested === 'money' && (
        <To className="btn btn-do" data-primary href={`/money-in?customer=${sale.customerId}&sale=${sale.id}`}>
          Take money
        </To>
      )}
      {acts.map((a) => (
        <button
          key={a.doing}
          className={`btn ${a.doing === primary ? 'btn-do' : ''}`}
          data-primary={a.doing === primary && !doing ? true : undefined}
          onClick={() => setDoing(a.doing)}
        >
          {a.label}
        </button>
      ))}
      {suggested !== 'money' && sale.agreed && Number(sale.open) > 0 && (
        <To className="btn" href={`/money-in?customer=${sale.customerId}&sale=${sale.id}`}>
          Take money
        </To>
      )}
      {doing && <DoPanel key={`${doing}:${version}`} doing={doing} sale={sale} today={today} onClose={close} />}
    </div>
  )
}

const TITLE: Readonly<Record<Doing, string>> = {
  offer: 'Send the estimate',
  agree: 'They agree',
  'hand-over': 'Hand over',
  bill: 'Bill',
  'ask-deposit': 'Ask for a deposit',
  'pay-how': 'How they pay',
  decline: 'They declined',
  cancel: 'Cancel the sale',
  'put-off': 'Not now',
  repeat: 'It comes again',
  link: 'Their own page',
  'pay-off': 'Pay off early',
  reschedule: 'Arrange the rest anew',
  card: 'Collect by card',
  'give-up': 'Give the layaway up',
  promise: 'They promised to pay',
  held: 'Held money',
  'write-off': 'Write off',
  'charge-late': 'Late charge',
}

/** One thing done with a sale, in its panel. */
export const DoPanel = ({ doing, ...props }: PanelProps & { readonly doing: Doing }) => (
  <Panel open onClose={props.onClose} title={TITLE[doing]}>
    {doing === 'offer' && <Offer {...props} />}
    {doing === 'agree' && <Agree {...props} />}
    {doing === 'hand-over' && <HandOver {...props} />}
    {doing === 'bill' && <Bill {...props} />}
    {doing === 'ask-deposit' && <AskDeposit {...props} />}
    {doing === 'pay-how' && <PayHow {...props} />}
    {(doing === 'decline' || doing === 'cancel') && <Close as={doing} {...props} />}
    {doing === 'put-off' && props.sale.step && <PutOff {...props} />}
    {doing === 'repeat' && <Repeat {...props} />}
    {doing === 'link' && <GiveLink {...props} />}
    {doing === 'pay-off' && <PayOff {...props} />}
    {doing === 'reschedule' && <Reschedule {...props} />}
    {doing === 'card' && <KeepCard {...props} />}
    {doing === 'give-up' && <GiveUp {...props} />}
    {doing === 'promise' && <PromisePay {...props} />}
    {doing === 'held' && <HeldMoney {...props} />}
    {doing === 'write-off' && <WriteOff {...props} />}
    {doing === 'charge-late' && <ChargeLate {...props} />}
  </Panel>
)
