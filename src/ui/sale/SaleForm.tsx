'use client'
import { present } from '@/core/present'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { addMoney, decimal, formatMoney, roundToMoney, subtractMoney, type Money } from '@/core/money'
import { overLimit } from '@/core/sale'
import { DayField, Text } from '../fields'
import { Refusal } from '../Refusal'
import { ForWhom, type Buyer } from './ForWhom'
import { LineEditor } from './LineEditor'
import { draftTotals, isBlank, type DraftSettings, type LineDraft } from './lineDraft'
import type { SaleFacts } from './saleFacts'
import { SaleMore } from './SaleMore'
import { OtherSalePanel, UsualPanel } from './TakeFrom'
import { useSaleSave } from './useSaleSave'

interface Props {
  /** The sale that is changed; null writes a new one. */
  readonly sale: {
    readonly id: number
    readonly number: number
    readonly agreed: boolean
    readonly total: string
  } | null
  readonly today: Day
  readonly settings: Omit<DraftSettings, 'exempt' | 'pricesIncludeTax'>
  readonly pricesIncludeTax: boolean
  readonly kinds: readonly string[]
  readonly buyer: Buyer | null
  readonly facts: SaleFacts
  readonly lines: readonly LineDraft[]
}

/** How far this sale takes its customer over their credit limit; null where it does not. */
const sayOver = (buyer: Buyer | null, total: Money, own: string): string | null => {
  if (!buyer?.creditLimit) return null
  const read = (text: string): Money => roundToMoney(decimal(text), total.currency)
  const committed = addMoney(subtractMoney(read(buyer.committed), read(own)), total)
  const over = overLimit(committed, read(buyer.creditLimit))
  return over && formatMoney(over)
}

/** A sale while it is written or changed: who, what, what it comes to, and everything else that can be said of it. */
export const SaleForm = ({
  sale,
  today,
  settings,
  pricesIncludeTax,
  kinds,
  buyer: first,
  facts: start,
  lines: given,
}: Props) => {
  const [buyer, setBuyer] = useState(first)
  const [facts, setFacts] = useState(start)
  const [lines, setLines] = useState(given)
  const [panel, setPanel] = useState<'usual' | 'other' | null>(null)
  const [more, setMore] = useState(sale !== null)
  const { write, change, busy, refused } = useSaleSave({ sale, buyer, facts, lines, currency: settings.currency })
  const set = (change: Partial<SaleFacts>) => setFacts({ ...facts, ...change })
  const whole: DraftSettings = {
    ...settings,
    exempt: buyer?.exempt ?? false,
    pricesIncludeTax: sale ? pricesIncludeTax : (buyer?.pricesIncludeTax ?? pricesIncludeTax),
  }
  const total = draftTotals(lines, facts.less, whole).gross
  const over = sayOver(buyer, total, sale?.agreed ? sale.total : '0')
  const addresses = (buyer?.addresses ?? []).filter((a) => a.kind === 'deliver-to').map((a) => a.text)
  const take = (more: readonly LineDraft[]) => setLines((now) => [...now.filter((l) => !isBlank(l)), ...more])
  return (
    <div className="grid gap-4">
      <div className="grid gap-4 md:grid-cols-[1.2fr_1.2fr_160px_160px]">
        {sale ? (
          <Text label="Customer" value={buyer?.name ?? ''} readOnly />
        ) : (
          <ForWhom buyer={buyer} onBuyer={setBuyer} />
        )}
        <Text
          label="Title"
          value={facts.title}
          placeholder="Leave empty to use the first items"
          maxLength={200}
          onChange={(e) => set({ title: e.target.value })}
        />
        <DayField label="Needed by" today={today} value={facts.wantedBy} onValue={(wantedBy) => set({ wantedBy })} />
        <label>
          <span className="label">Type of sale</span>
          <select className="field" value={facts.kind} onChange={(e) => set({ kind: e.target.value })}>
            {[...new Set([...kinds, ...(facts.kind ? [facts.kind] : [])])].map((k) => (
              <option key={k} value={k}>
                {k}
              </option>
            ))}
          </select>
        </label>
      </div>
      {over && (
        <p role="status" className="border-l-4 border-oxide-700 bg-oxide-100 px-3 py-2">
          This takes {present(buyer).name} {over} over their credit limit of {present(buyer).creditLimit}. Ask for a
          deposit, or for what is late first.
        </p>
      )}
      <Refusal refused={refused} />
      <LineEditor
        lines={lines}
        setLines={setLines}
        wholeLess={facts.less}
        onWholeLess={(less) => set({ less })}
        settings={whole}
        customerId={buyer?.id ?? null}
        addresses={addresses}
        errors={refused?.errors ?? []}
      />
      <div className="flex flex-wrap items-center gap-3">
        <button
          className="btn btn-do"
          disabled={busy}
          data-primary
          onClick={() => void (sale ? change() : write(false))}
        >
          {sale ? (sale.agreed ? 'Save changed order' : 'Save changes') : 'Save draft'}
        </button>
        {!sale && (
          <button className="btn" disabled={busy} onClick={() => void write(true)}>
            Save as order
          </button>
        )}
        {buyer && (
          <>
            <button type="button" className="btn" onClick={() => setPanel('usual')}>
              Usually buys
            </button>
            <button type="button" className="btn" onClick={() => setPanel('other')}>
              Copy from another sale
            </button>
          </>
        )}
        <button type="button" className="text-xs underline" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? 'less' : 'More: notes, delivery, PO'}
        </button>
        <span className="sub">Ctrl Enter{sale ? '' : ' · nothing is recorded in the books yet'}</span>
      </div>
      {more && <SaleMore facts={facts} addresses={addresses} onFacts={set} />}
      {panel === 'usual' && buyer && (
        <UsualPanel customerId={buyer.id} customer={buyer.name} onTake={take} onClose={() => setPanel(null)} />
      )}
      {panel === 'other' && buyer && (
        <OtherSalePanel customerId={buyer.id} customer={buyer.name} onTake={take} onClose={() => setPanel(null)} />
      )}
    </div>
  )
}
