'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { formatMoney, subtractMoney, sumMoney, absMoney } from '@/core/money'
import { DayField, MoneyField, Text } from '../fields'
import { readTyped } from '../money/filling'
import { Panel } from '../Panel'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'
import { ReopenPeriod } from './ReopenPeriod'
import { LedgerHead, right } from '@/ui/LedgerHead'

interface Props {
  readonly today: Day
  readonly currency: string
  readonly accounts: readonly { readonly code: string; readonly name: string }[]
  /** Whether anything is closed. */
  readonly closed: boolean
}

interface Row {
  readonly account: string
  readonly debit: string
  readonly credit: string
}
const EMPTY: Row = { account: '', debit: '', credit: '' }

/** An entry of one's own, and closing a period. */
export const BooksActions = ({ today, currency, accounts, closed }: Props) => {
  const [open, setOpen] = useState<'entry' | 'close' | 'reopen' | null>(null)
  return (
    <>
      <button className="btn" onClick={() => setOpen('close')}>
        Close a period
      </button>
      {closed && (
        <button className="btn" onClick={() => setOpen('reopen')}>
          Reopen a period
        </button>
      )}
      <button className="btn btn-do" data-primary={open ? undefined : true} onClick={() => setOpen('entry')}>
        Write an entry
      </button>
      <Panel open={open === 'entry'} onClose={() => setOpen(null)} title="An entry of your own">
        <OwnEntry today={today} currency={currency} accounts={accounts} onDone={() => setOpen(null)} />
      </Panel>
      <Panel open={open === 'close'} onClose={() => setOpen(null)} title="Close a period">
        <ClosePeriod today={today} onDone={() => setOpen(null)} />
      </Panel>
      <Panel open={open === 'reopen'} onClose={() => setOpen(null)} title="Reopen a period">
        <ReopenPeriod today={today} onDone={() => setOpen(null)} />
      </Panel>
    </>
  )
}

const OwnEntry = ({ today, currency, accounts, onDone }: Omit<Props, 'closed'> & { readonly onDone: () => void }) => {
  const [text, setText] = useState('')
  const [on, setOn] = useState<string>(today)
  const [rows, setRows] = useState<readonly Row[]>([EMPTY, EMPTY])
  const { send, busy, refused } = useSend()
  const set = (i: number, change: Partial<Row>) => setRows(rows.map((r, n) => (n === i ? { ...r, ...change } : r)))
  const sum = (side: 'debit' | 'credit') =>
    sumMoney(
      rows.map((r) => readTyped(r[side], currency)),
      currency,
    )
  const difference = subtractMoney(sum('debit'), sum('credit'))
  const save = async () => {
    const lines = rows
      .filter((r) => r.account !== '')
      .map((r) => ({
        account: r.account,
        ...(r.debit ? { debit: r.debit } : {}),
        ...(r.credit ? { credit: r.credit } : {}),
      }))
    if (await send('POST', '/books/entries', { on, text, lines }, { say: () => 'The entry is in the books.' })) onDone()
  }
  return (
    <>
      <div className="grid grid-cols-[1fr_140px] gap-3">
        <Text
          label="What it is for"
          value={text}
          maxLength={300}
          onChange={(e) => setText(e.target.value)}
          problem={messageFor(refused, 'text')}
        />
        <DayField label="On" today={today} value={on} onValue={setOn} />
      </div>
      <table className="ledger mt-4">
        <LedgerHead heads={['Account', right('Debit', 'w-[100px]'), right('Credit', 'w-[100px]')]} />
        <tbody>
          {rows.map((r, i) => (
            <tr key={i}>
              <td className="px-0!">
                <select
                  aria-label={`Account of line ${i + 1}`}
                  className="field"
                  value={r.account}
                  onChange={(e) => set(i, { account: e.target.value })}
                >
                  <option value="" />
                  {accounts.map((a) => (
                    <option key={a.code} value={a.code}>
                      {a.code} {a.name}
                    </option>
                  ))}
                </select>
              </td>
              <td className="px-1!">
                <MoneyField
                  label={`Debit of line ${i + 1}`}
                  hideLabel
                  currency={currency}
                  value={r.debit}
                  onValue={(debit) => set(i, { debit })}
                />
              </td>
              <td className="px-0!">
                <MoneyField
                  label={`Credit of line ${i + 1}`}
                  hideLabel
                  currency={currency}
                  value={r.credit}
                  onValue={(credit) => set(i, { credit })}
                />
              </td>
            </tr>
          ))}
        </tbody>
        <tbody>
          <tr className="total">
            <td>{difference.minor === 0n ? '' : `differs by ${formatMoney(absMoney(difference))}`}</td>
            <td className="fig">{formatMoney(sum('debit'))}</td>
            <td className="fig">{formatMoney(sum('credit'))}</td>
          </tr>
        </tbody>
      </table>
      <button className="mt-2 self-start text-xs underline" onClick={() => setRows([...rows, EMPTY])}>
        one more line
      </button>
      <Refusal refused={refused} />
      <button className="btn btn-do mt-4 w-full" data-primary disabled={busy} onClick={() => void save()}>
        Post it
      </button>
    </>
  )
}

const ClosePeriod = ({ today, onDone }: { readonly today: Day; readonly onDone: () => void }) => {
  const [through, setThrough] = useState('')
  const [reason, setReason] = useState('')
  const { send, busy, refused } = useSend()
  const save = async () => {
    if (
      await send(
        'POST',
        '/books/close',
        { through, reason },
        { say: () => 'Closed. Nothing can be dated in it any more.' },
      )
    )
      onDone()
  }
  return (
    <>
      <p className="mb-3">
        Once closed, nothing can be dated on or before that day. What was wrong is mended by an entry dated later.
      </p>
      <div className="grid gap-3">
        <DayField
          label="Closed through"
          today={today}
          value={through}
          onValue={setThrough}
          problem={messageFor(refused, 'through')}
        />
        <Text
          label="Why, if you like"
          value={reason}
          maxLength={500}
          onChange={(e) => setReason(e.target.value)}
          problem={messageFor(refused, 'reason')}
        />
      </div>
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <button className="btn btn-do mt-4 w-full" data-primary disabled={busy} onClick={() => void save()}>
        Close it
      </button>
    </>
  )
}
