import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compareDays, day, type Day } from '../day'
import { decimal, money, sumMoney, toDecimalString, type Money } from '../money'
import {
  depositStages,
  evenly,
  firstDueFrom,
  partOf,
  planWithoutCharge,
  stepFrom,
  stepsPerYear,
  termsDays,
  type Rhythm,
} from './index'

const usd = (minor: bigint): Money => money(minor, 'USD')
const texts = (amounts: readonly Money[]): string[] => amounts.map(toDecimalString)
const rhythm = fc.constantFrom<Rhythm>('week', 'two-weeks', 'month', { days: 10 }, { days: 1 })
const someDay = fc
  .integer({ min: 0, max: 20_000 })
  .map((n) => new Date(Date.UTC(2000, 0, 1) + n * 86_400_000).toISOString().slice(0, 10) as Day)

describe('steps of a rhythm', () => {
  test.each<[Rhythm, number, string]>([
    ['week', 1, '2026-02-07'],
    ['two-weeks', 3, '2026-03-14'],
    ['month', 1, '2026-02-28'],
    ['month', 2, '2026-03-31'],
    ['month', 0, '2026-01-31'],
    [{ days: 10 }, 2, '2026-02-20'],
  ])('from 31 January, %j, step %i is %s', (every, n, expected) => {
    expect(stepFrom(day('2026-01-31'), every, n)).toBe(expected)
  })

  test('never go back, whatever the rhythm', () => {
    fc.assert(
      fc.property(someDay, rhythm, fc.nat(40), (anchor, every, n) => {
        expect(compareDays(stepFrom(anchor, every, n), stepFrom(anchor, every, n + 1))).toBe(-1)
      }),
    )
  })

  test.each<[Rhythm, string]>([
    ['month', '12'],
    ['two-weeks', '26'],
    ['week', '52'],
    [{ days: 73 }, '5'],
  ])('%j comes %s times a year', (every, times) => {
    expect(stepsPerYear(every).toString()).toBe(times)
  })
})

describe('an invoice on terms', () => {
  test('is due so many days after it, in one where nothing else is said', () => {
    expect(termsDays({ net: 30 }, day('2026-01-31'))).toEqual(['2026-03-02'])
  })
  test('in parts is due at the rhythm from the first part on', () => {
    expect(termsDays({ net: 10, parts: 3, every: 'month' }, day('2026-01-21'))).toEqual([
      '2026-01-31',
      '2026-02-28',
      '2026-03-31',
    ])
    expect(termsDays({ net: 0, parts: 2, every: 'week' }, day('2026-12-28'))).toEqual(['2026-12-28', '2027-01-04'])
  })
  test('leaves its odd cents with the earlier parts', () => {
    expect(texts(evenly(usd(10_000n), 3))).toEqual(['33.34', '33.33', '33.33'])
    expect(texts(evenly(usd(2n), 3))).toEqual(['0.01', '0.01', '0.00'])
    expect(texts(evenly(usd(5n), 1))).toEqual(['0.05'])
  })
  test('comes to the whole in any number of parts, none a cent more than another', () => {
    fc.assert(
      fc.property(fc.bigInt(0n, 10n ** 12n), fc.integer({ min: 1, max: 40 }), (minor, count) => {
        const parts = evenly(usd(minor), count)
        expect(sumMoney(parts, 'USD').minor).toBe(minor)
        expect(parts[0]!.minor - parts.at(-1)!.minor).toBeLessThanOrEqual(1n)
      }),
    )
  })
})

describe('stages of a deposit', () => {
  const percent = (n: number) => ({ percent: decimal(n) })
  test.each([
    ['one percentage', [percent(25)], ['103.13']], // 25 % of 412.50 = 103.125, half away from zero
    ['two percentages', [percent(30), percent(40)], ['123.75', '165.00']],
    ['a percentage and an amount', [percent(50), { amount: usd(10_000n) }], ['206.25', '100.00']],
    ['more than there is', [percent(70), { amount: usd(20_000n) }, percent(50)], ['288.75', '123.75', '0.00']],
    ['all of it', [percent(100)], ['412.50']],
  ])('%s of 412.50', (_, stages, expected) => {
    expect(texts(depositStages(usd(41_250n), stages))).toEqual(expected)
  })

  test('never come to more than the total, and none is below zero', () => {
    const part = fc.oneof(
      fc.integer({ min: 0, max: 100 }).map(percent),
      fc.bigInt(0n, 10n ** 7n).map((minor) => ({ amount: usd(minor) })),
    )
    fc.assert(
      fc.property(fc.bigInt(0n, 10n ** 7n), fc.array(part, { maxLength: 6 }), (minor, stages) => {
        const asked = depositStages(usd(minor), stages)
        expect(sumMoney(asked, 'USD').minor).toBeLessThanOrEqual(minor)
        for (const a of asked) expect(a.minor).toBeGreaterThanOrEqual(0n)
      }),
    )
  })

  test('a part of nothing is nothing, in a currency without minor units too', () => {
    expect(partOf(money(0n, 'JPY'), percent(50)).minor).toBe(0n)
    // 33 % of 1,000 yen
    expect(partOf(money(1000n, 'JPY'), percent(33)).minor).toBe(330n)
  })
})

describe('a schedule without a charge', () => {
  const pays = (...rows: [string, bigint][]) => rows.map(([due, minor]) => ({ due: day(due), payment: usd(minor) }))
  test('counts the balance down to nothing and leaves out what is nothing', () => {
    const plan = planWithoutCharge(pays(['2026-03-01', 4000n], ['2026-03-02', 0n], ['2026-04-01', 6000n]), usd(10_000n))
    expect(plan.rows.map((r) => [r.due, toDecimalString(r.payment), toDecimalString(r.balance)])).toEqual([
      ['2026-03-01', '40.00', '60.00'],
      ['2026-04-01', '60.00', '0.00'],
    ])
    expect(toDecimalString(plan.totalCharge)).toBe('0.00')
    expect(toDecimalString(plan.totalPayments)).toBe('100.00')
    expect(plan.effectiveYearlyRate).toBeNull()
  })
})

describe('the first due of a plan that begins on a day', () => {
  const monthly = { firstDue: day('2026-01-31'), every: 'month' } as const
  test.each([
    ['2026-01-15', '2026-01-31'], // as agreed, it is not there yet
    ['2026-01-31', '2026-01-31'], // on its very day
    ['2026-02-01', '2026-02-28'], // the next step, on the month’s last day
    ['2026-02-28', '2026-02-28'],
    ['2026-03-01', '2026-03-31'], // back on the anchor’s day
  ])('on %s is %s', (on, expected) => {
    expect(firstDueFrom(monthly, day(on))).toBe(expected)
  })
  test('is never before that day, and is a step of the rhythm', () => {
    fc.assert(
      fc.property(rhythm, fc.integer({ min: 0, max: 900 }), (every, days) => {
        const on = stepFrom(day('2026-01-01'), { days: 1 }, days)
        const first = firstDueFrom({ firstDue: day('2026-01-31'), every }, on)
        expect(first >= on).toBe(true)
        const steps = Array.from({ length: 1000 }, (_, n) => stepFrom(day('2026-01-31'), every, n))
        expect(steps).toContain(first)
      }),
      { numRuns: 30 },
    )
  })
})
