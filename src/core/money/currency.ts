/**
 * The number of minor digits of an ISO 4217 currency: 0 for JPY, 3 for KWD, 2 for nearly all others.
 *
 * Source: ISO 4217, list one. Only the exceptions are listed; every other code has 2 digits.
 */
const EXCEPTIONS: Readonly<Record<string, number>> = {
  BIF: 0,
  CLP: 0,
  DJF: 0,
  GNF: 0,
  ISK: 0,
  JPY: 0,
  KMF: 0,
  KRW: 0,
  PYG: 0,
  RWF: 0,
  UGX: 0,
  VND: 0,
  VUV: 0,
  XAF: 0,
  XOF: 0,
  XPF: 0,
  BHD: 3,
  IQD: 3,
  JOD: 3,
  KWD: 3,
  LYD: 3,
  OMR: 3,
  TND: 3,
}

/**
 * How many decimal places a currency has (ISO 4217).
 *
 * @example minorDigits('USD') // 2
 * @example minorDigits('JPY') // 0
 * @example minorDigits('KWD') // 3
 */
export const minorDigits = (currency: string): number => EXCEPTIONS[currency] ?? 2

/**
 * One of a currency, as a dollar is, in its smallest parts.
 *
 * @example wholeUnit('USD') // 100
 * @example wholeUnit('JPY') // 1
 */
export const wholeUnit = (currency: string): bigint => 10n ** BigInt(minorDigits(currency))
