'use client'
// Long, because the panels share their small parts and are read together: one for each thing that can be done with a sale.
import Link from 'next/link'
import { useState } from 'react'
import { addDays, formatDay, type Day } from '@/core/day'
import { decimal, formatMoney, roundToMoney } from '@/core/money'
import type { Stands } from '@/core/sale'
import { DayField, MoneyField, QuantityField, Text } from '../fields'
import { Panel } from '../Panel'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'
import type { Doing, SheetLine } from './actions'

export interface SheetSale {
  readonly id: number
  readonly number: number
  readonly customerId: number
  readonly customer: string
  readonly stands: Stands
  readonly agreed: boolean
  readonly lines: readonly SheetLine[]
  readonly gross: string
  readonly held: string
  readonly open: string
  readonly currency: string
  readonly purchaseOrder: string
  readonly wantedBy: string
  readonly estimateDays: number
}

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
  if (s.stands === 'declined' || s.stands === 'cancelled') return []
  if (!s.agreed) {
    return s.lines.length === 0
      ? []
      : [
          { doing: 'agree', label: 'They agree' },
          { doing: 'offer', label: s.stands === 'draft' ? 'Send estimate' : 'Send again' },
          { doing: 'decline', label: 'Declined' },
        ]
  }
  return [
    ...(left((l) => l.toHandOver) ? [{ doing: 'hand-over' as const, label: 'Hand over' }] : []),
    ...(left((l) => l.toBill) ? [{ doing: 'bill' as const, label: 'Bill' }] : []),
    ...(left((l) => l.toBill) ? [{ doing: 'ask-deposit' as const, label: 'Ask for a deposit' }] : []),
    ...(s.stands === 'agreed'
      ? [
          { doing: 'pay-how' as const, label: 'How they pay' },
          { doing: 'cancel' as const, label: 'Cancel' },
        ]
      : []),
  ]
}

/** Everything that can be done with a sale now; each opens its panel, filled in. */
export const SaleActions = ({ sale, version, today, start, suggested }: Props) => {
  const [doing, setDoing] = useState<Doing | null>(start ?? null)
  const acts = actsFor(sale)
  const close = () => {
    setDoing(null)
    // A panel opened by its address does not open again when the page is read anew.
    if (start) history.replaceState(null, '', location.pathname)
  }
  const primary =
    acts.find((a) => a.doing === suggested)?.doing ?? (suggested === 'money' ? null : acts[0]?.doing)
  return (
    <div className="flex flex-wrap gap-2">
      {suggested === 'money' && (
        <Link
          prefetch={false}
          className="btn btn-do"
          data-primary
          href={`/money-in?customer=${sale.customerId}&sale=${sale.id}`}
        >
          Take money
        </Link>
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
        <Link prefetch={false} className="btn" href={`/money-in?customer=${sale.customerId}&sale=${sale.id}`}>
          Take money
        </Link>
      )}
      {doing && (
        <DoPanel key={`${doing}:${version}`} doing={doing} sale={sale} today={today} onClose={close} />
      )}
    </div>
  )
}

interface PanelProps {
  readonly sale: SheetSale
  readonly today: Day
  readonly onClose: () => void
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
}

const DoPanel = ({ doing, ...props }: PanelProps & { readonly doing: Doing }) => (
  <Panel open onClose={props.onClose} title={TITLE[doing]}>
    {doing === 'offer' && <Offer {...props} />}
    {doing === 'agree' && <Agree {...props} />}
    {doing === 'hand-over' && <HandOver {...props} />}
    {doing === 'bill' && <Bill {...props} />}
    {doing === 'ask-deposit' && <AskDeposit {...props} />}
    {doing === 'pay-how' && <PayHow {...props} />}
    {(doing === 'decline' || doing === 'cancel') && <Close as={doing} {...props} />}
  </Panel>
)

const Submit = ({
  busy,
  children,
  onDo,
}: {
  readonly busy: boolean
  readonly children: string
  readonly onDo: () => void
}) => (
  <button className="btn btn-do mt-4 w-full" disabled={busy} data-primary onClick={onDo}>
    {children} <kbd className="font-figure text-xs font-normal">Ctrl Enter</kbd>
  </button>
)

const Offer = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [validUntil, setValidUntil] = useState<string>(addDays(today, sale.estimateDays))
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/offer`,
      { validUntil },
      { say: () => `The estimate is out to ${sale.customer}, good through ${formatDay(validUntil as Day)}.` },
    )
    if (done) onClose()
  }
  return (
    <>
      <p className="mb-3">
        This keeps the estimate as it is now. Nothing goes to the books and nothing is set aside.
      </p>
      <DayField
        label="Good through"
        today={today}
        value={validUntil}
        onValue={setValidUntil}
        problem={messageFor(refused, 'validUntil')}
      />
      <p className="mt-3">
        <a className="underline" href={`/api/v1/export/sales/${sale.id}/estimate.pdf`} target="_blank">
          See it as it goes out (PDF)
        </a>
      </p>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Send the estimate
      </Submit>
    </>
  )
}

interface QuantitiesProps {
  readonly lines: readonly SheetLine[]
  readonly most: (l: SheetLine) => string
  readonly values: Readonly<Record<number, string>>
  readonly onValues: (values: Readonly<Record<number, string>>) => void
  readonly side?: (l: SheetLine) => string
}

const Quantities = ({ lines, most, values, onValues, side }: QuantitiesProps) => (
  <table className="ledger my-2">
    <thead>
      <tr>
        <th scope="col">What</th>
        <th scope="col" className="r">
          Of
        </th>
        <th scope="col" className="r w-[100px]">
          Now
        </th>
      </tr>
    </thead>
    <tbody>
      {lines.map((l) => (
        <tr key={l.id}>
          <td>
            {l.description}
            {side?.(l) && <div className="sub">{side(l)}</div>}
          </td>
          <td className="fig">{most(l)}</td>
          <td>
            <QuantityField
              label={`How many: ${l.description}`}
              hideLabel
              value={values[l.id] ?? ''}
              onValue={(v) => onValues({ ...values, [l.id]: v })}
            />
          </td>
        </tr>
      ))}
    </tbody>
  </table>
)

const chosenLines = (values: Readonly<Record<number, string>>) =>
  Object.entries(values)
    .filter(([, q]) => q !== '' && q !== '0')
    .map(([lineId, quantity]) => ({ lineId: Number(lineId), quantity }))

const fill = (lines: readonly SheetLine[], pick: (l: SheetLine) => string): Record<number, string> =>
  Object.fromEntries(lines.map((l) => [l.id, pick(l)]))

const Agree = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [values, setValues] = useState<Readonly<Record<number, string>>>(fill(sale.lines, (l) => l.quantity))
  const [purchaseOrder, setPurchaseOrder] = useState(sale.purchaseOrder)
  const [wantedBy, setWantedBy] = useState(sale.wantedBy)
  const go = async () => {
    const done = await send<{
      lines: { short: string; description: string; agreed: string; setAside: string }[]
    }>(
      'POST',
      `/sales/${sale.id}/agree`,
      { purchaseOrder, wantedBy: wantedBy || undefined, lines: chosenLines(values) },
      {
        say: (s) => {
          const short = s.lines.filter((l) => Number(l.short) > 0)
          return short.length === 0
            ? `Agreed with ${sale.customer}. What is on the shelf is set aside.`
            : `Agreed. Short: ${short.map((l) => `${l.agreed} ${l.description} agreed, ${l.setAside} on the shelf`).join('; ')}.`
        },
      },
    )
    if (done) onClose()
  }
  return (
    <>
      <p>All of it, or what they take. Stock is set aside from now on; nothing goes to the books.</p>
      <Quantities lines={sale.lines} most={(l) => l.quantity} values={values} onValues={setValues} />
      <div className="grid grid-cols-2 gap-3">
        <Text
          label="Their order number"
          value={purchaseOrder}
          maxLength={80}
          onChange={(e) => setPurchaseOrder(e.target.value)}
        />
        <DayField label="Wanted by" today={today} value={wantedBy} onValue={setWantedBy} />
      </div>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Agreed
      </Submit>
    </>
  )
}

const HandOver = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const waiting = sale.lines.filter((l) => Number(l.toHandOver) > 0)
  const [values, setValues] = useState<Readonly<Record<number, string>>>(
    fill(waiting, (l) => (l.fromShelf ? l.setAside : l.toHandOver)),
  )
  const [by, setBy] = useState<'counter' | 'parcel' | 'delivery'>('counter')
  const [on, setOn] = useState<string>(today)
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/handovers`,
      { on, by, lines: chosenLines(values) },
      { say: () => `Handed over to ${sale.customer}. The cost of what left is in the books.` },
    )
    if (done) onClose()
  }
  return (
    <>
      <Quantities
        lines={waiting}
        most={(l) => l.toHandOver}
        values={values}
        onValues={setValues}
        side={(l) =>
          l.fromShelf ? `${l.setAside} of ${l.toHandOver} on the shelf` : 'work or charge: done or not'
        }
      />
      <div className="grid grid-cols-2 gap-3">
        <div>
          <label className="label" htmlFor="by">
            How
          </label>
          <select id="by" className="field" value={by} onChange={(e) => setBy(e.target.value as typeof by)}>
            <option value="counter">across the counter</option>
            <option value="parcel">as a parcel</option>
            <option value="delivery">delivered</option>
          </select>
        </div>
        <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      </div>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Hand over
      </Submit>
    </>
  )
}

type What = 'handed-over' | 'remaining' | 'percent' | 'lines'

const Bill = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const left = sale.lines.filter((l) => Number(l.toBill) > 0)
  const anyReady = left.some((l) => Number(l.readyToBill) > 0)
  const [what, setWhat] = useState<What>(anyReady ? 'handed-over' : 'remaining')
  const [percent, setPercent] = useState('50')
  const [values, setValues] = useState<Readonly<Record<number, string>>>(fill(left, (l) => l.toBill))
  const [on, setOn] = useState<string>(today)
  const [charge, setCharge] = useState({ description: '', unitPrice: '' })
  const wish = what === 'percent' ? { percent } : what === 'lines' ? { lines: chosenLines(values) } : what
  const charges =
    charge.description.trim() && charge.unitPrice
      ? [{ description: charge.description, quantity: '1', unitPrice: charge.unitPrice }]
      : undefined
  const go = async (issue: boolean) => {
    const done = await send<{
      id: number
      number: string | null
      totals: { gross: string }
      heldApplied: string
      open: string
    }>(
      'POST',
      `/sales/${sale.id}/invoices`,
      { on, what: wish, issue, charges },
      {
        say: (i) =>
          i.number
            ? `Invoice ${i.number} issued: ${i.totals.gross}${Number(i.heldApplied) > 0 ? `, ${i.heldApplied} of it held already` : ''}. ${sale.customer} owes ${i.open} on it.`
            : 'A draft is made. Nothing is in the books until it is issued.',
        go: (i) => (i.number ? null : `/invoices/${i.id}`),
      },
    )
    if (done) onClose()
  }
  const choice = (value: What, label: string, disabled = false) => (
    <label className={`flex items-center gap-2 py-1 ${disabled ? 'text-iron-500' : ''}`}>
      <input
        type="radio"
        name="what"
        checked={what === value}
        disabled={disabled}
        onChange={() => setWhat(value)}
      />{' '}
      {label}
    </label>
  )
  return (
    <>
      <fieldset>
        <legend className="label">What to bill</legend>
        {choice(
          'handed-over',
          anyReady ? 'what was handed over' : 'what was handed over (nothing is)',
          !anyReady,
        )}
        {choice('remaining', 'all that remains')}
        {choice('percent', 'a percentage')}
        {choice('lines', 'chosen quantities')}
      </fieldset>
      {what === 'percent' && (
        <QuantityField label="Percent of what is agreed" value={percent} onValue={setPercent} />
      )}
      {what === 'lines' && (
        <Quantities
          lines={left}
          most={(l) => l.toBill}
          values={values}
          onValues={setValues}
          side={(l) => (Number(l.readyToBill) > 0 ? `${l.readyToBill} handed over` : '')}
        />
      )}
      <div className="mt-2 grid grid-cols-[1fr_130px] gap-3">
        <Text
          label="A charge that came up"
          value={charge.description}
          maxLength={200}
          onChange={(e) => setCharge({ ...charge, description: e.target.value })}
        />
        <MoneyField
          label="Its amount"
          currency={sale.currency}
          value={charge.unitPrice}
          onValue={(unitPrice) => setCharge({ ...charge, unitPrice })}
        />
      </div>
      <div className="mt-2">
        <DayField
          label="Dated"
          today={today}
          value={on}
          onValue={setOn}
          problem={messageFor(refused, 'on')}
        />
      </div>
      {Number(sale.held) > 0 && (
        <p className="mt-2 text-brass-700">
          {sale.held} is held for this sale and goes on the invoice by itself.
        </p>
      )}
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go(true)}>
        Issue the invoice
      </Submit>
      <button className="btn mt-2 w-full" disabled={busy} onClick={() => void go(false)}>
        Make a draft first
      </button>
    </>
  )
}

const AskDeposit = ({ sale, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [percent, setPercent] = useState('50')
  const [amount, setAmount] = useState('')
  const asked =
    amount !== ''
      ? amount
      : /^\d+(\.\d+)?$/.test(percent)
        ? formatMoney(roundToMoney(decimal(sale.gross).times(percent).div(100), sale.currency))
        : ''
  const go = async () => {
    const done = await send<{ number: string; amount: string }>(
      'POST',
      `/sales/${sale.id}/deposit-requests`,
      amount === '' ? { percent } : { amount },
      { say: (d) => `Deposit request ${d.number}: ${d.amount} asked of ${sale.customer}.` },
    )
    if (done) onClose()
  }
  return (
    <>
      <p className="mb-3">
        A paper that asks, not an invoice. When the money comes it is held for {sale.customer} (a liability)
        until it is earned.
      </p>
      <div className="grid grid-cols-2 gap-3">
        <QuantityField
          label="Percent of the total with tax"
          value={percent}
          onValue={(v) => {
            setPercent(v)
            setAmount('')
          }}
        />
        <MoneyField label="or an amount" currency={sale.currency} value={amount} onValue={setAmount} />
      </div>
      <p className="mt-2">{asked && `${asked} of ${sale.gross}, tax included.`}</p>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Ask for it
      </Submit>
    </>
  )
}

const PayHow = ({ sale, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [kind, setKind] = useState<'now' | 'terms' | 'deposit'>('now')
  const [net, setNet] = useState('30')
  const [percent, setPercent] = useState('50')
  const go = async () => {
    const arrangement =
      kind === 'now' ? { kind } : kind === 'terms' ? { kind, net: Number(net) || 0 } : { kind, percent }
    const done = await send('POST', `/sales/${sale.id}/arrangement`, arrangement, {
      say: () => 'Noted. The next invoice follows it.',
    })
    if (done) onClose()
  }
  return (
    <>
      <fieldset className="grid gap-2">
        <legend className="label">From now on they pay</legend>
        <label className="flex gap-2">
          <input type="radio" name="kind" checked={kind === 'now'} onChange={() => setKind('now')} /> at once,
          when billed
        </label>
        <label className="flex gap-2">
          <input type="radio" name="kind" checked={kind === 'terms'} onChange={() => setKind('terms')} /> on
          terms
        </label>
        {kind === 'terms' && <QuantityField label="Days after the invoice" value={net} onValue={setNet} />}
        <label className="flex gap-2">
          <input type="radio" name="kind" checked={kind === 'deposit'} onChange={() => setKind('deposit')} />{' '}
          a deposit first
        </label>
        {kind === 'deposit' && (
          <QuantityField label="Percent of the total with tax" value={percent} onValue={setPercent} />
        )}
      </fieldset>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Arrange it so
      </Submit>
    </>
  )
}

const Close = ({ as, sale, onClose }: PanelProps & { readonly as: 'decline' | 'cancel' }) => {
  const { send, busy, refused } = useSend()
  const [reason, setReason] = useState('')
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/${as}`,
      { reason },
      { say: () => `Sale ${sale.number} is ${as === 'decline' ? 'declined' : 'cancelled'}.` },
    )
    if (done) onClose()
  }
  return (
    <>
      <Text
        label="Why"
        value={reason}
        maxLength={500}
        onChange={(e) => setReason(e.target.value)}
        problem={messageFor(refused, 'reason')}
        hint="it helps to know later what sales were lost to"
      />
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <Submit busy={busy} onDo={() => void go()}>
        {as === 'decline' ? 'They declined' : 'Cancel the sale'}
      </Submit>
    </>
  )
}
