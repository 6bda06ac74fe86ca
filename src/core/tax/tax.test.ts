import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day, type Day } from '../day'
import { decimal, money, toDecimalString } from '../money'
import { codesOn, computeTax, lineAmount, rateOn, type TaxCode, type TaxSettings } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const code = (id: number, rates: readonly string[], treatment: TaxCode['treatment'] = 'taxed'): TaxCode => ({
  id,
  code: `T${id}`,
  name: `T${id}`,
  treatment,
  components: rates.map((rate, i) => ({ id: id * 10 + i, name: `c${i}`, rate: decimal(rate) })),
})
const STD = code(1, ['0.0825'])
const TWO = code(2, ['0.0625', '0.02'])
const VAT = code(3, ['0.19'])
const EXEMPT = code(4, [], 'exempt')
const net: TaxSettings = { currency: 'USD', pricesIncludeTax: false, roundPer: 'document' }
const gross: TaxSettings = { ...net, pricesIncludeTax: true }

test('a line is quantity times price less discount, rounded once', () => {
  // 3 × 19.99 = 59.97; less 10 % = 53.973
  expect(
    lineAmount({ quantity: decimal(3), unitPrice: decimal('19.99'), discountPercent: decimal(10) }, 'USD').minor,
  ).toBe(5397n)
})

describe('tax on a document', () => {
  test('is rounded once for the sum of the lines, not for each', () => {
    // 3 × 0.07 = 0.21 × 8.25 % = 0.017325 → 0.02; each line alone would give 0.005775 → 0.01, together 0.03
    const three = [7n, 7n, 7n].map((minor) => ({ amount: usd(minor), taxCode: STD }))
    expect(computeTax(three, net).tax.minor).toBe(2n)
    expect(computeTax(three, { ...net, roundPer: 'line' }).tax.minor).toBe(3n)
  })
  test('rounds each component by itself', () => {
    // 565.00 × 6.25 % = 35.3125 → 35.31; × 2 % = 11.30
    const document = computeTax([{ amount: usd(56500n), taxCode: TWO }], net)
    expect(document.taxes[0]!.components.map((c) => toDecimalString(c.amount))).toEqual(['35.31', '11.30'])
    expect(toDecimalString(document.gross)).toBe('611.61')
  })
  test('with tax in the price never moves the total', () => {
    // 119.00 ÷ 1.19 = 100.00
    const document = computeTax([{ amount: usd(11900n), taxCode: VAT }], gross)
    expect([document.net.minor, document.tax.minor, document.gross.minor]).toEqual([10000n, 1900n, 11900n])
    // 9.99 ÷ 1.19 = 8.3949… → 8.39, tax 1.60
    expect(computeTax([{ amount: usd(999n), taxCode: VAT }], gross).tax.minor).toBe(160n)
  })
  test('charges nothing on exempt lines and keeps them apart', () => {
    const document = computeTax(
      [
        { amount: usd(1000n), taxCode: EXEMPT },
        { amount: usd(1000n), taxCode: STD },
      ],
      net,
    )
    expect(document.taxes.map((t) => [t.taxCodeId, t.net.minor, t.components.length])).toEqual([
      [4, 1000n, 0],
      [1, 1000n, 1],
    ])
    // 10.00 × 8.25 % = 0.825 → 0.83
    expect(document.tax.minor).toBe(83n)
  })
  test('adds up: lines to nets and taxes, components to tax, net and tax to gross', () => {
    const line = fc.record({
      amount: fc.bigInt(0n, 10n ** 9n).map(usd),
      taxCode: fc.constantFrom(STD, TWO, VAT, EXEMPT),
    })
    fc.assert(
      fc.property(
        fc.array(line, { maxLength: 30 }),
        fc.constantFrom(net, gross, { ...net, roundPer: 'line' as const }),
        (lines, settings) => {
          const d = computeTax(lines, settings)
          const sum = (amounts: readonly { minor: bigint }[]) => amounts.reduce((s, a) => s + a.minor, 0n)
          expect(sum(d.lines.map((l) => l.net))).toBe(d.net.minor)
          expect(sum(d.lines.map((l) => l.tax))).toBe(d.tax.minor)
          expect(sum(d.taxes.flatMap((t) => t.components.map((c) => c.amount)))).toBe(d.tax.minor)
          expect(d.net.minor + d.tax.minor).toBe(d.gross.minor)
          if (settings.pricesIncludeTax) expect(d.gross.minor).toBe(sum(lines.map((l) => l.amount)))
        },
      ),
    )
  })
})

describe('rates that change', () => {
  const row = (id: number, rate: string, rateOf: number | null = null, from: string | null = null) => ({
    id,
    code: 'STD',
    name: 'Sales tax',
    treatment: 'taxed' as const,
    components: [{ id: id * 10, name: 'Tax', rate: decimal(rate) }],
    rateOf,
    from: from as Day | null,
  })
  const codes = [row(1, '0.08'), row(2, '0'), row(7, '0.1', 1, '2026-07-01'), row(5, '0.09', 1, '2026-03-01')]
  test.each([
    ['2025-01-01', 1],
    ['2026-02-28', 1],
    ['2026-03-01', 5],
    ['2026-06-30', 5],
    ['2026-07-01', 7],
    ['2199-01-01', 7],
  ])('on %s row %i holds, whichever row of the code is named', (on, id) => {
    for (const named of [1, 5, 7]) expect(rateOn(codes, named, day(on)).id).toBe(id)
    expect(codesOn(codes, day(on)).map((c) => c.id)).toEqual([id, 2])
  })
  test('a code that is not there is a mistake of the caller', () => {
    expect(() => rateOn(codes, 3, day('2026-01-01'))).toThrow(RangeError)
  })
})
