'use client'
import { present } from '@/core/present'
import { useDeferredValue, useMemo, useRef, useState } from 'react'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { addMoney, decimal, formatMoney, roundToMoney, subtractMoney, type Money } from '@/core/money'
import { overLimit } from '@/core/sale'
import { useAhead } from '../ahead'
import { DayField, Text } from '../fields'
import { lazily } from '../lazily'
import { LeftOffer, useDraft } from '../left'
import { Menu } from '../Menu'
import { messageFor, Refusal } from '../Refusal'
import { ForWhom } from './ForWhom'
import { LineEditor } from './LineEditor'
import { taxAreaAt } from '@/core/tax'
import { draftTotals } from './draftTotals'
import { isBlank, taxCodeOf, type DraftSettings, type LineDraft } from './lineDraft'
import type { SaleFacts } from './saleFacts'
import { SaleMore } from './SaleMore'
import { useLines } from './useLines'
import { useRepricing, useSetLines } from './useRepricing'
import type { Buyer } from './useBuyer'
import { saleBody, useSaleSave } from './useSaleSave'

const OtherSalePanel = lazily(() => import('./TakeFrom').then((m) => m.OtherSalePanel))
const UsualPanel = lazily(() => import('./TakeFrom').then((m) => m.UsualPanel))

interface Props {
  /** The sale that is changed; null writes a new one. */
  readonly sale: {
    readonly id: number
    readonly number: number
    readonly agreed: boolean
    readonly total: string
    /** Which one is before whoever changes it. */
    readonly edition: string
  } | null
  readonly today: Day
  readonly settings: Pick<DraftSettings, 'currency' | 'roundPer' | 'codes'> & {
    readonly areas: readonly { readonly code: string; readonly taxCode: string }[]
  }
  readonly pricesIncludeTax: boolean
  readonly kinds: readonly string[]
  readonly buyer: Buyer | null
  readonly facts: SaleFacts
  readonly lines: readonly LineDraft[]
}

type Typed = Pick<Props, 'buyer' | 'facts' | 'lines'>

/** How far this sale takes its customer over their credit limit; null where it does not. */
const sayOver = (buyer: Buyer | null, total: Money, own: string): string | null => {
  if (!buyer?.creditLimit) return null
  const read = (text: string): Money => roundToMoney(decimal(text), total.currency)
  const committed = addMoney(subtractMoney(read(buyer.committed), read(own)), total)
  const over = overLimit(committed, read(buyer.creditLimit))
  return over && formatMoney(over)
}

/** An address on file of whoever was chosen before is none of the next one's. */
const withoutAddressesOf = (before: Buyer | null, now: Buyer | null, facts: SaleFacts): SaleFacts => {
  const theirs = before === null || before.id === now?.id ? [] : before.addresses.map((a) => a.text)
  const own = (address: string): string => (theirs.includes(address) ? '' : address)
  return { ...facts, billTo: own(facts.billTo), deliverTo: own(facts.deliverTo) }
}

/** What is typed into it, kept when its page is left. */
const useTyped = ({ sale, settings: { currency }, buyer, facts, lines }: Props) => {
  const { draft, set, ...left } = useDraft<Typed>(
    'sale',
    { buyer, facts, lines },
    // Prices and stock are told of lines when they are opened.
    (d) => ({ ...saleBody({ sale, currency, ...d }), customerId: d.buyer?.id }),
  )
  const setLines = useSetLines(set)
  const say = (change: Partial<SaleFacts>) => set((now) => ({ facts: { ...now.facts, ...change } }))
  return { ...draft, ...left, set, setLines, say }
}

/** How lines are reckoned for this buyer and this address. */
const useSettings = (
  { sale, settings, pricesIncludeTax }: Props,
  buyer: Buyer | null,
  deliverTo: string,
): DraftSettings =>
  useMemo(() => {
    const addresses = buyer?.addresses ?? []
    return {
      ...settings,
      exempt: buyer?.exempt ?? false,
      pricesIncludeTax: sale ? pricesIncludeTax : (buyer?.pricesIncludeTax ?? pricesIncludeTax),
      deliverTo,
      areaCode: (to) => {
        const area = settings.areas.length === 0 ? '' : taxAreaAt(addresses, to)
        return area === '' ? undefined : settings.areas.find((a) => a.code === area)?.taxCode
      },
    }
  }, [settings, buyer, sale, pricesIncludeTax, deliverTo])

/** A sale while it is written or changed: who, what, what it comes to, and everything else that can be said of it. */
export const SaleForm = (p: Props) => {
  const { sale, today, settings } = p
  const { currency } = settings
  const { buyer, facts, lines, set, say, setLines, bringBack, sent } = useTyped(p)
  const [panel, setPanel] = useState<'usual' | 'other' | null>(null)
  const [more, setMore] = useState(sale !== null)
  const table = useRef<HTMLTableElement>(null)
  // Two hundred lines are reckoned anew for another address after its key is drawn, not before.
  const whole = useSettings(p, buyer, useDeferredValue(facts.deliverTo))
  const { write, change, busy, refused, problems } = useSaleSave({
    sale,
    buyer,
    facts,
    lines,
    currency,
    taxOf: (l) => taxCodeOf(l, { ...whole, deliverTo: facts.deliverTo }),
    onSaved: sent,
  })
  const save = useAhead(() => (sale ? change() : write(false)))
  const order = useAhead(() => write(true))
  const { shown, hands } = useLines({ lines, setLines, taxCode: present(settings.codes[0]).code, table })
  const { areaCode, deliverTo } = whole
  const going = useMemo(() => ({ to: (l: LineDraft) => l.deliverTo || deliverTo, areaCode }), [areaCode, deliverTo])
  useRepricing(lines, setLines, { customerId: buyer?.id ?? null, withTax: whole.pricesIncludeTax, going })
  const totals = useMemo(() => draftTotals(shown, facts.less, whole), [shown, facts.less, whole])
  const over = sayOver(buyer, totals.gross, sale?.agreed ? sale.total : '0')
  const addresses = useMemo(() => {
    const of = (kind: 'bill-to' | 'deliver-to') =>
      (buyer?.addresses ?? []).filter((a) => a.kind === kind).map((a) => a.text)
    return { 'bill-to': of('bill-to'), 'deliver-to': of('deliver-to') }
  }, [buyer])
  const take = (more: readonly LineDraft[]) => setLines((now) => [...now.filter((l) => !isBlank(l)), ...more])
  const away = busy || save.waiting || order.waiting
  return (
    <div className="grid gap-4">
      <LeftOffer bringBack={bringBack} />
      <div className="grid gap-4 md:grid-cols-[1.2fr_1.2fr_160px_160px]">
        {sale ? (
          <Text label="Customer" value={buyer?.name ?? ''} readOnly />
        ) : (
          <ForWhom
            buyer={buyer}
            onBuyer={(to) => set((now) => ({ buyer: to, facts: withoutAddressesOf(now.buyer, to, now.facts) }))}
            onEntered={() => hands.enter(present(shown[0]).key, 'what')}
          />
        )}
        <Text
          label="Title"
          value={facts.title}
          placeholder="Leave empty to use the first items"
          maxLength={200}
          onChange={(e) => say({ title: e.target.value })}
        />
        <DayField
          label="Needed by"
          today={today}
          value={facts.wantedBy}
          onValue={(wantedBy) => say({ wantedBy })}
          problem={messageFor(refused, 'wantedBy')}
        />
        <TypeOfSale kinds={p.kinds} kind={facts.kind} onKind={(kind) => say({ kind })} />
      </div>
      {sale?.agreed && facts.wantedBy !== '' && facts.wantedBy !== p.facts.wantedBy && (
        <TellThem tell={facts.tell} onTell={(tell) => say({ tell })} />
      )}
      {over && (
        <p role="status" className="notice notice-bad">
          This takes {present(buyer).name} {over} over their credit limit of{' '}
          {formatDigits(present(buyer).creditLimit ?? '')}. Ask for a deposit, or for what is late first.
        </p>
      )}
      <Refusal refused={refused} />
      <LineEditor
        {...{ table, shown, hands, totals }}
        addresses={addresses['deliver-to']}
        wholeLess={facts.less}
        onWholeLess={(less) => say({ less })}
        settings={whole}
        problems={problems}
        autoFocus={p.buyer !== null}
      />
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-do" disabled={away} data-primary onClick={() => void save.run()}>
          {sale ? (sale.agreed ? 'Save changed order' : 'Save changes') : 'Save draft'}
        </button>
        {!sale && (
          <button className="btn" disabled={away} data-second title="Ctrl Shift Enter" onClick={() => void order.run()}>
            Save as order
          </button>
        )}
        {buyer && (
          <Menu label="Add lines">
            <button type="button" onClick={() => setPanel('usual')}>
              Usually buys
            </button>
            <button type="button" onClick={() => setPanel('other')}>
              Copy from another sale
            </button>
          </Menu>
        )}
        <button type="button" className="text-xs underline" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? 'Less' : 'More: notes, delivery, PO'}
        </button>
        <span className="sub" role="status">
          {save.waiting || order.waiting
            ? 'Waiting for the last search …'
            : `Ctrl Enter${sale ? '' : ' · nothing is recorded in the books yet'}`}
        </span>
      </div>
      {more && <SaleMore facts={facts} addresses={addresses} isNew={!sale} onFacts={say} />}
      {panel === 'usual' && buyer && (
        <UsualPanel customerId={buyer.id} customer={buyer.name} onTake={take} onClose={() => setPanel(null)} />
      )}
      {panel === 'other' && buyer && (
        <OtherSalePanel customerId={buyer.id} customer={buyer.name} onTake={take} onClose={() => setPanel(null)} />
      )}
    </div>
  )
}

const TellThem = ({ tell, onTell }: { readonly tell: boolean; readonly onTell: (tell: boolean) => void }) => (
  <label className="flex items-center gap-2 text-[15px]">
    <input type="checkbox" checked={tell} onChange={(e) => onTell(e.target.checked)} /> Email the new date to the
    customer
  </label>
)

interface TypeProps {
  readonly kinds: readonly string[]
  readonly kind: string
  readonly onKind: (kind: string) => void
}

const TypeOfSale = ({ kinds, kind, onKind }: TypeProps) => (
  <label>
    <span className="label">Type of sale</span>
    <select className="field" value={kind} onChange={(e) => onKind(e.target.value)}>
      {[...new Set([...kinds, ...(kind ? [kind] : [])])].map((k) => (
        <option key={k} value={k}>
          {k}
        </option>
      ))}
    </select>
  </label>
)
