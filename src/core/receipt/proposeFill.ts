import { isPositiveMoney, smallerMoney, subtractMoney, sumMoney, zeroMoney, type Money } from '../money'

/** Something a customer has open, as far as money put on it goes. Amounts are zero or more. */
export interface OpenThing {
  readonly key: string
  readonly saleId: number
  readonly open: Money
  /** Comes off when the rest is paid today. */
  readonly discount: Money
  /** What is proposed for it first: all of it, or what of a layaway is due by now. */
  readonly asked: Money
}

/**
 * What settles it today: what is open less what comes off for paying early.
 *
 * @example settlesToday({ open: usd('98.00'), discount: usd('1.96') }) // 96.04
 */
export const settlesToday = (thing: Pick<OpenThing, 'open' | 'discount'>): Money =>
  subtractMoney(thing.open, thing.discount)

/**
 * What is left of it after so much was put on it: a discount comes off with the money that settles it, and not before.
 * Below zero where more was put on it than is open.
 *
 * @example leftAfter({ open: usd('98.00'), discount: usd('1.96') }, usd('96.04')) // 0.00
 * @example leftAfter({ open: usd('98.00'), discount: usd('1.96') }, usd('50.00')) // 48.00
 */
export const leftAfter = (thing: Pick<OpenThing, 'open' | 'discount'>, put: Money): Money => {
  return subtractMoney(subtractMoney(thing.open, put), discountTaken(thing, put))
}

/**
 * What comes off with so much put on it: the rest, where it is no more than the discount; nothing before that, and nothing
 * where all of it is paid.
 *
 * @example discountTaken({ open: usd('98.00'), discount: usd('1.96') }, usd('97.00')) // 1.00
 * @example discountTaken({ open: usd('98.00'), discount: usd('1.96') }, usd('50.00')) // 0.00
 */
export const discountTaken = (thing: Pick<OpenThing, 'open' | 'discount'>, put: Money): Money => {
  const rest = subtractMoney(thing.open, put)
  return isPositiveMoney(rest) && rest.minor <= thing.discount.minor ? rest : zeroMoney(put.currency)
}

/** So much put on something: a due, or money asked ahead, which nobody owes. */
export interface PutOn {
  readonly thing: OpenThing
  readonly put: Money
  readonly isDue: boolean
  readonly late: boolean
}

/**
 * How much less is owed afterwards, discounts among it, and how much less of it late. What is asked ahead is not owed.
 *
 * @example 96.04 put on a due of 98.00 with 1.96 off: 98.00 less is owed
 */
export const lowersOwed = (all: readonly PutOn[], currency: string): { readonly owed: Money; readonly late: Money } => {
  const off = ({ thing, put }: PutOn): Money => sumMoney([put, discountTaken(thing, put)], currency)
  const dues = all.filter((p) => p.isDue)
  return { owed: sumMoney(dues.map(off), currency), late: sumMoney(dues.filter((p) => p.late).map(off), currency) }
}

/**
 * Proposes what an amount pays: from the top down, what belongs to the sale asked about first and up to all of it, the
 * rest up to what is asked for it now. Never more than the amount; what is beyond stays on account. Things that get
 * nothing are left out. The receipt itself fills what is named to it, so the proposal is what is saved.
 */
export const proposeFill = (
  things: readonly OpenThing[],
  amount: Money,
  first: number | null,
): ReadonlyMap<string, Money> => {
  let left = amount
  const filled = new Map<string, Money>()
  const put = (thing: OpenThing, most: Money): void => {
    const before = filled.get(thing.key) ?? zeroMoney(amount.currency)
    const part = smallerMoney(left, subtractMoney(most, before))
    if (!isPositiveMoney(part)) return
    filled.set(thing.key, sumMoney([before, part], amount.currency))
    left = subtractMoney(left, part)
  }
  for (const thing of things) if (thing.saleId === first) put(thing, settlesToday(thing))
  for (const thing of things) if (thing.saleId !== first) put(thing, smallerMoney(thing.asked, settlesToday(thing)))
  return filled
}
