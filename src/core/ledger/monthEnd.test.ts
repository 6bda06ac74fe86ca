import { expect, test } from 'vitest'
import { day } from '../day'
import { money } from '../money'
import { monthSteps, type MonthEnd } from '.'

const usd = (minor: number) => money(BigInt(minor), 'USD')
const DONE: MonthEnd = {
  isOver: true,
  to: day('2026-03-31'),
  drawer: { holds: usd(5000), movedOn: day('2026-03-30'), countedOn: day('2026-03-31') },
  checks: usd(0),
  banks: { count: 1, done: 1, holds: usd(100_000) },
  notInvoiced: 0,
  onAccount: { amount: usd(0), customers: 0 },
  tax: { filed: true, due: usd(825), any: true },
  profit: usd(12_345),
  closedThrough: day('2026-03-31'),
}
const open = (more: Partial<MonthEnd>) =>
  monthSteps({ ...DONE, closedThrough: null, ...more }).flatMap((s) => (s.done ? [] : [[s.key, s.why]]))

test('a month is done step by step, in its order', () => {
  expect(monthSteps(DONE).map((s) => [s.key, s.done])).toEqual(
    ['drawer', 'slips', 'statement', 'unbilled', 'held', 'tax', 'profit', 'closed'].map((key) => [key, true]),
  )
  expect(monthSteps(DONE).every((s) => s.why.endsWith('.'))).toBe(true)
})

test('what is not done says why, and keeps the profit open', () => {
  expect(open({})).toEqual([['closed', 'The books are still open.']])
  expect(open({ drawer: { ...DONE.drawer, countedOn: day('2026-03-29') } })).toEqual([
    ['drawer', 'Cash moved on 30 Mar 2026 and was not counted since.'],
    ['profit', 'Net profit 123.45; it can still change.'],
    ['closed', 'The books are still open.'],
  ])
  expect(open({ checks: usd(5000) })[0]).toEqual(['slips', 'Checks of 50.00 are not at the bank yet.'])
  expect(open({ banks: { count: 2, done: 1, holds: usd(1) } })[0]?.[1]).toBe(
    '1 of 2 bank accounts done through 31 Mar 2026.',
  )
  expect(open({ banks: { count: 0, done: 0, holds: usd(1) } })[0]?.[0]).toBe('statement')
  expect(open({ notInvoiced: 1 })[0]).toEqual(['unbilled', '1 sale handed over and not invoiced.'])
  expect(open({ onAccount: { amount: usd(12_000), customers: 2 } })[0]?.[0]).toBe('held')
  expect(open({ tax: { filed: false, due: usd(1), any: true } })[0]?.[0]).toBe('tax')
})

test('where nothing is, nothing is to be done; a month under way is not closed', () => {
  const none = { holds: usd(0), movedOn: null, countedOn: null }
  expect(
    open({ drawer: none, banks: { count: 0, done: 0, holds: usd(0) }, tax: { filed: false, due: usd(0), any: false } }),
  ).toEqual([['closed', 'The books are still open.']])
  expect(open({ isOver: false, profit: usd(-500) })).toEqual([
    ['profit', 'Loss 5.00 so far.'],
    ['closed', 'The month is not over.'],
  ])
})
