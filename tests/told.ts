import type { EntryDraft } from '@/core/ledger'
import { toDecimalString } from '@/core/money'

/** An entry as it is read: `1,080.00 receivables = 1,000.00 account 40 + 80.00 account 22`. */
export const told = (entry: EntryDraft): string => {
  const side = (debit: boolean) =>
    entry.lines
      .filter((l) => l.amount.minor > 0n === debit)
      .map((l) => {
        const amount = toDecimalString(debit ? l.amount : { ...l.amount, minor: -l.amount.minor })
        return `${amount} ${'role' in l.account ? l.account.role : l.account.accountId}`
      })
      .join(' + ')
  return entry.lines.length === 0 ? 'nothing' : `${side(true)} = ${side(false)}`
}
