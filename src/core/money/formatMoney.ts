import { minorDigits } from './currency'
import { formatDigits } from '../locale'
import { money, type Money } from './money'
import { toDecimal } from './roundToMoney'

/**
 * The plain decimal string of the interface: `"412.50"`, `"-3.00"`, `"1250"` for a currency without minor units.
 *
 * @example toDecimalString(money(41250n, 'USD')) // 412.50
 * @example toDecimalString(money(-5n, 'USD')) // -0.05
 */
export const toDecimalString = (amount: Money): string => {
  const digits = minorDigits(amount.currency)
  const sign = amount.minor < 0n ? '-' : ''
  const text = (amount.minor < 0n ? -amount.minor : amount.minor).toString().padStart(digits + 1, '0')
  return digits === 0 ? sign + text : `${sign}${text.slice(0, -digits)}.${text.slice(-digits)}`
}

/**
 * What a person reads: thousands set apart, minor units always shown, a minus that is none of a hyphen: `1,250.00`, `−3.00`.
 *
 * @example formatMoney(money(123456789n, 'USD')) // 1,234,567.89
 */
export const formatMoney = (amount: Money): string => formatDigits(toDecimalString(amount))

/**
 * Without its minor units, rounded half away from zero: for a label with little room, beside the whole figure.
 *
 * @example formatWhole(money(1801250n, 'USD')) // 18,013
 * @example formatWhole(money(-49n, 'USD')) // 0
 */
export const formatWhole = (amount: Money): string => formatDigits(toDecimal(amount).round(0).toString())

/**
 * A balance on an account whose usual side is debit: a credit balance reads `120.00 cr`.
 *
 * @example formatBalance(money(-12000n, 'USD')) // 120.00 cr
 */
export const formatBalance = (amount: Money): string =>
  amount.minor < 0n ? `${formatMoney(money(-amount.minor, amount.currency))} cr` : formatMoney(amount)
