import { expect, test } from 'vitest'
import { toDecimalString } from './formatMoney'
import { money } from './money'
import { sumPieces } from './sumPieces'

test('notes and coins come to their worth times how many there are', () => {
  const of = (pieces: [bigint, number][]) =>
    toDecimalString(
      sumPieces(
        pieces.map(([worth, count]) => [money(worth, 'USD'), count]),
        'USD',
      ),
    )
  expect(of([])).toBe('0.00')
  expect(
    of([
      [2000n, 3],
      [25n, 2],
      [1n, 7],
    ]),
  ).toBe('60.57') // 60.00 + 0.50 + 0.07
  expect(of([[10_000n, 100_000]])).toBe('10000000.00')
})
