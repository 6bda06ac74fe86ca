import { compareDays, type Day } from '@/core/day'
import { compareMoney, sumMoney, type Money } from '@/core/money'
import type { NextAction, NextStep } from '@/core/sale'
import type { Glance } from '@/model/sale/glance'

/** A sale and the one thing that is next in it. */
export interface Waiting {
  readonly glance: Glance
  readonly step: NextStep
}

/** A step that was put off until a day, or done away with (until: null) for a reason. */
export interface PutAside extends Waiting {
  readonly until: Day | null
  readonly reason: string
}

/** What a thing to do is worth: the amount it is about, else the whole sale. */
export const worthOf = ({ step, glance }: Pick<Waiting, 'step' | 'glance'>): Money => step.amount ?? glance.bar.total

/** How pressing a step is; smaller comes first. Within a rank, larger amounts first, then what waits longest. */
const RANK: Readonly<Record<NextStep['action'], number>> = {
  'write-again': 0,
  'promise-broken': 0,
  'card-refused': 0,
  remind: 0,
  'give-back': 1,
  collect: 2,
  'ask-deposit': 3,
  'hand-over': 4,
  bill: 5,
  buy: 6,
  renew: 7,
  'confirm-order': 2,
  'ask-again': 8,
  offer: 9,
  'charge-late': 10,
}

export const byPressure = (a: Waiting, b: Waiting): number => {
  const rank = RANK[a.step.action] - RANK[b.step.action]
  return rank || compareMoney(worthOf(b), worthOf(a)) || compareDays(a.step.since, b.step.since)
}

/** Things to do that ask the same of the owner; the groups of a list add up to the whole list. */
export interface WaitingGroup {
  readonly title: string
  readonly waiting: readonly Waiting[]
  readonly worth: Money
}

const TITLE: Readonly<Record<NextAction, string>> = {
  'write-again': 'Emails that bounced',
  remind: 'Late',
  'promise-broken': 'Late',
  'card-refused': 'Late',
  'charge-late': 'Late',
  'give-back': 'To refund',
  collect: 'To be paid',
  'ask-deposit': 'To be paid',
  'hand-over': 'To hand over',
  bill: 'To invoice',
  buy: 'Short of stock',
  'confirm-order': 'To answer',
  'ask-again': 'To answer',
  renew: 'To answer',
  offer: 'To answer',
}

/** The groups that hold something, in the order of the table above; within each, the most pressing first. */
export const groupWaiting = (waiting: readonly Waiting[]): readonly WaitingGroup[] =>
  [...new Set(Object.values(TITLE))].flatMap((title) => {
    const these = waiting.filter((w) => TITLE[w.step.action] === title)
    const [first] = these
    return first ? [{ title, waiting: these, worth: sumMoney(these.map(worthOf), worthOf(first).currency) }] : []
  })
