import { describe, expect, test } from 'vitest'
import { day } from '../day'
import { decimal, money, toDecimalString, zeroMoney } from '../money'
import type { LayawayStanding } from '../plan'
import { nextSteps, type NextLine, type SaleOutlook } from './index'

const usd = (text: string) => money(BigInt(text.replace('.', '')), 'USD')
const none = zeroMoney('USD')
const TODAY = day('2026-03-20')

const line = (change: Partial<Record<keyof NextLine, unknown>> = {}): NextLine =>
  ({
    agreed: decimal(1),
    handedOver: decimal(0),
    returned: decimal(0),
    toReplace: decimal(0),
    billed: decimal(0),
    credited: decimal(0),
    toRebill: decimal(0),
    name: 'violin',
    fromShelf: true,
    setAside: decimal(1),
    onTheWay: decimal(0),
    ...change,
  }) as NextLine

const SALE: SaleOutlook = {
  closedAs: null,
  agreedOn: day('2026-03-01'),
  validUntil: null,
  open: none,
  held: none,
  startedOn: day('2026-02-20'),
  ordered: false,
  sentOn: null,
  reworked: false,
  wantedBy: null,
  total: usd('1080.00'),
  readyToBillAmount: none,
  lastHandoverOn: null,
  lines: [line()],
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
/** `action: why (amount or quantity)`, the most pressing first. */
const told = (change: Partial<SaleOutlook>, today = TODAY): string[] =>
  nextSteps({ ...SALE, ...change }, today).map((s) => {
    const how = s.amount ? toDecimalString(s.amount) : s.quantity?.toString()
    return `${s.action}: ${s.why}${how ? ` (${how})` : ''}`
  })

describe('a draft', () => {
  const draft = { agreedOn: null, startedOn: day('2026-03-17') }
  test.each([
    ['is left alone for three days', draft, '2026-03-19', []],
    ['is spoken of after them', draft, '2026-03-20', ['offer: Draft since 17 Mar 2026, not sent (1080.00)']],
    [
      'that came again, at once',
      { ...draft, cameAgain: true },
      '2026-03-17',
      ['offer: Repeat prepared on 17 Mar 2026: review and send it (1080.00)'],
    ],
    ['with nothing in it, never', { ...draft, lines: [] }, '2026-12-31', []],
    ['nor one that came again with nothing in it', { ...draft, cameAgain: true, lines: [] }, '2026-03-17', []],
  ])('%s', (_, sale, today, expected) => expect(told(sale, day(today))).toEqual(expected))
})

describe('an estimate', () => {
  const offered = {
    agreedOn: null,
    sentOn: day('2026-03-15'),
    validUntil: day('2026-03-31'),
    lines: [line({ agreed: decimal(0) })],
  }
  test.each([
    ['is left alone for five days', '2026-03-19', []],
    [
      'is asked about after them',
      '2026-03-20',
      ['ask-again: Estimate sent 15 Mar 2026, no answer yet, expires in 11 days (1080.00)'],
    ],
    [
      'is pressing on its last day',
      '2026-03-31',
      ['ask-again: Estimate sent 15 Mar 2026, no answer yet, expires today (1080.00)'],
    ],
    ['can be renewed when it lapsed', '2026-04-01', ['renew: Estimate expired on 31 Mar 2026 (1080.00)']],
    ['for a month', '2026-04-30', ['renew: Estimate expired on 31 Mar 2026 (1080.00)']],
    ['and no longer', '2026-05-01', []],
  ])('%s', (_, today, expected) => {
    expect(told(offered, day(today))).toEqual(expected)
  })

  test('that was changed since is sent again, at once; an order from the shopfront is confirmed', () => {
    const reworked = { ...offered, reworked: true }
    expect(told(reworked, day('2026-03-15')).join()).toMatch(/^offer: Changed since it was sent 15 Mar 2026: .*again/)
    expect(told(reworked, day('2026-04-01'))).toEqual(['renew: Estimate expired on 31 Mar 2026 (1080.00)'])
    expect(told({ ...reworked, ordered: true }, day('2026-03-15'))).toEqual([
      'confirm-order: Ordered online and changed since, waiting for your confirmation (1080.00)',
    ])
  })

  test('that was ordered online waits for a yes, paid or not', () => {
    const ordered = { ...offered, ordered: true }
    expect(told(ordered)).toEqual([
      'confirm-order: Ordered online, waiting for your confirmation or the customer’s (1080.00)',
    ])
    expect(told({ ...ordered, held: usd('1080.00') })).toEqual([
      'confirm-order: Ordered and paid online, waiting for your confirmation (1080.00)',
    ])
  })
})

describe('goods', () => {
  test.each([
    ['all there', [line()], ['hand-over: Everything is in stock: 1 violin (1)']],
    [
      'some of them',
      [line({ agreed: decimal(3), setAside: decimal(2) })],
      ['hand-over: In stock: 2 violin (2)', 'buy: 3 violin ordered, 2 in stock, none on order (1)'],
    ],
    [
      'on the way',
      [line({ agreed: decimal(3), setAside: decimal(1), onTheWay: decimal(1) })],
      ['hand-over: In stock: 1 violin (1)', 'buy: 3 violin ordered, 1 in stock, 1 on order (1)'],
    ],
    ['all on the way', [line({ agreed: decimal(2), setAside: decimal(0), onTheWay: decimal(2) })], []],
    ['work alone', [line({ name: 'set-up', fromShelf: false })], ['hand-over: Work to finish: 1 set-up (1)']],
    [
      'work that waits for its goods',
      [line({ name: 'set-up', fromShelf: false }), line({ setAside: decimal(0) })],
      ['buy: 1 violin ordered, 0 in stock, none on order (1)'],
    ],
  ])('%s', (_, lines, expected) => {
    expect(told({ lines: lines as NextLine[] })).toEqual(expected)
  })

  test('more than three things are named by the first three', () => {
    const lines = ['violin', 'bow', 'case', 'rosin'].map((name) => line({ name }))
    expect(told({ lines })[0]).toBe('hand-over: Everything is in stock: 1 violin, 1 bow, 1 case … (4)')
  })

  test('are handed over in part, and what is missing of more than one thing is counted', () => {
    const missing = (name: string) => line({ name, agreed: decimal(2), setAside: decimal(0) })
    const work = line({ name: 'set-up', fromShelf: false })
    expect(told({ lines: [line({ name: 'bow' }), missing('violin'), missing('case'), work] })).toEqual([
      'hand-over: In stock: 1 bow, 1 set-up (2)',
      'buy: 2 violin ordered, 0 in stock, none on order, and 1 more (2)',
    ])
    // Exactly three are all named.
    expect(told({ lines: ['violin', 'bow', 'case'].map((name) => line({ name })) })[0]).toBe(
      'hand-over: Everything is in stock: 1 violin, 1 bow, 1 case (3)',
    )
  })

  test('that are all there but one piece are not everything', () => {
    const lines = [line({ name: 'bow' }), line({ agreed: decimal(2) })]
    expect(told({ lines })[0]).toBe('hand-over: In stock: 1 bow, 1 violin (2)')
  })

  test('are waited for since they were wanted, else since they were agreed', () => {
    const since = (change: Partial<SaleOutlook>) => nextSteps({ ...SALE, ...change }, TODAY).map((s) => s.since)
    expect(since({ wantedBy: day('2026-03-09') })).toEqual(['2026-03-09'])
    expect(since({})).toEqual(['2026-03-01'])
  })

  test('of a layaway stay until it is paid up', () => {
    const layaway: LayawayStanding = {
      stands: 'paying in',
      left: usd('500.00'),
      behind: none,
      behindSince: null,
      next: { due: day('2026-04-01'), open: usd('100.00') },
    } as LayawayStanding
    expect(told({ layaway })).toEqual([])
    expect(told({ layaway }, day('2026-04-01'))).toEqual(['ask-deposit: Layaway payment due 1 Apr 2026 (100.00)'])
    const behind = { ...layaway, stands: 'behind', behind: usd('100.00'), behindSince: day('2026-03-01') }
    expect(told({ layaway: behind as LayawayStanding })).toEqual([
      'ask-deposit: Layaway behind since 1 Mar 2026 (100.00)',
    ])
    const up = { ...layaway, stands: 'paid up', left: none, next: null }
    expect(told({ layaway: up as LayawayStanding })).toEqual(['hand-over: Layaway paid up: 1 violin (1)'])
  })
})

describe('invoices', () => {
  const gone = [line({ handedOver: decimal(1), setAside: decimal(0) })]
  test.each([
    [
      'are due for what was handed over',
      { readyToBillAmount: usd('1080.00'), lastHandoverOn: day('2026-03-10') },
      'bill: Handed over on 10 Mar 2026, not invoiced (1080.00)',
    ],
    ['are due for what is done', { readyToBillAmount: usd('1080.00') }, 'bill: Ready to invoice (1080.00)'],
    [
      'wait as drafts before another is made',
      { readyToBillAmount: usd('500.00'), draftBills: usd('580.00') },
      'bill: Draft invoice ready to issue (580.00)',
    ],
    ['are due for what is left', {}, 'bill: Not invoiced yet'],
  ])('%s', (_, change, expected) => {
    expect(told({ lines: gone, ...change })).toEqual([expected])
  })
})

describe('money', () => {
  const billed = [line({ handedOver: decimal(1), billed: decimal(1), setAside: decimal(0) })]
  const due = (label: string, dueOn: string, open: string) => ({ label, dueOn: day(dueOn), open: usd(open) })
  const owing = { lines: billed, open: usd('1080.00') }

  test.each([
    ['that is not due yet', [due('Invoice 1', '2026-04-01', '1080.00')], []],
    ['that is due today', [due('Invoice 1', '2026-03-20', '1080.00')], ['collect: Invoice 1 is due today (1080.00)']],
    [
      'that is late by a day',
      [due('Invoice 1', '2026-03-19', '1080.00')],
      ['remind: Invoice 1 is 1 day late (1080.00)'],
    ],
    [
      'that is late in parts, the oldest first, and due today besides',
      [
        due('part 3', '2026-03-20', '80.00'),
        due('part 2', '2026-03-10', '500.00'),
        due('part 1', '2026-03-01', '500.00'),
      ],
      ['remind: 2 payments late, the oldest by 19 days (1000.00)', 'collect: part 3 is due today (80.00)'],
    ],
    ['that was paid', [due('Invoice 1', '2026-03-01', '0.00')], []],
  ])('%s', (_, dues, expected) => {
    expect(told({ ...owing, dues })).toEqual(expected)
  })

  const late = { ...owing, dues: [due('Invoice 1', '2026-03-01', '1080.00')] }
  test('that was promised is waited for, and asked for when the day is over', () => {
    const promise = { by: day('2026-03-25'), amount: usd('1080.00'), came: none }
    expect(told({ ...late, promise })).toEqual([])
    expect(told({ ...late, promise }, day('2026-03-26'))).toEqual([
      'promise-broken: Promised by 25 Mar 2026, nothing received (1080.00)',
      'remind: Invoice 1 is 25 days late (1080.00)',
    ])
    const part = { ...promise, came: usd('80.00') }
    expect(told({ ...late, promise: part }, day('2026-03-26'))[0]).toBe(
      'promise-broken: Promised by 25 Mar 2026, only part received (1000.00)',
    )
    const kept = { ...promise, came: usd('1080.00') }
    expect(told({ ...late, promise: kept })).toEqual(['remind: Invoice 1 is 19 days late (1080.00)'])
    // On its last day it is still waited for; kept, it says no more; and where nothing is open there is nothing to break.
    expect(told({ ...late, promise: { ...promise, by: TODAY } })).toEqual([])
    expect(told({ ...late, promise: kept }, day('2026-03-26'))).toEqual(['remind: Invoice 1 is 25 days late (1080.00)'])
    expect(told({ lines: billed, promise }, day('2026-03-26'))).toEqual([])
  })

  test('may be charged for being late, and a card that refused comes first of all', () => {
    const cardRefused = { on: day('2026-03-15'), why: 'no funds (code 5.1).', amount: usd('90.00') }
    expect(told({ ...late, lateCharge: usd('5.00'), cardRefused })).toEqual([
      'card-refused: Saved card declined: no funds (code 5.1) (90.00)',
      'charge-late: Late fee can be added to Invoice 1 (5.00)',
      'remind: Invoice 1 is 19 days late (1080.00)',
    ])
  })

  test('is asked ahead until all of it is there', () => {
    const depositAsked = { amount: usd('324.00'), since: day('2026-03-02') }
    const waits = { depositAsked, lines: [line({ setAside: decimal(0), onTheWay: decimal(1) })] }
    expect(told(waits)).toEqual(['ask-deposit: Deposit not received yet (324.00)'])
    expect(told({ ...waits, depositReceived: usd('100.00') })).toEqual([
      'ask-deposit: Rest of the deposit not received (224.00)',
    ])
    expect(told({ ...waits, depositReceived: usd('324.00') })).toEqual([])
  })

  test('that no invoice will use is given back', () => {
    const back = (amount: string) => [`give-back: Money left over: refund it or move it (${amount})`]
    expect(told({ closedAs: 'cancelled', held: usd('40.00') })).toEqual(back('40.00'))
    expect(told({ closedAs: 'declined', agreedOn: null, held: usd('40.00') })).toEqual(back('40.00'))
    expect(told({ closedAs: 'cancelled' })).toEqual([])
    // All done, billed and paid, and still something held.
    expect(told({ lines: billed, held: usd('5.00') })).toEqual(back('5.00'))
    // What is still owed, or still to come, will use it.
    expect(told({ ...owing, held: usd('5.00') })).toEqual([])
    expect(told({ held: usd('5.00') })).toEqual(['hand-over: Everything is in stock: 1 violin (1)'])
    expect(told({ lines: billed })).toEqual([])
  })
})

test('a letter that came back is the first thing, whatever else there is to do', () => {
  const cameBack = { on: day('2026-03-18'), why: 'no such address: hazel@adair.example.' }
  expect(told({ cameBack })).toEqual([
    'write-again: Email bounced: no such address: hazel@adair.example',
    'hand-over: Everything is in stock: 1 violin (1)',
  ])
})
