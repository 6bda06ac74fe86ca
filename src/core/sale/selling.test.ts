import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal, money, sumMoney } from '../money'
import {
  compareVersions,
  lineWorth,
  marginPercent,
  overLimit,
  repeatDay,
  repeatDays,
  shareWholeDiscount,
  tallyOffers,
  usualGoods,
  type KeptLine,
} from '.'

const usd = (minor: number) => money(BigInt(minor), 'USD')
const line = (quantity: string, unitPrice: string, percent = '0', off = 0, whole = 0) => ({
  quantity: decimal(quantity),
  unitPrice: decimal(unitPrice),
  discountPercent: decimal(percent),
  discountAmount: usd(off),
  wholeLess: usd(whole),
})

describe('what a line comes to', () => {
  test.each([
    // 4 × 25.00 = 100.00 less 10 % = 90.00 less 6.00
    ['percent, then amount', line('4', '25', '10', 600), '4', 8400n],
    // half of it: 45.00 − 3.00
    ['its part of the amount for a part', line('4', '25', '10', 600), '2', 4200n],
    ['its share of what is off the whole', line('1', '100', '0', 0, 667), '1', 9333n],
    ['never below zero', line('1', '5', '0', 900), '1', 0n],
    ['nothing of nothing', line('4', '25', '10', 600), '0', 0n],
  ] as const)('%s', (_, l, of, minor) => expect(lineWorth(l, decimal(of)).minor).toBe(minor))
})

describe('what is off the whole', () => {
  const free = (minor: number) => ({ worth: usd(minor), fixed: null })
  test('an amount is shared by worth, the leftover cent to the earlier line', () => {
    expect(shareWholeDiscount([free(10000), free(5000)], { percent: decimal(0), amount: usd(1000) })).toEqual([
      usd(667),
      usd(333),
    ])
    expect(
      shareWholeDiscount([free(100), free(100), free(100)], { percent: decimal(0), amount: usd(100) }).map(
        (m) => m.minor,
      ),
    ).toEqual([34n, 33n, 33n])
  })
  test('a percentage and an amount come off together, and never more than there is', () => {
    // 10 % of 150.00 = 15.00, and 5.00
    expect(
      sumMoney(shareWholeDiscount([free(10000), free(5000)], { percent: decimal(10), amount: usd(500) }), 'USD'),
    ).toEqual(usd(2000))
    expect(sumMoney(shareWholeDiscount([free(300)], { percent: decimal(0), amount: usd(500) }), 'USD')).toEqual(
      usd(300),
    )
  })
  test('a billed line keeps its share, the others take what is left', () => {
    const shares = shareWholeDiscount([{ worth: usd(10000), fixed: usd(700) }, free(5000)], {
      percent: decimal(0),
      amount: usd(1000),
    })
    expect(shares).toEqual([usd(700), usd(300)])
  })
  test('shares always add up to the discount', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(100_000), { minLength: 1, maxLength: 9 }), fc.nat(100_000), (worths, off) => {
        const shares = shareWholeDiscount(worths.map(free), { percent: decimal(0), amount: usd(off) })
        const all = worths.reduce((a, b) => a + b, 0)
        expect(sumMoney(shares, 'USD').minor).toBe(BigInt(Math.min(off, all)))
        shares.forEach((s, i) => expect(s.minor <= BigInt(worths[i]!)).toBe(true))
      }),
    )
  })
})

const kept = (lineId: number, change: Partial<KeptLine> = {}): KeptLine => ({
  lineId,
  description: `thing ${lineId}`,
  note: '',
  quantity: '1',
  unitPrice: '10',
  discountPercent: '0',
  discountAmount: '0.00',
  taxCode: 'STD',
  kind: 'stock',
  choice: 'none',
  chosen: true,
  net: '10.00',
  ...change,
})

describe('two versions beside each other', () => {
  test('tells added, changed, dropped and the same, in the order of the later one', () => {
    const compared = compareVersions([kept(1), kept(2), kept(3)], [kept(1, { quantity: '4' }), kept(3), kept(4)])
    expect(compared.map((c) => [c.how, (c.now ?? c.before)!.lineId, c.fields])).toEqual([
      ['changed', 1, ['quantity']],
      ['dropped', 2, []],
      ['same', 3, []],
      ['added', 4, []],
    ])
  })
  test('a line at zero is dropped, a heading is not', () => {
    const now = [kept(1, { quantity: '0' }), kept(2, { kind: 'heading', quantity: '0' })]
    const before = [kept(1), kept(2, { kind: 'heading', quantity: '0' })]
    expect(compareVersions(before, now).map((c) => c.how)).toEqual(['dropped', 'same'])
  })
})

describe('a sale that comes again', () => {
  const monthly = { every: 'month', firstOn: day('2026-01-31'), untilDay: null, times: null } as const
  test('keeps the day of the month it began on', () =>
    expect([0, 1, 2].map((n) => repeatDay(monthly, n))).toEqual(['2026-01-31', '2026-02-28', '2026-03-31']))
  test('ends after so many times, or after a day', () => {
    expect(repeatDay({ ...monthly, times: 2 }, 2)).toBeNull()
    expect(repeatDay({ ...monthly, untilDay: day('2026-03-30') }, 2)).toBeNull()
    expect(repeatDays({ ...monthly, every: 'two-weeks', times: 3 }, 1, day('2027-01-01'))).toEqual([
      '2026-02-14',
      '2026-02-28',
    ])
    // Its last day is one of them.
    expect(repeatDay({ ...monthly, untilDay: day('2026-03-31') }, 2)).toBe('2026-03-31')
  })
  test('is told through a day, that day too, and at most so many times', () => {
    const weekly = { ...monthly, every: 'week' } as const
    expect(repeatDays(weekly, 0, day('2026-02-14'))).toEqual(['2026-01-31', '2026-02-07', '2026-02-14'])
    expect(repeatDays(weekly, 0, day('2026-02-13'))).toEqual(['2026-01-31', '2026-02-07'])
    expect(repeatDays(weekly, 3, day('2199-01-01'), 2)).toEqual(['2026-02-21', '2026-02-28'])
  })
})

test('estimates are counted by group: how many became orders, and how long it took', () => {
  const fate = (group: string, agreedOn: string | null, lost: boolean, total: number) => ({
    group,
    sentOn: day('2026-03-01'),
    agreedOn: agreedOn ? day(agreedOn) : null,
    lost,
    total: usd(total),
  })
  const [march] = tallyOffers(
    [
      fate('2026-03', '2026-03-04', false, 10000),
      fate('2026-03', '2026-03-09', false, 5000),
      fate('2026-03', null, true, 7000),
      fate('2026-03', null, false, 100),
    ],
    'USD',
  )
  // two of the three decided; 3 and 8 days → 5.5
  expect(march).toMatchObject({
    sent: 4,
    agreed: 2,
    lost: 1,
    open: 1,
    agreedAmount: usd(15000),
    sentAmount: usd(22100),
  })
  expect([march!.rate!.toString(), march!.days!.toString()]).toEqual(['66.7', '5.5'])
})

test('what a customer usually takes: the most often first, with its average in a month', () => {
  const took = (goodsId: number, on: string, quantity: string) => ({
    goodsId,
    on: day(on),
    quantity: decimal(quantity),
    unitPrice: decimal('3'),
  })
  const usual = usualGoods(
    [took(1, '2026-03-09', '5'), took(2, '2025-11-25', '2'), took(2, '2026-01-25', '4')],
    day('2026-03-10'),
  )
  expect(usual.map((u) => [u.goodsId, u.times, u.lastQuantity.toString(), u.perMonth.toString()])).toEqual([
    // 6 in the 105 days since 25 November: 105 ÷ 30.4375 = 3.4497 months
    [2, 2, '4', '1.7'],
    // yesterday for the first time: within one month
    [1, 1, '5', '5'],
  ])
  // As often as each other: what was taken last comes first, in whatever order it is told.
  const twice = [took(3, '2026-01-05', '1'), took(4, '2026-02-05', '1')]
  for (const takings of [twice, [...twice].reverse()])
    expect(usualGoods(takings, day('2026-03-10')).map((u) => u.goodsId)).toEqual([4, 3])
  // What was taken last is the latest, though it is told first.
  expect(usualGoods([took(5, '2026-03-01', '7'), took(5, '2026-02-01', '2')], day('2026-03-10'))[0]).toMatchObject({
    lastOn: '2026-03-01',
    lastQuantity: decimal('7'),
  })
})

test.each([
  // 200.00 brings 50.00 above 150.00 of cost: 25 %; sold below cost it is negative; two thirds round to 67.
  [20000, '150', 0, '25'],
  [10000, '125.50', 0, '-26'],
  [3000, '10', 0, '67'],
  // 2000 ÷ 3000 = 66.666…: one place rounds up.
  [3000, '10', 1, '66.7'],
  [0, '10', 0, undefined],
])('the margin of %i cents that cost %s, to %i places, is %s %%', (net, cost, places, percent) => {
  expect(marginPercent(usd(net), decimal(cost), places)?.toString()).toBe(percent)
})

test.each([
  [120000, 100000, 20000n],
  [100000, 100000, undefined],
  [50000, null, undefined],
])('committed %s cents over a limit of %s', (committed, limit, over) => {
  expect(overLimit(usd(committed), limit === null ? null : usd(limit))?.minor).toBe(over)
})
