import fc from 'fast-check'
import { afterEach, describe, expect, test } from 'vitest'
import { evaluateAmount, formatMoney, money, toDecimalString } from '../money'
import {
  EN_US,
  formatDigits,
  formatPercent,
  houseLocale,
  isLocale,
  LOCALES,
  localeOf,
  typeDigits,
  writeAs,
} from './index'

afterEach(() => writeAs(EN_US))

describe('a locale', () => {
  // Each as people of the place write 12345678.5, 1234.5 and 8.25 percent.
  test.each([
    ['en-US', '12,345,678.5', '1,234.5', '8.25%'],
    ['en-IN', '1,23,45,678.5', '1,234.5', '8.25%'],
    ['de-DE', '12.345.678,5', '1.234,5', '8,25\u00a0%'],
    ['de-CH', '12’345’678.5', '1’234.5', '8.25%'],
    ['es-ES', '12.345.678,5', '1234,5', '8,25\u00a0%'],
    ['he-IL', '12,345,678.5', '1,234.5', '8.25%'],
  ])('%s writes %s', (tag, long, short, percent) => {
    const locale = localeOf(tag)
    expect(formatDigits('12345678.5', locale)).toBe(long)
    expect(formatDigits('1234.5', locale)).toBe(short)
    expect(formatPercent('8.25', locale)).toBe(percent)
  })

  test.each([
    ['en-US', true],
    ['en-GB', false],
    ['de-DE', false],
    ['en-CA', true],
    ['sv-SE', true],
  ])('%s: the month before the day is %s', (tag, first) => {
    expect(localeOf(tag).monthFirst).toBe(first)
  })

  test('the one that stands in the program is what the platform says of it', () => {
    const { tag: _, ...facts } = localeOf('en-u-nu-latn')
    expect({ tag: 'en-US', ...facts }).toEqual(EN_US)
  })

  test.each(['', 'english', 'x', 'en_US', 'en-US\u0000', 'zz-ZZ', 'e'.repeat(5000)])('"%s" is none', (tag) => {
    expect(isLocale(tag)).toBe(false)
  })

  test('of the business is what amounts are written in, until it is changed', () => {
    writeAs(localeOf('de-DE'))
    expect(houseLocale().tag).toBe('de-DE')
    expect(formatMoney(money(-123456n, 'EUR'))).toBe('−1.234,56')
    expect(toDecimalString(money(-123456n, 'EUR'))).toBe('-1234.56')
  })
})

describe('what is typed', () => {
  test.each([
    ['de-DE', '1.250,50', '1250.5'],
    ['de-DE', '412.50', '412.5'], // a point before cents cannot be a thousands mark
    ['de-DE', '0.125', '0.125'],
    ['de-DE', '1.250', '1250'],
    ['de-DE', '12,5*2', '25'],
    ['de-CH', '1’250.05', '1250.05'],
    ['de-CH', "1'250.05", '1250.05'],
    ['fr-FR', '1 250,50', '1250.5'],
    ['en-IN', '1,25,000.50', '125000.5'],
    ['en-US', '1,250,000', '1250000'],
  ])('in %s, %s is %s', (tag, typed, plain) => {
    const read = evaluateAmount(typed, localeOf(tag))
    expect(read.ok && read.value.toString()).toBe(plain)
  })

  test.each([
    ['en-US', '12,5'],
    ['en-US', '1,25,000'],
    ['en-US', '1250,000'],
    ['en-US', '1.5,250'],
    ['de-DE', '1.250.5'],
    ['de-DE', '1,250,5'],
  ])('in %s, %s is refused: it may mean two things', (tag, typed) => {
    expect(evaluateAmount(typed, localeOf(tag)).ok).toBe(false)
  })

  test('every amount in every locale is read back as what it is, written or typed', () => {
    const anyLocale = fc.constantFrom(...Object.keys(LOCALES)).map(localeOf)
    fc.assert(
      fc.property(anyLocale, fc.bigInt({ min: 0n, max: 99_999_999_999n }), (locale, minor) => {
        const plain = toDecimalString(money(minor, 'USD'))
        for (const text of [formatDigits(plain, locale), typeDigits(plain, locale)]) {
          const read = evaluateAmount(text, locale)
          expect(read.ok && read.value.toFixed(2)).toBe(plain)
        }
      }),
    )
  })
})
