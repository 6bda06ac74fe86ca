import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { day } from '../day'
import { decimal, money, sumMoney } from '../money'
import {
  givingUpFee,
  lateChargeOf,
  layawayStanding,
  openParts,
  payoffOn,
  planInstallments,
  planLayaway,
  spreadRest,
  type StandingRow,
} from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const standing = (
  rows: readonly {
    due: StandingRow['due']
    principal: StandingRow['principal']
    charge: StandingRow['charge']
    payment: StandingRow['open']
  }[],
  paid = 0n,
): StandingRow[] => {
  let left = paid
  return rows.map((r) => {
    const part = left < r.payment.minor ? left : r.payment.minor
    left -= part
    return { due: r.due, principal: r.principal, charge: r.charge, open: usd(r.payment.minor - part) }
  })
}

describe('paying off early', () => {
  const yearly = planInstallments(usd(180_000n), {
    kind: 'installments',
    count: 12,
    every: 'month',
    firstDue: day('2026-02-01'),
    charge: { yearlyRate: decimal('0.12') },
  })
  const rows = yearly.ok ? yearly.value.rows : []

  test('a yearly rate: on the day of the third row its charge is earned in full, the rest is given back', () => {
    // Charges: 1 % of 1,800.00 = 18.00; of 1,658.07 = 16.58; of 1,514.72 = 15.15. Together 49.73; the whole charge is 119.13.
    const p = payoffOn(
      standing(rows, 3n * 15_993n),
      { startedOn: day('2026-01-01'), charge: { yearlyRate: decimal('0.12') }, currency: 'USD' },
      day('2026-04-01'),
    )
    expect([p.earned.minor, p.givenBack.minor]).toEqual([4973n, 6940n])
    // Principal left after three rows: 1,514.72 − 144.78 = 1,369.94, and nothing of charge is open but what is given back.
    expect(p.toPay.minor).toBe(136_994n)
  })
  test('the row that runs earns by its days', () => {
    // 15 of the 30 days from 1 April to 1 May: half of 13.70 (1 % of 1,369.94) = 6.85
    const p = payoffOn(
      standing(rows, 3n * 15_993n),
      { startedOn: day('2026-01-01'), charge: { yearlyRate: decimal('0.12') }, currency: 'USD' },
      day('2026-04-16'),
    )
    expect([p.earned.minor, p.toPay.minor]).toEqual([5658n, 137_679n])
  })
  test('a flat charge is earned by days: 100 of 300 days earn a third', () => {
    const flat: StandingRow[] = [
      { due: day('2026-10-28'), principal: usd(100_000n), charge: usd(30_000n), open: usd(130_000n) },
    ]
    const plan = { startedOn: day('2026-01-01'), charge: { flat: usd(30_000n) }, currency: 'USD' }
    expect(payoffOn(flat, plan, day('2026-04-11'))).toEqual({
      earned: usd(10_000n),
      givenBack: usd(20_000n),
      toPay: usd(110_000n),
    })
    expect(payoffOn(flat, plan, day('2025-12-01')).earned.minor).toBe(0n)
    expect(payoffOn(flat, plan, day('2027-01-01')).givenBack.minor).toBe(0n)
  })
})

test('charge comes before principal in a row', () => {
  const row = (open: bigint): StandingRow => ({
    due: day('2026-01-01'),
    principal: usd(9000n),
    charge: usd(1000n),
    open: usd(open),
  })
  expect(openParts(row(10_000n))).toEqual({ charge: usd(1000n), principal: usd(9000n) })
  expect(openParts(row(9400n))).toEqual({ charge: usd(400n), principal: usd(9000n) })
  expect(openParts(row(500n))).toEqual({ charge: usd(0n), principal: usd(500n) })
})

test('what is open is spread over new rows and adds up again', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.bigInt(1n, 90_000n), fc.bigInt(0n, 900n), fc.bigInt(0n, 100n)), {
        minLength: 1,
        maxLength: 8,
      }),
      fc.integer({ min: 1, max: 24 }),
      (of, count) => {
        const rows = of.map(([p, c, paid]): StandingRow => ({
          due: day('2026-01-01'),
          principal: usd(p),
          charge: usd(c),
          open: usd(((p + c) * (100n - paid)) / 100n),
        }))
        const spread = spreadRest(rows, { count, every: 'month', firstDue: day('2026-05-31') }, 'USD')
        const open = sumMoney(
          rows.map((r) => r.open),
          'USD',
        )
        expect(spread.ok && spread.value.totalPayments).toEqual(open)
        expect(spread.ok && spread.value.totalCharge).toEqual(spread.charge)
      },
    ),
  )
})

describe('layaway', () => {
  const plan = planLayaway(
    usd(90_000n),
    { kind: 'layaway', first: { percent: decimal(20) }, months: 3, every: 'month' },
    day('2026-01-15'),
  )
  const rows = plan.ok ? plan.value.rows : []
  const at = (paid: bigint, on: string, more: { handedOver?: boolean; givenUp?: boolean } = {}) =>
    layawayStanding(rows, usd(paid), { graceDays: 5, handedOver: false, givenUp: false, ...more }, day(on))

  test('the rows: 180.00 at once, then 3 × 240.00', () => {
    expect(rows.map((r) => [r.due, r.payment.minor])).toEqual([
      ['2026-01-15', 18_000n],
      ['2026-02-15', 24_000n],
      ['2026-03-15', 24_000n],
      ['2026-04-15', 24_000n],
    ])
  })
  test.each([
    [18_000n, '2026-02-20', 'paying in', 0n], // the last grace day is still in time
    [18_000n, '2026-02-21', 'behind', 24_000n],
    [30_000n, '2026-03-21', 'behind', 36_000n], // 12,000 of February and March's 24,000
    [90_000n, '2026-02-01', 'paid up', 0n],
  ])('paid %s by %s: %s', (paid, on, stands, behind) => {
    const s = at(paid, on)
    expect([s.stands, s.behind.minor, s.left.minor]).toEqual([stands, behind, 90_000n - paid])
  })
  test('handed over and given up are said so, whatever was paid', () => {
    expect(at(90_000n, '2026-05-01', { handedOver: true }).stands).toBe('handed over')
    expect(at(18_000n, '2026-05-01', { givenUp: true }).stands).toBe('given up')
  })
  test('the fee for giving up is never more than was paid', () => {
    expect(givingUpFee({ percent: decimal(10) }, usd(90_000n), usd(18_000n)).minor).toBe(9000n)
    expect(givingUpFee({ percent: decimal(50) }, usd(90_000n), usd(18_000n)).minor).toBe(18_000n)
    expect(givingUpFee({ amount: usd(2500n) }, usd(90_000n), usd(18_000n)).minor).toBe(2500n)
    expect(givingUpFee(undefined, usd(90_000n), usd(18_000n)).minor).toBe(0n)
  })
})

test('a late charge comes after the grace days, on what is open', () => {
  const row = { dueOn: day('2026-03-01'), open: usd(20_000n) }
  const terms = { graceDays: 10, charge: { percent: decimal('2.5') } }
  expect(lateChargeOf(row, terms, day('2026-03-11')).minor).toBe(0n)
  expect(lateChargeOf(row, terms, day('2026-03-12')).minor).toBe(500n)
  expect(lateChargeOf(row, { graceDays: 10 }, day('2026-06-01')).minor).toBe(0n)
})
