import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal, money, sumMoney, zeroMoney, type Decimal, floor, smaller } from '../money'
import { computeTax, lineAmount, type TaxCode, type TaxSettings } from '../tax'
import { type BilledTax, lineState, planBilling, priceBill, standsAs, type BillWish, type LineTally } from './index'

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
const CITY: TaxCode = {
  id: 2,
  code: 'CITY',
  name: 'State and city',
  treatment: 'taxed',
  components: [
    { id: 2, name: 'State', rate: decimal('0.07') },
    { id: 3, name: 'City', rate: decimal('0.0225') },
  ],
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
  const chosen = (...of: readonly (readonly [lineId: number, quantity: number])[]) => {
    const plan = planBilling(lines, { lines: of.map(([lineId, n]) => ({ lineId, quantity: decimal(n) })) })
    return plan.ok ? plan.value.map((l) => [l.lineId, Number(l.quantity)]) : plan.error
  }
  test('of chosen lines takes what was chosen, one line twice as one', () => {
    expect(chosen([1, 20], [1, 4])).toEqual([[1, 24]])
    expect(chosen([1, 3], [2, 0])).toEqual([[1, 3]])
    expect(chosen([1, 20], [1, 5])).toMatchObject({ code: 'more-than-to-bill', lineId: 1 })
    expect(chosen([2, 1])).toMatchObject({ code: 'more-than-to-bill', lineId: 2 })
    expect(chosen([3, 1])).toEqual({ code: 'unknown-line', lineId: 3 })
    expect(chosen([1, 0])).toEqual({ code: 'nothing-to-bill', what: 'remaining' })
  })
  test('of what remains takes it, handed over or not', () => {
    const plan = planBilling(lines, 'remaining')
    expect(plan.ok && plan.value.map((l) => [l.lineId, Number(l.quantity)])).toEqual([[1, 24]])
  })
  test('of nothing is refused, and says of what', () => {
    const refused = (wish: BillWish) => {
      const plan = planBilling([lines[1]!], wish)
      return plan.ok ? null : plan.error
    }
    expect(refused('remaining')).toEqual({ code: 'nothing-to-bill', what: 'remaining' })
    expect(refused('handed-over')).toEqual({ code: 'nothing-to-bill', what: 'handed-over' })
    expect(refused({ percent: decimal(50) })).toEqual({ code: 'nothing-to-bill', what: 'remaining' })
  })

  describe('of two kinds of tax', () => {
    // Three for 1.00 at 8.25 %: 0.08 of tax. Two for 1.00 at 7 % and 2.25 %: 0.07 and 0.02.
    const of = (lineId: number, taxCode: TaxCode, agreed: number, billed: number, cents: bigint, at = false) => ({
      lineId,
      taxCode,
      agreed: decimal(agreed),
      wholeAmount: usd(100n),
      billedQuantity: decimal(billed),
      billedAmount: usd(cents),
      atOtherRates: at,
    })
    const tax = (taxCodeId: number, componentId: number, cents: bigint) => ({
      taxCodeId,
      componentId,
      amount: usd(cents),
    })
    const taxesOf = (...args: Parameters<typeof priceBill>) =>
      priceBill(...args).taxes.flatMap((t) => t.components.map((c) => [c.componentId, Number(c.amount.minor)]))
    // 0.03 and 0.03 of tax were on two bills of one piece each; 0.04 and 0.01 on one of the other line.
    const before = [tax(1, 1, 6n), tax(2, 2, 4n), tax(2, 3, 1n)]

    test('the bill that completes one takes what is left of it, whatever is open of the other', () => {
      const lines = [of(1, STD, 3, 2, 67n), of(2, CITY, 2, 1, 50n)]
      expect(taxesOf(lines, [{ lineId: 1, quantity: decimal(1) }], before, settings)).toEqual([[1, 2]])
      // 0.07 − 0.04 and 0.02 − 0.01
      expect(taxesOf(lines, [{ lineId: 2, quantity: decimal(1) }], before, settings)).toEqual([
        [2, 3],
        [3, 1],
      ])
    })
    test('one that does not complete it pays its own: 8.25 % of 0.34 is 0.03', () => {
      const lines = [of(1, STD, 3, 1, 33n), of(2, CITY, 2, 2, 100n)]
      expect(taxesOf(lines, [{ lineId: 1, quantity: decimal(1) }], [tax(1, 1, 3n)], settings)).toEqual([[1, 3]])
    })
    test('nor one that bills one of two lines of it: 8.25 % of 0.34, though both together come to 0.06', () => {
      const line = (lineId: number, cents: bigint) => ({ ...of(lineId, STD, 1, 0, 0n), wholeAmount: usd(cents) })
      const lines = [line(1, 34n), line(2, 33n)]
      expect(taxesOf(lines, [{ lineId: 1, quantity: decimal(1) }], [], settings)).toEqual([[1, 3]])
    })
    test('where a part was billed at other rates there is no whole to complete', () => {
      const lines = [of(1, STD, 3, 2, 67n, true)]
      expect(taxesOf(lines, [{ lineId: 1, quantity: decimal(1) }], before, settings)).toEqual([[1, 3]])
    })
    test('a line of which nothing was agreed is worth nothing until all of it is billed', () => {
      const lines = [{ ...of(1, STD, 0, 0, 0n), wholeAmount: none }]
      expect(priceBill(lines, [{ lineId: 1, quantity: decimal(0) }], [], settings).gross.minor).toBe(0n)
    })
  })

  test('in any parts adds up to the whole, tax included', () => {
    // Among them pieces of a few cents, each of which bears less than half a cent of tax, or just that.
    const aLine = fc.record({
      quantity: fc.integer({ min: 1, max: 60 }),
      cents: fc.oneof(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 1, max: 99_999 })),
    })
    const tenth: TaxCode = { ...STD, components: [{ id: 1, name: 'Tax', rate: decimal('0.1') }] }
    fc.assert(
      fc.property(
        fc.array(aLine, { minLength: 1, maxLength: 4 }),
        fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 20 }),
        fc.record({ pricesIncludeTax: fc.boolean(), roundPer: fc.constantFrom('document', 'line') }),
        fc.constantFrom(STD, tenth, CITY),
        (wish, steps, how, taxCode) => {
          const s = { ...settings, ...how }
          const withTax = how.pricesIncludeTax
          const sale = wish.map((w, i) => {
            const quantity = decimal(w.quantity)
            return {
              lineId: i,
              taxCode,
              agreed: quantity,
              wholeAmount: lineAmount(
                { quantity, unitPrice: decimal(w.cents).div(100), discountPercent: decimal(0) },
                'USD',
              ),
            }
          })
          const whole = computeTax(
            sale.map((l) => ({ amount: l.wholeAmount, taxCode })),
            s,
          )
          const billed = sale.map(() => ({ quantity: decimal(0), amount: none }))
          let gross = none
          let tax = none
          const taxBilled: BilledTax[] = []
          const bill = (quantities: { lineId: number; quantity: Decimal }[]) => {
            if (quantities.length === 0) return
            const lines = sale.map((l, i) => ({
              ...l,
              billedQuantity: billed[i]!.quantity,
              billedAmount: billed[i]!.amount,
            }))
            const d = priceBill(lines, quantities, taxBilled, s)
            for (const { taxCodeId, components } of d.taxes)
              taxBilled.push(...components.map((c) => ({ taxCodeId, ...c })))
            quantities.forEach((q, i) => {
              const amount = withTax ? d.lines[i]!.gross : d.lines[i]!.net
              billed[q.lineId] = {
                quantity: billed[q.lineId]!.quantity.plus(q.quantity),
                amount: sumMoney([billed[q.lineId]!.amount, amount], 'USD'),
              }
            })
            const parts = [
              ...d.lines.flatMap((l) => [l.net, l.tax]),
              ...d.taxes.flatMap((t) => t.components.map((c) => c.amount)),
            ]
            expect(parts.every((part) => part.minor >= 0n)).toBe(true)
            gross = sumMoney([gross, d.gross], 'USD')
            tax = sumMoney([tax, d.tax], 'USD')
          }
          for (const step of steps) {
            bill(
              sale
                .map((l, i) => ({
                  lineId: i,
                  // A tenth and more of it, or one piece.
                  quantity: smaller(
                    step === 0 ? decimal(1) : floor(l.agreed.div(10).times(step)),
                    l.agreed.minus(billed[i]!.quantity),
                  ),
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
