import { expect, test } from 'vitest'
import fc from 'fast-check'
import { money, roundToCoins, sumMoney } from '../money'
import { shareTax } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const taxes = (amounts: readonly (readonly [bigint, bigint])[]) =>
  amounts.map(([net, amount], i) => ({ taxCodeId: 1, componentId: i, net: usd(net), amount: usd(amount) }))

test('2.17 of 108.25 with 8.25 tax: 2.00 and 0.17', () => {
  // 2.17 × 100 ÷ 108.25 = 2.0046; 2.17 × 8.25 ÷ 108.25 = 0.1654: the left-over cent goes to the tax, which lost most.
  const share = shareTax(usd(217n), { gross: usd(10_825n), taxes: taxes([[10_000n, 825n]]) })
  expect([share.net.minor, share.taxes[0]!.amount.minor, share.taxes[0]!.net.minor]).toEqual([200n, 17n, 200n])
})
test('net and taxes always add up to the part again', () => {
  fc.assert(
    fc.property(
      fc.bigInt(1n, 10n ** 8n),
      fc.bigInt(0n, 10n ** 6n),
      fc.bigInt(0n, 10n ** 6n),
      fc.bigInt(0n, 100n),
      (net, a, b, percent) => {
        const gross = net + a + b
        const part = usd((gross * percent) / 100n)
        const share = shareTax(part, {
          gross: usd(gross),
          taxes: taxes([
            [net, a],
            [net, b],
          ]),
        })
        expect(sumMoney([share.net, ...share.taxes.map((t) => t.amount)], 'USD')).toEqual(part)
      },
    ),
  )
})
test.each([
  [1203n, 5, 1205n],
  [1202n, 5, 1200n],
  [1225n, 50, 1250n],
  [-1203n, 5, -1205n],
  [1203n, 1, 1203n],
  [1203n, 0, 1203n],
])('%s in coins of %s is %s', (amount, step, paid) => {
  expect(roundToCoins(usd(amount), step).minor).toBe(paid)
})
