import type { Day } from '@/core/day'
import { decimal, isPositiveMoney, money, type Money } from '@/core/money'
import { present } from '@/core/present'
import { dueInSentence } from '@/core/receipt'
import type { NextStep, Stands } from '@/core/sale'
import type { SaleHead } from '@/data/queries/glances'
import type { Story } from './story'

/** What of a sale's story lists show: where it stands, its money, and what is next. */
export interface Told extends Pick<
  Story,
  'stands' | 'bar' | 'received' | 'held' | 'open' | 'late' | 'billed' | 'next' | 'putAside'
> {
  /** What is still owed, and when. */
  readonly dues: readonly { readonly dueOn: Day; readonly text: string; readonly open: Money }[]
  /** Its invoice that is not issued yet. */
  readonly draftId: number | null
}

/** A sale as lists show it. */
export interface Glance extends Told {
  readonly sale: SaleHead
}

/** A look as a server remembers it: with the goods it depends on. */
export interface Remembered {
  readonly glance: Glance
  readonly goods: readonly number[]
}

/** What lists show of a whole story. */
export const toldOf = (story: Story): Told => ({
  stands: story.stands,
  bar: story.bar,
  received: story.received,
  held: story.held,
  open: story.open,
  late: story.late,
  billed: story.billed,
  next: story.next,
  putAside: story.putAside,
  dues: story.dues
    .filter((d) => isPositiveMoney(d.open))
    .map((d) => ({ dueOn: d.dueOn, text: dueInSentence(d), open: d.open })),
  draftId: story.invoices.find((i) => i.status === 'draft')?.id ?? null,
})

/** The goods whose stock, or whose other buyers, decide what is next in a sale. */
export const goodsIn = (story: Story): readonly number[] => [
  ...new Set(story.lines.flatMap((l) => [l.goodsId ?? [], ...l.parts.map((p) => p.goodsId)].flat())),
]

type Step = readonly [NextStep['action'], why: string, amount: string | null, quantity: string | null, since: Day]

/** As short as it goes: there may be a thousand of them in one list. Amounts are minor units in decimal digits. */
interface Packed {
  readonly stands: Stands
  readonly bar: readonly string[]
  readonly sums: readonly string[]
  readonly next: readonly Step[]
  readonly putAside: readonly (readonly [Step, until: Day | null, reason: string])[]
  readonly dues: readonly (readonly [Day, text: string, open: string])[]
  readonly draftId: number | null
}

const BAR = ['earned', 'held', 'notDue', 'late', 'toCome', 'total', 'heldBeyond'] as const
const SUMS = ['received', 'held', 'open', 'late', 'billed'] as const

const digits = ({ minor }: Money): string => minor.toString()
const packStep = ({ action, why, amount, quantity, since }: NextStep): Step => [
  action,
  why,
  amount && digits(amount),
  quantity && quantity.toString(),
  since,
]

/** As a text that `unpack` reads. */
export const pack = (told: Told): string => {
  const packed: Packed = {
    stands: told.stands,
    bar: BAR.map((key) => digits(told.bar[key])),
    sums: SUMS.map((key) => digits(told[key])),
    next: told.next.map(packStep),
    putAside: told.putAside.map((p) => [packStep(p.step), p.until, p.reason]),
    dues: told.dues.map((d) => [d.dueOn, d.text, digits(d.open)]),
    draftId: told.draftId,
  }
  return JSON.stringify(packed)
}

/** What was packed. */
export const unpack = (text: string, currency: string): Told => {
  const { stands, bar, sums, next, putAside, dues, draftId }: Packed = JSON.parse(text)
  const amount = (of: string | undefined): Money => money(BigInt(present(of)), currency)
  const step = ([action, why, of, quantity, since]: Step): NextStep => ({
    action,
    why,
    amount: of === null ? null : amount(of),
    quantity: quantity === null ? null : decimal(quantity),
    since,
  })
  const [earned, held, notDue, late, toCome, total, heldBeyond] = bar
  const [received, heldNow, open, lateNow, billed] = sums
  return {
    stands,
    bar: {
      earned: amount(earned),
      held: amount(held),
      notDue: amount(notDue),
      late: amount(late),
      toCome: amount(toCome),
      total: amount(total),
      heldBeyond: amount(heldBeyond),
    },
    received: amount(received),
    held: amount(heldNow),
    open: amount(open),
    late: amount(lateNow),
    billed: amount(billed),
    next: next.map(step),
    putAside: putAside.map(([s, until, reason]) => ({ step: step(s), until, reason })),
    dues: dues.map(([dueOn, of, left]) => ({ dueOn, text: of, open: amount(left) })),
    draftId,
  }
}
