import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal } from '../money'
import { choosePrice, convertPrice, sayPriceSource, type PriceOffer } from '.'

const on = day('2026-03-10')
const schools = { id: 1, name: 'Schools', percentOff: decimal(10) }
const offer = (
  o: Partial<Record<'price' | 'from' | 'validFrom' | 'validUntil', string>> & { level?: number },
): PriceOffer => ({
  levelId: o.level ?? null,
  price: decimal(o.price!),
  fromQuantity: decimal(o.from ?? 0),
  validFrom: o.validFrom ? day(o.validFrom) : null,
  validUntil: o.validUntil ? day(o.validUntil) : null,
})
const choose = (quantity: string, offers: readonly PriceOffer[], level: typeof schools | null = null) => {
  const chosen = choosePrice({
    list: decimal('12.50'),
    level,
    offers,
    quantity: decimal(quantity),
    on,
    digits: 2,
  })
  return [chosen.price.toString(), sayPriceSource(chosen)]
}

describe('the price of a line', () => {
  // Worked out in the test: what is worked out while a file is loaded does not count as tested when the core is changed.
  test.each([
    ['the list where nothing else holds', () => choose('3', []), ['12.5', 'list']],
    // 12.50 − 10 % = 11.25
    ['a percentage off the list for a level', () => choose('3', [], schools), ['11.25', 'Schools, 10% off list price']],
    // 9.75 − 10 % = 8.775 → 8.78, as many places as the price has
    [
      'rounded to as many places as the price has',
      () => choose('1', [offer({ price: '9.75' })], schools),
      ['8.78', 'Schools, 10% off list price'],
    ],
    ['a step for everybody', () => choose('10', [offer({ price: '11', from: '10' })]), ['11', 'from 10']],
    ['not a step that is not reached', () => choose('9.9999', [offer({ price: '11', from: '10' })]), ['12.5', 'list']],
    // 11.00 − 10 % = 9.90
    [
      'a level’s percentage off the step',
      () => choose('12', [offer({ price: '11', from: '10' })], schools),
      ['9.9', 'Schools, 10% off from 10'],
    ],
    [
      'the level’s own price before its percentage',
      () => choose('1', [offer({ price: '8', level: 1 })], schools),
      ['8', 'Schools'],
    ],
    [
      'the highest step of the level’s own',
      () => choose('50', [offer({ price: '8', level: 1 }), offer({ price: '7', from: '20', level: 1 })], schools),
      ['7', 'Schools, from 20'],
    ],
    [
      'not another level’s price',
      () => choose('1', [offer({ price: '8', level: 2 })], schools),
      ['11.25', 'Schools, 10% off list price'],
    ],
    ['a price on its last day', () => choose('1', [offer({ price: '9', validUntil: '2026-03-10' })]), ['9', 'list']],
    [
      'not a price from tomorrow',
      () => choose('1', [offer({ price: '9', validFrom: '2026-03-11' })]),
      ['12.5', 'list'],
    ],
    [
      'not a price of yesterday',
      () => choose('1', [offer({ price: '9', validUntil: '2026-03-09' })]),
      ['12.5', 'list'],
    ],
    [
      'of two alike the one that began later',
      () =>
        choose('1', [offer({ price: '9', validFrom: '2026-01-01' }), offer({ price: '10', validFrom: '2026-03-01' })]),
      ['10', 'list'],
    ],
  ])('is %s', (_, got, wanted) => expect(got()).toEqual(wanted))

  test('with tax and without, to four places', () => {
    const rate = decimal('0.0825')
    expect(convertPrice(decimal(100), rate, { fromWithTax: false, toWithTax: true }).toString()).toBe('108.25')
    // 100 ÷ 1.0825 = 92.37875…
    expect(convertPrice(decimal(100), rate, { fromWithTax: true, toWithTax: false }).toString()).toBe('92.3788')
    expect(convertPrice(decimal('0.3333'), rate, { fromWithTax: true, toWithTax: true }).toString()).toBe('0.3333')
  })
})
