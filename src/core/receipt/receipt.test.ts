import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { money, toDecimalString } from '../money'
import { fillNamed, fillOldest, likelyNotes, type OpenDue } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const due = (id: number, dueOn: string, cents: bigint, saleId = 1): OpenDue => ({
  id,
  saleId,
  dueOn: day(dueOn),
  open: usd(cents),
})
const dues = [due(1, '2026-03-01', 500n), due(2, '2026-01-01', 300n), due(3, '2026-01-01', 200n, 2)]

test('oldest first: by due date, then by id, then deposits asked for, the rest on account', () => {
  const filled = fillOldest({ dues, deposits: [{ saleId: 9, open: usd(50n) }] }, usd(1100n))
  expect(filled.dues.map((d) => [d.dueId, d.amount.minor])).toEqual([
    [2, 300n],
    [3, 200n],
    [1, 500n],
  ])
  expect(filled.held.map((h) => [h.saleId, h.amount.minor])).toEqual([[9, 50n]])
  expect(filled.onAccount.minor).toBe(50n)
})
test('a short amount stops where it runs out', () => {
  const filled = fillOldest({ dues, deposits: [] }, usd(400n))
  expect(filled.dues.map((d) => [d.dueId, d.amount.minor])).toEqual([
    [2, 300n],
    [3, 100n],
  ])
})
test('a sale named takes its own dues first, and is held for beyond them', () => {
  const filled = fillNamed(dues, [{ saleId: 2, amount: usd(260n) }], usd(260n))
  expect(filled.ok && filled.value.dues).toEqual([{ dueId: 3, amount: usd(200n) }])
  expect(filled.ok && filled.value.held).toEqual([{ saleId: 2, amount: usd(60n) }])
})
test('more than is open on a due is refused, also in two wishes', () => {
  const twice = [
    { dueId: 1, amount: usd(300n) },
    { dueId: 1, amount: usd(300n) },
  ]
  const filled = fillNamed(dues, twice, usd(600n))
  expect(!filled.ok && filled.error).toMatchObject({
    code: 'more-than-open',
    open: usd(200n),
    asked: usd(300n),
  })
})
test('more than came in is refused', () => {
  const filled = fillNamed(dues, [{ dueId: 1, amount: usd(500n) }], usd(400n))
  expect(!filled.ok && filled.error.code).toBe('more-than-received')
})
test('nothing is lost or made: the parts add up to what came in, and no due is overfilled', () => {
  const some = fc.array(fc.tuple(fc.integer({ min: 1, max: 28 }), fc.bigInt(1n, 10_000n)), { maxLength: 12 })
  fc.assert(
    fc.property(some, fc.bigInt(1n, 100_000n), (raw, cents) => {
      const open = raw.map(([d, c], i) => due(i, `2026-01-${String(d).padStart(2, '0')}`, c))
      const filled = fillOldest({ dues: open, deposits: [] }, usd(cents))
      const put = filled.dues.reduce((sum, d) => sum + d.amount.minor, 0n)
      expect(put + filled.onAccount.minor).toBe(cents)
      for (const f of filled.dues) expect(f.amount.minor <= open[f.dueId]!.open.minor).toBe(true)
    }),
  )
})

const early: OpenDue = { id: 4, saleId: 3, dueOn: day('2026-02-01'), open: usd(10_825n), discount: usd(217n) }
test.each([
  [10_608n, 10_608n, 217n, 0n], // 108.25 − 2.17 settles it
  [10_700n, 10_608n, 217n, 92n], // oldest first takes no more than is needed
  [5000n, 5000n, undefined, 0n], // a part takes no discount
])('paid in time, %s settles a due of 108.25 with 2.17 off', (amount, on, discount, left) => {
  const filled = fillOldest({ dues: [early], deposits: [] }, usd(amount))
  expect(filled.dues[0]).toEqual({ dueId: 4, amount: usd(on), ...(discount ? { discount: usd(discount) } : {}) })
  expect(filled.onAccount.minor).toBe(left)
})
test('a named amount between the two takes less discount, and all of it takes none', () => {
  const named = (cents: bigint) => fillNamed([early], [{ dueId: 4, amount: usd(cents) }], usd(cents))
  const [between, all] = [named(10_700n), named(10_825n)]
  expect(between.ok && between.value.dues).toEqual([{ dueId: 4, amount: usd(10_700n), discount: usd(125n) }])
  expect(all.ok && all.value.dues).toEqual([{ dueId: 4, amount: usd(10_825n) }])
})

describe('likelyNotes', () => {
  test.each([
    // The next whole five, ten, twenty and fifty above it; the same sum once; three at most.
    [1240n, ['15.00', '20.00', '50.00']],
    [1500n, ['20.00', '50.00']],
    [5100n, ['55.00', '60.00', '100.00']],
    [10000n, []],
    [1n, ['5.00', '10.00', '20.00']],
  ])('for %s cents: %j', (amount, notes) => {
    expect(likelyNotes(usd(amount)).map(toDecimalString)).toEqual(notes)
  })
})

test('of dues of one day the one with the lower id is first, in whatever order they come', () => {
  const two = [due(12, '2026-01-01', 300n), due(8, '2026-01-01', 300n)]
  for (const order of [two, two.toReversed()])
    expect(fillOldest({ dues: order, deposits: [] }, usd(300n)).dues.map((d) => d.dueId)).toEqual([8])
})
test('a due that is not open is refused by its id; a sale filled exactly holds nothing', () => {
  const none = fillNamed(dues, [{ dueId: 77, amount: usd(1n) }], usd(1n))
  expect(none).toEqual({ ok: false, error: { code: 'due-not-open', dueId: 77 } })
  const exact = fillNamed(dues, [{ saleId: 2, amount: usd(200n) }], usd(200n))
  expect(exact.ok && [exact.value.dues.map((d) => d.dueId), exact.value.held]).toEqual([[3], []])
})
