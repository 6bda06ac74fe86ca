import type { KeptPart } from './setAside'
import type { Day } from '@/core/day'
import type { Decimal, Money } from '@/core/money'
import type { LayawayStanding, Plan } from '@/core/plan'
import type { LineState, MoneyBar, NextStep, Stands } from '@/core/sale'
import type { TaxedDocument } from '@/core/tax'
import type { InvoiceRow } from '@/data/queries/invoices'
import type { SaleRow } from '@/data/queries/sales'
import type { KeptTaxCode } from '@/data/queries/taxCodes'
import type { PlanFacts } from '@/data/queries/plans'
import type { Arrangement } from '@/contract/arrangement'
import type { DueRow } from '@/data/queries/due'
import type { FillRow } from '@/data/queries/fill'
import type { HeldMoveRow, HeldRow } from '@/data/queries/held'
import type { SaleLineRow } from '@/data/queries/saleLine'
import type { HandoverRow } from '@/data/queries/handover'
import type { listDepositRequests } from '@/data/queries/depositRequest'
import type { listExtraCharges } from '@/data/queries/extraCharge'
import type { listWriteOffs } from '@/data/queries/writeOff'
import type { PromiseRow } from '@/data/queries/payPromise'

export interface StoryLine extends SaleLineRow, LineState {
  readonly setAside: Decimal
  /** What one whole agreed (or, before, offered) line comes to. */
  readonly net: Money
  /** Of a kit's line: how many of them lie assembled. */
  readonly assembled: Decimal
  readonly fromShelf: boolean
  /** Of a kit: its parts, and how far each has gone. */
  readonly parts: readonly KeptPart[]
}

/** Everything about a sale, read at once and derived from its papers. */
export interface Story {
  readonly sale: SaleRow
  readonly arrangement: Arrangement
  readonly stands: Stands
  readonly lines: readonly StoryLine[]
  readonly totals: TaxedDocument
  /** The tax codes its totals were reckoned with. */
  readonly codes: readonly KeptTaxCode[]
  readonly bar: MoneyBar
  readonly received: Money
  readonly held: Money
  readonly open: Money
  readonly late: Money
  readonly billed: Money
  readonly notBilled: Money
  readonly next: readonly NextStep[]
  /** Steps the owner put off until a day, or did away with (until: null). */
  readonly putAside: readonly { readonly step: NextStep; readonly until: Day | null; readonly reason: string }[]
  readonly dues: readonly DueRow[]
  readonly invoices: readonly InvoiceRow[]
  readonly handovers: readonly HandoverRow[]
  readonly fills: readonly FillRow[]
  readonly heldMoves: readonly HeldMoveRow[]
  readonly heldRows: readonly HeldRow[]
  readonly depositRequests: Awaited<ReturnType<typeof listDepositRequests>>
  readonly depositAsked: Money
  readonly plans: readonly PlanFacts[]
  /** Its layaway: the schedule, and where it stands. Null where it is none, or not agreed yet. */
  readonly layaway: { readonly plan: Plan; readonly standing: LayawayStanding } | null
  readonly charges: Readonly<Awaited<ReturnType<typeof listExtraCharges>>>
  readonly writeOffs: Readonly<Awaited<ReturnType<typeof listWriteOffs>>>
  readonly promises: readonly PromiseRow[]
  /** What may be charged for dues that are late, and was not. */
  readonly lateCharges: readonly { readonly due: DueRow; readonly amount: Money }[]
}

export type { SaleLineRow } from '@/data/queries/saleLine'
