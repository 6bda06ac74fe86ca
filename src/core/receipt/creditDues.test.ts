import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { addMoney, money, sumMoney, toDecimalString, zeroMoney, type Money } from '../money'
import { creditDues, discountLeft, discountOn, discountWith, dueInSentence, nameOfDue, type DueParts } from './index'

const usd = (text: string): Money => money(BigInt(text.replace('.', '')), 'USD')
const none = zeroMoney('USD')
const due = (id: number, parts: Partial<DueParts>): DueParts => ({
  id,
  dueOn: day('2026-03-02'),
  open: none,
  writtenOff: none,
  paid: none,
  discount: none,
  ...parts,
})
const told = (credited: ReturnType<typeof creditDues>) =>
  credited.dues.map((d) => [d.dueId, ...[d.open, d.writtenOff, d.paid, d.discount].map(toDecimalString)].join(' '))

describe('a credit', () => {
  test('takes what is open first, then bad debts, then money', () => {
    const parts = due(1, { open: usd('100.00'), writtenOff: usd('50.00'), paid: usd('200.00') })
    expect(told(creditDues([parts], usd('80.00')))).toEqual(['1 80.00 0.00 0.00 0.00'])
    expect(told(creditDues([parts], usd('130.00')))).toEqual(['1 100.00 30.00 0.00 0.00'])
    expect(told(creditDues([parts], usd('350.00')))).toEqual(['1 100.00 50.00 200.00 0.00'])
  })

  test.each([
    // 1,080.00 less 3 % was paid with 1,047.60.
    ['1080.00', '1 0.00 0.00 1047.60 32.40'],
    ['540.00', '1 0.00 0.00 523.80 16.20'],
    ['0.01', '1 0.00 0.00 0.01 0.00'],
  ])('of %s of what was paid early gives back money and discount in proportion', (amount, expected) => {
    const parts = due(1, { paid: usd('1047.60'), discount: usd('32.40') })
    expect(told(creditDues([parts], usd(amount)))).toEqual([expected])
  })

  test('goes over the dues by their days, and by age on the same day', () => {
    const dues = [
      due(3, { open: usd('10.00'), dueOn: day('2026-04-01') }),
      due(2, { open: usd('10.00') }),
      due(1, { open: usd('10.00') }),
    ]
    expect(told(creditDues(dues, usd('25.00')))).toEqual([
      '1 10.00 0.00 0.00 0.00',
      '2 10.00 0.00 0.00 0.00',
      '3 5.00 0.00 0.00 0.00',
    ])
  })

  test('of a counter sale, which has no due, is beyond them all', () => {
    const credited = creditDues([], usd('12.96'))
    expect(credited.dues).toEqual([])
    expect(toDecimalString(credited.beyond)).toBe('12.96')
  })

  test('is never lost, and takes of no due more than it has', () => {
    const amount = fc.bigInt(0n, 100_000n).map((minor) => money(minor, 'USD'))
    const parts = fc.record({ open: amount, writtenOff: amount, paid: amount, discount: amount }).map((p) => due(1, p))
    fc.assert(
      fc.property(fc.array(parts, { maxLength: 5 }), amount, (some, credit) => {
        const dues = some.map((d, i) => ({ ...d, id: i + 1 }))
        const { dues: taken, beyond } = creditDues(dues, credit)
        const whole = taken.flatMap((d) => [d.open, d.writtenOff, d.paid, d.discount])
        expect(sumMoney([...whole, beyond], 'USD').minor).toBe(credit.minor)
        for (const t of taken) {
          const of = dues.find((d) => d.id === t.dueId)!
          for (const part of ['open', 'writtenOff', 'discount'] as const)
            expect(t[part].minor).toBeLessThanOrEqual(of[part].minor)
          expect(addMoney(t.paid, t.discount).minor).toBeLessThanOrEqual(addMoney(of.paid, of.discount).minor)
        }
      }),
    )
  })
})

describe('the discount for paying early', () => {
  const given = { amount: usd('1080.00'), credited: none, discount: usd('32.40') }
  test.each([
    ['0.00', '32.40'],
    ['540.00', '16.20'],
    ['972.00', '3.24'],
    ['1080.00', '0.00'],
    ['1.00', '32.37'], // 32.40 × 1,079 ÷ 1,080 = 32.37
  ])('of which %s was credited is %s', (credited, left) => {
    expect(toDecimalString(discountLeft({ ...given, credited: usd(credited) }))).toBe(left)
  })

  const running = { ...given, open: usd('1080.00'), discountUntil: day('2026-03-12') }
  test.each([
    ['2026-03-01', '32.40'],
    ['2026-03-12', '32.40'], // its last day
    ['2026-03-13', undefined],
  ])('on %s is %s', (on, off) => {
    const discount = discountOn(running, day(on))
    expect(discount && toDecimalString(discount)).toBe(off)
  })

  test('is none where nothing was agreed, or where it would be all that is open', () => {
    expect(discountOn({ ...running, discountUntil: null }, day('2026-03-01'))).toBeUndefined()
    expect(discountOn({ ...running, open: usd('32.40') }, day('2026-03-01'))).toBeUndefined()
    expect(discountOn({ ...running, discount: none }, day('2026-03-01'))).toBeUndefined()
  })

  test('is given back with the part it belongs to, and all of it with all', () => {
    expect(toDecimalString(discountWith(usd('2.00'), usd('49.00'), usd('98.00')))).toBe('1.00')
    expect(toDecimalString(discountWith(usd('2.00'), usd('98.00'), usd('98.00')))).toBe('2.00')
    expect(toDecimalString(discountWith(none, usd('1.00'), usd('98.00')))).toBe('0.00')
  })
})

describe('a due by its name', () => {
  test.each([
    [{ number: 'I-26-1', label: '' }, 'Invoice I-26-1', 'invoice I-26-1'],
    [{ number: 'I-26-1', label: 'part 2 of 3' }, 'Invoice I-26-1, part 2 of 3', 'invoice I-26-1, part 2 of 3'],
    [{ number: '', label: 'Late fee' }, 'Late fee', 'Late fee'],
  ])('%j', (named, alone, within) => {
    expect(nameOfDue(named)).toBe(alone)
    expect(dueInSentence(named)).toBe(within)
  })
})
