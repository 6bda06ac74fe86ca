import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal } from '../money'
import { chooseSeller, costFrom, inPacks, type Seller } from '.'

const on = day('2026-03-10')
const step = (from: string, unitCost: string, validFrom: string | null = null, validUntil: string | null = null) => ({
  fromQuantity: decimal(from),
  unitCost: decimal(unitCost),
  validFrom: validFrom === null ? null : day(validFrom),
  validUntil: validUntil === null ? null : day(validUntil),
})
const seller = (s: { cost?: string; pack?: string; preferred?: boolean; steps?: Seller['steps'] } = {}): Seller => ({
  preferred: s.preferred ?? false,
  packSize: decimal(s.pack ?? '1'),
  unitCost: s.cost === undefined ? null : decimal(s.cost),
  steps: s.steps ?? [],
})
const want = (quantity: string) => ({ quantity: decimal(quantity), on })

describe('what a supplier asks for one', () => {
  const gut = seller({
    cost: '6.00',
    steps: [step('24', '5.40'), step('100', '5', '2026-04-01'), step('0', '4', '2026-03-01', '2026-03-09')],
  })
  test.each([
    ['the plain cost below the first step', '23.9999', '6'],
    ['the step from its quantity on', '24', '5.4'],
    // From 100 on holds from April only, and the sale of March ended yesterday.
    ['no step of another day', '100', '5.4'],
  ])('is %s', (_, quantity, cost) => expect(costFrom(gut, want(quantity))?.toString()).toBe(cost))

  test('is not known where nobody said', () => {
    expect(costFrom(seller(), want('1'))).toBeNull()
    expect(costFrom(seller({ steps: [step('10', '2')] }), want('9'))).toBeNull()
  })
})

test('whole packs hold at least so many', () => {
  expect(inPacks(decimal(7), decimal(6)).toString()).toBe('12')
  expect(inPacks(decimal(12), decimal(6)).toString()).toBe('12')
  expect(inPacks(decimal('0.5'), decimal(0)).toString()).toBe('0.5')
})

test('law: packs are whole, hold what is wanted, and one fewer would not', () => {
  const tenThousandths = fc.integer({ min: 1, max: 10_000_000 })
  fc.assert(
    fc.property(tenThousandths, tenThousandths, (wanted, pack) => {
      // Both in ten-thousandths: whole numbers say what decimals must.
      const packs = BigInt(Math.ceil(wanted / pack))
      const held = inPacks(decimal(wanted).div(10_000), decimal(pack).div(10_000))
      expect(held.times(10_000).toString()).toBe((packs * BigInt(pack)).toString())
      expect(held.times(10_000).gte(wanted)).toBe(true)
    }),
  )
})

describe('whom something is bought from', () => {
  const choose = (sellers: readonly Seller[], quantity: string) => {
    const chosen = chooseSeller(sellers, want(quantity))
    return chosen && [sellers.indexOf(chosen.seller), chosen.why, chosen.quantity.toString()]
  }
  // Packs of 6 at 6.00: 7 wanted are 12 for 72.00; single ones at 7.00 are 49.00, and 12 of them 84.00.
  const packs = seller({ cost: '6.00', pack: '6' })
  const single = seller({ cost: '7.00' })

  test('nobody, where nobody sells it', () => expect(choose([], '7')).toBeUndefined())
  test('the only one, whatever it costs', () => expect(choose([seller()], '7')).toEqual([0, 'only', '7']))
  test('whose whole packs cost least together', () => {
    expect(choose([packs, single], '7')).toEqual([1, 'cheapest', '7'])
    expect(choose([packs, single], '12')).toEqual([0, 'cheapest', '12'])
  })
  test('a step that the packs reach counts', () => {
    // 10 wanted make 12 in packs, and from 12 on one costs 5.00: 60.00 against 70.00.
    const dozen = seller({ cost: '9.00', pack: '12', steps: [step('12', '5.00')] })
    expect(choose([single, dozen], '10')).toEqual([1, 'cheapest', '12'])
  })
  test('the preferred one, though another costs less', () => {
    expect(choose([seller({ cost: '1' }), seller({ cost: '9', preferred: true })], '3')).toEqual([1, 'preferred', '3'])
  })
  test('one whose cost is known before one whose is not; of two alike the earlier', () => {
    expect(choose([seller(), single], '1')).toEqual([1, 'cheapest', '1'])
    expect(choose([single, seller({ cost: '7' })], '1')).toEqual([0, 'cheapest', '1'])
    expect(choose([seller(), seller()], '1')).toEqual([0, 'only', '1'])
  })
})
