import { addDays, type Day } from '@/core/day'
import { cashIsOff, taxIsOff } from '../services/history/books'
import { neverBelowZero, neverMiscounted, neverTooMuchCredited, notInvoicedIsOff } from '../services/history/limits'
import { opensIntoOther } from '../services/history/opens'
import { countsThatAreOff, looksThatAreOff, reworkedThatAreOff } from '../services/history/looks'
import type { TestShop } from '../services/shop'
import { findBusiness } from '@/data/queries/business'
import { present } from '@/core/present'
import { readTies } from '@/model/books/ties'

const MONTHS = 12

/** What of the books does not agree, on days of the two years before. */
const booksThatAreOff = async (db: TestShop['db'], today: Day) => {
  const days = Array.from({ length: MONTHS }, (_, i) => addDays(today, -i * 61))
  const where = { db, business: present(await findBusiness(db)), today, currency: 'USD' }
  return {
    ties: (await Promise.all(days.map((d) => readTies(db, d, 'USD'))))
      .flat()
      .filter((t) => t.difference.minor !== 0n)
      .map((t) => `${t.name}: ${t.difference.minor}`),
    notInvoiced: await Promise.all(days.map((d) => notInvoicedIsOff(db, d))),
    tax: (await Promise.all(days.map((d) => taxIsOff(db, d)))).flat(),
    cash: await Promise.all(days.map((d) => cashIsOff(db, addDays(d, -50), d))),
    below: await neverBelowZero(db),
    credited: await neverTooMuchCredited(db),
    miscounted: await neverMiscounted(db),
    opened: (
      await Promise.all(days.slice(0, 3).map((d) => opensIntoOther(where, { from: addDays(d, -200), to: d })))
    ).flatMap((o) => o.off),
  }
}

/**
 * What of a business does not agree. The books are read of one moment: the clockwork of servers goes on meanwhile, and enters a bill that
 * comes again between two readings.
 */
export const whatIsOff = async (shop: TestShop, today: Day) => ({
  ...(await shop.db.transaction((tx) => booksThatAreOff(tx as unknown as TestShop['db'], today), {
    isolationLevel: 'repeatable read',
    accessMode: 'read only',
  })),
  looks: await looksThatAreOff(shop, today, 300),
  counts: await countsThatAreOff(shop),
  reworked: await reworkedThatAreOff(shop),
})

export const NOTHING_OFF = {
  ties: [],
  notInvoiced: Array(MONTHS).fill(0n),
  tax: Array(2 * MONTHS).fill(0n),
  cash: Array(MONTHS).fill(0n),
  below: [],
  credited: [],
  miscounted: [],
  opened: [],
  looks: [],
  counts: [],
  reworked: [],
}
