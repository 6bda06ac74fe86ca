import { addMoney, largerMoney, smallerMoney, subtractMoney, sumMoney, zeroMoney, type Money } from '../money'

/** What is known of the money of a sale, a customer or all sales. Every amount includes tax and is zero or more. */
export interface MoneyFacts {
  /** What was agreed (or, before, offered), less what was credited for good. */
  readonly total: Money
  /** Invoices less credit notes. */
  readonly billed: Money
  /** What is open on dues, late ones included. */
  readonly open: Money
  readonly late: Money
  readonly held: Money
}

/** The five parts of the bar. They always add up to `total`. */
export interface MoneyBar {
  readonly earned: Money
  readonly held: Money
  readonly notDue: Money
  readonly late: Money
  readonly toCome: Money
  readonly total: Money
  /** Held money beyond all that is still to be billed: to be given back or moved. Not part of the five. */
  readonly heldBeyond: Money
}

/**
 * Splits a total into received and earned (billed and no longer open), held, billed and not due, late, and still to come.
 * Held money counts up to what is still to be billed; more than that is told apart.
 */
export const moneyBar = (facts: MoneyFacts): MoneyBar => {
  const none = zeroMoney(facts.total.currency)
  const unbilled = largerMoney(subtractMoney(facts.total, facts.billed), none)
  const held = smallerMoney(facts.held, unbilled)
  const notDue = subtractMoney(facts.open, facts.late)
  const earned = subtractMoney(facts.billed, facts.open)
  const toCome = subtractMoney(unbilled, held)
  return {
    earned,
    held,
    notDue,
    late: facts.late,
    toCome,
    total: sumMoney([earned, held, notDue, facts.late, toCome], none.currency),
    heldBeyond: subtractMoney(facts.held, held),
  }
}

export const addBars = (a: MoneyBar, b: MoneyBar): MoneyBar => ({
  earned: addMoney(a.earned, b.earned),
  held: addMoney(a.held, b.held),
  notDue: addMoney(a.notDue, b.notDue),
  late: addMoney(a.late, b.late),
  toCome: addMoney(a.toCome, b.toCome),
  total: addMoney(a.total, b.total),
  heldBeyond: addMoney(a.heldBeyond, b.heldBeyond),
})
