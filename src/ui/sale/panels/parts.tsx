'use client'
import type { Day } from '@/core/day'
import type { Stands } from '@/core/sale'
import { QuantityField } from '../../fields'
import type { SheetLine } from '../actions'
import type { UsualPlain } from '../arrangementDraft'
import { LedgerHead, right } from '@/ui/LedgerHead'

/** A sale as the panels of its sheet need to know it. */
export interface SheetSale {
  readonly id: number
  readonly number: number
  readonly customerId: number
  readonly customer: string
  readonly stands: Stands
  readonly agreed: boolean
  readonly lines: readonly SheetLine[]
  readonly gross: string
  readonly held: string
  readonly open: string
  readonly currency: string
  readonly purchaseOrder: string
  readonly wantedBy: string
  readonly deliverTo: string
  readonly addresses: readonly string[]
  readonly estimateDays: number
  /** How they pay now, and what Settings say where an arrangement says nothing: plain values. */
  readonly arrangement: Readonly<Record<string, unknown>>
  readonly usual: UsualPlain
  readonly promise: SheetPromise
  /** The step that is pressing now, if there is one: it can be put off or done away with. */
  readonly step: { readonly action: string; readonly why: string } | null
}

/** What is promised on a sale, for the panels that change it. Amounts as decimal strings. */
export interface SheetPromise {
  readonly plans: readonly { readonly id: number; readonly number: string; readonly card: string }[]
  readonly layaway: {
    readonly stands: string
    readonly left: string
    readonly fee: string
    readonly back: string
  } | null
  readonly dues: readonly {
    readonly id: number
    readonly name: string
    readonly dueOn: Day
    readonly open: string
    readonly late: boolean
  }[]
  readonly lateCharges: readonly { readonly dueId: number; readonly name: string; readonly amount: string }[]
  readonly stages: readonly { readonly amount: string; readonly when: string }[]
  readonly otherSales: readonly { readonly id: number; readonly number: number; readonly title: string }[]
  readonly onAccount: string
}

export interface PanelProps {
  readonly sale: SheetSale
  readonly today: Day
  readonly onClose: () => void
}

interface SubmitProps {
  readonly busy: boolean
  readonly children: string
  readonly onDo: () => void
}

export const Submit = ({ busy, children, onDo }: SubmitProps) => (
  <button className="btn btn-do mt-4 w-full" disabled={busy} data-primary onClick={onDo}>
    {children} <kbd className="font-figure text-xs font-normal">Ctrl Enter</kbd>
  </button>
)

interface QuantitiesProps {
  readonly lines: readonly SheetLine[]
  readonly most: (l: SheetLine) => string
  readonly values: Readonly<Record<number, string>>
  readonly onValues: (values: Readonly<Record<number, string>>) => void
  readonly side?: (l: SheetLine) => string
}

/** How many of each line, beside how many there may be. */
export const Quantities = ({ lines, most, values, onValues, side }: QuantitiesProps) => (
  <table className="ledger my-2">
    <LedgerHead heads={['What', right('Of'), right('Now', 'w-[100px]')]} />
    <tbody>
      {lines.map((l) => (
        <tr key={l.id}>
          <td>
            {l.description}
            {side?.(l) && <div className="sub">{side(l)}</div>}
          </td>
          <td className="fig">{most(l)}</td>
          <td>
            <QuantityField
              label={`How many: ${l.description}`}
              hideLabel
              value={values[l.id] ?? ''}
              onValue={(v) => onValues({ ...values, [l.id]: v })}
            />
          </td>
        </tr>
      ))}
    </tbody>
  </table>
)

export const chosenLines = (values: Readonly<Record<number, string>>) =>
  Object.entries(values)
    .filter(([, q]) => q !== '' && q !== '0')
    .map(([lineId, quantity]) => ({ lineId: Number(lineId), quantity }))

export const fill = (lines: readonly SheetLine[], pick: (l: SheetLine) => string): Record<number, string> =>
  Object.fromEntries(lines.map((l) => [l.id, pick(l)]))
