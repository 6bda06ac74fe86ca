import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { formatDigits } from './formatDigits'
import { formatMoney, toDecimalString } from '../money'
import { money } from '../money'
import { parseMoney } from '../money'

describe('digits for a person', () => {
  test.each([
    ['0.00', '0.00'],
    ['999.99', '999.99'],
    ['1000', '1,000'],
    ['7510.25', '7,510.25'],
    ['-1250.5', '−1,250.5'],
    ['1234567.8901', '1,234,567.8901'],
    ['1,234.00', '1,234.00'],
  ])('%s reads %s', (text, read) => {
    expect(formatDigits(text)).toBe(read)
  })

  test('say the same amount: read back, it is what it was; and they are what money reads as', () => {
    fc.assert(
      fc.property(fc.bigInt({ min: -99_999_999_999n, max: 99_999_999_999n }), (minor) => {
        const amount = money(minor, 'USD')
        const read = formatDigits(toDecimalString(amount))
        expect(read).toBe(formatMoney(amount))
        expect(parseMoney(read, 'USD')).toEqual({ ok: true, value: amount })
      }),
    )
  })
})
