import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal, money, zeroMoney, type Decimal } from '../money'
import type { TaxCode } from '../tax'
import {
  aheadOfHandover,
  buildTrail,
  earnedByHandover,
  moneyBar,
  nextSteps,
  priceBill,
  type LineTally,
  type SaleOutlook,
} from './index'

const usd = (minor: bigint) => money(minor, 'USD')
const none = zeroMoney('USD')
const tally = (t: Partial<Record<keyof LineTally, number | string>>): LineTally => {
  const of = (k: keyof LineTally): Decimal => decimal(t[k] ?? 0)
  return {
    agreed: of('agreed'),
    handedOver: of('handedOver'),
    returned: of('returned'),
    toReplace: of('toReplace'),
    billed: of('billed'),
    credited: of('credited'),
    toRebill: of('toRebill'),
  }
}
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

describe('next', () => {
  const today = day('2026-11-25')
  const line = (t: Partial<Record<keyof LineTally, number>>, setAside: number, fromShelf = true) => ({
    ...tally(t),
    name: 'case',
    fromShelf,
    setAside: decimal(setAside),
    onTheWay: decimal(0),
  })
  const sale: SaleOutlook = {
    closedAs: null,
    agreedOn: day('2026-11-10'),
    validUntil: null,
    open: none,
    held: none,
    startedOn: day('2026-11-01'),
    ordered: false,
    sentOn: null,
    wantedBy: null,
    total: usd(10000n),
    readyToBillAmount: none,
    lastHandoverOn: null,
    lines: [],
    dues: [],
    depositAsked: null,
    cameAgain: false,
    draftBills: null,
    cameBack: null,
    depositReceived: none,
    layaway: null,
    promise: null,
    lateCharge: null,
    cardRefused: null,
  }
  const actions = (s: SaleOutlook) => nextSteps(s, today).map((n) => n.action)
  test('hands over what is on the shelf and buys what is short', () => {
    const steps = nextSteps({ ...sale, lines: [line({ agreed: 5 }, 3)] }, today)
    expect(steps.map((s) => [s.action, Number(s.quantity)])).toEqual([
      ['hand-over', 3],
      ['buy', 2],
    ])
  })
  test('bills what was handed over', () => {
    expect(actions({ ...sale, readyToBillAmount: usd(5n), lines: [line({ agreed: 1, handedOver: 1 }, 0)] })).toEqual([
      'bill',
    ])
  })
  test('asks for a deposit that is missing, tax included', () => {
    const steps = nextSteps(
      {
        ...sale,
        lines: [line({ agreed: 1 }, 0)],
        depositAsked: { amount: usd(5000n), since: today },
        depositReceived: usd(2000n),
      },
      today,
    )
    expect(steps[0]).toMatchObject({ action: 'ask-deposit', amount: usd(3000n) })
  })
  test('reminds of what is late before all else', () => {
    const dues = [{ label: 'Invoice 1', dueOn: day('2026-11-16'), open: usd(700n) }]
    expect(nextSteps({ ...sale, dues, open: usd(700n), lines: [line({ agreed: 1 }, 1)] }, today)[0]).toMatchObject({
      action: 'remind',
      why: 'Invoice 1 is 9 days late',
      amount: usd(700n),
    })
  })
  test('asks about an estimate after five days, not before', () => {
    const offered = { ...sale, agreedOn: null, validUntil: day('2026-11-29') }
    expect(actions({ ...offered, sentOn: day('2026-11-21') })).toEqual([])
    expect(nextSteps({ ...offered, sentOn: day('2026-11-20') }, today)[0]!.why).toContain('lapses in 4 days')
  })
  test('gives back what no bill will use', () => {
    expect(actions({ ...sale, held: usd(5n), lines: [line({ agreed: 1, handedOver: 1, billed: 1 }, 0)] })).toEqual([
      'give-back',
    ])
  })
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
