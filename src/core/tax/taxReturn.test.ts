import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { money, sumMoney } from '../money'
import { sharesOfPayments, taxRows, taxToPay, type TaxFact } from './taxReturn'

const usd = (minor: number) => money(BigInt(minor), 'USD')
const fact = (side: TaxFact['side'], code: number, net: number, tax: number, entryId = 1): TaxFact => ({
  entryId,
  on: day('2026-01-10'),
  side,
  taxCodeId: code,
  componentId: null,
  net: usd(net),
  tax: usd(tax),
})

describe('rows of a return', () => {
  test('are the sums of what was charged and paid, by side and code', () => {
    const rows = taxRows(
      [
        fact('purchases', 1, 5000, 413),
        fact('sales', 2, 100, 0),
        fact('sales', 1, 10000, 825),
        fact('sales', 1, -100, -8),
      ],
      'USD',
    )
    expect(rows.map((r) => [r.side, r.taxCodeId, r.net.minor, r.tax.minor, r.facts.length])).toEqual([
      ['sales', 1, 9900n, 817n, 2],
      ['sales', 2, 100n, 0n, 1],
      ['purchases', 1, 5000n, 413n, 1],
    ])
    expect(taxToPay(rows, 'USD')).toEqual({ sales: usd(817), purchases: usd(413), due: usd(404) })
  })
})

describe('tax as it is paid', () => {
  test('comes with each payment, by hand', () => {
    // 8.25 × 54.13 ÷ 108.25 = 4.1254 → 4.13; the rest makes 8.25.
    expect(sharesOfPayments(usd(825), usd(10825), [usd(5413), usd(5412)])).toEqual([usd(413), usd(412)])
    // A check that bounces takes its part back.
    expect(sharesOfPayments(usd(825), usd(10825), [usd(10825), usd(-10825)])).toEqual([usd(825), usd(-825)])
  })

  test('law: all paid is all of it, however it was paid; paid back is nothing', () => {
    const parts = fc.array(fc.integer({ min: 1, max: 99_999 }), { minLength: 1, maxLength: 12 })
    fc.assert(
      fc.property(parts, fc.integer({ min: 0, max: 99_999 }), (paid, tax) => {
        const whole = usd(paid.reduce((sum, p) => sum + p, 0))
        const shares = sharesOfPayments(usd(tax), whole, [...paid, -Number(whole.minor)].map(usd))
        expect(sumMoney(shares.slice(0, -1), 'USD')).toEqual(usd(tax))
        expect(sumMoney(shares, 'USD')).toEqual(usd(0))
      }),
    )
  })
})
