import { decimal, type Decimal } from './decimal'
import { minorDigits } from './currency'
import { money, type Money } from './money'

/**
 * The one place where an exact decimal becomes money: rounded to the currency's minor unit, half away from zero.
 *
 * @example roundToMoney(decimal('2.345'), 'USD') // 2.35
 * @example roundToMoney(decimal('-2.345'), 'USD') // -2.35
 */
export const roundToMoney = (value: Decimal, currency: string): Money =>
  money(BigInt(value.toFixed(minorDigits(currency)).replace('.', '')), currency)

/**
 * The amount as an exact decimal in major units: 412.50 for 41250 cents.
 *
 * @example toDecimal(usd('412.50')) // 412.5
 */
export const toDecimal = (amount: Money): Decimal => decimal(`${amount.minor}e-${minorDigits(amount.currency)}`)

/**
 * `amount × factor`, rounded once.
 *
 * @example multiplyMoney(usd('10.00'), decimal('0.0825')) // 0.83
 */
export const multiplyMoney = (amount: Money, factor: Decimal): Money =>
  roundToMoney(toDecimal(amount).times(factor), amount.currency)
