'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { decimal } from '@/core/money'
import { DayField, Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Code {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly treatment: 'taxed' | 'zero' | 'exempt'
  readonly components: readonly { readonly name: string; readonly rate: string }[]
  /** What it charges today, in words, and what it charged before or will. */
  readonly says: string
  readonly otherTimes: readonly string[]
}
interface Props {
  readonly codes: readonly Code[]
  readonly today: Day
}

const PERCENT = /^\d{1,2}(\.\d{1,4})?$/

const asRate = (percent: string): string => decimal(percent).div(100).toString()

/** Other rates of a tax from a day on, component by component. */
const NewRates = ({ codes, today }: Props) => {
  const taxed = codes.filter((c) => c.treatment === 'taxed')
  const [code, setCode] = useState(taxed[0]?.code ?? '')
  const [from, setFrom] = useState('')
  const [percents, setPercents] = useState<Readonly<Record<string, string>>>({})
  const [wrong, setWrong] = useState('')
  const { send, busy, refused } = useSend()
  const chosen = taxed.find((c) => c.code === code)
  if (!chosen) return null
  const percentOf = (name: string, rate: string) => percents[name] ?? decimal(rate).times(100).toString()
  const change = async () => {
    const typed = chosen.components.map((k) => ({ name: k.name, percent: percentOf(k.name, k.rate) }))
    if (!typed.every((k) => PERCENT.test(k.percent))) return setWrong('A percentage is written like 8.25.')
    setWrong('')
    const components = typed.map((k) => ({ name: k.name, rate: asRate(k.percent) }))
    const made = await send(
      'POST',
      `/tax-codes/${chosen.id}/rates`,
      { from, components },
      { say: () => `${code} has these rates from that day on.` },
    )
    if (!made) return
    setPercents({})
    setFrom('')
  }
  return (
    <>
      <h3 className="mt-4 font-bold">A rate changes</h3>
      <p className="sub mb-2">
        Papers of that day and later take the new rate, papers before keep theirs, also when they are written later.
      </p>
      <div className="grid grid-cols-2 items-end gap-2">
        <label>
          <span className="label">Tax code</span>
          <select
            className="field"
            value={code}
            onChange={(e) => {
              setCode(e.target.value)
              setPercents({})
            }}
          >
            {taxed.map((c) => (
              <option key={c.id}>{c.code}</option>
            ))}
          </select>
        </label>
        <DayField label="From" today={today} value={from} onValue={setFrom} problem={messageFor(refused, 'from')} />
        {chosen.components.map((k) => (
          <Text
            key={`${chosen.id}${k.name}`}
            label={`Percent, ${k.name}`}
            inputMode="decimal"
            className="fig"
            value={percentOf(k.name, k.rate)}
            onChange={(e) => setPercents({ ...percents, [k.name]: e.target.value })}
            problem={wrong || undefined}
          />
        ))}
      </div>
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <button className="btn mt-2" disabled={busy} onClick={() => void change()}>
        Change the rate
      </button>
    </>
  )
}

/** The tax codes there are, another one, and rates that change from a day on. */
export const TaxForm = ({ codes, today }: Props) => {
  const [tax, setTax] = useState({ code: '', name: '', percent: '' })
  const [wrong, setWrong] = useState('')
  const { send, busy, refused } = useSend()
  const add = async () => {
    if (!PERCENT.test(tax.percent)) return setWrong('A percentage is written like 8.25.')
    setWrong('')
    const components = [{ name: tax.name, rate: asRate(tax.percent) }]
    const made = await send(
      'POST',
      '/tax-codes',
      { code: tax.code, name: tax.name, components },
      { say: () => `Tax code ${tax.code} can be used now.` },
    )
    if (made) setTax({ code: '', name: '', percent: '' })
  }
  return (
    <section>
      <h2>Tax codes</h2>
      <table className="ledger">
        <tbody>
          {codes.map((c) => (
            <tr key={c.id}>
              <td className="font-figure">{c.code}</td>
              <td>{c.name}</td>
              <td className="sub">
                {c.says}
                {c.otherTimes.map((t) => (
                  <span key={t} className="block">
                    {t}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2 grid grid-cols-[90px_1fr_90px_auto] items-end gap-2">
        <Text
          label="Code"
          value={tax.code}
          maxLength={20}
          onChange={(e) => setTax({ ...tax, code: e.target.value })}
          problem={messageFor(refused, 'code')}
        />
        <Text
          label="Name"
          value={tax.name}
          maxLength={80}
          onChange={(e) => setTax({ ...tax, name: e.target.value })}
          problem={messageFor(refused, 'name')}
        />
        <Text
          label="Percent"
          inputMode="decimal"
          className="fig"
          value={tax.percent}
          onChange={(e) => setTax({ ...tax, percent: e.target.value })}
          problem={wrong || undefined}
        />
        <button className="btn" disabled={busy} onClick={() => void add()}>
          Add
        </button>
      </div>
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <NewRates codes={codes} today={today} />
    </section>
  )
}
