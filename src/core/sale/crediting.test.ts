import { describe, expect, test } from 'vitest'
import { decimal, money, sumMoney, zeroMoney } from '../money'
import { creditAmount, creditQuantities, type Credit } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const none = zeroMoney('USD')

describe('crediting', () => {
  const invoice = (cents: bigint, tax: bigint, quantity: number) => ({
    id: 1,
    taxCodeId: 1,
    quantity: decimal(quantity),
    net: usd(cents),
    tax: usd(tax),
    creditedQuantity: decimal(0),
    creditedNet: none,
    creditedTax: none,
  })
  test('all of a line mirrors it exactly', () => {
    const line = invoice(1001n, 83n, 3)
    const credit = creditQuantities(
      [line],
      [{ taxCodeId: 1, componentId: 1, amount: usd(83n), credited: none }],
      [{ lineId: 1, quantity: decimal(3) }],
    )
    expect([credit.net.minor, credit.tax.minor, credit.taxes[0]!.amount.minor]).toEqual([1001n, 83n, 83n])
  })
  test('piece by piece adds up to the line again', () => {
    let line = invoice(1000n, 83n, 3)
    let credited = none
    const nets: bigint[] = []
    for (let i = 0; i < 3; i++) {
      const c = creditQuantities(
        [line],
        [{ taxCodeId: 1, componentId: 1, amount: usd(83n), credited }],
        [{ lineId: 1, quantity: decimal(1) }],
      )
      nets.push(c.net.minor)
      credited = sumMoney([credited, ...c.taxes.map((t) => t.amount)], 'USD')
      line = {
        ...line,
        creditedQuantity: line.creditedQuantity.plus(1),
        creditedNet: usd(line.creditedNet.minor + c.net.minor),
        creditedTax: usd(line.creditedTax.minor + c.tax.minor),
      }
    }
    // a third of 10.00 is 3.33, two thirds 6.67, the last takes the rest
    expect(nets).toEqual([333n, 334n, 333n])
    expect(credited.minor).toBe(83n)
  })
  test('an amount takes tax in the invoice’s own proportion', () => {
    // half of 10.83 is 5.415: 5.42 splits 10.00 : 0.83 into 5.0046… and 0.4153…
    const credit = creditAmount(
      [invoice(1000n, 83n, 1)],
      [{ taxCodeId: 1, componentId: 1, amount: usd(83n), credited: none }],
      usd(542n),
    )
    expect([credit.net.minor, credit.tax.minor, credit.gross.minor]).toEqual([500n, 42n, 542n])
  })

  describe('of several kinds of tax', () => {
    const line = (id: number, taxCodeId: number, net: bigint, tax: bigint) => ({
      ...invoice(net, tax, 1),
      id,
      taxCodeId,
    })
    const lines = [line(1, 1, 1000n, 83n), line(2, 2, 1000n, 93n), line(3, 3, 100n, 0n)]
    const tax = (taxCodeId: number, componentId: number, cents: bigint) => ({
      taxCodeId,
      componentId,
      amount: usd(cents),
      credited: none,
    })
    const taxes = [tax(1, 1, 83n), tax(2, 2, 70n), tax(2, 3, 23n)]
    const told = (c: Credit) => ({
      lines: c.lines.map((l) => [l.lineId, Number(l.net.minor), Number(l.tax.minor)]),
      taxes: c.taxes.map((t) => [t.taxCodeId, t.componentId, Number(t.amount.minor)]),
    })

    test('a line takes the tax of its own code alone', () => {
      expect(told(creditQuantities(lines, taxes, [{ lineId: 2, quantity: decimal(1) }]))).toEqual({
        lines: [[2, 1000, 93]],
        taxes: [
          [2, 2, 70],
          [2, 3, 23],
        ],
      })
    })
    test('and one of two lines of a code the tax of that line', () => {
      const two = [line(1, 1, 1000n, 83n), line(2, 1, 500n, 41n)]
      expect(told(creditQuantities(two, [tax(1, 1, 124n)], [{ lineId: 2, quantity: decimal(1) }]))).toEqual({
        lines: [[2, 500, 41]],
        taxes: [[1, 1, 41]],
      })
    })
    test('an amount goes over the lines by what is left of them, and over the parts of a tax likewise', () => {
      // 10.83, 10.93 and 1.00 are left: of 5.00 they take 2.38, 2.40 and 0.22.
      // 2.38 × 10.00 ÷ 10.83 = 2.1976; 2.40 × 10.00 ÷ 10.93 = 2.1958; 0.20 × 0.70 ÷ 0.93 = 0.1505
      expect(told(creditAmount(lines, taxes, usd(500n)))).toEqual({
        lines: [
          [1, 220, 18],
          [2, 220, 20],
          [3, 22, 0],
        ],
        taxes: [
          [1, 1, 18],
          [2, 2, 15],
          [2, 3, 5],
        ],
      })
    })
    test('a line of which nothing is left takes no part', () => {
      const gone = { ...lines[0]!, creditedQuantity: decimal(1), creditedNet: usd(1000n), creditedTax: usd(83n) }
      const left = [{ ...taxes[0]!, credited: usd(83n) }, taxes[1]!, taxes[2]!]
      expect(told(creditAmount([gone, lines[1]!], left, usd(1093n)))).toEqual({
        lines: [[2, 1000, 93]],
        taxes: [
          [2, 2, 70],
          [2, 3, 23],
        ],
      })
    })
  })
})
