import { present } from '@/core/present'
import { daysBetween, type Day } from '../day'
import type { Money } from '../money'

/** A due that was paid in full. */
export interface PaidDue {
  readonly amount: Money
  readonly from: Day
  readonly paidOn: Day
}

/**
 * How long a customer takes, in whole days from the invoice date to the last payment: the average weighted by amount, and
 * the median. Nothing to measure gives null.
 */
export const daysToPay = (paid: readonly PaidDue[]): { readonly average: number; readonly median: number } | null => {
  if (paid.length === 0) return null
  const days = paid.map((p) => daysBetween(p.from, p.paidOn))
  const whole = paid.reduce((sum, p) => sum + p.amount.minor, 0n)
  const weighted = paid.reduce((sum, p, i) => sum + p.amount.minor * BigInt(present(days[i])), 0n)
  const sorted = [...days].sort((a, b) => a - b)
  const middle = Math.floor(sorted.length / 2)
  const median =
    sorted.length % 2 === 1 ? present(sorted[middle]) : (present(sorted[middle - 1]) + present(sorted[middle])) / 2
  return { average: whole === 0n ? 0 : Number((weighted * 10n) / whole) / 10, median }
}
