'use client'

import { useState } from 'react'
import { useSend } from '../send'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import type { TradeFacts } from './tradeFacts'

export const Areas = ({ areas, codes }: Pick<TradeFacts, 'areas' | 'codes'>) => {
  const [a, setA] = useState({ code: '', name: '', taxCode: codes[0] ?? '' })
  const { send, busy, refused } = useSend()
  const add = async () => {
    const done = await send('POST', '/tax-areas', a, {
      say: () => `${a.name} is added. Give it to addresses.`,
    })
    if (done) setA({ ...a, code: '', name: '' })
  }
  return (
    <section>
      <h2>Tax areas</h2>
      {areas.length > 0 && (
        <table className="ledger mb-2">
          <tbody>
            {areas.map((x) => (
              <tr key={x.code}>
                <td className="font-figure">{x.code}</td>
                <td>{x.name}</td>
                <td className="sub">taxed goods take {x.taxCode}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <div className="grid grid-cols-[90px_1fr_110px_auto] items-end gap-2">
        <Text
          label="Code"
          value={a.code}
          maxLength={40}
          onChange={(e) => setA({ ...a, code: e.target.value })}
          problem={messageFor(refused, 'code')}
        />
        <Text
          label="Name of the area"
          value={a.name}
          maxLength={80}
          onChange={(e) => setA({ ...a, name: e.target.value })}
          problem={messageFor(refused, 'name')}
        />
        <label>
          <span className="label">Tax code</span>
          <select className="field" value={a.taxCode} onChange={(e) => setA({ ...a, taxCode: e.target.value })}>
            {codes.map((c) => (
              <option key={c}>{c}</option>
            ))}
          </select>
        </label>
        <button className="btn" disabled={busy} onClick={() => void add()}>
          Add
        </button>
      </div>
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
    </section>
  )
}
