import { describe, expect, test } from 'vitest'
import { money } from '@/core/money'
import { amountInWords } from '@/documents/amountInWords'

describe('an amount written out', () => {
  test.each([
    [0n, 'USD', 'Zero and 00/100'],
    [5n, 'USD', 'Zero and 05/100'],
    [100n, 'USD', 'One and 00/100'],
    [2_150n, 'USD', 'Twenty-one and 50/100'],
    [123_405n, 'USD', 'One thousand two hundred thirty-four and 05/100'],
    [100_000_001n, 'USD', 'One million and 01/100'],
    [50n, 'JPY', 'Fifty'],
    [1_005n, 'KWD', 'One and 005/1000'],
  ])('%s %s', (minor, currency, words) => expect(amountInWords(money(minor, currency))).toBe(words))

  test('is never negative, nor beyond what words can say', () => {
    expect(() => amountInWords(money(-1n, 'USD'))).toThrow('no words')
    expect(() => amountInWords(money(10n ** 20n, 'USD'))).toThrow('no words')
  })
})
