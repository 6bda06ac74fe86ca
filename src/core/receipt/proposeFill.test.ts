import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal, roundToMoney, sumMoney, toDecimalString, type Money } from '../money'
import { discountTaken, fillNamed, leftAfter, lowersOwed, proposeFill, settlesToday, type OpenThing } from '.'

const usd = (text: string): Money => roundToMoney(decimal(text), 'USD')
const thing = (key: string, open: string, more: Partial<Record<'discount' | 'asked', string>> = {}, saleId = 1) => ({
  key,
  saleId,
  open: usd(open),
  discount: usd(more.discount ?? '0'),
  asked: usd(more.asked ?? open),
})
const told = (filled: ReadonlyMap<string, Money>) =>
  Object.fromEntries([...filled].map(([key, part]) => [key, toDecimalString(part)]))

describe('what an amount is proposed to pay', () => {
  test.each<[string, OpenThing[], string, number | null, Record<string, string>]>([
    ['goes from the top down', [thing('a', '40'), thing('b', '60')], '70', null, { a: '40.00', b: '30.00' }],
    ['leaves out what gets nothing', [thing('a', '40'), thing('b', '60')], '40', null, { a: '40.00' }],
    ['puts no more on things than they are', [thing('a', '40')], '100', null, { a: '40.00' }],
    [
      'takes less where the discount then settles it',
      [thing('a', '98', { discount: '1.96' }), thing('b', '10')],
      '100',
      null,
      { a: '96.04', b: '3.96' },
    ],
    [
      'puts on a layaway what is due by now, and not the rest',
      [thing('a', '600', { asked: '100' }), thing('b', '50')],
      '200',
      null,
      { a: '100.00', b: '50.00' },
    ],
    [
      'puts all on the sale asked about before anything else',
      [thing('a', '40', {}, 1), thing('b', '600', { asked: '100' }, 2)],
      '620',
      2,
      { b: '600.00', a: '20.00' },
    ],
    ['puts nothing anywhere where nothing came', [thing('a', '40')], '0', null, {}],
  ])('%s', (_, things, amount, first, wanted) => {
    expect(told(proposeFill(things, usd(amount), first))).toEqual(wanted)
  })

  test('is never more than came, nor more on a thing than settles it, and nothing waits while money is left', () => {
    const things = fc.array(
      fc.record({
        open: fc.integer({ min: 1, max: 90_000 }),
        off: fc.integer({ min: 0, max: 20 }),
        sale: fc.integer({ min: 1, max: 3 }),
      }),
      { maxLength: 8 },
    )
    fc.assert(
      fc.property(things, fc.integer({ min: 0, max: 300_000 }), (given, cents) => {
        const all = given.map(({ open, off, sale }, i): OpenThing => {
          const whole = { minor: BigInt(open), currency: 'USD' }
          return {
            key: String(i),
            saleId: sale,
            open: whole,
            discount: { minor: BigInt(Math.min(off, open)), currency: 'USD' },
            asked: whole,
          }
        })
        const amount = { minor: BigInt(cents), currency: 'USD' }
        const filled = proposeFill(all, amount, 2)
        const sum = sumMoney([...filled.values()], 'USD').minor
        const wanted = sumMoney(all.map(settlesToday), 'USD').minor
        // All that came, or all that settles everything, whichever is less.
        expect(sum).toBe(amount.minor < wanted ? amount.minor : wanted)
        for (const t of all) expect((filled.get(t.key)?.minor ?? 0n) <= settlesToday(t).minor).toBe(true)
      }),
    )
  })
})

describe('what is left of a thing', () => {
  const bill = thing('a', '98', { discount: '1.96' })
  test.each([
    ['96.04', '0.00', 'the discount comes off with the money that settles it'],
    ['97.00', '0.00', 'also with a little more'],
    ['96.03', '1.97', 'a cent less settles nothing'],
    ['0', '98.00', 'nothing put on it changes nothing'],
  ])('after %s is %s: %s', (put, left) => {
    expect(toDecimalString(leftAfter(bill, usd(put)))).toBe(left)
  })
})

describe('the discount a payment takes', () => {
  const due = thing('a', '98', { discount: '1.96' })
  test.each([
    ['96.04', '1.96', '0.00'], // exactly what settles it
    ['97.00', '1.00', '0.00'], // money beyond that leaves less of it
    ['98.00', '0.00', '0.00'],
    ['96.03', '0.00', '1.97'], // a cent less takes none
    ['0', '0.00', '98.00'],
    ['100.00', '0.00', '-2.00'],
  ])('with %s put on it is %s, and %s is left', (put, off, left) => {
    expect(toDecimalString(discountTaken(due, usd(put)))).toBe(off)
    expect(toDecimalString(leftAfter(due, usd(put)))).toBe(left)
  })

  test('is the one the receipt takes, whatever is put on it', () => {
    const cents = fc.bigInt(0n, 20_000n).map((minor) => ({ minor, currency: 'USD' }))
    fc.assert(
      fc.property(cents, cents, cents, (open, discount, put) => {
        fc.pre(discount.minor < open.minor && put.minor <= open.minor)
        const filled = fillNamed(
          [{ id: 1, saleId: 1, dueOn: day('2026-03-01'), open, discount }],
          [{ dueId: 1, amount: put }],
          put,
        )
        expect(filled.ok && (filled.value.dues[0]?.discount?.minor ?? 0n)).toBe(
          discountTaken({ open, discount }, put).minor,
        )
      }),
    )
  })
})

describe('what is owed afterwards', () => {
  const on = (key: string, put: string, more: { isDue?: boolean; late?: boolean; discount?: string } = {}) => ({
    thing: thing(key, '100', { discount: more.discount ?? '0' }),
    put: usd(put),
    isDue: more.isDue ?? true,
    late: more.late ?? false,
  })
  const less = (...all: ReturnType<typeof on>[]) => {
    const { owed, late } = lowersOwed(all, 'USD')
    return [toDecimalString(owed), toDecimalString(late)]
  }
  test.each<[string, ReturnType<typeof on>[], [string, string]]>([
    ['nothing is put on anything', [], ['0.00', '0.00']],
    ['some on what is late, some on what is not', [on('a', '40', { late: true }), on('b', '10')], ['50.00', '40.00']],
    ['with the discount that settles it', [on('a', '98', { discount: '2' })], ['100.00', '0.00']],
    ['on a deposit, which nobody owes', [on('a', '40', { isDue: false }), on('b', '10')], ['10.00', '0.00']],
  ])('is less by what: %s', (_, all, expected) => {
    expect(less(...all)).toEqual(expected)
  })

  test('is never less by more than was open', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(100), fc.nat(99))), (rows) => {
        const all = rows.map(([put, discount], i) => on(`k${i}`, String(put), { discount: String(discount) }))
        expect(lowersOwed(all, 'USD').owed.minor).toBeLessThanOrEqual(BigInt(rows.length) * 10_000n)
      }),
    )
  })
})
