'use client'
import type { ReactNode } from 'react'
import { formatDay, type Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { decimal, formatPrice } from '@/core/money'
import { DayField, MoneyField, QuantityField, Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { call, useSend, type Refused } from '../send'
import { inOrder, useSentRows } from '../useSentRows'
import { LedgerHead, right } from '../LedgerHead'
import { LeftOffer, useDraft } from '../left'
import { ScanBox } from './ScanBox'
import {
  afterScan,
  isCounted,
  lineBody,
  NOTHING_COUNTED,
  scanInto,
  type CountDraft,
  type Counted,
  type CountLine,
} from './countDraft'
import { sayStockChange } from './sayStockChange'

interface Props {
  readonly currency: string
  readonly today: Day
  /** Where it is counted; null where there is one place. */
  readonly placeId: number | null
  readonly lines: readonly CountLine[]
}

/** What was counted stays when something else is searched for, or on another page. */
interface Typed extends CountDraft {
  readonly on: string
}
const NOTHING: CountDraft = { counted: {}, met: {}, scanned: '' }
/** What a scan said is not typed. */
const typedOf = ({ counted, on }: Typed) => ({ counted, on })

/** What was counted replaces what the books had; more comes in at a cost, less goes out at what it cost. */
export const CountForm = ({ currency, today, placeId, lines }: Props) => {
  const { draft, set, bringBack, sent } = useDraft<Typed>(`count ${placeId}`, { ...NOTHING, on: today }, typedOf)
  const { counted, met, on, scanned } = draft
  const { send, busy, refused } = useSend()
  const { problem, sentAs, rowOf } = useSentRows(refused)
  const of = (key: string): Counted => counted[key] ?? NOTHING_COUNTED
  const before = Object.values(met).filter((l) => isCounted(of(l.key)) && lines.every((x) => x.key !== l.key))
  const shown = [...lines, ...before]
  const typed = shown.filter((l) => isCounted(of(l.key)))
  const meet = (): void => set((now) => ({ met: { ...now.met, ...Object.fromEntries(lines.map((l) => [l.key, l])) } }))
  const change = (key: string, part: Partial<Counted>): void => {
    meet()
    set((now) => ({ counted: { ...now.counted, [key]: { ...NOTHING_COUNTED, ...now.counted[key], ...part } } }))
  }
  const save = async () => {
    sentAs(inOrder('lines', typed))
    const done = await send(
      'POST',
      '/stock-counts',
      {
        on,
        ...(placeId === null ? {} : { placeId }),
        lines: typed.map((l) => lineBody(l, of(l.key))),
      },
      { say: (c) => `Count ${c.number} saved: ${sayStockChange(c)}` },
    )
    if (!done) return
    sent()
    set(NOTHING)
  }
  const scan = async (code: string) => {
    const known = scanInto([...lines, ...Object.values(met)], counted, code) !== null
    const place = placeId === null ? '' : `&placeId=${placeId}`
    const sought = known ? null : await call('GET', `/stock-counts/lines?named=${encodeURIComponent(code)}${place}`)
    if (sought?.ok === false) return set({ scanned: sought.detail })
    set((now) => afterScan(now, { shown: lines, found: sought?.value.items ?? [], code }))
  }
  // Rows have no numbers: what is refused of one is said with its name.
  const named = (e: Refused['errors'][number]) => {
    const key = rowOf(e.path)
    const line = shown.find((l) => l.key === key)
    return line ? { path: '', message: `${line.name}: ${e.message}` } : e
  }
  const told = shown.some((l) => l.track !== 'none')
  const row = (l: CountLine) => (
    <tr key={l.key}>
      <td className="font-figure text-[14px] max-sm:hidden">{l.code}</td>
      <td className="wrap-anywhere">
        <span className={l.isNew ? 'text-iron-500' : undefined}>{l.name}</span>
        <Piece
          line={l}
          of={of(l.key)}
          today={today}
          problem={(field) => problem(l.key, field)}
          onChange={(part) => change(l.key, part)}
        />
      </td>
      <td className="fig">{l.isNew ? '' : formatDigits(l.onHand)}</td>
      <td>
        {!(l.isNew && l.track === 'serial') && (
          <QuantityField
            label={`Counted: ${l.name} ${l.serial ?? l.lot ?? (l.isNew ? 'new lot' : '')}`.trim()}
            hideLabel
            value={of(l.key).quantity}
            onValue={(quantity) => change(l.key, { quantity })}
            problem={problem(l.key, 'counted')}
          />
        )}
      </td>
      <td>
        <MoneyField
          label={`Cost of new ones: ${l.name} ${l.serial ?? l.lot ?? ''}`.trim()}
          hideLabel
          currency={currency}
          value={of(l.key).cost}
          placeholder={l.unitCost === '0' ? '' : formatPrice(decimal(l.unitCost), currency)}
          onValue={(cost) => change(l.key, { cost })}
          problem={problem(l.key, 'unitCost')}
        />
      </td>
    </tr>
  )
  return (
    <>
      <div className="mb-4 empty:hidden">
        <LeftOffer bringBack={bringBack} />
      </div>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <span className="w-37.5">
          <DayField
            label="Date"
            today={today}
            value={on}
            onValue={(to) => set({ on: to })}
            problem={messageFor(refused, 'on')}
          />
        </span>
        <ScanBox onScan={(code) => void scan(code)} said={scanned} />
        <button className="btn btn-do" data-primary disabled={busy || typed.length === 0} onClick={() => void save()}>
          Save count ({typed.length} {typed.length === 1 ? 'item' : 'items'})
        </button>
      </div>
      <Refusal refused={refused && { ...refused, errors: refused.errors.map(named) }} />
      <table className="ledger max-w-245">
        <LedgerHead
          heads={[
            { head: 'Code', className: 'max-sm:hidden' },
            told ? 'Name, lot or serial' : 'Name',
            right('On hand'),
            right('Counted', 'w-27.5 max-sm:w-18'),
            right('Cost of additions', 'w-30 max-sm:w-22'),
          ]}
        />
        <tbody>{lines.map(row)}</tbody>
        {before.length > 0 && <Before>{before.map(row)}</Before>}
      </table>
    </>
  )
}

/** What was counted and is not among what is searched for now. */
const Before = ({ children }: { readonly children: ReactNode }) => (
  <tbody>
    <tr>
      <td colSpan={5} className="sub pt-5">
        Counted already
      </td>
    </tr>
    {children}
  </tbody>
)

interface PieceProps {
  readonly line: CountLine
  readonly of: Counted
  readonly today: Day
  readonly problem: (field: string) => string | undefined
  readonly onChange: (part: Partial<Counted>) => void
}

/** Which lot or serial a row counts; on the row for new ones, the fields to say it. */
const Piece = ({ line, of, today, problem, onChange }: PieceProps) => {
  if (line.track === 'none') return null
  if (!line.isNew)
    return (
      <span className="block font-figure text-[14px]">
        {line.serial ?? line.lot}
        {line.expires && <small className="text-iron-500"> until {formatDay(line.expires)}</small>}
      </span>
    )
  return line.track === 'serial' ? (
    <Text
      label={`New serials: ${line.name}`}
      hideLabel
      value={of.serials}
      placeholder="new serials, with commas between"
      problem={problem('serials') ?? problem('counted')}
      onChange={(e) => onChange({ serials: e.target.value })}
    />
  ) : (
    <span className="flex max-w-100 flex-wrap gap-2">
      <Text
        label={`New lot: ${line.name}`}
        hideLabel
        value={of.lot}
        placeholder="new lot"
        problem={problem('lot.code') ?? problem('lot')}
        onChange={(e) => onChange({ lot: e.target.value })}
      />
      <DayField
        label={`Expires: ${line.name}`}
        hideLabel
        today={today}
        value={of.expires}
        placeholder="expires"
        problem={problem('lot.expires')}
        onValue={(expires) => onChange({ expires })}
      />
    </span>
  )
}
