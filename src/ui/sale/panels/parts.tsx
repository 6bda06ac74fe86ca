'use client'
import type { ReactNode } from 'react'
import { formatDigits } from '@/core/locale'
import type { Day } from '@/core/day'
import type { AsideTurn, Track } from '@/core/kinds'
import type { Stands } from '@/core/sale'
import { FormQuantity } from '../../form/inputs'
import type { UsualPlain } from '../arrangementDraft'
import { LedgerHead, right } from '@/ui/LedgerHead'

/** A line of a sale, its quantities as decimal strings. */
export interface SheetLine {
  readonly id: number
  readonly kind: string
  readonly description: string
  readonly fromShelf: boolean
  /** How its pieces are told apart. */
  readonly track: Track
  readonly choice: 'none' | 'optional' | 'alternative'
  readonly choiceGroup: string
  readonly chosen: boolean
  readonly quantity: string
  readonly agreed: string
  readonly setAside: string
  readonly asideTurn: AsideTurn
  /** Of a kit: what one of it is made of on this sale. */
  readonly parts: readonly { readonly goodsId: number; readonly name: string; readonly quantity: string }[]
  readonly toHandOver: string
  readonly toBill: string
  readonly readyToBill: string
}

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
  /** An invoice of it that waits to be issued. */
  readonly draftInvoiceId: number | null
  /** Its pick list that is not sent yet. */
  readonly pick: { readonly id: number; readonly number: string } | null
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

/** How many of a line, as a form holds it. */
export interface LineQuantity {
  lineId: number
  quantity: string
}

export const quantitiesOf = (lines: readonly SheetLine[], pick: (l: SheetLine) => string): LineQuantity[] =>
  lines.map((l) => ({ lineId: l.id, quantity: pick(l) }))

interface QuantitiesProps {
  /** The name of the list in the form. */
  readonly name: string
  readonly lines: readonly SheetLine[]
  readonly most: (l: SheetLine) => string
  readonly side?: (l: SheetLine) => string
  /** What else is asked of a line, under it. */
  readonly more?: (l: SheetLine, index: number) => ReactNode
}

/** How many of each line, beside how many there may be. */
export const Quantities = ({ name, lines, most, side, more }: QuantitiesProps) => (
  <table className="ledger my-2">
    <LedgerHead heads={['Item', right('Open'), right('Now', 'w-25')]} />
    <tbody>
      {lines.map((l, i) => (
        <tr key={l.id}>
          <td>
            {l.description}
            {side?.(l) && <div className="sub">{side(l)}</div>}
            {more?.(l, i)}
          </td>
          <td className="fig">{formatDigits(most(l))}</td>
          <td>
            <FormQuantity name={`${name}.${i}.quantity`} label={`How many: ${l.description}`} hideLabel />
          </td>
        </tr>
      ))}
    </tbody>
  </table>
)
