'use client'
import { useState } from 'react'
import { decimal } from '@/core/money'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly codes: readonly {
    readonly id: number
    readonly code: string
    readonly name: string
    readonly says: string
  }[]
}

const PERCENT = /^\d{1,2}(\.\d{1,4})?$/

/** The tax codes there are, and another one: for a rate that is new from now on. */
export const TaxForm = ({ codes }: Props) => {
  const [tax, setTax] = useState({ code: '', name: '', percent: '' })
  const [wrong, setWrong] = useState('')
  const { send, busy, refused } = useSend()
  const add = async () => {
    if (!PERCENT.test(tax.percent)) return setWrong('A percentage is written like 8.25.')
    setWrong('')
    const components = [{ name: tax.name, rate: decimal(tax.percent).div(100).toString() }]
    const made = await send('POST', '/tax-codes', { code: tax.code, name: tax.name, components }, { say: () => `Tax code ${tax.code} can be used now.` }) // prettier-ignore
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
              <td className="sub">{c.says}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="sub my-2">
        A rate that changes is a new code: give it to goods and lines from then on. What was invoiced keeps
        the code it was invoiced with.
      </p>
      <div className="grid grid-cols-[90px_1fr_90px_auto] items-end gap-2">
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
    </section>
  )
}
