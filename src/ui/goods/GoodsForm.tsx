'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { MoneyField, QuantityField, Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'
import { goodsBody, type GoodsDraft } from './goodsDraft'
import { PartRows } from './PartRows'
import { PriceRows } from './PriceRows'
import { SupplierRows } from './SupplierRows'

interface Props {
  readonly id: number | null
  readonly start: GoodsDraft
  readonly currency: string
  readonly today: Day
  readonly codes: readonly string[]
  readonly accounts: readonly { readonly code: string; readonly name: string }[]
  readonly levels: readonly { readonly code: string; readonly name: string }[]
}

const KINDS = {
  stock: 'stock, kept on the shelf',
  work: 'work',
  charge: 'a charge',
  kit: 'a kit of other goods',
} as const

/** Goods: what they are called, cost the customer, are made of, and where they come from. */
export const GoodsForm = ({ id, start, currency, today, codes, accounts, levels }: Props) => {
  const [g, setG] = useState(start)
  const { send, busy, refused } = useSend()
  const set = (change: Partial<GoodsDraft>) => setG({ ...g, ...change })
  const problem = (path: string) => messageFor(refused, path)
  const save = () =>
    void send<{ id: number; name: string }>(
      id === null ? 'POST' : 'PATCH',
      id === null ? '/goods' : `/goods/${id}`,
      goodsBody(g, id === null),
      {
        say: (r) => `${r.name} is ${id === null ? 'added' : 'changed'}.`,
        go: (r) => (id === null ? `/goods/${r.id}` : null),
      },
    )
  const text = (
    label: string,
    key: 'code' | 'name' | 'barcode' | 'tags' | 'size',
    most: number,
    extra: object = {},
  ) => (
    <Text
      label={label}
      value={g[key]}
      maxLength={most}
      onChange={(e) => set({ [key]: e.target.value })}
      problem={problem(key)}
      {...extra}
    />
  )
  const check = (label: string, key: 'priceIsSum' | 'onShopfront' | 'retired') => (
    <label className="flex gap-2">
      <input type="checkbox" checked={g[key]} onChange={(e) => set({ [key]: e.target.checked })} /> {label}
    </label>
  )
  const shelf = g.kind === 'stock'
  return (
    <form
      className="grid max-w-[460px] gap-3"
      onSubmit={(e) => {
        e.preventDefault()
        save()
      }}
    >
      <div className="grid grid-cols-2 gap-3">
        {text('Code', 'code', 40, { autoFocus: id === null })}
        {text('Barcode', 'barcode', 60)}
      </div>
      {text('Name', 'name', 200)}
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
      {g.kind === 'kit' && <PartRows parts={g.parts} onParts={(parts) => set({ parts })} problem={problem('parts')} />}
      {g.kind === 'kit' && check('costs what its parts cost together', 'priceIsSum')}
      <div className="grid grid-cols-2 gap-3">
        {!(g.kind === 'kit' && g.priceIsSum) && (
          <MoneyField
            label={g.kind === 'work' ? 'Price, an hour or a piece' : 'Price'}
            currency={currency}
            value={g.price}
            onValue={(price) => set({ price })}
            problem={problem('price')}
          />
        )}
        <div>
          <label className="label" htmlFor="tax-code">
            Tax
          </label>
          <select id="tax-code" className="field" value={g.taxCode} onChange={(e) => set({ taxCode: e.target.value })}>
            {codes.map((c) => (
              <option key={c}>{c}</option>
            ))}
          </select>
        </div>
      </div>
      <PriceRows
        prices={g.prices}
        onPrices={(prices) => set({ prices })}
        levels={levels}
        currency={currency}
        today={today}
        problem={problem}
      />
      {shelf && <SupplierRows suppliers={g.suppliers} onSuppliers={(suppliers) => set({ suppliers })} />}
      {shelf && (
        <div className="grid grid-cols-3 gap-3">
          <QuantityField
            label="Buy more at"
            value={g.reorderAt}
            onValue={(reorderAt) => set({ reorderAt })}
            problem={problem('reorderAt')}
          />
          <QuantityField
            label="Weight, kg"
            value={g.weight}
            onValue={(weight) => set({ weight })}
            problem={problem('weight')}
          />
          {text('Size, cm', 'size', 60, { placeholder: '40 × 25 × 12' })}
        </div>
      )}
      {text('Tags, with commas', 'tags', 400)}
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
      {check('On the shopfront', 'onShopfront')}
      {id !== null && check('Retired: no longer offered, kept on its papers', 'retired')}
      <Refusal refused={refused} />
      <button className="btn btn-do" disabled={busy} data-primary>
        {id === null ? 'Add the goods' : 'Keep the changes'}
      </button>
    </form>
  )
}
