import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { money, zeroMoney } from '../money'
import {
  postBankingSlip,
  postCardSettlement,
  postChargeAdded,
  postChargeEarned,
  postDrawerCount,
  postDrawerMove,
  postExtraCharge,
  postPayoff,
  postStockChange,
} from './index'
import { told } from '../../../tests/told'

const on = day('2026-03-02')
const of = { on, text: 'x' }
const usd = (text: string) => money(BigInt(text.replace('.', '')), 'USD')
const none = zeroMoney('USD')

describe('the charge of a plan', () => {
  test('is owed at once and earned as time goes', () => {
    expect(told(postChargeAdded({ ...of, amount: usd('119.13') }))).toBe('119.13 receivables = 119.13 unearned-charges')
    expect(told(postChargeEarned({ ...of, amount: usd('18.00') }))).toBe('18.00 unearned-charges = 18.00 charge-income')
    expect(told(postExtraCharge({ ...of, amount: usd('5.00'), income: 'late-charges' as never }))).toBe(
      '5.00 receivables = 5.00 late-charges',
    )
  })

  test.each([
    // 30.00 were not earned: 20.00 of it is given back, 10.00 was earned meanwhile.
    ['30.00', '20.00', '0.00', '30.00 unearned-charges = 20.00 receivables + 10.00 charge-income'],
    ['30.00', '30.00', '0.00', '30.00 unearned-charges = 30.00 receivables'],
    ['30.00', '0.00', '30.00', '30.00 unearned-charges = 30.00 on-account'],
    // The rows had earned ahead of the days: income falls.
    ['10.00', '15.00', '0.00', '10.00 unearned-charges + 5.00 charge-income = 15.00 receivables'],
  ])('of which %s was unearned ends with %s off and %s held', (unearned, off, account, expected) => {
    const paper = { ...of, unearned: usd(unearned), offReceivables: usd(off), onAccount: usd(account) }
    expect(told(postPayoff(paper))).toBe(expected)
  })
})

describe('drawer, bank and shelf', () => {
  test.each([
    ['cash in', postDrawerMove({ ...of, amount: usd('50.00'), accountId: 30 }), '50.00 drawer = 50.00 30'],
    ['cash out', postDrawerMove({ ...of, amount: money(-5000n, 'USD'), accountId: 63 }), '50.00 63 = 50.00 drawer'],
    ['a count that is over', postDrawerCount({ ...of, over: usd('0.25') }), '0.25 drawer = 0.25 over-short'],
    ['a count that is short', postDrawerCount({ ...of, over: money(-25n, 'USD') }), '0.25 over-short = 0.25 drawer'],
    ['a count that agrees', postDrawerCount({ ...of, over: none }), 'nothing'],
    [
      'a banking slip',
      postBankingSlip({ ...of, cash: usd('20.00'), cheques: usd('116.00') }),
      '136.00 bank = 20.00 drawer + 116.00 cheques',
    ],
    [
      'card takings less the fee',
      postCardSettlement({ ...of, gross: usd('100.00'), fees: usd('2.50') }),
      '97.50 bank + 2.50 card-fees = 100.00 card-clearing',
    ],
    ['stock found', postStockChange({ ...of, value: usd('12.00') }), '12.00 stock = 12.00 stock-adjustments'],
    ['stock lost', postStockChange({ ...of, value: money(-1200n, 'USD') }), '12.00 stock-adjustments = 12.00 stock'],
  ])('%s', (_, entry, expected) => {
    expect(told(entry)).toBe(expected)
  })
})
