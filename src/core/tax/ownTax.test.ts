import fc from 'fast-check'
import { expect, test } from 'vitest'
import { decimal, money, sumMoney, zeroMoney } from '../money'
import { changeOfTax, ownTax, type BilledLine, type OwnTaxCode } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const none = zeroMoney('USD')
const code = (id: number, owed: readonly string[]): OwnTaxCode => ({
  id,
  code: `C${id}`,
  name: `C${id}`,
  treatment: owed.length > 0 ? 'reverse-charge' : 'taxed',
  components: [],
  owed: owed.map((rate, i) => ({ id: id * 10 + i, name: `k${i}`, rate: decimal(rate) })),
})
const line = (net: bigint, taxCode: OwnTaxCode | null, credited = 0n, tax = 0n): BilledLine => ({
  net: usd(net),
  tax: usd(tax),
  credited: usd(credited),
  taxCode,
})
const SETTINGS = { currency: 'USD', roundPer: 'document' } as const
const said = (taxes: ReturnType<typeof ownTax>) => taxes.map((t) => [t.componentId, t.net.minor, t.amount.minor])

test('tax we owe ourselves is on what is left of the net, by component; other codes have none', () => {
  const rc = code(1, ['0.19'])
  expect(said(ownTax([line(10_000n, rc, 2_500n), line(500n, code(2, [])), line(700n, null)], none, SETTINGS))).toEqual([
    [10, 7_500n, 1_425n],
  ])
  // 2.00 off 100.00 and 100.00 is 1.00 off each: 99.00 at 6.25 % is 6.1875, at 2 % 1.98.
  const two = [line(10_000n, code(3, ['0.0625', '0.02'])), line(10_000n, null)]
  expect(said(ownTax(two, usd(200n), SETTINGS))).toEqual([
    [30, 9_900n, 619n],
    [31, 9_900n, 198n],
  ])
  expect(ownTax([], none, SETTINGS)).toEqual([])
})

test('changes bring what stands to what should, whatever stood, and then move nothing', () => {
  const lines = fc.array(fc.record({ net: fc.bigInt(1n, 10n ** 7n), part: fc.bigInt(0n, 100n), which: fc.nat(2) }), {
    maxLength: 6,
  })
  const codes = [code(1, ['0.19']), code(2, ['0.0625', '0.02']), null]
  const taxesOf = (of: readonly { net: bigint; part: bigint; which: number }[]) =>
    ownTax(
      of.map((l) => line(l.net, codes[l.which]!, (l.net * l.part) / 100n)),
      none,
      SETTINGS,
    )
  fc.assert(
    fc.property(lines, lines, (before, after) => {
      const [stands, should] = [taxesOf(before), taxesOf(after)]
      const change = changeOfTax(should, stands)
      const sum = (all: readonly { amount: { minor: bigint } }[]) => all.reduce((s, t) => s + t.amount.minor, 0n)
      expect(sum(stands) + sum(change)).toBe(sum(should))
      expect(changeOfTax(should, [...stands, ...change])).toEqual([])
      expect(sumMoney([none, ...changeOfTax(stands, stands).map((t) => t.amount)], 'USD').minor).toBe(0n)
    }),
  )
})
