'use client'
import { useEffect, useState } from 'react'
import { addMonths, type Day } from '@/core/day'
import { Choice } from '../../Choice'
import { DayField, MoneyField, QuantityField, Text } from '../../fields'
import { messageFor, Refusal } from '../../Refusal'
import { call, useSend, type Refused } from '../../send'
import { PlanPreview, type PreviewedPlan } from '../PlanPreview'
import { EVERY, KINDS, readBack, writeOut, type Draft } from '../arrangementDraft'
import { MainButton } from '../../MainButton'
import type { PanelProps } from './parts'

/** How they pay from now on, with what it means for this sale before anything is kept. */
export const PayHow = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused: answered } = useSend()
  const refused = inPercent(answered)
  const [draft, setDraft] = useState<Draft>(() => readBack(sale.arrangement, sale.usual, addMonths(today, 1)))
  const set = (change: Partial<Draft>) => setDraft((d) => ({ ...d, ...change }))
  const arrangement = writeOut(draft)
  const { plan, problem } = usePreview(arrangement, sale.gross)
  const go = () =>
    send('POST', `/sales/${sale.id}/arrangement`, arrangement, {
      say: () => 'Payment terms saved. They apply from the next invoice.',
      done: onClose,
    })
  return (
    <>
      <Choice label="Payment terms" value={draft.kind} options={KINDS} onChoose={(kind) => set({ kind })} />
      <div className="mt-3 grid grid-cols-2 gap-3">
        <Fields
          draft={draft}
          set={set}
          currency={sale.currency}
          today={today}
          refused={refused ?? inPercent(problem)}
        />
      </div>
      {problem && problem.errors.length === 0 && (
        <p role="status" className="mt-3 text-oxide-700">
          {problem.detail}
        </p>
      )}
      {plan && <PlanPreview kind={draft.kind} plan={plan} currency={sale.currency} />}
      <Refusal refused={refused} />
      <MainButton busy={busy} onDo={() => void go()}>
        Save terms
      </MainButton>
    </>
  )
}

/** What the arrangement means for the total, asked anew a moment after the last change. */
const usePreview = (arrangement: unknown, total: string) => {
  const [seen, setSeen] = useState<{ plan: PreviewedPlan | null; problem: Refused | null }>({
    plan: null,
    problem: null,
  })
  const asked = JSON.stringify(arrangement)
  useEffect(() => {
    if (Number(total) === 0) return
    let gone = false
    const timer = setTimeout(() => {
      void call('POST', '/plans/preview', { ...JSON.parse(asked), total }).then((answer) => {
        if (!gone) setSeen(answer.ok ? { plan: answer.value, problem: null } : { plan: null, problem: answer })
      })
    }, 150)
    return () => {
      gone = true
      clearTimeout(timer)
    }
  }, [asked, total])
  return seen
}

interface FieldsProps {
  readonly draft: Draft
  readonly set: (change: Partial<Draft>) => void
  readonly currency: string
  readonly today: Day
  readonly refused: Refused | null
}

const Rhythm = ({ draft, set }: Pick<FieldsProps, 'draft' | 'set'>) => (
  <label>
    <span className="label">How often</span>
    <select className="field" value={draft.every} onChange={(e) => set({ every: e.target.value })}>
      {EVERY.map((e) => (
        <option key={e.value} value={e.value}>
          {e.label}
        </option>
      ))}
    </select>
  </label>
)

/** A rate is typed as a percentage, and sent as a fraction: what is wrong with it is said of a percentage. */
const inPercent = (refused: Refused | null): Refused | null =>
  refused && {
    ...refused,
    errors: refused.errors.map((e) =>
      e.path === 'charge.yearlyRate'
        ? { ...e, message: 'A percentage is written like 40 or 2.5, and is at most 100.' }
        : e,
    ),
  }

/** What was refused at the first of these places. */
const saidOf = (refused: Refused | null, paths: readonly string[]): string | undefined =>
  paths.map((path) => messageFor(refused, path)).find(Boolean)

const Fields = ({ draft: d, set, currency, today, refused }: FieldsProps) => {
  const q = (label: string, key: keyof Draft, ...paths: readonly string[]) => (
    <QuantityField
      label={label}
      value={d[key]}
      onValue={(v) => set({ [key]: v })}
      problem={saidOf(refused, paths.length > 0 ? paths : [key])}
    />
  )
  const m = (label: string, key: keyof Draft, ...paths: readonly string[]) => (
    <MoneyField
      label={label}
      currency={currency}
      value={d[key]}
      onValue={(v) => set({ [key]: v })}
      problem={saidOf(refused, paths.length > 0 ? paths : [key])}
    />
  )
  switch (d.kind) {
    case 'now':
      return null
    case 'terms':
      return (
        <>
          {q('Due in (days)', 'net')}
          {q('Number of payments', 'parts')}
          {Number(d.parts) > 1 ? (
            <Rhythm draft={d} set={set} />
          ) : (
            <>
              {q('Early-payment discount, %', 'discountPercent')}
              {q('If paid within (days)', 'discountDays')}
            </>
          )}
        </>
      )
    case 'deposit':
      return (
        <>
          {q('First deposit, % of total incl. tax', 'percent', 'percent', 'stages.0.percent')}
          {m('Or an amount', 'amount', 'amount', 'stages.0.amount')}
          {q('Second deposit, %', 'percent2', 'stages.1.percent')}
          {m('Or an amount', 'amount2', 'stages.1.amount')}
          <div className="col-span-2">
            <Text
              label="When the second is due"
              value={d.when2}
              maxLength={80}
              onChange={(e) => set({ when2: e.target.value })}
            />
          </div>
          <label className="col-span-2">
            <span className="label">Apply to partial invoices</span>
            <select className="field" value={d.apply} onChange={(e) => set({ apply: e.target.value })}>
              <option value="first">To the first invoices</option>
              <option value="in-proportion">In proportion</option>
            </select>
          </label>
        </>
      )
    case 'layaway':
      return (
        <>
          {q('First payment, %', 'firstPercent')}
          {m('Or an amount', 'firstPayment')}
          {q('Pay in full within (months)', 'months')}
          <Rhythm draft={d} set={set} />
          {q('Grace period (days)', 'graceDays')}
          {q('Cancellation fee, %', 'feePercent', 'fee.percent')}
          {m('Or an amount', 'feeAmount', 'fee.amount')}
        </>
      )
    case 'installments':
      return (
        <>
          {m('Down payment', 'firstPayment')}
          {q('Number of payments', 'count')}
          <Rhythm draft={d} set={set} />
          <DayField
            label="First payment due"
            today={today}
            value={d.firstDue}
            onValue={(firstDue) => set({ firstDue })}
            problem={messageFor(refused, 'firstDue')}
          />
          {q('Interest rate per year, %', 'yearly', 'charge.yearlyRate')}
          {m('Or a fixed finance charge', 'flat', 'charge.flat')}
          {q('Round payments up to', 'roundUpTo')}
          {q('Grace period (days)', 'graceDays')}
          {q('Late fee, %', 'latePercent', 'lateCharge.percent')}
          {m('Or an amount', 'lateAmount', 'lateCharge.amount')}
        </>
      )
  }
}
