'use client'

import { useState } from 'react'
import { useSend } from '../send'
import { Text, QuantityField } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import type { TradeFacts } from './tradeFacts'

const WITH_TAX = { '': 'as the business', true: 'with tax', false: 'without tax' } as const

export const Levels = ({ levels }: Pick<TradeFacts, 'levels'>) => {
  const [l, setL] = useState({ code: '', name: '', percentOff: '', withTax: '' })
  const { send, busy, refused } = useSend()
  const add = async () => {
    const done = await send(
      'POST',
      '/price-levels',
      {
        code: l.code,
        name: l.name,
        percentOff: l.percentOff || '0',
        pricesIncludeTax: l.withTax === '' ? null : l.withTax === 'true',
      },
      { say: () => `${l.name} is added. Give it to customers on their page.` },
    )
    if (done) setL({ code: '', name: '', percentOff: '', withTax: '' })
  }
  return (
    <section>
      <h2>Price levels</h2>
      {levels.length > 0 && (
        <table className="ledger mb-2">
          <tbody>
            {levels.map((x) => (
              <tr key={x.id}>
                <td className="font-figure">{x.code}</td>
                <td>{x.name}</td>
                <td className="sub">
                  {Number(x.percentOff) > 0 ? `${x.percentOff} % off the list` : 'prices of its own'}
                </td>
                <td className="sub">
                  {WITH_TAX[x.pricesIncludeTax === null ? '' : x.pricesIncludeTax ? 'true' : 'false']}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <div className="grid grid-cols-[80px_1fr_70px_160px_auto] items-end gap-2 max-sm:grid-cols-2">
        <Text
          label="Code"
          value={l.code}
          maxLength={40}
          onChange={(e) => setL({ ...l, code: e.target.value })}
          problem={messageFor(refused, 'code')}
        />
        <Text
          label="Name of the level"
          value={l.name}
          maxLength={80}
          onChange={(e) => setL({ ...l, name: e.target.value })}
          problem={messageFor(refused, 'name')}
        />
        <QuantityField
          label="% off"
          value={l.percentOff}
          onValue={(percentOff) => setL({ ...l, percentOff })}
          problem={messageFor(refused, 'percentOff')}
        />
        <label>
          <span className="label">Prices shown</span>
          <select className="field" value={l.withTax} onChange={(e) => setL({ ...l, withTax: e.target.value })}>
            {Object.entries(WITH_TAX).map(([k, name]) => (
              <option key={k} value={k}>
                {name}
              </option>
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
