import { describe, expect, test } from 'vitest'
import { money, toDecimalString } from '../money'
import { cashFlow, cashPartOf, isCashRole, STARTING_CHART, type CashMove } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const move = (id: number, kind: CashMove['kind'], role: CashMove['role'], debit: bigint, credit: bigint): CashMove => ({
  id,
  code: String(id),
  name: `Account ${id}`,
  kind,
  role,
  debit: usd(debit),
  credit: usd(credit),
})

describe('cash flow', () => {
  // Received 500.00 of an invoice, 30.00 of it tax: receivables alone stand across. Rent 80.00, a saw 200.00, a loan of 1,000.00.
  const flow = () =>
    cashFlow(
      [
        move(1, 'asset', 'receivables', 0n, 50_000n),
        move(2, 'expense', null, 8_000n, 0n),
        move(3, 'asset', null, 20_000n, 0n),
        move(4, 'liability', null, 0n, 100_000n),
        move(5, 'equity', 'owner-capital', 5_000n, 5_000n),
      ],
      [{ id: 9, code: '1020', name: 'Bank', opening: usd(10_000n), closing: usd(132_000n) }],
      'USD',
    )

  test('is what stands across cash, by what it was for', () => {
    const told = Object.entries(flow().parts).map(([part, { rows, total }]) => [
      part,
      rows.map((r) => [r.id, toDecimalString(r.amount)]),
      toDecimalString(total),
    ])
    expect(told).toEqual([
      [
        'operating',
        [
          [1, '500.00'],
          [2, '-80.00'],
        ],
        '420.00',
      ],
      ['investing', [[3, '-200.00']], '-200.00'],
      // What went in and out again of the owner's capital is nothing.
      ['financing', [[4, '1000.00']], '1000.00'],
    ])
  })

  test('explains what cash was and is', () => {
    const { opening, change, closing, difference } = flow()
    expect([opening, change, closing, difference].map(toDecimalString)).toEqual([
      '100.00',
      '1220.00',
      '1320.00',
      '0.00',
    ])
    const off = cashFlow([], [{ id: 9, code: '', name: '', opening: usd(0n), closing: usd(5n) }], 'USD')
    expect(toDecimalString(off.difference)).toBe('0.05')
  })

  test('puts each account of the starting chart somewhere', () => {
    const across = STARTING_CHART.filter((a) => !isCashRole(a.role))
    const named = (part: string) =>
      across.filter((a) => cashPartOf({ kind: a.kind, role: a.role ?? null }) === part).map((a) => a.name)
    expect(named('investing')).toEqual(['Tools and equipment'])
    expect(named('financing')).toContain('Retained earnings')
    expect(named('operating')).toContain('Accounts payable')
  })
})

test.each([
  ['income', null, 'operating'],
  ['expense', null, 'operating'],
  ['asset', 'stock', 'operating'],
  ['asset', null, 'investing'],
  ['liability', null, 'financing'],
  ['equity', 'owner-capital', 'financing'],
] as const)('money over an account of %s, role %s, is %s', (kind, role, part) => {
  expect(cashPartOf({ kind, role })).toBe(part)
})
