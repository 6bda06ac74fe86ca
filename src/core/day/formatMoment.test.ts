import { expect, test } from 'vitest'
import { dayAt, formatMoment } from './index'

test('a moment is told by the clock of the place, its day and minute', () => {
  expect(formatMoment(new Date(2026, 2, 1, 9, 5))).toBe('1 Mar 2026, 09:05')
  // Late in the evening and just after midnight are the days the clock on the wall says, in whichever zone it hangs.
  expect([dayAt(new Date(2026, 2, 1, 23, 59)), dayAt(new Date(2026, 2, 2, 0, 1))]).toEqual(['2026-03-01', '2026-03-02'])
  expect(dayAt(new Date(2026, 11, 31, 12))).toBe('2026-12-31')
})
