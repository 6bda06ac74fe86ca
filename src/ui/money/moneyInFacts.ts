import { parseMoney, subtractMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { lowersOwed, type Tendered } from '@/core/receipt'
import type { Method } from '@/core/ledger'
import { fillDown, inMoney, readTyped, sumTyped, type Open } from './filling'
import { givenOf, tenderTyped } from './tenderTyped'

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
  /** In coins there are, where it is paid in cash, and what goes back. */
  readonly tender: Tendered
}

/** What a draft of money in comes to, from the rules of the core. */
export const moneyInFacts = (draft: MoneyInDraft, { items, saleId, smallestCoin, currency }: Around): MoneyInFacts => {
  const received = readTyped(draft.amount, currency)
  const put = draft.puts ?? fillDown(items, received, saleId)
  const onAccount = subtractMoney(received, sumTyped(put, currency))
  const partOf = (o: Open): Money => readTyped(put[o.key] ?? '', currency)
  const lowers = lowersOwed(
    items.map((o) => ({
      thing: inMoney(o, currency),
      put: partOf(o),
      isDue: o.dueId !== undefined,
      late: o.late,
    })),
    currency,
  )
  return {
    received,
    put,
    onAccount,
    tooMuch: onAccount.minor < 0n,
    lessOwed: lowers.owed,
    lessLate: lowers.late,
    tender: tenderTyped(received, { ...draft, smallestCoin }),
  }
}

/** On which things something is put: an amount, or what is none, which is refused at its field. */
export const putOn = (items: readonly Open[], put: MoneyInFacts['put'], currency: string): readonly Open[] =>
  items.filter((o) => {
    const typed = put[o.key] ?? ''
    const read = parseMoney(typed, currency)
    return read.ok ? read.value.minor !== 0n : typed !== ''
  })

/** A draft as the call takes it. */
export const moneyInBody = (draft: MoneyInDraft, { items, currency, forOthers }: Around, facts: MoneyInFacts) => {
  const wishes = putOn(items, facts.put, currency).map((o) => ({
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
