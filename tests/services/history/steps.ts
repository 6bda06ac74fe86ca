import fc from 'fast-check'
import type { z } from 'zod'
import type { arrangement } from '@/contract/arrangement'

/** One thing that may happen: which, and the chances that say how much, to what and on which day. */
export const step = fc.record({
  kind: fc.constantFrom(
    'start',
    'offer',
    'agree',
    'change',
    'hand-over',
    'hand-over',
    'bill',
    'bill',
    'take',
    'take',
    'take',
    'void',
    'credit',
    'credit',
    'refund',
    'use',
    'count',
    'carry',
    'adjust',
    'pieces',
    'pieces',
    'count-pieces',
    'carry-pieces',
    'parts',
    'parts',
    'aside',
    'assemble',
    'strike-off',
    'order',
    'order-more',
    'receive',
    'receive',
    'supplier-bill',
    'supplier-bill',
    'pay-supplier',
    'pay-run',
    'set-off',
    'set-off',
    'land-cost',
    'void-bought',
    'send-back',
    'repeat-bill',
    'supplier-credit',
    'pick',
    'pick',
    'counter',
    'cancel',
    'arrange',
    'move',
    'bounce',
    'write-off',
    'late',
    'payoff',
    'reschedule',
    'give-up',
    'earn',
    'card',
    'drawer',
    'bank',
    'settle',
    'void-refund',
    'recover',
    'reverse',
    'return-goods',
    'rates',
    'year-end',
    'tax-return',
    'own-entry',
    'statement',
    'statement',
    'bank-line',
    'bank-line',
    'bank-line',
    'bank-line',
  ),
  pick: fc.nat(1000),
  n: fc.integer({ min: 1, max: 7 }),
  cents: fc.integer({ min: 1, max: 300_000 }),
  later: fc.integer({ min: 0, max: 4 }),
  /** So many days before today the paper is dated; mostly none. */
  back: fc.oneof({ weight: 3, arbitrary: fc.constant(0) }, { weight: 3, arbitrary: fc.integer({ min: 1, max: 30 }) }),
  flag: fc.boolean(),
})
export type Step = typeof step extends fc.Arbitrary<infer T> ? T : never

/** One way to pay of every kind. */
export const arrangements = (x: Step): z.input<typeof arrangement> => {
  const every = (['week', 'month', { days: 9 }] as const)[x.pick % 3]!
  switch (x.n) {
    case 1:
      return { kind: 'deposit', percent: '30', apply: x.pick % 2 === 0 ? 'in-proportion' : 'first' }
    case 2:
      return { kind: 'terms', net: x.pick % 40, discountPercent: '2', discountDays: 12 }
    case 3:
      return { kind: 'terms', net: 5, parts: 3, every }
    case 4:
      return { kind: 'layaway', firstPercent: '10', months: 2, every, fee: { percent: '8' } }
    case 5:
      return {
        kind: 'installments',
        count: 1 + (x.pick % 9),
        every,
        firstDue: '2026-04-01',
        charge: { flat: '45.67' },
        firstPayment: '20.00',
      }
    case 6:
      return {
        kind: 'installments',
        count: 6,
        every,
        firstDue: '2026-03-20',
        charge: { yearlyRate: '0.18' },
        roundUpTo: 5,
        lateCharge: { percent: '3' },
      }
    default:
      return { kind: 'installments', count: 4, every, firstDue: '2026-03-20', charge: { flatPercent: '6' } }
  }
}

/** How many are drawn at once, and how many days back they reach. */
const DRAWN = 1_000
const BACK = 720

/** Steps of chance without end, from a seed on: most of them dated on some day of the last two years. */
export function* stepsOfChance(from: number): Generator<Step> {
  for (let seed = from; ; seed++)
    for (const x of fc.sample(step, { seed, numRuns: DRAWN }))
      yield { ...x, later: 0, back: x.pick % 4 === 0 ? 0 : (x.cents * 7 + x.pick) % BACK }
}
