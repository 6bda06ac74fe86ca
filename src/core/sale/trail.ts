import { addMoney, zeroMoney, type Money } from '../money'
import { compareDays, type Day } from '../day'

/** Papers that have a way back of their own. */
export type Undoable = 'refund' | 'write-off' | 'held-move'

/** Something that happened to a sale or customer, or is planned. */
export interface TrailEvent {
  readonly on: Day
  /** Order within a day. */
  readonly seq: number
  readonly text: string
  readonly paper: { readonly kind: string; readonly id: number } | null
  readonly amount: Money | null
  /** The way back it has, where it was not gone yet. */
  readonly undo?: { readonly kind: Undoable; readonly id: number }
  /** What it changes in what the customer owes: positive owes more, negative owes less or is held for them. */
  readonly owes: Money | null
}

export interface TrailLine extends TrailEvent {
  /** After this line: positive is owed, negative is held for the customer. */
  readonly balance: Money
}

/** The events in order with their running balance. */
export const buildTrail = (
  events: readonly TrailEvent[],
  currency: string,
  opening: Money = zeroMoney(currency),
): TrailLine[] => {
  let balance = opening
  return [...events]
    .sort((a, b) => compareDays(a.on, b.on) || a.seq - b.seq)
    .map((event) => {
      balance = event.owes ? addMoney(balance, event.owes) : balance
      return { ...event, balance }
    })
}
