import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { money, sumMoney, zeroMoney } from '../money'
import {
  postBankingSlip,
  postBounce,
  postCounterSale,
  postCreditNote,
  postFeeReversed,
  postGoodsBack,
  postHandover,
  postHeldMove,
  postHeldReturn,
  postHeldUse,
  postInvoice,
  postKeptFee,
  postPayoff,
  postReceipt,
  postRefund,
  postRefundVoid,
  postWriteOff,
  type HeldAmount,
} from './index'
import { told } from '../../../tests/told'

const on = day('2026-03-02')
const of = { on, text: 'x' }
const usd = (text: string) => money(BigInt(text.replace('.', '')), 'USD')
const none = zeroMoney('USD')
const nothing = { net: none, taxes: [] }
/** Account 40 is income, 22 a tax. */
const tax = (amount: string) => ({ accountId: 22, amount: usd(amount) })
const held = (kind: HeldAmount['kind'], amount: string): HeldAmount => ({ kind, amount: usd(amount) })

const violin = { net: usd('1000.00'), ahead: none, incomeAccountId: 40 }

describe('what is invoiced', () => {
  test.each([
    ['all handed over', none, '1080.00 receivables = 1000.00 40 + 80.00 22'],
    ['half billed ahead', usd('500.00'), '1080.00 receivables = 500.00 40 + 500.00 billed-ahead + 80.00 22'],
    ['all billed ahead', usd('1000.00'), '1080.00 receivables = 1000.00 billed-ahead + 80.00 22'],
  ])('%s', (_, ahead, expected) => {
    expect(told(postInvoice({ ...of, lines: [{ ...violin, ahead }], taxes: [tax('80.00')] }, 'USD'))).toBe(expected)
  })

  test('for nothing posts nothing', () => {
    const free = { net: none, ahead: none, incomeAccountId: 40 }
    expect(told(postInvoice({ ...of, lines: [free], taxes: [] }, 'USD'))).toBe('nothing')
  })

  test.each([
    ['cash', '1080.00 drawer'],
    ['card', '1080.00 card-clearing'],
    ['cheque', '1080.00 cheques'],
    ['transfer', '1080.00 bank'],
  ] as const)('over the counter by %s never touches receivables', (method, where) => {
    const sale = { ...of, method, lines: [violin], taxes: [tax('80.00')] }
    expect(told(postCounterSale(sale, 'USD'))).toBe(`${where} = 1000.00 40 + 80.00 22`)
  })

  test('over the counter in coins: what they make more is gain, what they make less is loss', () => {
    const sale = { ...of, method: 'cash' as const, lines: [violin], taxes: [] }
    expect(told(postCounterSale({ ...sale, rounding: usd('0.02') }, 'USD'))).toBe(
      '1000.02 drawer = 0.02 rounding + 1000.00 40',
    )
    const less = postCounterSale({ ...sale, rounding: money(-2n, 'USD') }, 'USD')
    expect(
      sumMoney(
        less.lines.map((l) => l.amount),
        'USD',
      ).minor,
    ).toBe(0n)
    expect(told(less)).toContain('0.02 rounding')
  })

  test('is earned as the goods go, at the cost they leave with', () => {
    const out = { ...of, cost: usd('600.00'), earned: [{ incomeAccountId: 40, amount: usd('500.00') }] }
    expect(told(postHandover(out))).toBe('600.00 cost-of-goods-sold + 500.00 billed-ahead = 600.00 stock + 500.00 40')
    expect(told(postHandover({ ...of, cost: none, earned: [] }))).toBe('nothing')
    expect(told(postGoodsBack({ ...of, cost: usd('600.00') }))).toBe('600.00 stock = 600.00 cost-of-goods-sold')
  })
})

describe('money that comes', () => {
  const receipt = { ...of, method: 'transfer' as const, onDues: usd('108.00'), held: [] }
  test.each([
    ['for what is owed', receipt, '108.00 bank = 108.00 receivables'],
    [
      'for more than is owed',
      { ...receipt, held: [held('account', '12.00')] },
      '120.00 bank = 108.00 receivables + 12.00 on-account',
    ],
    [
      'ahead, for a deposit and a layaway',
      { ...receipt, onDues: none, held: [held('deposit', '30.00'), held('layaway', '20.00')] },
      '50.00 bank = 30.00 customer-deposits + 20.00 layaway-deposits',
    ],
    [
      'early, less 2 %',
      { ...receipt, onDues: usd('105.84'), discount: { net: usd('2.00'), taxes: [tax('0.16')] } },
      '105.84 bank + 2.00 sales-discounts + 0.16 22 = 108.00 receivables',
    ],
    [
      'ahead, where tax is due with it',
      { ...receipt, onDues: none, held: [held('deposit', '108.00')], taxAhead: [tax('8.00')] },
      '108.00 bank + 8.00 tax-on-deposits = 108.00 customer-deposits + 8.00 22',
    ],
  ])('%s', (_, paper, expected) => {
    expect(told(postReceipt(paper))).toBe(expected)
  })

  test('and is used puts the liability on what is owed, its tax no longer being owed ahead', () => {
    const use = { ...of, held: [held('deposit', '108.00')] }
    expect(told(postHeldUse(use))).toBe('108.00 customer-deposits = 108.00 receivables')
    expect(told(postHeldUse({ ...use, taxAhead: [{ accountId: 22, amount: money(-800n, 'USD') }] }))).toBe(
      '108.00 customer-deposits + 8.00 22 = 108.00 receivables + 8.00 tax-on-deposits',
    )
    expect(told(postHeldUse({ ...use, discount: { net: usd('2.00'), taxes: [] } }))).toBe(
      '108.00 customer-deposits + 2.00 sales-discounts = 110.00 receivables',
    )
  })

  test('moves, is kept, and is given back, each with a way back that cancels it', () => {
    const move = { ...of, held: [held('deposit', '40.00')], to: 'account' as const, taxThere: [] }
    expect(told(postHeldMove(move))).toBe('40.00 customer-deposits = 40.00 on-account')
    expect(
      told(postHeldReturn({ ...of, from: [held('account', '40.00')], held: [held('deposit', '40.00')], taxAhead: [] })),
    ).toBe('40.00 on-account = 40.00 customer-deposits')
    const fee = { ...of, held: [held('layaway', '27.00')] }
    expect(told(postKeptFee(fee))).toBe('27.00 layaway-deposits = 27.00 cancellation-fees')
    expect(told(postFeeReversed({ ...fee, taxAhead: [] }))).toBe('27.00 cancellation-fees = 27.00 layaway-deposits')
    const refund = { ...of, method: 'cash' as const, held: [held('account', '12.03')] }
    expect(told(postRefund({ ...refund, rounding: usd('0.02') }))).toBe(
      '12.03 on-account + 0.02 rounding = 12.05 drawer',
    )
    expect(told(postRefundVoid({ ...refund, rounding: usd('0.02'), taxAhead: [] }))).toBe(
      '12.05 drawer = 12.03 on-account + 0.02 rounding',
    )
  })

  test.each([
    ['had paid', { owedAgain: usd('108.00'), held: [] }, '108.00 receivables = 108.00 cheques'],
    ['was held', { owedAgain: none, held: [held('deposit', '108.00')] }, '108.00 customer-deposits = 108.00 cheques'],
    [
      'had paid in part, and was held',
      { owedAgain: usd('100.00'), held: [held('account', '8.00')] },
      '100.00 receivables + 8.00 on-account = 108.00 cheques',
    ],
  ])('and comes back: what it %s', (_, what, expected) => {
    const bounce = {
      ...of,
      from: 'cheque' as const,
      amount: usd('108.00'),
      rounding: none,
      discount: nothing,
      taxAhead: [],
    }
    expect(told(postBounce({ ...bounce, ...what, bankFee: none }))).toBe(expected)
    expect(told(postBounce({ ...bounce, ...what, bankFee: usd('9.00') }))).toContain('9.00 bank-fees')
  })

  test('and comes back from the bank, with the discount that was taken with it', () => {
    expect(
      told(
        postBounce({
          ...of,
          from: 'bank',
          amount: usd('105.84'),
          rounding: none,
          owedAgain: usd('108.00'),
          held: [],
          discount: { net: usd('2.00'), taxes: [tax('0.16')] },
          taxAhead: [],
          bankFee: none,
        }),
      ),
    ).toBe('108.00 receivables = 105.84 bank + 2.00 sales-discounts + 0.16 22')
  })
})

describe('what is taken back', () => {
  const note = {
    ...of,
    net: usd('1000.00'),
    ahead: none,
    taxes: [tax('80.00')],
    onReceivables: none,
    onAccount: none,
    writtenOff: nothing,
    discount: nothing,
  }
  test.each([
    ['of what is open', { onReceivables: usd('1080.00') }, '1000.00 sales-returns + 80.00 22 = 1080.00 receivables'],
    ['of what was paid', { onAccount: usd('1080.00') }, '1000.00 sales-returns + 80.00 22 = 1080.00 on-account'],
    [
      // 1,080.00 less 3 % was paid with 1,047.60: the discount ends with what it was given on.
      'of what was paid early',
      { onAccount: usd('1047.60'), discount: { net: usd('30.00'), taxes: [tax('2.40')] } },
      '1000.00 sales-returns + 80.00 22 = 30.00 sales-discounts + 2.40 22 + 1047.60 on-account',
    ],
    [
      'of what was written off',
      { writtenOff: { net: usd('1000.00'), taxes: [tax('80.00')] } },
      '1000.00 sales-returns + 80.00 22 = 1000.00 bad-debts + 80.00 22',
    ],
    [
      'of what was billed ahead',
      { ahead: usd('1000.00'), onReceivables: usd('1080.00') },
      '1000.00 billed-ahead + 80.00 22 = 1080.00 receivables',
    ],
  ])('%s', (_, what, expected) => {
    expect(told(postCreditNote({ ...note, ...what }))).toBe(expected)
  })

  test('as a bad debt, with its tax where that is allowed', () => {
    expect(told(postWriteOff({ ...of, net: usd('108.00'), taxes: [] }))).toBe('108.00 bad-debts = 108.00 receivables')
    expect(told(postWriteOff({ ...of, net: usd('100.00'), taxes: [tax('8.00')] }))).toBe(
      '100.00 bad-debts + 8.00 22 = 108.00 receivables',
    )
  })
})

test('whatever the amounts, every paper of money balances and stays in its currency', () => {
  const amount = fc.bigInt(0n, 10n ** 9n).map((minor) => money(minor, 'USD'))
  fc.assert(
    fc.property(amount, amount, amount, amount, (a, b, c, d) => {
      const entries = [
        postReceipt({
          ...of,
          method: 'cash',
          onDues: a,
          held: [{ kind: 'account', amount: b }],
          discount: { net: c, taxes: [{ accountId: 22, amount: d }] },
          taxAhead: [{ accountId: 22, amount: c }],
        }),
        postHandover({ ...of, cost: a, earned: [{ incomeAccountId: 40, amount: b }] }),
        postPayoff({ ...of, unearned: a, offReceivables: b, onAccount: c }),
        postBankingSlip({ ...of, cash: a, cheques: b }),
        postWriteOff({ ...of, net: a, taxes: [{ accountId: 22, amount: b }] }),
      ]
      for (const { lines } of entries) {
        expect(
          sumMoney(
            lines.map((l) => l.amount),
            'USD',
          ).minor,
        ).toBe(0n)
        expect(lines.every((l) => l.amount.minor !== 0n)).toBe(true)
      }
    }),
  )
})
