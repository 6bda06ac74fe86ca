import {
  parseMoney,
  smallerMoney,
  subtractMoney,
  sumMoney,
  toDecimalString,
  zeroMoney,
  type Money,
} from '@/core/money'

/** Something a customer has open: a due, or a deposit asked for. */
export interface Open {
  readonly key: string
  readonly dueId?: number
  readonly saleId: number
  readonly what: string
  readonly note: string
  readonly late: boolean
  readonly open: string
}

/** An amount as typed; anything that is not one counts as nothing until it is. */
export const readTyped = (text: string, currency: string): Money => {
  const parsed = parseMoney(text === '' ? '0' : text, currency)
  return parsed.ok && parsed.value.minor > 0n ? parsed.value : zeroMoney(currency)
}

/** Puts an amount on what is open from the top down; what belongs to the sale asked about comes first. */
export const fillDown = (
  items: readonly Open[],
  amount: Money,
  first: number | null,
): Record<string, string> => {
  let left = amount
  const filled: Record<string, string> = {}
  for (const item of [
    ...items.filter((o) => o.saleId === first),
    ...items.filter((o) => o.saleId !== first),
  ]) {
    const part = smallerMoney(left, readTyped(item.open, amount.currency))
    if (part.minor > 0n) filled[item.key] = toDecimalString(part)
    left = subtractMoney(left, part)
  }
  return filled
}

export const sumTyped = (puts: Readonly<Record<string, string>>, currency: string): Money =>
  sumMoney(
    Object.values(puts).map((p) => readTyped(p, currency)),
    currency,
  )
