import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal, money, zeroMoney } from '../money'
import type { TaxCode } from '../tax'
import { aheadOfHandover, buildTrail, earnedByHandover, moneyBar, priceBill } from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const none = zeroMoney('USD')
const STD: TaxCode = {
  id: 1,
  code: 'STD',
  name: 'Tax',
  treatment: 'taxed',
  components: [{ id: 1, name: 'Tax', rate: decimal('0.0825') }],
}

describe('billed ahead of handover', () => {
  test('is the part of the bill that is not covered by goods gone', () => {
    const bill = { net: usd(1000n), quantity: decimal(4), handedOver: decimal(3), billedBefore: decimal(2) }
    // one of the four is covered, three are ahead
    expect(aheadOfHandover(bill).minor).toBe(750n)
  })
  test('is earned as the goods go, the last ones taking the rest', () => {
    const first = earnedByHandover({
      waiting: usd(1000n),
      handedOver: decimal(0),
      billed: decimal(3),
      quantity: decimal(1),
    })
    expect(first.minor).toBe(333n)
    expect(
      earnedByHandover({
        waiting: usd(667n),
        handedOver: decimal(1),
        billed: decimal(3),
        quantity: decimal(2),
      }).minor,
    ).toBe(667n)
    expect(
      earnedByHandover({ waiting: none, handedOver: decimal(3), billed: decimal(3), quantity: decimal(2) }).minor,
    ).toBe(0n)
  })
})

test('the money bar always adds up to its total', () => {
  const cents = fc.bigInt(0n, 10n ** 8n)
  fc.assert(
    fc.property(cents, cents, cents, cents, cents, (unbilled, billed, open, late, held) => {
      const facts = {
        total: usd(unbilled + billed),
        billed: usd(billed),
        open: usd(open < billed ? open : billed),
        late: none,
        held: usd(held),
      }
      const bar = moneyBar({ ...facts, late: usd(late < facts.open.minor ? late : facts.open.minor) })
      expect(bar.earned.minor + bar.held.minor + bar.notDue.minor + bar.late.minor + bar.toCome.minor).toBe(
        bar.total.minor,
      )
      expect(bar.total.minor).toBe(facts.total.minor)
      expect(bar.held.minor + bar.heldBeyond.minor).toBe(held)
    }),
  )
})

test('the trail runs its balance in order of days', () => {
  const at = (on: string, owes: bigint, seq: number) => ({
    on: day(on),
    seq,
    text: '',
    paper: null,
    amount: null,
    owes: usd(owes),
  })
  expect(buildTrail([at('2026-02-01', -40n, 0), at('2026-01-01', 100n, 1)], 'USD').map((l) => l.balance.minor)).toEqual(
    [100n, 60n],
  )
})

test('a part billed again after an amount was credited for good is never below zero, and the last takes what is left', () => {
  // Three at 100.00 were billed; 250.00 was credited for good, then all quantities to be billed again: 50.00 is left.
  const line = (billedQuantity: number, billedAmount: bigint) => ({
    lineId: 1,
    taxCode: { ...STD, components: [] },
    agreed: decimal(3),
    wholeAmount: usd(30_000n),
    billedQuantity: decimal(billedQuantity),
    billedAmount: usd(billedAmount),
  })
  const settings = { currency: 'USD', pricesIncludeTax: false, roundPer: 'document' as const }
  const bill = (of: ReturnType<typeof line>, quantity: number) =>
    priceBill([of], [{ lineId: 1, quantity: decimal(quantity) }], [], settings).gross.minor
  expect(bill(line(0, 25_000n), 1)).toBe(0n) // a third is worth 100.00, 250.00 stands
  expect(bill(line(1, 25_000n), 2)).toBe(5000n)
})
