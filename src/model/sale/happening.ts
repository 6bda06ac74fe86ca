import type { Day } from '@/core/day'
import type { Money } from '@/core/money'
import type { TrailEvent } from '@/core/sale'

/** Something that happened to a sale; its place within the day follows from where it stands among the others. */
export type Happening = Omit<TrailEvent, 'seq'>

/** The papers a happening opens into. */
type Paper = NonNullable<TrailEvent['paper']>['kind']

interface What {
  readonly on: Day
  readonly text: string
  readonly paper?: { readonly kind: Paper; readonly id: number }
  readonly amount?: Money
  /** What it changes in what the customer owes. */
  readonly owes?: Money | null
}

export const happening = ({ on, text, paper, amount, owes }: What): Happening => ({
  on,
  text,
  paper: paper ?? null,
  amount: amount ?? null,
  owes: owes ?? null,
})
