import type { AsideTurn, Track } from '@/core/kinds'
import type { TrailLine } from '@/core/sale'
import type { Day } from '@/core/day'
import type { Decimal, Money } from '@/core/money'
import type { FileRow } from '@/data/queries/files'
import type { PostRow } from '@/data/queries/post'
import type { RepeatRow } from '@/data/queries/repeats'
import type { UsualArrangements } from '@/contract/usualArrangements'
import type { SaleCost } from './reports'
import type { Story } from './story'
import type { readSheetPromise } from './sheetTerms'
import type { readBoughtFor } from '@/model/buying/boughtFor'
import type { Version } from './versions'

export interface SheetEntry {
  readonly id: number
  readonly on: Day
  readonly text: string
  /** Debits and credits in one line of plain words. */
  readonly says: string
  readonly amount: Money
  readonly href: string
}

export interface Sheet {
  readonly story: Story
  readonly today: Day
  readonly trail: readonly TrailLine[]
  readonly planned: readonly { readonly on: Day; readonly text: string; readonly amount: Money | null }[]
  readonly paysHow: string
  readonly taxes: readonly { readonly name: string; readonly amount: Money }[]
  readonly margins: ReadonlyMap<number, string>
  readonly entries: readonly SheetEntry[]
  /** What a line comes to where it is shown: counted or not, before what is off the whole. */
  readonly worths: ReadonlyMap<number, Money>
  readonly wholeLess: Money
  readonly versions: readonly Version[]
  /** Orders to suppliers for it. */
  readonly bought: Awaited<ReturnType<typeof readBoughtFor>>
  readonly repeats: readonly RepeatRow[]
  readonly files: readonly FileRow[]
  readonly letters: readonly PostRow[]
  readonly costs: SaleCost | null
  /** How far the customer is over their credit limit with what is agreed; null where they are not. */
  readonly overLimit: Money | null
  readonly price: (unitPrice: Decimal) => string
  /** Changes whenever something happened, so that forms begin anew. */
  readonly version: string
  readonly forActions: {
    readonly id: number
    readonly number: number
    readonly customerId: number
    readonly customer: string
    readonly stands: Story['stands']
    readonly agreed: boolean
    readonly deliverTo: string
    readonly addresses: readonly string[]
    readonly draftInvoiceId: number | null
    readonly pick: { readonly id: number; readonly number: string } | null
    readonly step: { readonly action: string; readonly why: string } | null
    readonly lines: readonly {
      id: number
      kind: string
      description: string
      fromShelf: boolean
      parts: readonly { goodsId: number; name: string; quantity: string }[]
      track: Track
      choice: 'none' | 'optional' | 'alternative'
      choiceGroup: string
      chosen: boolean
      quantity: string
      agreed: string
      setAside: string
      asideTurn: AsideTurn
      toHandOver: string
      toBill: string
      readyToBill: string
    }[]
    readonly gross: string
    readonly held: string
    readonly open: string
    readonly currency: string
    readonly purchaseOrder: string
    readonly wantedBy: string
    readonly estimateDays: number
    readonly arrangement: Readonly<Record<string, unknown>>
    readonly usual: { readonly [K in keyof UsualArrangements]: Readonly<Record<string, unknown>> }
    readonly promise: Awaited<ReturnType<typeof readSheetPromise>>
  }
  /** Something of the customer's is late by more days than Settings allow: how many. */
  readonly stopSupply: number | null
}
