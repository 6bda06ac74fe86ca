'use client'
import { useState } from 'react'
import { formatDigits } from '@/core/locale'
import { QuantityField, Text } from '../fields'
import { ScanBox } from '../goods/ScanBox'
import { LedgerHead, right } from '../LedgerHead'
import { Refusal } from '../Refusal'
import { Select } from '../Select'
import { call, useSend } from '../send'
import {
  correctBody,
  rowsOf,
  scanOnto,
  sentRows,
  sumRows,
  withAnother,
  type DeskLine,
  type PickedRow,
  type Scanned,
} from './pickDraft'
import { useSentRows } from '../useSentRows'

interface Props {
  readonly pickId: number
  readonly number: string
  readonly lines: readonly DeskLine[]
  readonly places: readonly { readonly id: number; readonly name: string }[]
  /** It was said before what was picked. */
  readonly done: boolean
}

/** What is picked, as it is found: by scanning one piece after the other, or typed over what is proposed. */
export const PickDesk = ({ pickId, number, lines, places, done }: Props) => {
  const [{ rows, says }, setScanned] = useState<Scanned>(() => ({
    rows: rowsOf(lines, places[0]?.id ?? 1),
    any: false,
    says: '',
  }))
  const setRows = (next: (rows: readonly PickedRow[]) => readonly PickedRow[]): void =>
    setScanned((now) => ({ ...now, rows: next(now.rows) }))
  const { send, busy, refused } = useSend()
  const { problem, sentAs } = useSentRows(refused)
  const change = (key: string, part: Partial<PickedRow>): void =>
    setRows((all) => all.map((r) => (r.key === key ? { ...r, ...part } : r)))
  const scan = async (code: string) => {
    const found = await call('GET', `/goods?limit=9&search=${encodeURIComponent(code)}`)
    const owner = found.ok ? found.value.items.find((g) => g.piece?.serial)?.id : undefined
    setScanned((now) => scanOnto(now, code, owner ?? null))
  }
  const save = () => {
    sentAs(sentRows(rows))
    const say = () => `${number} saved as it was picked.`
    return send('POST', `/picks/${pickId}/correct`, correctBody(rows), { say })
  }
  const told = lines.some((l) => l.track !== 'none')
  const several = places.length > 1
  return (
    <section className="mb-7">
      <div className="mb-3">
        <ScanBox onScan={(code) => void scan(code)} said={says} />
      </div>
      <Refusal refused={refused} />
      <table className="ledger max-w-245">
        <LedgerHead
          heads={[
            'Item',
            right('To pick'),
            ...(several ? ['From'] : []),
            ...(told ? ['Lot or serials'] : []),
            right('Picked', 'w-25'),
          ]}
        />
        <tbody>
          {rows.map((r, i) => {
            const first = rows.findIndex((x) => x.line === r.line) === i
            const short = first && sumRows(rows.filter((x) => x.line === r.line)).lt(r.line.wanted)
            return (
              <tr key={r.key}>
                <td>
                  {first && (
                    <>
                      {r.line.name}
                      {r.line.description !== r.line.name && <div className="sub">for {r.line.description}</div>}
                      {several && (
                        <button
                          type="button"
                          className="sub block underline"
                          onClick={() => setRows((all) => withAnother(all, r, places))}
                        >
                          Another place or lot
                        </button>
                      )}
                    </>
                  )}
                </td>
                <td className={`fig ${short ? 'text-oxide-700' : ''}`}>{first && formatDigits(r.line.wanted)}</td>
                {several && (
                  <td>
                    <Select
                      label={`From: ${r.line.name}`}
                      hideLabel
                      value={String(r.placeId)}
                      onValue={(v) => change(r.key, { placeId: Number(v) })}
                      options={Object.fromEntries(places.map((p) => [String(p.id), p.name]))}
                    />
                  </td>
                )}
                {told && (
                  <td>
                    {r.line.track !== 'none' && (
                      <Text
                        label={`${r.line.track === 'lot' ? 'Lot' : 'Serials'}: ${r.line.name}`}
                        hideLabel
                        value={r.piece}
                        onChange={(e) => change(r.key, { piece: e.target.value })}
                        problem={problem(r.key, r.line.track === 'lot' ? 'lot' : 'serials')}
                      />
                    )}
                  </td>
                )}
                <td>
                  <QuantityField
                    label={`Picked: ${r.line.name}`}
                    hideLabel
                    value={r.quantity}
                    onValue={(quantity) => change(r.key, { quantity })}
                    problem={problem(r.key, 'quantity')}
                  />
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <button
        className={`btn mt-3 ${done ? '' : 'btn-do'}`}
        data-primary={done ? undefined : true}
        disabled={busy}
        onClick={() => void save()}
      >
        {done ? 'Change what was picked' : 'Save as picked'}
      </button>
    </section>
  )
}
