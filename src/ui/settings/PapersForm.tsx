'use client'
import { Select } from '../Select'
import { useState } from 'react'
import { QuantityField, Text } from '../fields'
import { Files } from '../files/Files'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

export interface PaperSettings {
  readonly name: string
  readonly address: string
  readonly phone: string
  readonly email: string
  readonly header: string
  readonly footer: string
  readonly conditions: string
  readonly colour: string
  readonly paperSize: 'A4' | 'letter'
  readonly estimateDays: number
}

/** The business as its papers show it. */
export const PapersForm = ({ business, hasMark }: { readonly business: PaperSettings; readonly hasMark: boolean }) => {
  const [b, setB] = useState({ ...business, estimateDays: String(business.estimateDays) })
  const { send, busy, refused } = useSend()
  const set = (change: Partial<typeof b>) => setB({ ...b, ...change })
  const text = (label: string, key: 'name' | 'phone' | 'email' | 'header' | 'footer', most: number) => (
    <Text
      label={label}
      value={b[key]}
      maxLength={most}
      onChange={(e) => set({ [key]: e.target.value })}
      problem={messageFor(refused, key)}
    />
  )
  const words = (label: string, key: 'address' | 'conditions', rows: number, most: number) => (
    <label>
      <span className="label">{label}</span>
      <textarea
        className="field"
        rows={rows}
        maxLength={most}
        value={b[key]}
        onChange={(e) => set({ [key]: e.target.value })}
      />
    </label>
  )
  return (
    <section className="grid gap-3">
      <h2>On papers</h2>
      {text('Name', 'name', 120)}
      {words('Address', 'address', 3, 500)}
      <div className="grid grid-cols-2 gap-3">
        {text('Phone', 'phone', 60)}
        {text('E-mail letters come from', 'email', 200)}
      </div>
      {text('Under the name', 'header', 500)}
      {text('At the foot', 'footer', 500)}
      {words('Conditions, under estimates and orders', 'conditions', 3, 4000)}
      <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-3">
        <QuantityField
          label="Estimates are good for, days"
          value={b.estimateDays}
          onValue={(estimateDays) => set({ estimateDays })}
          problem={messageFor(refused, 'estimateDays')}
        />
        <Select
          label="Paper"
          value={b.paperSize}
          options={{ A4: 'A4', letter: 'letter' }}
          onValue={(paperSize) => set({ paperSize })}
        />
        <label>
          <span className="label">Colour</span>
          <input
            type="color"
            className="field !w-16 !p-1"
            value={b.colour}
            onChange={(e) => set({ colour: e.target.value })}
          />
        </label>
      </div>
      <Refusal refused={refused} />
      <button
        className="btn btn-do justify-self-start"
        data-primary
        disabled={busy}
        onClick={() =>
          void send(
            'PATCH',
            '/settings',
            { ...b, estimateDays: Number(b.estimateDays) },
            { say: () => 'Kept. New papers carry it.' },
          )
        }
      >
        Keep it
      </button>
      {hasMark && (
        // eslint-disable-next-line @next/next/no-img-element -- the owner's own picture, kept in the database
        <img
          src={`/api/v1/export/mark`}
          alt="The mark on papers"
          className="max-h-[60px] max-w-[200px] object-contain"
        />
      )}
      <Files
        ownerKind="business"
        ownerId={1}
        files={[]}
        label={hasMark ? 'Another mark' : 'A mark, PNG or JPEG'}
        accept="image/png,image/jpeg"
      />
    </section>
  )
}
