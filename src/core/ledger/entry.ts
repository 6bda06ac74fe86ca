import { isZeroMoney, money, negateMoney, sumMoney, type Money } from '../money'
import type { Day } from '../day'
import type { AccountRole } from './accounts'

/** Which account a line goes to: by role, or by id where the business chose it (income of goods, tax of a component). */
export type AccountRef = { readonly role: AccountRole } | { readonly accountId: number }

/** One side of an entry. Positive is debit, negative is credit. */
export interface EntryLine {
  readonly account: AccountRef
  readonly amount: Money
}

/** What a paper is about to post. Becomes a posted entry, and unchangeable, when the database takes it. */
export interface EntryDraft {
  readonly on: Day
  readonly text: string
  readonly lines: readonly EntryLine[]
}

export const debit = (account: AccountRef, amount: Money): EntryLine => ({ account, amount })
export const credit = (account: AccountRef, amount: Money): EntryLine => ({
  account,
  amount: negateMoney(amount),
})
export const role = (r: AccountRole): AccountRef => ({ role: r })
export const account = (accountId: number): AccountRef => ({ accountId })

const keyOf = (ref: AccountRef): string => ('role' in ref ? `r:${ref.role}` : `a:${ref.accountId}`)

/**
 * Puts lines on the same account together (debits and credits apart), drops zero lines, debits first, and checks the sum.
 * An entry that does not balance is a programmer's mistake and throws. No lines are left when nothing moved.
 */
export const makeEntry = (on: Day, text: string, lines: readonly EntryLine[]): EntryDraft => {
  const kept = new Map<string, EntryLine>()
  for (const line of lines) {
    if (isZeroMoney(line.amount)) continue
    const key = `${keyOf(line.account)}:${line.amount.minor > 0n}`
    const before = kept.get(key)
    kept.set(
      key,
      before ? { ...line, amount: money(before.amount.minor + line.amount.minor, line.amount.currency) } : line,
    )
  }
  const merged = [...kept.values()].sort((a, b) => Number(b.amount.minor > 0n) - Number(a.amount.minor > 0n))
  const first = merged[0]
  if (
    first &&
    !isZeroMoney(
      sumMoney(
        merged.map((l) => l.amount),
        first.amount.currency,
      ),
    )
  ) {
    throw new Error(`entry does not balance: ${text}`)
  }
  return { on, text, lines: merged }
}

/** The same lines with their sides exchanged, on a day of its own. */
export const reverseEntry = (entry: EntryDraft, on: Day, text: string): EntryDraft =>
  makeEntry(
    on,
    text,
    entry.lines.map((l) => ({ ...l, amount: negateMoney(l.amount) })),
  )
