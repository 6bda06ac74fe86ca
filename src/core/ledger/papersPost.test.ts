import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { money, zeroMoney } from '../money'
import {
  isKeptByPapers,
  mayTakeIn,
  openingDifference,
  postAheadUsed,
  postBankingSlip,
  postBankLine,
  postBill,
  postBounce,
  postGoodsReceived,
  postGoodsReturned,
  postLandedCost,
  postMergedAccounts,
  postOpening,
  postOwnTax,
  postReceipt,
  postSupplierCredit,
  postSupplierPayment,
  postTaxPaid,
  postYearEnd,
  trialBalance,
  type AccountKind,
  type AccountRole,
  type AccountSum,
} from './index'
import { told } from '../../../tests/told'

const of = { on: day('2026-03-02'), text: 'x' }
const usd = (text: string) => money(BigInt(text.replace('.', '')), 'USD')
const none = zeroMoney('USD')

describe('what suppliers send', () => {
  test('goods are worth something at once, and owed when the invoice comes', () => {
    expect(told(postGoodsReceived({ ...of, value: usd('60.00') }))).toBe('60.00 stock = 60.00 received-not-billed')
  })

  test.each([
    ['dearer than they came', '66.00', '60.00 received-not-billed + 6.00 cost-of-goods-sold = 66.00 stock'],
    ['cheaper', '55.00', '60.00 received-not-billed = 5.00 cost-of-goods-sold + 55.00 stock'],
    ['as they came', '60.00', '60.00 received-not-billed = 60.00 stock'],
  ])('goods that go back, %s by now', (_, cost, entry) => {
    expect(told(postGoodsReturned({ ...of, value: usd('60.00'), cost: usd(cost) }))).toBe(entry)
  })

  test('a bill clears what came, puts the difference where the goods are, and is owed in one sum', () => {
    const bill = { cleared: usd('60.00'), toStock: usd('3.00'), toCost: usd('1.00'), tax: usd('6.00') }
    const accounts = [{ accountId: 60, net: usd('10.00') }]
    expect(told(postBill({ ...of, ...bill, accounts, gross: usd('80.00') }))).toBe(
      '60.00 received-not-billed + 3.00 stock + 1.00 cost-of-goods-sold + 10.00 60 + 6.00 tax-on-purchases = 80.00 payables',
    )
  })

  test('a credit takes off their bill first, and the rest is as if it was paid ahead', () => {
    const credit = { filled: usd('50.00'), ahead: usd('30.00'), cleared: usd('60.00'), fromStock: usd('3.00') }
    const rest = { fromCost: usd('1.00'), accounts: [{ accountId: 60, net: usd('10.00') }], tax: usd('6.00') }
    expect(told(postSupplierCredit({ ...of, ...credit, ...rest }))).toBe(
      '50.00 payables + 30.00 paid-ahead = 60.00 received-not-billed + 3.00 stock + 1.00 cost-of-goods-sold + 10.00 60 + 6.00 tax-on-purchases',
    )
  })

  test('tax that is ours to pay is ours to take off, by component', () => {
    const taxes = [
      { accountId: 21, amount: usd('7.00') },
      { accountId: 22, amount: usd('2.00') },
    ]
    expect(told(postOwnTax({ ...of, taxes }))).toBe('9.00 tax-on-purchases = 7.00 21 + 2.00 22')
  })

  test('they are paid: bills with what they let off, and ahead', () => {
    const paid = {
      accountId: 10,
      paid: usd('98.00'),
      ahead: usd('5.00'),
      discount: { net: usd('1.80'), tax: usd('0.20') },
    }
    expect(told(postSupplierPayment({ ...of, ...paid }))).toBe(
      '100.00 payables + 5.00 paid-ahead = 103.00 10 + 1.80 purchase-discounts + 0.20 tax-on-purchases',
    )
    expect(told(postAheadUsed({ ...of, amount: usd('5.00') }))).toBe('5.00 payables = 5.00 paid-ahead')
  })

  test('freight is worth what goods still here are worth more, and cost for the rest', () => {
    expect(told(postLandedCost({ ...of, accountId: 61, toStock: usd('8.00'), toCost: usd('2.00') }))).toBe(
      '8.00 stock + 2.00 cost-of-goods-sold = 10.00 61',
    )
  })
})

describe('a line of a statement', () => {
  const taxes = [{ accountId: 22, amount: usd('0.83') }]
  test('that came in is income and its tax, that went out an expense and ours', () => {
    const parts = [{ accountId: 40, net: usd('10.00'), taxes, purchaseTax: none }]
    expect(told(postBankLine({ ...of, bankId: 10, parts }))).toBe('10.83 10 = 10.00 40 + 0.83 22')
    const power = [{ accountId: 60, net: usd('-50.00'), taxes: [], purchaseTax: usd('-4.13') }]
    expect(told(postBankLine({ ...of, bankId: 10, parts: power }))).toBe('50.00 60 + 4.13 tax-on-purchases = 54.13 10')
  })
  test('may be several things, or nothing', () => {
    const part = (accountId: number, net: string) => ({ accountId, net: usd(net), taxes: [], purchaseTax: none })
    expect(told(postBankLine({ ...of, bankId: 10, parts: [part(40, '12.00'), part(60, '-2.00')] }))).toBe(
      '10.00 10 + 2.00 60 = 12.00 40',
    )
    expect(told(postBankLine({ ...of, bankId: 10, parts: [] }))).toBe('nothing')
  })
})

describe('where money lies', () => {
  test.each([
    ['bank', '1.05 receivables + 4.00 bank-fees = 5.03 bank + 0.02 sales-discounts'],
    ['cheque', '1.05 receivables + 4.00 bank-fees = 1.03 cheques + 0.02 sales-discounts + 4.00 bank'],
    [7, '1.05 receivables + 4.00 bank-fees = 1.03 7 + 0.02 sales-discounts + 4.00 bank'],
  ] as const)('a receipt that bounces leaves it: %s', (from, entry) => {
    const bounced = { from, amount: usd('1.03'), rounding: none, owedAgain: usd('1.05'), held: [], taxAhead: [] }
    const entryOf = postBounce({ ...of, ...bounced, discount: { net: usd('0.02'), taxes: [] }, bankFee: usd('4.00') })
    expect(told(entryOf)).toBe(entry)
  })

  test('with what coins had made more of it', () => {
    const bounced = { from: 'cash', amount: usd('1.03'), rounding: usd('0.02'), owedAgain: usd('1.03') } as const
    const rest = { held: [], taxAhead: [], discount: { net: none, taxes: [] }, bankFee: none }
    expect(told(postBounce({ ...of, ...bounced, ...rest }))).toBe('1.03 receivables + 0.02 rounding = 1.05 drawer')
  })

  test('a receipt may come into another account than its method’s', () => {
    const received = { method: 'cash', held: [], onDues: usd('3.00'), discount: { net: none, taxes: [] } } as const
    expect([undefined, 7].map((into) => told(postReceipt({ ...of, ...received, into, taxAhead: [] })))).toEqual([
      '3.00 drawer = 3.00 receivables',
      '3.00 7 = 3.00 receivables',
    ])
  })

  test('cash and cheques arrive at the bank as one sum', () => {
    expect(told(postBankingSlip({ ...of, cash: usd('300.00'), cheques: usd('50.00') }))).toBe(
      '350.00 bank = 300.00 drawer + 50.00 cheques',
    )
  })
})

describe('opening balances', () => {
  const books = (accounts: readonly (readonly [number, boolean, string])[]) => ({
    ...of,
    accounts: accounts.map(([accountId, isEquity, amount]) => ({ accountId, isEquity, amount: usd(amount) })),
    receivables: usd('40.00'),
    payables: usd('25.00'),
    held: usd('5.00'),
    stock: usd('20.00'),
    currency: 'USD',
  })
  // 100.00 in the bank, 40.00 owed to us, 20.00 of goods, less 25.00 owed and 5.00 held: 130.00 are the owner's.
  test('what nobody said is the owner’s stands on an account of its own', () => {
    const open = books([[10, false, '100.00']])
    expect(openingDifference(open)).toEqual(none)
    expect(told(postOpening(open))).toBe(
      '100.00 10 + 40.00 receivables + 20.00 stock-adjustments = 25.00 payables + 5.00 on-account + 130.00 opening-balances',
    )
  })
  test('where the owner’s is said, it must agree', () => {
    const said = (capital: string) =>
      books([
        [10, false, '100.00'],
        [30, true, capital],
      ])
    expect([openingDifference(said('-130.00')), openingDifference(said('-120.00'))]).toEqual([none, usd('10.00')])
    expect(told(postOpening(said('-130.00')))).toBe(
      '100.00 10 + 40.00 receivables + 20.00 stock-adjustments = 130.00 30 + 25.00 payables + 5.00 on-account',
    )
  })
})

describe('a tax return', () => {
  const taxes = [{ accountId: 22, amount: usd('8.25') }]
  const pay = (due: string, paid: string, sales = taxes, purchases = usd('3.00')) =>
    told(postTaxPaid({ ...of, accountId: 10, taxes: sales, purchases, due: usd(due), paid: usd(paid) }))
  test('paid clears both sides of it; in part each in proportion', () => {
    expect(pay('5.25', '5.25')).toBe('8.25 22 = 3.00 tax-on-purchases + 5.25 10')
    // A third: 1.75 of 5.25, so 2.75 of 8.25 and 1.00 of 3.00.
    expect(pay('5.25', '1.75')).toBe('2.75 22 = 1.00 tax-on-purchases + 1.75 10')
  })
  test('that comes back is paid to us', () => {
    expect(pay('-5.00', '5.00', [{ accountId: 22, amount: usd('3.00') }], usd('8.00'))).toBe(
      '3.00 22 + 5.00 10 = 8.00 tax-on-purchases',
    )
  })
})

const sum = (id: number, kind: AccountKind, debit: string, credit: string): AccountSum => ({
  ...{ id, code: String(id), name: `A${id}`, kind },
  ...{ debit: usd(debit), credit: usd(credit) },
})

describe('a year', () => {
  const end = (...sums: AccountSum[]) => told(postYearEnd({ ...of, sums, currency: 'USD' }))
  test('ends with what was earned and spent in retained earnings, a profit or a loss', () => {
    const bank = sum(10, 'asset', '70.00', '0.00')
    expect(end(bank, sum(40, 'income', '5.00', '105.00'), sum(60, 'expense', '30.00', '0.00'))).toBe(
      '100.00 40 = 30.00 60 + 70.00 retained-earnings',
    )
    expect(end(bank, sum(60, 'expense', '30.00', '0.00'))).toBe('30.00 retained-earnings = 30.00 60')
  })
  test('of nothing has nothing to close', () => {
    expect(end(sum(10, 'asset', '70.00', '0.00'), sum(40, 'income', '5.00', '5.00'))).toBe('nothing')
  })
})

test('two accounts become one, whichever side they stand on', () => {
  expect(told(postMergedAccounts({ ...of, from: 61, into: 60, holds: usd('12.00') }))).toBe('12.00 60 = 12.00 61')
  expect(told(postMergedAccounts({ ...of, from: 61, into: 60, holds: usd('-12.00') }))).toBe('12.00 61 = 12.00 60')
})

test('a trial balance leaves out what stands at zero, and has the rest on its side', () => {
  const { rows } = trialBalance(
    [sum(10, 'asset', '70.00', '20.00'), sum(20, 'liability', '5.00', '5.00'), sum(40, 'income', '0.00', '50.00')],
    'USD',
  )
  expect(rows.map((r) => [r.id, r.debit, r.credit])).toEqual([
    [10, usd('50.00'), none],
    [40, none, usd('50.00')],
  ])
})

describe('an account', () => {
  test('is kept by papers alone where it is the sum of them', () => {
    const roles: readonly (AccountRole | null)[] = ['stock', 'receivables', 'bank', 'sales', null]
    expect(roles.map((role) => isKeptByPapers({ role }))).toEqual([true, true, false, false, false])
  })
  test.each([
    ['another of its kind', { kind: 'expense', role: null, hidden: false }, true],
    [
      'one with a role, where that is only what it earns or costs',
      { kind: 'expense', role: 'bank-fees', hidden: false },
      true,
    ],
    ['one that is put away', { kind: 'expense', role: null, hidden: true }, false],
    ['one of another kind', { kind: 'income', role: null, hidden: false }, false],
  ] as const)('of expenses goes into %s', (_, into, may) => {
    expect(mayTakeIn({ kind: 'expense', role: null, hidden: false }, into)).toBe(may)
  })
  test('of what is owned or owed goes into no account with a role; of income into any', () => {
    const into = (kind: AccountKind, role: AccountRole | null) =>
      mayTakeIn({ kind, role: null, hidden: false }, { kind, role, hidden: false })
    expect([
      into('asset', 'bank'),
      into('liability', 'payables'),
      into('liability', null),
      into('income', 'sales'),
    ]).toEqual([false, false, true, true])
  })
})
