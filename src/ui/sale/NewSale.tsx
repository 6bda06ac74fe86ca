'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { DayField, Text } from '../fields'
import { findCustomers, Picker, type FoundCustomer } from '../Picker'
import { Refusal } from '../Refusal'
import { call, useSend } from '../send'
import { LineEditor } from './LineEditor'
import { toInput, type DraftSettings, type LineDraft } from './lineDraft'

interface Props {
  readonly today: Day
  readonly settings: Omit<DraftSettings, 'exempt'>
  readonly customer: { readonly id: number; readonly name: string; readonly taxExempt: boolean } | null
}

interface Chosen {
  readonly id: number
  readonly name: string
  readonly exempt: boolean
  readonly standing: string
}

/** A new sale: who, what, and what it comes to. A customer who is not known yet is added while typing. */
export const NewSale = ({ today, settings, customer }: Props) => {
  const [chosen, setChosen] = useState<Chosen | null>(
    customer && { id: customer.id, name: customer.name, exempt: customer.taxExempt, standing: '' },
  )
  const [title, setTitle] = useState('')
  const [wantedBy, setWantedBy] = useState('')
  const [note, setNote] = useState('')
  const [lines, setLines] = useState<readonly LineDraft[]>([])
  const { send, busy, refused, setRefused } = useSend()
  const choose = async (c: Pick<FoundCustomer, 'id' | 'name'>) => {
    const full = await call<{
      taxExempt: boolean
      owed: string
      late: string
      held: string
      creditLimit: string | null
    }>('GET', `/customers/${c.id}`)
    const f = full.ok ? full.value : null
    const over =
      f?.creditLimit && Number(f.owed) > Number(f.creditLimit)
        ? `, over the credit limit of ${f.creditLimit}`
        : ''
    setChosen({
      id: c.id,
      name: c.name,
      exempt: f?.taxExempt ?? false,
      standing: f
        ? `owes ${f.owed}${Number(f.late) > 0 ? `, ${f.late} of it late` : ''}${over} · ${Number(f.held) > 0 ? `${f.held} held` : 'nothing held'}`
        : '',
    })
  }
  const addCustomer = async (name: string) => {
    const made = await send<{ id: number; name: string }>(
      'POST',
      '/customers',
      { name },
      { say: (c) => `${c.name} is added to your people.` },
    )
    if (made) await choose(made)
  }
  const save = () => {
    if (!chosen)
      return setRefused({ detail: 'Say who it is for: find a customer, or type a new name.', errors: [] })
    void send<{ id: number; number: number }>(
      'POST',
      '/sales',
      {
        customerId: chosen.id,
        title,
        note,
        wantedBy: wantedBy || undefined,
        lines: toInput(lines).map(({ lineId: _lineId, ...l }) => l),
      },
      { say: (s) => `Sale ${s.number} for ${chosen.name} is written down.`, go: (s) => `/sales/${s.id}` },
    )
  }
  return (
    <div className="grid gap-4">
      <div className="grid gap-4 md:grid-cols-[1.2fr_1.2fr_180px]">
        <div>
          <Picker
            label="For"
            autoFocus={!customer}
            chosen={chosen?.name ?? ''}
            placeholder="name, e-mail or phone"
            find={findCustomers}
            onPick={(c) => void choose(c)}
            otherwise={{
              say: (typed) => `Add “${typed}” as a new customer`,
              take: (typed) => void addCustomer(typed),
            }}
          />
          {chosen?.standing && <div className="sub">{chosen.standing}</div>}
        </div>
        <Text
          label="About"
          value={title}
          placeholder="left empty, it is called after its lines"
          maxLength={200}
          onChange={(e) => setTitle(e.target.value)}
        />
        <DayField label="Wanted by" today={today} value={wantedBy} onValue={setWantedBy} />
      </div>
      <Refusal refused={refused} />
      <LineEditor
        lines={lines}
        onLines={setLines}
        settings={{ ...settings, exempt: chosen?.exempt ?? false }}
      />
      <div className="-mt-36 grid gap-3 md:max-w-[520px]">
        <div>
          <label htmlFor="sale-note" className="label">
            Notes for the whole
          </label>
          <textarea
            id="sale-note"
            className="field"
            rows={2}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
        </div>
        <div className="flex items-center gap-3">
          <button className="btn btn-do" disabled={busy} data-primary onClick={save}>
            Write it down
          </button>
          <span className="sub">Ctrl Enter · nothing is recorded in the books yet</span>
        </div>
      </div>
    </div>
  )
}
