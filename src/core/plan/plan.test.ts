import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal, money, toDecimalString } from '../money'
import { planInstallments, planLayaway, type InstallmentTerms } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const terms = (t: Partial<InstallmentTerms>): InstallmentTerms => ({
  kind: 'installments',
  count: 3,
  every: 'month',
  firstDue: day('2027-01-31'),
  ...t,
})
const plan = (total: bigint, t: Partial<InstallmentTerms>) => {
  const made = planInstallments(usd(total), terms(t))
  if (!made.ok) throw new Error(made.error.code)
  return made.value
}
const payments = (p: ReturnType<typeof plan>) => p.rows.map((r) => toDecimalString(r.payment))

describe('installments', () => {
  test('1,970.00 with 350.00 first over 9 months is 9 × 180.00', () => {
    expect(payments(plan(197_000n, { firstPayment: usd(35_000n), count: 9 }))).toEqual(Array(9).fill('180.00'))
  })
  test('1,000.00 over 3 gives the leftover cent to the first', () => {
    expect(payments(plan(100_000n, {}))).toEqual(['333.34', '333.33', '333.33'])
  })
  test('1,800.00 at 12 % over 12 months is 11 × 159.93 and 159.90', () => {
    const p = plan(180_000n, { count: 12, charge: { yearlyRate: decimal('0.12') } })
    expect(payments(p)).toEqual([...Array(11).fill('159.93'), '159.90'])
    expect(toDecimalString(p.totalPayments)).toBe('1919.13')
    // 1 % a month compounded over a year is 12.68 %
    expect(p.effectiveYearlyRate!.toFixed(4)).toBe('0.1268')
    expect(p.rows.at(-1)!.balance.minor).toBe(0n)
  })
  test('keeps the anchor day through short months', () => {
    expect(plan(300n, {}).rows.map((r) => r.due)).toEqual(['2027-01-31', '2027-02-28', '2027-03-31'])
  })
  test('rounds each up to a step, the last taking the rest', () => {
    expect(payments(plan(100_000n, { roundUpTo: 10 }))).toEqual(['340.00', '340.00', '320.00'])
  })
  test('shares a flat charge over the rows and gives principal the rest', () => {
    const p = plan(90_000n, { charge: { flatPercent: decimal(10) } })
    expect(payments(p)).toEqual(['330.00', '330.00', '330.00'])
    expect(p.rows.map((r) => toDecimalString(r.charge))).toEqual(['30.00', '30.00', '30.00'])
  })
  test('refuses a first payment larger than the total', () => {
    const made = planInstallments(usd(100n), terms({ firstPayment: usd(101n) }))
    expect(!made.ok && made.error.code).toBe('first-payment-too-large')
  })
  test('always pays back exactly what was financed', () => {
    const charge = fc.constantFrom(
      undefined,
      { flat: usd(777n) },
      { flatPercent: decimal('3.5') },
      { yearlyRate: decimal('0.199') },
    )
    fc.assert(
      fc.property(
        fc.bigInt(1_000n, 10n ** 7n),
        fc.integer({ min: 1, max: 48 }),
        charge,
        fc.constantFrom(undefined, 1, 5, 10),
        (total, count, c, roundUpTo) => {
          const p = plan(total, { count, charge: c, roundUpTo })
          expect(p.rows.reduce((sum, r) => sum + r.principal.minor, 0n)).toBe(total)
          expect(p.totalPayments.minor).toBe(total + p.totalCharge.minor)
          expect(p.rows.at(-1)!.balance.minor).toBe(0n)
        },
      ),
    )
  })
})

test('a layaway pays its first part at once and the rest evenly until it ends', () => {
  const made = planLayaway(
    usd(71_500n),
    { kind: 'layaway', first: { percent: decimal(20) }, months: 3, every: 'month' },
    day('2026-11-25'),
  )
  // 20 % of 715.00 is 143.00; 572.00 over three months is 190.67, 190.67, 190.66
  expect(made.ok && made.value.rows.map((r) => [r.due, toDecimalString(r.payment)])).toEqual([
    ['2026-11-25', '143.00'],
    ['2026-12-25', '190.67'],
    ['2027-01-25', '190.67'],
    ['2027-02-25', '190.66'],
  ])
})
