import { parseMoney, smallerMoney, subtractMoney, sumMoney, toDecimalString, zeroMoney, type Money } from '@/core/money'

/** Something a customer has open: a due, or a deposit asked for. */
export interface Open {
  readonly key: string
  readonly dueId?: number
  readonly saleId: number
  readonly what: string
  readonly note: string
  readonly late: boolean
  readonly open: string
  /** Comes off when the rest is paid today. */
  readonly discount: string
  /** What is proposed for it first: all of it, or what of a layaway is due by now. */
  readonly asked: string
}

/** What settles it today: what is open less what comes off for paying early. */
export const settles = (item: Open, currency: string): Money =>
  subtractMoney(readTyped(item.open, currency), readTyped(item.discount, currency))

/** What is left of it after so much was put on it: a discount comes off with the money that settles it. */
export const leftAfter = (item: Open, put: Money): Money => {
  const rest = subtractMoney(readTyped(item.open, put.currency), put)
  const inTime = readTyped(item.discount, put.currency)
  return inTime.minor > 0n && rest.minor <= inTime.minor ? zeroMoney(put.currency) : rest
}

/** An amount as typed; anything that is not one counts as nothing until it is. */
export const readTyped = (text: string, currency: string): Money => {
  const parsed = parseMoney(text === '' ? '0' : text, currency)
  return parsed.ok && parsed.value.minor > 0n ? parsed.value : zeroMoney(currency)
}

/** Puts an amount on what is open from the top down; what belongs to the sale asked about comes first. */
export const fillDown = (items: readonly Open[], amount: Money, first: number | null): Record<string, string> => {
  let left = amount
  const filled = new Map<string, Money>()
  const mine = [...items.filter((o) => o.saleId === first), ...items.filter((o) => o.saleId !== first)]
  const put = (item: Open, most: Money) => {
    const before = filled.get(item.key) ?? zeroMoney(amount.currency)
    const part = smallerMoney(left, subtractMoney(most, before))
    if (part.minor > 0n) filled.set(item.key, sumMoney([before, part], amount.currency))
    left = subtractMoney(left, part.minor > 0n ? part : zeroMoney(amount.currency))
  }
  const askedOf = (o: Open) => smallerMoney(readTyped(o.asked, amount.currency), settles(o, amount.currency))
  for (const item of mine) put(item, item.saleId === first ? settles(item, amount.currency) : askedOf(item))
  return Object.fromEntries([...filled].map(([key, part]) => [key, toDecimalString(part)]))
}

export const sumTyped = (puts: Readonly<Record<string, string>>, currency: string): Money =>
  sumMoney(
    Object.values(puts).map((p) => readTyped(p, currency)),
    currency,
  )
