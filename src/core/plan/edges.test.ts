import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal, money } from '../money'
import {
  effectiveYearlyRate,
  layawayStanding,
  openParts,
  payoffOn,
  planInstallments,
  planLayaway,
  type StandingRow,
} from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const start = day('2026-03-01')

describe('a layaway', () => {
  const terms = { kind: 'layaway', months: 2, every: 'month', graceDays: 0 } as const
  const rows = (first: bigint, more = {}) => {
    const made = planLayaway(usd(1000n), { ...terms, first: { amount: usd(first) }, ...more } as never, start)
    return made.ok ? made.value.rows.map((r) => [r.due, r.payment.minor]) : made.error.code
  }
  test('the first payment may be all of it and no more', () => {
    expect(rows(1000n)).toEqual([[start, 1000n]])
    expect(rows(1001n)).toBe('first-payment-too-large')
    expect(rows(0n)).toEqual([
      ['2026-04-01', 500n],
      ['2026-05-01', 500n],
    ])
  })
  test('where no step fits before its end, the rest is due at its end', () => {
    expect(rows(400n, { every: { days: 90 } })).toEqual([
      [start, 400n],
      ['2026-05-01', 600n],
    ])
  })
  test('what comes next is the first row that is neither late nor paid', () => {
    const plan = planLayaway(usd(900n), { ...terms, months: 3 } as never, start)
    if (!plan.ok) throw new Error(plan.error.code)
    const at = (paid: bigint, on: string) =>
      layawayStanding(plan.value.rows, usd(paid), { graceDays: 0, handedOver: false, givenUp: false }, day(on))
    // Rows of 300 on the first of April, May and June.
    expect(at(0n, '2026-04-15')).toMatchObject({
      stands: 'behind',
      behindSince: '2026-04-01',
      next: { due: '2026-05-01', open: usd(300n) },
    })
    expect(at(450n, '2026-04-15')).toMatchObject({
      stands: 'paying in',
      behindSince: null,
      next: { due: '2026-05-01', open: usd(150n) },
    })
    expect(at(900n, '2026-04-15')).toMatchObject({ stands: 'paid up', behindSince: null, next: null })
  })
})

describe('installments', () => {
  const terms = { kind: 'installments', count: 3, every: 'month', firstDue: day('2026-04-01') } as const
  test('the first payment may be all of it: nothing is left to plan', () => {
    const made = planInstallments(usd(500n), { ...terms, firstPayment: usd(500n) })
    expect(made.ok && [made.value.financed.minor, made.value.rows]).toEqual([0n, []])
    const more = planInstallments(usd(500n), { ...terms, firstPayment: usd(501n) })
    expect(!more.ok && more.error.code).toBe('first-payment-too-large')
  })
  test('a payment that a charge eats up is refused', () => {
    // A cent at a hundred percent a month: the payment of a cent is all charge.
    const made = planInstallments(usd(1n), { ...terms, count: 60, charge: { yearlyRate: decimal('12') } })
    expect(made).toEqual({ ok: false, error: { code: 'payment-does-not-cover-charge' } })
  })
})

describe('paying off', () => {
  const row = (due: string, principal: bigint, charge: bigint, open: bigint): StandingRow => ({
    due: day(due),
    principal: usd(principal),
    charge: usd(charge),
    open: usd(open),
  })
  // A hundred days from the first of March to the ninth of June.
  const rows = [row('2026-06-09', 1000n, 100n, 1100n)]
  const on = (d: string, charge: object = { flat: usd(100n) }) => {
    const { earned, givenBack, toPay } = payoffOn(
      rows,
      { startedOn: start, charge: charge as never, currency: 'USD' },
      day(d),
    )
    return [earned.minor, givenBack.minor, toPay.minor]
  }
  test.each([
    ['2026-02-20', [0n, 100n, 1000n]],
    ['2026-03-01', [0n, 100n, 1000n]],
    ['2026-03-11', [10n, 90n, 1010n]],
    ['2026-06-09', [100n, 0n, 1100n]],
    ['2026-07-01', [100n, 0n, 1100n]],
  ])('on %s the charge is earned by days', (d, figures) => {
    expect(on(d)).toEqual(figures)
    expect(on(d, { yearlyRate: decimal('0.4') })).toEqual(figures)
  })
  test('of a row, the charge is paid first', () => {
    expect(openParts(row('2026-04-01', 100n, 20n, 110n))).toEqual({ charge: usd(10n), principal: usd(100n) })
    expect(openParts(row('2026-04-01', 100n, 20n, 100n))).toEqual({ charge: usd(0n), principal: usd(100n) })
    expect(openParts(row('2026-04-01', 100n, 20n, 40n))).toEqual({ charge: usd(0n), principal: usd(40n) })
  })
})

describe('the rate over a year', () => {
  // What 1,000.00 now and 1,010.00 one step later comes to, compounded: 1.01 to the power of the steps in a year.
  test.each([
    ['month', 12],
    ['two-weeks', 26],
    ['week', 52],
    [{ days: 10 }, 36.5],
    [{ days: 73 }, 5],
    [{ days: 366 }, 365 / 366],
  ] as const)('every %j', (every, steps) => {
    const rate = effectiveYearlyRate(usd(100_000n), [usd(101_000n)], every)
    expect(rate.toFixed(4)).toBe((1.01 ** steps - 1).toFixed(4))
  })

  test('thirty years of payments at one percent a month', () => {
    // 10,000.00 × 0.01 ÷ (1 − 1.01⁻³⁶⁰) is 102.86, and 1.01¹² − 1 is 0.1268.
    const payments = Array.from({ length: 360 }, () => usd(102_86n))
    expect(effectiveYearlyRate(usd(10_000_00n), payments, 'month').toFixed(4)).toBe('0.1268')
  })
})
