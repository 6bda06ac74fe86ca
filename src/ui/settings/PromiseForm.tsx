'use client'
import { rhythm } from '../sale/arrangementDraft'
import { useState } from 'react'
import { MoneyField, QuantityField } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { EVERY, type UsualPlain } from '../sale/arrangementDraft'
import { useSend } from '../send'

interface Props {
  readonly currency: string
  readonly usual: UsualPlain
  readonly ageLimits: readonly number[]
  readonly reminderDays: readonly number[]
  readonly bounceFee: string
  readonly stopSupplyDays: number
  readonly smallestCoin: number
  readonly taxOnDeposits: boolean
  readonly taxBackOnBadDebts: boolean
}

const text = (v: unknown): string => (v === undefined || v === null ? '' : String(v))
const whole = (s: string): number | undefined => (s.trim() === '' ? undefined : Number(s))
const some = (s: string): string | undefined => (s.trim() === '' || Number(s) === 0 ? undefined : s)

/** How arrangements begin, what lateness means, and how tax and coins go with money. */
export const PromiseForm = (props: Props) => {
  const { currency, usual } = props
  const { send, busy, refused } = useSend()
  const late = usual.late.charge as { percent?: string; amount?: string } | undefined
  const fee = usual.layaway.fee as { percent?: string; amount?: string } | undefined
  const [f, setF] = useState({
    net: text(usual.terms.net),
    discountPercent: text(usual.terms.discountPercent),
    discountDays: text(usual.terms.discountDays),
    deposit: text(usual.deposit.percent),
    firstPercent: text(usual.layaway.firstPercent),
    months: text(usual.layaway.months),
    every: typeof usual.layaway.every === 'object' ? '10' : text(usual.layaway.every ?? 'month'),
    layGrace: text(usual.layaway.graceDays),
    feePercent: text(fee?.percent),
    count: text(usual.installments.count),
    lateGrace: text(usual.late.graceDays),
    latePercent: text(late?.percent),
    lateAmount: text(late?.amount),
    bounceFee: props.bounceFee,
    reminders: props.reminderDays.join(', '),
    limits: props.ageLimits.join(', '),
    stop: String(props.stopSupplyDays),
    coin: String(props.smallestCoin),
  })
  const [taxOnDeposits, setTax] = useState(props.taxOnDeposits)
  const [taxBackOnBadDebts, setBack] = useState(props.taxBackOnBadDebts)
  const q = (label: string, key: keyof typeof f, path: string = key) => (
    <QuantityField
      label={label}
      value={f[key]}
      onValue={(v) => setF((now) => ({ ...now, [key]: v }))}
      problem={messageFor(refused, path)}
    />
  )
  const numbers = (s: string): number[] => s.split(/[ ,]+/).filter(Boolean).map(Number)
  // Three limits are wanted; more or fewer are refused with a sentence at the field.
  const three = (s: string) => numbers(s) as [number, number, number]
  const keep = () =>
    send(
      'PATCH',
      '/settings',
      {
        usualArrangements: {
          terms: { net: whole(f.net), discountPercent: some(f.discountPercent), discountDays: whole(f.discountDays) },
          deposit: { percent: some(f.deposit) },
          layaway: {
            firstPercent: some(f.firstPercent),
            months: whole(f.months),
            every: rhythm(f.every),
            graceDays: whole(f.layGrace),
            fee: some(f.feePercent) ? { percent: f.feePercent } : undefined,
          },
          installments: { count: whole(f.count), graceDays: whole(f.lateGrace) },
          late: {
            charge: some(f.lateAmount)
              ? { amount: f.lateAmount }
              : some(f.latePercent)
                ? { percent: f.latePercent }
                : undefined,
            graceDays: whole(f.lateGrace),
          },
        },
        ageLimits: three(f.limits),
        reminderDays: numbers(f.reminders),
        bounceFee: f.bounceFee || '0',
        stopSupplyDays: whole(f.stop) ?? 0,
        smallestCoin: whole(f.coin) ?? 1,
        taxOnDeposits,
        taxBackOnBadDebts,
      },
      { say: () => 'Kept. New arrangements begin so.' },
    )
  return (
    <section>
      <h2>Promises of money</h2>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        {q('Terms: days', 'net', 'usualArrangements.terms.net')}
        {q('Percent off, paid early', 'discountPercent', 'usualArrangements.terms.discountPercent')}
        {q('within days', 'discountDays', 'usualArrangements.terms.discountDays')}
        {q('Deposit: percent', 'deposit', 'usualArrangements.deposit.percent')}
        {q('Layaway: first, percent', 'firstPercent', 'usualArrangements.layaway.firstPercent')}
        {q('within months', 'months', 'usualArrangements.layaway.months')}
        <label>
          <span className="label">Layaway: how often</span>
          <select
            className="field"
            value={f.every}
            onChange={(e) => setF((now) => ({ ...now, every: e.target.value }))}
          >
            {EVERY.map((e) => (
              <option key={e.value} value={e.value}>
                {e.label}
              </option>
            ))}
          </select>
        </label>
        {q('days of grace', 'layGrace', 'usualArrangements.layaway.graceDays')}
        {q('fee when given up, percent', 'feePercent', 'usualArrangements.layaway.fee')}
        {q('Installments: payments', 'count', 'usualArrangements.installments.count')}
        {q('Late charge, percent', 'latePercent', 'usualArrangements.late.charge')}
        <MoneyField
          label="or an amount"
          currency={currency}
          value={f.lateAmount}
          onValue={(v) => setF((now) => ({ ...now, lateAmount: v }))}
        />
        {q('after days of grace', 'lateGrace', 'usualArrangements.late.graceDays')}
        <MoneyField
          label="For a cheque that bounced"
          currency={currency}
          value={f.bounceFee}
          onValue={(v) => setF((now) => ({ ...now, bounceFee: v }))}
          problem={messageFor(refused, 'bounceFee')}
        />
        {q('Warn when late by days', 'stop', 'stopSupplyDays')}
        <TextField
          label="Reminders after days"
          value={f.reminders}
          onValue={(v) => setF((now) => ({ ...now, reminders: v }))}
          problem={messageFor(refused, 'reminderDays')}
        />
        <TextField
          label="Columns of what is late"
          value={f.limits}
          onValue={(v) => setF((now) => ({ ...now, limits: v }))}
          problem={messageFor(refused, 'ageLimits')}
        />
        {q('Smallest coin, in hundredths', 'coin', 'smallestCoin')}
      </div>
      <div className="mt-3 grid gap-1.5">
        <label className="flex gap-2">
          <input type="checkbox" checked={taxOnDeposits} onChange={(e) => setTax(e.target.checked)} /> tax is due when a
          deposit comes, not first with the bill
        </label>
        <label className="flex gap-2">
          <input type="checkbox" checked={taxBackOnBadDebts} onChange={(e) => setBack(e.target.checked)} /> tax comes
          back when a debt is written off
        </label>
      </div>
      <Refusal refused={refused} />
      <button className="btn mt-3" disabled={busy} onClick={() => void keep()}>
        Keep
      </button>
    </section>
  )
}

const TextField = ({
  label,
  value,
  onValue,
  problem,
}: {
  readonly label: string
  readonly value: string
  readonly onValue: (v: string) => void
  readonly problem: string | undefined
}) => (
  <label>
    <span className="label">{label}</span>
    <input className="field" value={value} onChange={(e) => onValue(e.target.value)} />
    {problem && <span className="text-xs text-oxide-700">{problem}</span>}
  </label>
)
