import { larger, smaller, ZERO, type Decimal } from '../money'

/** What happened to a line, summed over the sale's papers. All zero or more. */
export interface LineTally {
  /** Of the last agreed version; zero before anything is agreed. */
  readonly agreed: Decimal
  readonly handedOver: Decimal
  readonly returned: Decimal
  /** The part of `returned` that is to be handed over again. */
  readonly toReplace: Decimal
  readonly billed: Decimal
  readonly credited: Decimal
  /** The part of `credited` that is to be billed again. */
  readonly toRebill: Decimal
}

export interface LineState {
  readonly toHandOver: Decimal
  readonly toBill: Decimal
  /** May be billed now because it was handed over. */
  readonly readyToBill: Decimal
}

/**
 * What remains of a line, computed and never typed.
 *
 * To hand over = agreed − handed over + returned for replacement. To bill = agreed − billed + credited for billing again.
 * Ready to bill = min(handed over − returned for replacement, agreed) − billed + credited for billing again. None is ever
 * below zero.
 */
export const lineState = (t: LineTally): LineState => ({
  toHandOver: larger(t.agreed.minus(t.handedOver).plus(t.toReplace), ZERO),
  toBill: larger(t.agreed.minus(t.billed).plus(t.toRebill), ZERO),
  readyToBill: larger(smaller(t.handedOver.minus(t.toReplace), t.agreed).minus(t.billed).plus(t.toRebill), ZERO),
})

/** The least a line may be changed to: what was handed over or billed, and is not to be again, stays agreed. */
export const leastAgreed = (t: LineTally): Decimal =>
  larger(t.handedOver.minus(t.toReplace), t.billed.minus(t.toRebill))
