'use client'
import { useState } from 'react'
import { formatDigits } from '@/core/locale'
import { QuantityField, Text } from '../fields'
import { LedgerHead, right } from '../LedgerHead'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { parcelsBody, sentParcels, type ParcelDraft } from './pickDraft'
import { useSentRows } from '../useSentRows'

interface Props {
  readonly pickId: number
  readonly number: string
  /** What goes into parcels: whole lines of the sale. */
  readonly lines: readonly { readonly lineId: number; readonly description: string; readonly picked: string }[]
  readonly start: readonly ParcelDraft[]
  readonly done: boolean
}

/** What is picked goes into boxes; their weight and size are reckoned where nothing is typed. */
export const PackDesk = ({ pickId, number, lines, start, done }: Props) => {
  const whole: ParcelDraft = {
    weight: '',
    size: '',
    quantities: Object.fromEntries(lines.map((l) => [l.lineId, l.picked])),
  }
  const [parcels, setParcels] = useState<readonly ParcelDraft[]>(start.length > 0 ? start : [whole])
  const { send, busy, refused } = useSend()
  const { problem, sentAs } = useSentRows(refused)
  const change = (at: number, part: Partial<ParcelDraft>): void =>
    setParcels((all) => all.map((p, i) => (i === at ? { ...p, ...part } : p)))
  const pack = () => {
    sentAs(sentParcels(parcels))
    return send('POST', `/picks/${pickId}/pack`, parcelsBody(parcels), {
      say: (p) => `${number} is packed in ${p.parcels.length} ${p.parcels.length === 1 ? 'parcel' : 'parcels'}.`,
    })
  }
  return (
    <section className="mb-7">
      <h2>Parcels</h2>
      <Refusal refused={refused} />
      <div className="overflow-x-auto">
        <table className="ledger max-w-245">
          <LedgerHead heads={['Item', right('Picked'), ...parcels.map((_, i) => right(`Parcel ${i + 1}`, 'w-36'))]} />
          <tbody>
            {lines.map((l) => (
              <tr key={l.lineId}>
                <td className="min-w-24">{l.description}</td>
                <td className="fig">{formatDigits(l.picked)}</td>
                {parcels.map((p, i) => (
                  <td key={i}>
                    <QuantityField
                      label={`In parcel ${i + 1}: ${l.description}`}
                      hideLabel
                      value={p.quantities[l.lineId] ?? ''}
                      onValue={(v) => change(i, { quantities: { ...p.quantities, [l.lineId]: v } })}
                      problem={problem(`${i} ${l.lineId}`, 'quantity')}
                    />
                  </td>
                ))}
              </tr>
            ))}
            <tr>
              <td colSpan={2}>Weight, kg</td>
              {parcels.map((p, i) => (
                <td key={i}>
                  <QuantityField
                    label={`Weight of parcel ${i + 1}, kg`}
                    hideLabel
                    value={p.weight}
                    placeholder="reckoned"
                    onValue={(weight) => change(i, { weight })}
                    problem={problem(`${i}`, 'weight')}
                  />
                </td>
              ))}
            </tr>
            <tr>
              <td colSpan={2}>Size, cm</td>
              {parcels.map((p, i) => (
                <td key={i}>
                  <Text
                    label={`Size of parcel ${i + 1}, cm`}
                    hideLabel
                    value={p.size}
                    placeholder="its box"
                    onChange={(e) => change(i, { size: e.target.value })}
                    problem={problem(`${i}`, 'size')}
                  />
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
      <div className="mt-3 flex flex-wrap gap-2">
        <button
          className={`btn ${done ? '' : 'btn-do'}`}
          data-primary={done ? undefined : true}
          disabled={busy}
          onClick={() => void pack()}
        >
          {done ? 'Pack again' : 'Pack'}
        </button>
        {parcels.length < 6 && (
          <button className="btn" onClick={() => setParcels([...parcels, { weight: '', size: '', quantities: {} }])}>
            Another parcel
          </button>
        )}
        {parcels.length > 1 && (
          <button className="btn" onClick={() => setParcels(parcels.slice(0, -1))}>
            One parcel less
          </button>
        )}
      </div>
    </section>
  )
}
