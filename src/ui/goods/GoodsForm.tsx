'use client'
import { useState } from 'react'
import { MoneyField, QuantityField, Text } from '../fields'
import { findGoodsChoices, Picker } from '../Picker'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

export interface GoodsDraft {
  readonly code: string
  readonly name: string
  readonly kind: 'stock' | 'work' | 'charge' | 'kit'
  readonly price: string
  readonly taxCode: string
  readonly incomeAccount: string
  readonly barcode: string
  readonly note: string
  readonly retired: boolean
}

interface Props {
  readonly id: number | null
  readonly start: GoodsDraft
  readonly currency: string
  readonly codes: readonly string[]
  readonly accounts: readonly { readonly code: string; readonly name: string }[]
}

const KINDS = {
  stock: 'stock, kept on the shelf',
  work: 'work',
  charge: 'a charge',
  kit: 'a kit of other goods',
} as const

/** Goods: what they are called, cost the customer, and where their income goes. */
export const GoodsForm = ({ id, start, currency, codes, accounts }: Props) => {
  const [g, setG] = useState(start)
  const [parts, setParts] = useState<readonly { goodsId: number; name: string; quantity: string }[]>([])
  const { send, busy, refused } = useSend()
  const set = (change: Partial<GoodsDraft>) => setG({ ...g, ...change })
  const save = () => {
    const { kind, retired, incomeAccount, ...rest } = g
    const body =
      id === null
        ? {
            ...rest,
            kind,
            incomeAccount: incomeAccount || undefined,
            parts: kind === 'kit' ? parts.map(({ goodsId, quantity }) => ({ goodsId, quantity })) : undefined,
          }
        : { ...rest, incomeAccount, retired }
    void send<{ id: number; name: string }>(
      id === null ? 'POST' : 'PATCH',
      id === null ? '/goods' : `/goods/${id}`,
      body,
      {
        say: (r) => `${r.name} is ${id === null ? 'added' : 'changed'}.`,
        go: (r) => (id === null ? `/goods/${r.id}` : null),
      },
    )
  }
  return (
    <form
      className="grid max-w-[460px] gap-3"
      onSubmit={(e) => {
        e.preventDefault()
        save()
      }}
    >
      <div className="grid grid-cols-2 gap-3">
        <Text
          label="Code"
          autoFocus={id === null}
          value={g.code}
          maxLength={40}
          onChange={(e) => set({ code: e.target.value })}
          problem={messageFor(refused, 'code')}
        />
        <Text
          label="Barcode"
          value={g.barcode}
          maxLength={60}
          onChange={(e) => set({ barcode: e.target.value })}
        />
      </div>
      <Text
        label="Name"
        value={g.name}
        maxLength={200}
        onChange={(e) => set({ name: e.target.value })}
        problem={messageFor(refused, 'name')}
      />
      {id === null && (
        <div>
          <label className="label" htmlFor="kind">
            Kind
          </label>
          <select
            id="kind"
            className="field"
            value={g.kind}
            onChange={(e) => set({ kind: e.target.value as GoodsDraft['kind'] })}
          >
            {Object.entries(KINDS).map(([k, name]) => (
              <option key={k} value={k}>
                {name}
              </option>
            ))}
          </select>
        </div>
      )}
      {g.kind === 'kit' && id === null && (
        <div>
          {parts.map((p, i) => (
            <div key={p.goodsId} className="mb-1 grid grid-cols-[1fr_90px] items-end gap-2">
              <span>{p.name}</span>
              <QuantityField
                label={`How many: ${p.name}`}
                hideLabel
                value={p.quantity}
                onValue={(quantity) => setParts(parts.map((x, n) => (n === i ? { ...x, quantity } : x)))}
              />
            </div>
          ))}
          <Picker
            label="Add a part"
            chosen=""
            find={findGoodsChoices}
            onPick={(p) =>
              setParts([
                ...parts.filter((x) => x.goodsId !== p.id),
                { goodsId: p.id, name: p.name, quantity: '1' },
              ])
            }
            problem={messageFor(refused, 'parts')}
          />
        </div>
      )}
      <div className="grid grid-cols-2 gap-3">
        <MoneyField
          label="Price"
          currency={currency}
          value={g.price}
          onValue={(price) => set({ price })}
          problem={messageFor(refused, 'price')}
        />
        <div>
          <label className="label" htmlFor="tax-code">
            Tax
          </label>
          <select
            id="tax-code"
            className="field"
            value={g.taxCode}
            onChange={(e) => set({ taxCode: e.target.value })}
          >
            {codes.map((c) => (
              <option key={c}>{c}</option>
            ))}
          </select>
        </div>
      </div>
      <div>
        <label className="label" htmlFor="income">
          Its income goes to
        </label>
        <select
          id="income"
          className="field"
          value={g.incomeAccount}
          onChange={(e) => set({ incomeAccount: e.target.value })}
        >
          {id === null && <option value="">the usual account of its kind</option>}
          {accounts.map((a) => (
            <option key={a.code} value={a.code}>
              {a.code} {a.name}
            </option>
          ))}
        </select>
      </div>
      <div>
        <label className="label" htmlFor="goods-note">
          Notes
        </label>
        <textarea
          id="goods-note"
          className="field"
          rows={2}
          maxLength={2000}
          value={g.note}
          onChange={(e) => set({ note: e.target.value })}
        />
      </div>
      {id !== null && (
        <label className="flex gap-2">
          <input type="checkbox" checked={g.retired} onChange={(e) => set({ retired: e.target.checked })} />{' '}
          Retired: no longer offered, kept on its papers
        </label>
      )}
      <Refusal refused={refused} />
      <button className="btn btn-do" disabled={busy} data-primary>
        {id === null ? 'Add the goods' : 'Keep the changes'}
      </button>
    </form>
  )
}
