export { minorDigits, wholeUnit } from './currency'
export {
  Decimal,
  decimal,
  toFourPlaces,
  ZERO,
  HUNDRED,
  smaller,
  larger,
  floor,
  ceil,
  isWhole,
  decimalPlaces,
  power,
  root,
} from './decimal'
export * from './money'
export { roundToMoney, toDecimal, multiplyMoney } from './roundToMoney'
export { splitMoney, shareMoney, shareInTurn } from './splitMoney'
export { toDecimalString, formatMoney, formatBalance, formatWhole } from './formatMoney'
export { parseMoney, LARGEST_MINOR, type MoneyTextError } from './parseMoney'
export { roundToCoins } from './roundToCoins'
export { evaluateAmount } from './evaluateAmount'
export { formatPrice, formatQuantity } from './formatPrice'
export { sumPieces } from './sumPieces'
export { percentOf } from './percentOf'
