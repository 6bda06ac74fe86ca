import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { day } from '@/core/day'
import { money, toDecimalString } from '@/core/money'
import { arrangement } from '@/contract/arrangement'
import { readPart, readUsual, usualArrangements } from '@/contract/usualArrangements'
import { planOf } from '@/model/plan/terms'
import { fillDown, leftAfter, readTyped, settles, sumTyped, type Open } from '@/ui/money/filling'
import { readBack, writeOut, type UsualPlain } from '@/ui/sale/arrangementDraft'

const usd = (minor: bigint) => money(minor, 'USD')
const nothing = JSON.parse(JSON.stringify(usualArrangements.parse({}))) as UsualPlain
const later = day('2026-04-10')

describe('an arrangement as it is typed', () => {
  const kept = (a: unknown) => JSON.parse(JSON.stringify(arrangement.parse(a))) as Record<string, unknown>
  test.each([
    { kind: 'now' },
    { kind: 'terms', net: 14 },
    { kind: 'terms', net: 30, discountPercent: '2.5', discountDays: 10 },
    { kind: 'terms', net: 10, parts: 3, every: 'week' },
    { kind: 'deposit', percent: '40', apply: 'first' },
    { kind: 'deposit', amount: '250.00', apply: 'in-proportion' },
    { kind: 'deposit', stages: [{ percent: '30' }, { amount: '400.00', when: 'when it arrives' }], apply: 'first' },
    { kind: 'layaway', firstPercent: '20', months: 4, every: 'two-weeks', graceDays: 5, fee: { percent: '5' } },
    { kind: 'layaway', firstPayment: '50.00', months: 2, every: { days: 10 }, graceDays: 0, fee: { amount: '12.00' } },
    { kind: 'installments', count: 9, every: 'month', firstDue: '2026-05-31', graceDays: 0 },
    {
      kind: 'installments',
      firstPayment: '350.00',
      count: 9,
      every: 'month',
      firstDue: '2026-05-01',
      roundUpTo: 5,
      charge: { yearlyRate: '0.0925' },
      graceDays: 7,
      lateCharge: { percent: '2' },
    },
    {
      kind: 'installments',
      count: 3,
      every: 'week',
      firstDue: '2026-05-01',
      charge: { flat: '30.00' },
      graceDays: 0,
      lateCharge: { amount: '5.00' },
    },
  ])('%j comes out as it went in', (a) => {
    expect(kept(writeOut(readBack(kept(a), nothing, later)))).toEqual(kept(a))
  })
  test('begins as Settings say, and next month where they say nothing', () => {
    const usual = JSON.parse(
      JSON.stringify(
        usualArrangements.parse({
          terms: { net: 21 },
          layaway: { months: 6, fee: { percent: '7' } },
          installments: { count: 10 },
          late: { charge: { amount: '4.00' } },
        }),
      ),
    ) as UsualPlain
    const draft = readBack({ kind: 'now' }, usual, later)
    expect([draft.net, draft.months, draft.feePercent, draft.count, draft.lateAmount, draft.firstDue]).toEqual([
      '21',
      '6',
      '7',
      '10',
      '4.00',
      '2026-04-10',
    ])
    expect(writeOut({ ...draft, kind: 'layaway' })).toMatchObject({ months: 6, fee: { percent: '7' } })
  })
  test('what is no number goes as it was typed, to be refused with a sentence', () => {
    const draft = readBack({ kind: 'now' }, nothing, later)
    const sent = arrangement.safeParse(writeOut({ ...draft, kind: 'installments', yearly: 'a lot', count: '6' }))
    expect(sent.success).toBe(false)
  })
})

describe('what an arrangement means', () => {
  test('the rows of any arrangement come to the total and its charge', () => {
    const any = fc.constantFrom(
      { kind: 'now' },
      { kind: 'terms', net: 5, parts: 4, every: 'week' },
      { kind: 'deposit', stages: [{ percent: '33.3' }, { amount: '10.00' }] },
      { kind: 'layaway', firstPercent: '15', months: 5, every: 'two-weeks' },
      { kind: 'installments', count: 7, every: 'month', firstDue: '2026-04-01', charge: { flatPercent: '4' } },
      {
        kind: 'installments',
        count: 12,
        every: 'week',
        firstDue: '2026-04-01',
        charge: { yearlyRate: '0.2' },
        roundUpTo: 10,
      },
    )
    fc.assert(
      fc.property(any, fc.bigInt(2000n, 10n ** 8n), (chosen, minor) => {
        const plan = planOf(arrangement.parse(chosen), usd(minor), day('2026-03-01'), 'USD')
        const sum = plan.rows.reduce((s, r) => s + r.payment.minor, 0n)
        expect(sum).toBe(minor + plan.totalCharge.minor)
        expect(plan.rows.at(-1)!.balance.minor).toBe(0n)
        for (const r of plan.rows) expect(r.principal.minor + r.charge.minor).toBe(r.payment.minor)
      }),
    )
  })
  test('what Settings keep reads back, and a part is one or the other', () => {
    expect(readUsual(undefined)).toEqual({ terms: {}, deposit: {}, layaway: {}, installments: {}, late: {} })
    expect(usualArrangements.safeParse({ late: { charge: { percent: '2', amount: '3.00' } } }).success).toBe(false)
    expect(readPart({ amount: '3.00' }, 'USD')).toEqual({ amount: usd(300n) })
    expect(readPart(undefined, 'USD')).toBeUndefined()
  })
})

describe('money as it is laid out before it is taken', () => {
  const item = (key: string, open: string, more: Partial<Open> = {}): Open => ({
    key,
    saleId: 1,
    what: key,
    note: '',
    late: false,
    open,
    discount: '0',
    asked: open,
    ...more,
  })
  const items = [
    item('a', '100.00'),
    item('b', '108.25', { discount: '2.17', saleId: 2 }),
    item('lay', '300.00', { asked: '80.00', saleId: 3 }),
  ]
  test.each([
    ['50', null, { a: '50.00' }],
    ['206.08', null, { a: '100.00', b: '106.08' }], // 108.25 − 2.17 settles b
    ['400', null, { a: '100.00', b: '106.08', lay: '80.00' }], // of a layaway what is due by now; the rest stays on account
    ['400', 3, { lay: '300.00', a: '100.00' }], // asked about a layaway, all of it first
  ])('%s, first for sale %s', (amount, first, put) => {
    expect(fillDown(items, readTyped(amount, 'USD'), first)).toEqual(put)
  })
  test('never more than came, whatever is open', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 90_000 }), fc.integer({ min: 0, max: 50 })), { maxLength: 8 }),
        fc.bigInt(0n, 500_000n),
        (open, minor) => {
          const list = open.map(([cents, off], i) =>
            item(`k${i}`, toDecimalString(usd(BigInt(cents + off))), {
              discount: toDecimalString(usd(BigInt(off))),
              saleId: i % 3,
            }),
          )
          const put = fillDown(list, usd(minor), 1)
          expect(sumTyped(put, 'USD').minor <= minor).toBe(true)
          for (const o of list) expect(readTyped(put[o.key] ?? '', 'USD').minor <= settles(o, 'USD').minor).toBe(true)
        },
      ),
    )
  })
  test('with the money that settles it, a discount leaves nothing; a cent less leaves it all', () => {
    expect(leftAfter(items[1]!, usd(10_608n)).minor).toBe(0n)
    expect(leftAfter(items[1]!, usd(10_607n)).minor).toBe(218n)
    expect(leftAfter(items[0]!, usd(10_000n)).minor).toBe(0n)
  })
  test('what is no amount counts as nothing until it is one', () => {
    expect(['', 'abc', '-5', '1.005'].map((t) => readTyped(t, 'USD').minor)).toEqual([0n, 0n, 0n, 0n])
  })
})
