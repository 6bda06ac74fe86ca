import { afterAll, beforeAll, expect, test } from 'vitest'
import { openTour, PASSPHRASE, type Made, type Tour } from './tour/desk'
import { bank } from './tour/bank'
import { books } from './tour/books'
import { buying } from './tour/buying'
import { ledger } from './tour/ledger'
import { money } from './tour/money'
import { office } from './tour/office'
import { peopleAndGoods } from './tour/peopleAndGoods'
import { sales } from './tour/sales'

/**
 * A business used over HTTP alone, from its first day: every call of the table does its work once, its answer fits its
 * schema (the server under test checks each), and says what the papers before it make it say.
 */
let tour: Tour
const made: Made = { customer: 0, second: 0, violin: 0, rosin: 0, work: 0 }
beforeAll(async () => {
  tour = await openTour()
  await tour.does('POST /setup', {
    body: {
      name: 'Fernhollow Strings',
      currency: 'USD',
      openingDate: '2026-01-01',
      passphrase: PASSPHRASE,
      taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'State', rate: '0.08' }] }],
    },
  })
})
afterAll(() => tour.till.close())

peopleAndGoods(() => tour, made)
sales(() => tour, made)
money(() => tour, made)
buying(() => tour, made)
bank(() => tour, made)
books(() => tour)
ledger(() => tour)
office(() => tour, made)

test('no call of the table was left out', () => {
  expect(tour.missing()).toEqual([])
})
