import { parseMoney, sumMoney, toDecimalString, zeroMoney, type Money } from '@/core/money'
import { leftAfter as leftOf, proposeFill, settlesToday, type OpenThing } from '@/core/receipt'

/** Something a customer has open, as it travels: a due, or a deposit asked for. */
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

/** An amount as typed; anything that is not one counts as nothing until it is. */
export const readTyped = (text: string, currency: string): Money => {
  const parsed = parseMoney(text === '' ? '0' : text, currency)
  return parsed.ok && parsed.value.minor > 0n ? parsed.value : zeroMoney(currency)
}

/** Something open as the core reckons with it. */
export const inMoney = (item: Open, currency: string): OpenThing => ({
  key: item.key,
  saleId: item.saleId,
  open: readTyped(item.open, currency),
  discount: readTyped(item.discount, currency),
  asked: readTyped(item.asked, currency),
})

export const settles = (item: Open, currency: string): Money => settlesToday(inMoney(item, currency))
export const leftAfter = (item: Open, put: Money): Money => leftOf(inMoney(item, put.currency), put)

/** What an amount pays where nothing else is said, as text for the fields. */
export const fillDown = (items: readonly Open[], amount: Money, first: number | null): Record<string, string> =>
  Object.fromEntries(
    [
      ...proposeFill(
        items.map((i) => inMoney(i, amount.currency)),
        amount,
        first,
      ),
    ].map(([key, part]) => [key, toDecimalString(part)]),
  )

export const sumTyped = (puts: Readonly<Record<string, string>>, currency: string): Money =>
  sumMoney(
    Object.values(puts).map((p) => readTyped(p, currency)),
    currency,
  )
