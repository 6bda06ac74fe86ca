import { present } from '@/core/present'
import { err, ok, type Result } from '../result'
import { minorDigits } from './currency'
import { money, type Money } from './money'

export type MoneyTextError = {
  readonly code: 'not-an-amount' | 'too-many-digits' | 'amount-too-large'
  readonly text: string
}

/** The largest amount the program takes: a trillion minor units less one, well inside the database's int8. */
export const LARGEST_MINOR = 999_999_999_999_999n

/**
 * Reads a decimal string as the interface and files write it: `412.50`, `-3`, `1,250.00`, and as a person reads it. Commas are thousands marks and
 * must stand where thousands end. More digits than the currency has are refused, not rounded.
 *
 * @example parseMoney('412.5', 'USD') // 412.50
 */
export const parseMoney = (text: string, currency: string): Result<Money, MoneyTextError> => {
  const match = /^([-−]?)(\d{1,3}(?:,\d{3})+|\d+)(?:\.(\d+))?$/.exec(text.trim())
  if (!match) return err({ code: 'not-an-amount', text })
  const digits = minorDigits(currency)
  const fraction = match[3] ?? ''
  if (fraction.length > digits) return err({ code: 'too-many-digits', text })
  const minor = BigInt(present(match[2]).replaceAll(',', '') + fraction.padEnd(digits, '0'))
  if (minor > LARGEST_MINOR) return err({ code: 'amount-too-large', text })
  return ok(money(match[1] ? -minor : minor, currency))
}
