'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { formatMoney, minorDigits, money, parseMoney, subtractMoney, toDecimalString, absMoney } from '@/core/money'
import { MoneyField, QuantityField, Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly on: Day
  readonly today: Day
  readonly currency: string
  readonly expected: string
  readonly accounts: readonly { readonly code: string; readonly name: string }[]
}

/** Cash in and out with a reason, and the count at the close. */
export const DrawerForms = (props: Props) => (
  <div className="grid content-start gap-8">
    <CashMove {...props} />
    <Count {...props} />
  </div>
)

const CashMove = ({ on, currency, accounts }: Props) => {
  const { send, busy, refused } = useSend()
  const [amount, setAmount] = useState('')
  const [reason, setReason] = useState('')
  const [account, setAccount] = useState('')
  const move = async (direction: 'in' | 'out') => {
    const done = await send(
      'POST',
      '/drawer/moves',
      { on, direction, amount, reason, ...(account ? { account } : {}) },
      { say: (m) => `${m.number}: ${amount} ${direction === 'in' ? 'put in' : 'taken out'}.` },
    )
    if (done) {
      setAmount('')
      setReason('')
    }
  }
  return (
    <section>
      <h2>Cash in or out</h2>
      <div className="grid gap-3">
        <MoneyField
          label="How much"
          currency={currency}
          value={amount}
          onValue={setAmount}
          problem={messageFor(refused, 'amount')}
        />
        <Text
          label="What for"
          value={reason}
          maxLength={200}
          placeholder="float, stamps, to my own pocket"
          onChange={(e) => setReason(e.target.value)}
          problem={messageFor(refused, 'reason')}
        />
        <label>
          <span className="label">From or to</span>
          <select className="field" value={account} onChange={(e) => setAccount(e.target.value)}>
            <option value="">your own money in, small supplies out</option>
            {accounts.map((a) => (
              <option key={a.code} value={a.code}>
                {a.name}
              </option>
            ))}
          </select>
        </label>
      </div>
      <Refusal refused={refused} />
      <p className="mt-3 flex gap-2">
        <button className="btn flex-1" disabled={busy} onClick={() => void move('in')}>
          Put in
        </button>
        <button className="btn flex-1" disabled={busy} onClick={() => void move('out')}>
          Take out
        </button>
      </p>
    </section>
  )
}

/** Notes and coins by their worth in minor units of a two-digit currency; others are counted as a sum. */
const PIECES = [10_000n, 5000n, 2000n, 1000n, 500n, 200n, 100n, 50n, 25n, 20n, 10n, 5n, 1n]

const Count = ({ on, currency, expected }: Props) => {
  const { send, busy, refused } = useSend()
  const [pieces, setPieces] = useState<Readonly<Record<string, string>>>({})
  const [counted, setCounted] = useState('')
  const bySum = minorDigits(currency) !== 2
  const sum = money(
    PIECES.reduce((s, worth) => s + worth * BigInt(Math.max(0, Math.trunc(Number(pieces[String(worth)]) || 0))), 0n),
    currency,
  )
  const books = parseMoney(expected, currency)
  const over = books.ok ? subtractMoney(sum, books.value) : null
  const any = Object.values(pieces).some((n) => n !== '' && n !== '0')
  const go = async () => {
    const body = any
      ? {
          pieces: Object.fromEntries(
            Object.entries(pieces)
              .filter(([, n]) => Number(n) > 0)
              .map(([worth, n]) => [toDecimalString(money(BigInt(worth), currency)), Math.trunc(Number(n))]),
          ),
        }
      : { counted }
    const done = await send(
      'POST',
      '/drawer/counts',
      { on, ...body },
      {
        say: (c) =>
          `${c.number}: ${Number(c.over) === 0 ? 'the drawer agrees with the books' : `${c.over} over (below zero: short), posted`}.`,
      },
    )
    if (done) {
      setPieces({})
      setCounted('')
    }
  }
  return (
    <section>
      <h2>Count it</h2>
      {!bySum && (
        <div className="grid grid-cols-2 gap-x-5 gap-y-1">
          {PIECES.map((worth) => (
            <div key={String(worth)} className="flex items-center gap-2">
              <span className="fig w-16">{formatMoney(money(worth, currency))}</span>
              <span className="text-iron-500">×</span>
              <div className="w-20">
                <QuantityField
                  label={`How many of ${formatMoney(money(worth, currency))}`}
                  hideLabel
                  value={pieces[String(worth)] ?? ''}
                  onValue={(v) => setPieces({ ...pieces, [String(worth)]: v })}
                />
              </div>
            </div>
          ))}
        </div>
      )}
      {!any && (
        <div className="mt-3">
          <MoneyField
            label={bySum ? 'What is in it' : 'or only the sum'}
            currency={currency}
            value={counted}
            onValue={setCounted}
            problem={messageFor(refused, 'counted')}
          />
        </div>
      )}
      {any && over && (
        <p className="mt-3" role="status">
          <span className="fig font-bold">{formatMoney(sum)}</span> counted, {expected} by the books:{' '}
          {over.minor === 0n ? 'agrees' : `${formatMoney(absMoney(over))} ${over.minor < 0n ? 'short' : 'over'}`}.
        </p>
      )}
      <Refusal refused={refused} />
      <button className="btn btn-do mt-3 w-full" data-primary disabled={busy} onClick={() => void go()}>
        Close the day
      </button>
    </section>
  )
}
