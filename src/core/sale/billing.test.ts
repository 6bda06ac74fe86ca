import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal, money, sumMoney, zeroMoney, type Decimal, floor, smaller } from '../money'
import { computeTax, lineAmount, type TaxCode, type TaxSettings } from '../tax'
import { creditAmount, creditQuantities, lineState, planBilling, priceBill, standsAs, type LineTally } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const none = zeroMoney('USD')
const tally = (t: Partial<Record<keyof LineTally, number | string>>): LineTally => {
  const of = (k: keyof LineTally): Decimal => decimal(t[k] ?? 0)
  return {
    agreed: of('agreed'),
    handedOver: of('handedOver'),
    returned: of('returned'),
    toReplace: of('toReplace'),
    billed: of('billed'),
    credited: of('credited'),
    toRebill: of('toRebill'),
  }
}
const STD: TaxCode = {
  id: 1,
  code: 'STD',
  name: 'Tax',
  treatment: 'taxed',
  components: [{ id: 1, name: 'Tax', rate: decimal('0.0825') }],
}
const settings: TaxSettings = { currency: 'USD', pricesIncludeTax: false, roundPer: 'document' }

describe('what remains of a line', () => {
  test.each([
    ['untouched', { agreed: 5 }, [5, 5, 0]],
    ['three of five handed over', { agreed: 5, handedOver: 3 }, [2, 5, 3]],
    ['billed ahead', { agreed: 5, billed: 5 }, [5, 0, 0]],
    ['two handed over, one billed', { agreed: 5, handedOver: 2, billed: 1 }, [3, 4, 1]],
    ['one came back for replacement', { agreed: 2, handedOver: 2, billed: 2, returned: 1, toReplace: 1 }, [1, 0, 0]],
    ['one credited to be billed again', { agreed: 2, handedOver: 2, billed: 2, credited: 1, toRebill: 1 }, [0, 1, 1]],
    ['one credited for good', { agreed: 2, handedOver: 2, billed: 2, returned: 1, credited: 1 }, [0, 0, 0]],
  ] as const)('%s', (_, t, [toHandOver, toBill, readyToBill]) => {
    const state = lineState(tally(t))
    expect([state.toHandOver, state.toBill, state.readyToBill].map(Number)).toEqual([toHandOver, toBill, readyToBill])
  })
})

describe('where a sale stands', () => {
  const today = day('2026-11-25')
  const base = {
    closedAs: null,
    agreedOn: null,
    validUntil: null,
    lines: [tally({ agreed: 1 })],
    open: none,
    held: none,
  }
  const agreedOn = day('2026-11-01')
  const done = [tally({ agreed: 1, handedOver: 1, billed: 1 })]
  test.each([
    ['draft', base],
    ['offered', { ...base, validUntil: today }],
    ['lapsed', { ...base, validUntil: day('2026-11-24') }],
    ['agreed', { ...base, agreedOn }],
    ['agreed', { ...base, agreedOn, lines: [tally({ agreed: 1, handedOver: 1 })] }],
    ['owing', { ...base, agreedOn, lines: done, open: usd(1n) }],
    ['owing', { ...base, agreedOn, lines: done, held: usd(1n) }],
    ['settled', { ...base, agreedOn, lines: done }],
    ['declined', { ...base, closedAs: 'declined' as const }],
  ])('%s', (stands, sale) => {
    expect(standsAs(sale, today)).toBe(stands)
  })
})

describe('billing', () => {
  const lines = [
    { id: 1, ...tally({ agreed: 24, handedOver: 22 }) },
    { id: 2, ...tally({ agreed: 1, billed: 1 }) },
  ]
  test('of what was handed over takes what is ready', () => {
    const plan = planBilling(lines, 'handed-over')
    expect(plan.ok && plan.value.map((l) => [l.lineId, Number(l.quantity)])).toEqual([[1, 22]])
  })
  test('of a percentage never takes more than is left', () => {
    const plan = planBilling([{ id: 1, ...tally({ agreed: 10, billed: 8 }) }], { percent: decimal(50) })
    expect(plan.ok && Number(plan.value[0]!.quantity)).toBe(2)
  })
  test('of too much is refused with what is left', () => {
    const plan = planBilling(lines, { lines: [{ lineId: 1, quantity: decimal(25) }] })
    expect(!plan.ok && plan.error).toMatchObject({ code: 'more-than-to-bill', lineId: 1 })
  })
  test('of nothing is refused', () => {
    expect(planBilling([lines[1]!], 'remaining').ok).toBe(false)
  })

  test('in any parts adds up to the whole, tax included', () => {
    const aLine = fc.record({
      quantity: fc.integer({ min: 1, max: 60 }),
      cents: fc.integer({ min: 1, max: 99_999 }),
    })
    fc.assert(
      fc.property(
        fc.array(aLine, { minLength: 1, maxLength: 4 }),
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 5 }),
        fc.boolean(),
        (wish, steps, withTax) => {
          const s = { ...settings, pricesIncludeTax: withTax }
          const sale = wish.map((w, i) => {
            const quantity = decimal(w.quantity)
            return {
              lineId: i,
              taxCode: STD,
              agreed: quantity,
              wholeAmount: lineAmount(
                { quantity, unitPrice: decimal(w.cents).div(100), discountPercent: decimal(0) },
                'USD',
              ),
            }
          })
          const whole = computeTax(
            sale.map((l) => ({ amount: l.wholeAmount, taxCode: STD })),
            s,
          )
          const billed = sale.map(() => ({ quantity: decimal(0), amount: none }))
          let gross = none
          let tax = none
          const bill = (quantities: { lineId: number; quantity: Decimal }[]) => {
            if (quantities.length === 0) return
            const lines = sale.map((l, i) => ({
              ...l,
              billedQuantity: billed[i]!.quantity,
              billedAmount: billed[i]!.amount,
            }))
            const d = priceBill(lines, quantities, [{ taxCodeId: 1, componentId: 1, amount: tax }], s)
            quantities.forEach((q, i) => {
              const amount = withTax ? d.lines[i]!.gross : d.lines[i]!.net
              billed[q.lineId] = {
                quantity: billed[q.lineId]!.quantity.plus(q.quantity),
                amount: sumMoney([billed[q.lineId]!.amount, amount], 'USD'),
              }
            })
            gross = sumMoney([gross, d.gross], 'USD')
            tax = sumMoney([tax, d.tax], 'USD')
          }
          for (const step of steps) {
            bill(
              sale
                .map((l, i) => ({
                  lineId: i,
                  quantity: smaller(floor(l.agreed.div(10).times(step)), l.agreed.minus(billed[i]!.quantity)),
                }))
                .filter((q) => q.quantity.gt(0)),
            )
          }
          bill(
            sale
              .map((l, i) => ({ lineId: i, quantity: l.agreed.minus(billed[i]!.quantity) }))
              .filter((q) => q.quantity.gt(0)),
          )
          expect(gross.minor).toBe(whole.gross.minor)
          expect(tax.minor).toBe(whole.tax.minor)
        },
      ),
    )
  })
})

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
})
