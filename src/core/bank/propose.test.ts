import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { money, sumMoney } from '../money'
import { proposeMatches, subsetOf, type BankFacts, type OpenLine, type Owed } from '.'

const usd = (minor: number) => money(BigInt(minor), 'USD')
const NOTHING: BankFacts = { posted: [], owed: [], onTheWay: [], elsewhere: [], rules: [] }
const line = (minor: number, text: string, more: Partial<OpenLine> = {}): OpenLine => ({
  id: 1,
  on: day('2026-03-11'),
  amount: usd(minor),
  text,
  ...more,
})
const due = (id: number, open: number, more: Partial<Owed> = {}): Owed => ({
  kind: 'due',
  id,
  partyId: 7,
  party: 'Hazel Adair',
  number: `2026-010${id}`,
  from: day('2026-02-01'),
  dueOn: day('2026-03-01'),
  saleId: id,
  open: usd(open),
  early: null,
  ...more,
})
const best = (l: OpenLine, facts: Partial<BankFacts>) => {
  const [first] = proposeMatches([l], { ...NOTHING, ...facts })
  return (
    first && [first.degree, first.settles.map((s) => [s.kind, s.id ?? s.accountId ?? s.receiptIds, s.amount.minor])]
  )
}

describe('a line is', () => {
  test('what is in the books with its amount, the nearest day first', () => {
    const posted = (id: number, on: string, minor = 41_250) => ({
      kind: 'receipt' as const,
      id,
      on: day(on),
      amount: usd(minor),
      name: 'Orla Quinn',
      number: `R-2026-000${id}`,
      says: `Receipt R-2026-000${id}`,
    })
    const facts = { posted: [posted(1, '2026-03-04'), posted(2, '2026-03-10'), posted(3, '2026-03-11', 1)] }
    expect(best(line(41_250, 'TRANSFER'), facts)).toEqual([0.9, [['receipt', 2, 41_250n]]])
    // Three weeks apart only where it is named.
    const far = { posted: [posted(1, '2026-02-18')] }
    expect(best(line(41_250, 'TRANSFER'), far)).toBeUndefined()
    expect(best(line(41_250, 'quinn orla'), far)?.[0]).toBe(0.78)
  })

  test('an invoice by its number, a name, or because nothing else has its amount', () => {
    const owed = [due(1, 41_250), due(2, 9_900)]
    expect(best(line(41_250, 'INV 2026-0101 thanks'), { owed })).toEqual([0.98, [['due', 1, 41_250n]]])
    expect(best(line(41_250, 'ADAIR, HAZEL'), { owed })).toEqual([0.93, [['due', 1, 41_250n]]])
    expect(best(line(41_250, 'TRANSFER'), { owed })?.[0]).toBe(0.7)
    const twins = [due(1, 41_250), due(3, 41_250, { partyId: 8, party: 'Orla Quinn' })]
    expect(best(line(41_250, 'TRANSFER'), { owed: twins })?.[0]).toBe(0.45)
    // What was invoiced after it is not what it paid.
    expect(best(line(41_250, 'TRANSFER'), { owed: [due(1, 41_250, { from: day('2026-03-12') })] })).toBeUndefined()
  })

  test('an invoice paid early, and too late for that', () => {
    const owed = [due(1, 10_000, { early: { amount: usd(9_800), through: day('2026-03-11') } })]
    expect(best(line(9_800, 'Hazel Adair'), { owed })).toEqual([0.93, [['due', 1, 9_800n]]])
    const late = line(9_800, '2026-0101', { on: day('2026-03-12') })
    expect(best(late, { owed })).toEqual([0.75, [['due', 1, 9_800n]]])
  })

  test('several of one customer that add up, or the oldest first with the rest on account', () => {
    const owed = [due(1, 5_000), due(2, 3_000), due(3, 2_000)]
    expect(best(line(7_000, 'Hazel Adair'), { owed })).toEqual([
      0.88,
      [
        ['due', 1, 5_000n],
        ['due', 3, 2_000n],
      ],
    ])
    expect(best(line(5_000, '2026-0102, 2026-0103'), { owed })?.[0]).toBe(0.97)
    expect(best(line(9_900, 'Hazel Adair'), { owed: owed.slice(0, 1) })).toEqual([
      0.62,
      [
        ['due', 1, 5_000n],
        ['customer', 7, 4_900n],
      ],
    ])
  })

  test('a bill of ours, and never a customer’s due, where money went out', () => {
    const bill = due(9, -12_000, { kind: 'bill', party: 'Gutwerk Strings', number: 'GS-4711' })
    expect(best(line(-12_000, 'GUTWERK STRINGS GS-4711'), { owed: [bill, due(1, 12_000)] })).toEqual([
      0.98,
      [['bill', 9, 12_000n]],
    ])
  })

  test('card payments of whole days less a fee of at most a twentieth', () => {
    const card = (receiptId: number, minor: number, on: string) => ({
      receiptId,
      method: 'card' as const,
      on: day(on),
      amount: usd(minor),
    })
    const onTheWay = [card(1, 6_000, '2026-03-09'), card(2, 4_000, '2026-03-09'), card(3, 5_000, '2026-03-10')]
    const [first] = proposeMatches([line(9_710, 'CARDS')], { ...NOTHING, onTheWay })
    expect([first?.settles[0]?.receiptIds, first?.fee, first?.settles[0]?.amount]).toEqual([
      [1, 2],
      usd(290),
      usd(9_710),
    ])
    expect(best(line(9_400, 'CARDS'), { onTheWay })).toBeUndefined()
  })

  test('checks on hand, and money between own accounts', () => {
    const check = (receiptId: number, minor: number) => ({
      receiptId,
      method: 'cheque' as const,
      on: day('2026-03-09'),
      amount: usd(minor),
    })
    expect(best(line(8_000, 'DEPOSIT'), { onTheWay: [check(1, 5_000), check(2, 4_000), check(3, 3_000)] })).toEqual([
      0.6,
      [['banking-slip', [1, 3], 8_000n]],
    ])
    const elsewhere = [{ accountId: 5, account: 'Savings', on: day('2026-03-12'), amount: usd(-8_000) }]
    expect(best(line(8_000, 'X'), { elsewhere })).toEqual([0.8, [['transfer', 5, 8_000n]]])
  })

  test('what its text means by a rule, or meant before', () => {
    const rule = { contains: 'Power Co', accountId: 60, account: 'Light and heat', said: true }
    expect(best(line(-8_000, 'POWER CO 03/26'), { rules: [rule] })).toEqual([0.9, [['account', 60, 8_000n]]])
    const before = { ...rule, contains: 'Power Co 02/26', said: false }
    expect(best(line(-8_000, 'POWER CO 03/26'), { rules: [before] })?.[0]).toBe(0.8)
    expect(best(line(-8_000, 'POWER CO PLUS'), { rules: [before] })).toBeUndefined()
  })

  test('one thing, and no other line is it', () => {
    const lines = [line(41_250, 'TRANSFER'), line(41_250, 'INV 2026-0101', { id: 2 })]
    const found = proposeMatches(lines, { ...NOTHING, owed: [due(1, 41_250)] })
    expect(found.map((f) => [f.lineId, f.degree])).toEqual([[2, 0.98]])
  })
})

describe('laws', () => {
  test('the search finds a sum exactly where trying every subset does', () => {
    const amounts = fc.array(fc.bigInt({ min: 1n, max: 40n }), { minLength: 2, maxLength: 9 })
    fc.assert(
      fc.property(amounts, fc.bigInt({ min: 1n, max: 120n }), (all, sum) => {
        let fewest = Infinity
        for (let mask = 1; mask < 1 << all.length; mask++) {
          const chosen = all.filter((_, i) => mask & (1 << i))
          if (chosen.length >= 2 && chosen.length <= 4 && chosen.reduce((a, b) => a + b, 0n) === sum)
            fewest = Math.min(fewest, chosen.length)
        }
        const found = subsetOf(all, sum, 4)
        expect(found?.length ?? Infinity).toBe(fewest)
        if (found) {
          expect(new Set(found).size).toBe(found.length)
          expect(found.reduce((total, i) => total + all[i]!, 0n)).toBe(sum)
        }
      }),
      { numRuns: 300 },
    )
  })

  test('what is proposed adds up to its line, whatever there is', () => {
    const owed = fc.array(
      fc.record({ open: fc.integer({ min: 1, max: 60 }), party: fc.constantFrom('Hazel Adair', 'Orla Quinn') }),
      { maxLength: 8 },
    )
    fc.assert(
      fc.property(
        owed,
        fc.integer({ min: -90, max: 90 }),
        fc.constantFrom('adair hazel', 'quinn orla 2026-0102', ''),
        (all, n, text) => {
          if (n === 0) return
          const dues = all.map((o, i) => due(i, o.open, { party: o.party, partyId: o.party.length }))
          for (const p of proposeMatches([line(n, text)], { ...NOTHING, owed: dues })) {
            expect(
              sumMoney(
                p.settles.map((s) => s.amount),
                'USD',
              ),
            ).toEqual(usd(Math.abs(n)))
            expect(p.degree).toBeGreaterThan(0)
            expect(p.degree).toBeLessThanOrEqual(1)
          }
        },
      ),
    )
  })
})
