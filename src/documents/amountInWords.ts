import { toWords } from 'number-to-words'
import { minorDigits, type Money } from '@/core/money'

/**
 * An amount as it is written out on a check: the whole part in English words, what is left as a fraction. Never negative: throws
 * where it is, or where it is too large for words (from 9,007,199,254,740,992 whole units on).
 *
 * @example amountInWords(usd('1234.05')) // One thousand two hundred thirty-four and 05/100
 * @example amountInWords(jpy('50')) // Fifty
 */
export const amountInWords = ({ minor, currency }: Money): string => {
  const digits = minorDigits(currency)
  const parts = 10n ** BigInt(digits)
  const whole = Number(minor / parts)
  if (minor < 0n || !Number.isSafeInteger(whole)) throw new Error(`${minor} ${currency} has no words`)
  const words = toWords(whole).replaceAll(',', '')
  const rest = digits === 0 ? '' : ` and ${String(minor % parts).padStart(digits, '0')}/${parts}`
  return `${words.slice(0, 1).toUpperCase()}${words.slice(1)}${rest}`
}
