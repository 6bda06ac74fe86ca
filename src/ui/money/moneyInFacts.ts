import { isPositiveMoney, subtractMoney, sumMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { tenderOf } from '@/core/receipt'
import type { Method } from '@/core/ledger'
import { fillDown, leftAfter, readTyped, sumTyped, type Open } from './filling'

/** Money in as it is typed so far. */
export interface MoneyInDraft {
  readonly customerId: number | undefined
  readonly on: string
  readonly method: Method
  readonly amount: string
  readonly reference: string
  readonly tendered: string
  /** What is put on each thing; null while it goes as proposed. */
  readonly puts: Readonly<Record<string, string>> | null
}

export interface Around {
  readonly items: readonly Open[]
  /** The sale whose own things are filled first. */
  readonly saleId: number | null
  readonly smallestCoin: number
  readonly currency: string
  /** Whether things of somebody else are among the items. */
  readonly forOthers: boolean
}

export interface MoneyInFacts {
  readonly received: Money
  readonly put: Readonly<Record<string, string>>
  /** What is left over for the account; below zero where more is put on things than came. */
  readonly onAccount: Money
  readonly tooMuch: boolean
  /** What comes off what is owed, early-payment discounts among it. */
  readonly lessOwed: Money
  /** What of it was late. */
  readonly lessLate: Money
  /** In coins there are, where it is paid in cash. */
  readonly coins: Money
  readonly change: Money
}

/** Cash given, where something was typed; only cash is given and changed. */
const givenOf = (draft: MoneyInDraft): string | undefined =>
  draft.method === 'cash' && draft.tendered !== '' ? draft.tendered : undefined

/** What a draft of money in comes to, from the rules of the core. */
export const moneyInFacts = (draft: MoneyInDraft, { items, saleId, smallestCoin, currency }: Around): MoneyInFacts => {
  const received = readTyped(draft.amount, currency)
  const put = draft.puts ?? fillDown(items, received, saleId)
  const onAccount = subtractMoney(received, sumTyped(put, currency))
  const partOf = (o: Open): Money => readTyped(put[o.key] ?? '', currency)
  const discountOf = (o: Open): Money =>
    subtractMoney(subtractMoney(readTyped(o.open, currency), partOf(o)), leftAfter(o, partOf(o)))
  const given = givenOf(draft)
  const { toPay, change } = tenderOf(received, {
    cash: draft.method === 'cash',
    smallestCoin,
    given: given === undefined ? null : readTyped(given, currency),
  })
  return {
    received,
    put,
    onAccount,
    tooMuch: onAccount.minor < 0n,
    lessOwed: sumMoney([...items.filter((o) => o.dueId !== undefined).map(partOf), ...items.map(discountOf)], currency),
    lessLate: sumMoney(items.filter((o) => o.late).map(partOf), currency),
    coins: toPay,
    change,
  }
}

/** A draft as the call takes it. */
export const moneyInBody = (draft: MoneyInDraft, { items, currency, forOthers }: Around, facts: MoneyInFacts) => {
  const wishes = items
    .filter((o) => isPositiveMoney(readTyped(facts.put[o.key] ?? '', currency)))
    .map((o) => ({
      ...(o.dueId === undefined ? { saleId: present(o.saleId) } : { dueId: o.dueId }),
      amount: present(facts.put[o.key]),
    }))
  return {
    customerId: draft.customerId,
    on: draft.on,
    method: draft.method,
    amount: draft.amount,
    reference: draft.reference,
    tendered: givenOf(draft),
    for: wishes.length > 0 ? wishes : ('account' as const),
    ...(forOthers ? { forOthers: true } : {}),
  }
}
