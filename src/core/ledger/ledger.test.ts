import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { money } from '../money'
import {
  account,
  balanceSheet,
  credit,
  debit,
  makeEntry,
  postCounterSale,
  postCreditNote,
  postHandover,
  postInvoice,
  postReceipt,
  profitAndLoss,
  reverseEntry,
  role,
  ROLES,
  runningBalances,
  STARTING_CHART,
  trialBalance,
  type EntryDraft,
} from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const on = day('2026-11-25')
const sides = (e: EntryDraft) =>
  e.lines.map((l) => ['role' in l.account ? l.account.role : l.account.accountId, l.amount.minor])

describe('the starting chart', () => {
  test('plays every role once', () => {
    expect(STARTING_CHART.flatMap((a) => a.role ?? []).sort()).toEqual([...ROLES].sort())
  })
  test('has no code twice', () => {
    expect(new Set(STARTING_CHART.map((a) => a.code)).size).toBe(STARTING_CHART.length)
  })
})

describe('an entry', () => {
  test('puts lines of one account and side together and drops nothing else', () => {
    const e = makeEntry(on, '', [
      debit(role('bank'), usd(5n)),
      debit(role('bank'), usd(6n)),
      credit(role('sales'), usd(11n)),
      credit(role('rounding'), usd(0n)),
    ])
    expect(sides(e)).toEqual([
      ['bank', 11n],
      ['sales', -11n],
    ])
  })
  test('that does not balance is a mistake', () => {
    expect(() => makeEntry(on, 'x', [debit(role('bank'), usd(5n))])).toThrow('does not balance')
  })
  test('and its reversal cancel out', () => {
    const e = postReceipt({
      on,
      text: '',
      method: 'cash',
      onDues: usd(70n),
      held: [{ kind: 'account', amount: usd(30n) }],
    })
    const r = reverseEntry(e, on, '')
    expect(r.lines.reduce((s, l) => s + l.amount.minor, 0n)).toBe(0n)
    expect(sides(r)).toContainEqual(['drawer', -100n])
  })
})

describe('papers', () => {
  const billed = {
    on,
    text: '',
    lines: [{ net: usd(1000n), ahead: usd(400n), incomeAccountId: 7 }],
    taxes: [{ accountId: 9, amount: usd(83n) }],
  }
  test('an invoice owes the gross, earns what was handed over, and keeps the rest as billed ahead', () => {
    expect(sides(postInvoice(billed, 'USD'))).toEqual([
      ['receivables', 1083n],
      [7, -600n],
      ['billed-ahead', -400n],
      [9, -83n],
    ])
  })
  test('a counter sale never touches receivables', () => {
    expect(sides(postCounterSale({ ...billed, method: 'card' }, 'USD'))[0]).toEqual(['card-clearing', 1083n])
  })
  test('a receipt pays dues and holds the rest, each in its own liability', () => {
    const e = postReceipt({
      on,
      text: '',
      method: 'transfer',
      onDues: usd(10n),
      held: [
        { kind: 'deposit', amount: usd(20n) },
        { kind: 'layaway', amount: usd(30n) },
      ],
    })
    expect(sides(e)).toEqual([
      ['bank', 60n],
      ['receivables', -10n],
      ['customer-deposits', -20n],
      ['layaway-deposits', -30n],
    ])
  })
  test('a credit note undoes a loss and a discount with their tax, before any money is held', () => {
    const e = postCreditNote({
      on,
      text: '',
      net: usd(1000n),
      ahead: usd(0n),
      taxes: billed.taxes,
      onReceivables: usd(0n),
      onAccount: usd(500n),
      writtenOff: { net: usd(400n), taxes: [{ accountId: 9, amount: usd(33n) }] },
      discount: { net: usd(139n), taxes: [{ accountId: 9, amount: usd(11n) }] },
    })
    expect(sides(e)).toEqual([
      ['sales-returns', 1000n],
      [9, 83n],
      ['bad-debts', -400n],
      ['sales-discounts', -139n],
      [9, -44n],
      ['on-account', -500n],
    ])
  })
  test('a credit note lowers what is open and keeps what was paid for the customer', () => {
    const none = { net: usd(0n), taxes: [] }
    const e = postCreditNote({
      on,
      text: '',
      net: usd(1000n),
      ahead: usd(400n),
      taxes: billed.taxes,
      onReceivables: usd(83n),
      onAccount: usd(1000n),
      writtenOff: none,
      discount: none,
    })
    expect(sides(e)).toEqual([
      ['sales-returns', 600n],
      ['billed-ahead', 400n],
      [9, 83n],
      ['receivables', -83n],
      ['on-account', -1000n],
    ])
  })
  test('a handover costs what left and earns what was billed ahead', () => {
    const e = postHandover({
      on,
      text: '',
      cost: usd(55n),
      earned: [{ incomeAccountId: 7, amount: usd(400n) }],
    })
    expect(sides(e)).toEqual([
      ['cost-of-goods-sold', 55n],
      ['billed-ahead', 400n],
      ['stock', -55n],
      [7, -400n],
    ])
  })
})

describe('reports', () => {
  const kinds = ['asset', 'liability', 'equity', 'income', 'expense'] as const
  const posted = fc.array(fc.tuple(fc.nat(9), fc.nat(9), fc.bigInt(1n, 10n ** 6n)), { maxLength: 40 })
  test('agree for any balanced history: trial balance at zero, sheet in balance, profit the same in both', () => {
    fc.assert(
      fc.property(posted, (moves) => {
        const sums = Array.from({ length: 10 }, (_, id) => {
          const sum = (side: 0 | 1) => usd(moves.filter((m) => m[side] === id).reduce((s, m) => s + m[2], 0n))
          return {
            id,
            code: `${[1, 2, 3, 4, 5, 6][id % 6]}${id}00`,
            name: '',
            kind: kinds[id % 5]!,
            debit: sum(0),
            credit: sum(1),
          }
        })
        expect(trialBalance(sums, 'USD').difference.minor).toBe(0n)
        const sheet = balanceSheet(sums, 'USD')
        expect(sheet.difference.minor).toBe(0n)
        expect(sheet.earnings.minor).toBe(profitAndLoss(sums, 'USD').profit.minor)
      }),
    )
  })
})

test('an account’s balance runs from its opening', () => {
  expect(runningBalances(usd(10n), [usd(5n), usd(-20n)]).map((m) => m.minor)).toEqual([15n, -5n])
  expect(account(3)).toEqual({ accountId: 3 })
})
