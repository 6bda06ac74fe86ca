import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal, money, subtractMoney, sumMoney, toDecimalString, zeroMoney } from '../money'
import {
  billTerms,
  purchaseLeft,
  purchaseStatus,
  shareOfWorth,
  splitDifference,
  suggestReorder,
  unitsOfPart,
} from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const tally = (quantity: number, received: number, billed = 0, returned = 0) => ({
  quantity: decimal(quantity),
  received: decimal(received),
  returned: decimal(returned),
  billed: decimal(billed),
})

describe('an order to a supplier', () => {
  test.each([
    ['nothing came', tally(5, 0), '5', '5'],
    ['some came, some is invoiced', tally(5, 3, 2), '2', '3'],
    ['more came than was ordered', tally(5, 6, 2), '0', '4'],
    ['invoiced before it came', tally(5, 0, 5), '5', '0'],
    ['two went back, none is invoiced', tally(5, 5, 0, 2), '0', '3'],
    ['all is invoiced, two went back', tally(5, 5, 5, 2), '0', '0'],
  ])('%s', (_, line, toReceive, toBill) => {
    const left = purchaseLeft(line)
    expect([left.toReceive.toString(), left.toBill.toString()]).toEqual([toReceive, toBill])
  })

  const goods = (quantity: number, received: number) => ({ ...tally(quantity, received), goodsId: 1 })
  const words = { ...tally(1, 0), goodsId: null }
  const sent = { sentOn: day('2026-03-01'), closedOn: null }
  test.each([
    ['not sent', { sentOn: null, closedOn: null }, [goods(5, 0)], 'draft'],
    ['sent', sent, [goods(5, 0), words], 'sent'],
    ['one line came, the other did not', sent, [goods(5, 5), goods(2, 0)], 'received in part'],
    ['all came; words never do', sent, [goods(5, 5), words], 'received'],
    ['of words alone', sent, [words], 'sent'],
    ['closed', { ...sent, closedOn: day('2026-03-09') }, [goods(5, 2)], 'closed'],
  ] as const)('%s', (_, order, lines, status) => expect(purchaseStatus(order, lines)).toBe(status))
})

describe('terms of a bill', () => {
  const on = day('2026-03-01')
  test('with a discount for paying early, rounded to the cent', () => {
    const terms = { netDays: 30, discountPercent: decimal(2), discountDays: 10 }
    // 2 % of 22.73 is 0.4546
    expect(billTerms(terms, on, usd(2273n))).toEqual({
      dueOn: '2026-03-31',
      discountOn: '2026-03-11',
      discount: usd(45n),
    })
  })
  test('without one', () => {
    const terms = { netDays: 14, discountPercent: decimal(0), discountDays: 10 }
    expect(billTerms(terms, on, usd(100n))).toEqual({ dueOn: '2026-03-15', discountOn: null, discount: usd(0n) })
  })
})

describe('worth that is taken piece by piece', () => {
  test('makes the whole, whatever the pieces are', () => {
    const pieces = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 8 })
    fc.assert(
      fc.property(fc.bigInt({ min: 0n, max: 10n ** 8n }), pieces, (minor, parts) => {
        let left = { quantity: decimal(parts.reduce((a, b) => a + b, 0)), value: usd(minor) }
        const taken = parts.map((n) => {
          const share = shareOfWorth(left, decimal(n))
          left = { quantity: left.quantity.minus(n), value: subtractMoney(left.value, share) }
          // Never more than is left, and never below zero.
          expect(share.minor >= 0n && left.value.minor >= 0n).toBe(true)
          return share
        })
        expect(sumMoney(taken, 'USD').minor).toBe(minor)
      }),
    )
  })
})

describe('a difference in price', () => {
  const split = (difference: bigint, here: number, of: number, most: bigint) => {
    const { toStock, toCost } = splitDifference(usd(difference), {
      here: decimal(here),
      of: decimal(of),
      most: usd(most),
    })
    return [toDecimalString(toStock), toDecimalString(toCost)]
  }
  test.each([
    ['all are here', 600n, 3, 3, 9000n, ['6.00', '0.00']],
    ['one of three is here', 600n, 1, 3, 3000n, ['2.00', '4.00']],
    ['none is here', 600n, 0, 3, 0n, ['0.00', '6.00']],
    ['cheaper, and all are here', -600n, 3, 3, 9000n, ['-6.00', '0.00']],
    ['cheaper by more than they are worth', -600n, 3, 3, 400n, ['-4.00', '-2.00']],
    ['a cent over three', 1n, 1, 3, 3000n, ['0.00', '0.01']],
  ] as const)('%s', (_, difference, here, of, most, expected) => {
    expect(split(difference, here, of, most)).toEqual(expected)
  })
  test('goes somewhere to the last cent, and takes no more from stock than lies there', () => {
    const cents = fc.bigInt({ min: -(10n ** 6n), max: 10n ** 6n })
    fc.assert(
      fc.property(
        cents,
        fc.nat(9),
        fc.integer({ min: 1, max: 9 }),
        fc.bigInt({ min: 0n, max: 10n ** 6n }),
        (d, here, of, most) => {
          const { toStock, toCost } = splitDifference(usd(d), { here: decimal(here), of: decimal(of), most: usd(most) })
          expect(toStock.minor + toCost.minor).toBe(d)
          expect(toStock.minor >= -most).toBe(true)
          if (here === 0) expect(toStock).toEqual(zeroMoney('USD'))
        },
      ),
    )
  })
})

describe('when more is ordered', () => {
  test.each([
    ['sells while it comes, and a week more', '36', 180, 13, '4'],
    ['rounded up to whole ones', '1', 180, 13, '1'],
    ['sells fast', '180', 180, 21, '28'],
    ['does not sell', '0', 180, 13, '0'],
    ['came back more than it sold', '-2', 180, 13, '0'],
  ])('%s', (_, sold, days, toCome, expected) => {
    expect(suggestReorder({ sold: decimal(sold), days, toCome }).toString()).toBe(expected)
  })
})

test('a difference comes back for the units it was for, and is taken whole where they are all here', () => {
  const units = unitsOfPart(decimal(6), usd(-467n), usd(-700n))
  const back = splitDifference(usd(467n), { here: decimal(4), of: units, most: usd(9000n) })
  expect([units.toString(), toDecimalString(back.toStock), toDecimalString(back.toCost)]).toEqual([
    '4.0029',
    '4.67',
    '0.00',
  ])
  expect(unitsOfPart(decimal(6), usd(0n), usd(0n)).toString()).toBe('6')
})
