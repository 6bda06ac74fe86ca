import { beforeAll, describe, expect, test } from 'vitest'
import { findList } from '@/api/lists'
import { day } from '@/core/day'
import { present } from '@/core/present'
import { fileCell, shownCell, shownSum } from '@/lists/cell'
import { goodsList } from '@/lists/goods'
import type { GoodsStanding } from '@/model/goods/goods'
import type { Where } from '@/model/where'
import { declineSale } from '@/services/sales/closeSale'
import { agreeSale } from '@/services/sales/agreeSale'
import { offerSale } from '@/services/sales/offerSale'
import { startSale } from '@/services/sales/startSale'
import { opensIntoOther } from './history/opens'
import { openSides, type Sides } from './sidesDesk'

let sides: Sides
let where: Where
beforeAll(async () => {
  sides = await openSides()
  const { s, business, quick, onDay } = sides
  where = { db: s.db, business, today: day('2026-03-20'), currency: 'USD' }
  /** An estimate of so much, sent on a day. */
  const sent = async (
    on: string,
    unitPrice: string,
    { validUntil, ...more }: Record<string, string> = {},
  ): Promise<number> => {
    const lines = [{ description: 'A bow', quantity: '1', unitPrice, taxCode: 'ZERO' }]
    const { id: saleId } = await onDay(on, startSale, { customerId: quick, lines, ...more })
    await onDay(on, offerSale, { saleId, validUntil })
    return saleId
  }
  // Of February: one accepted for 80, one lost for 40. Of March: one lapsed of 30, two open of 20 and 10.
  await onDay('2026-02-14', agreeSale, { saleId: await sent('2026-02-10', '80.00', { channel: 'phone' }) })
  await onDay('2026-02-12', declineSale, {
    saleId: await sent('2026-02-11', '40.00', { kind: 'repairs' }),
    reason: 'Too dear',
  })
  await sent('2026-03-01', '30.00', { validUntil: '2026-03-10' })
  await sent('2026-03-02', '20.00')
  await sent('2026-03-02', '10.00', { channel: 'phone' })
})

const FIGURES = ['sent', 'agreed', 'lost', 'open', 'sentAmount', 'agreedAmount']
/** A report as its files say it, by the name of its rows. */
const told = async (name: string, query: Record<string, string>, keys: readonly string[]) => {
  const { rows, columns } = await present(findList(name)).read(where, query, 'all')
  return rows.map((row) =>
    keys.map((key) => fileCell(present(columns.find((c) => c.key === key)), row, where)).join(' '),
  )
}

describe('what became of estimates', () => {
  test('is counted by month, kind, channel, customer and reason', async () => {
    expect(await told('offers', {}, ['group', ...FIGURES])).toEqual([
      '2026-02 2 1 1 0 120.00 80.00',
      '2026-03 3 0 1 2 60.00 0.00',
    ])
    expect(await told('offers', { by: 'kind' }, ['group', ...FIGURES])).toEqual([
      'repairs 1 0 1 0 40.00 0.00',
      'sales 4 1 1 2 140.00 80.00',
    ])
    expect(await told('offers', { by: 'reason' }, ['group', ...FIGURES])).toEqual([
      'Expired without an answer 1 0 1 0 30.00 0.00',
      'Too dear 1 0 1 0 40.00 0.00',
    ])
  })

  test.each(['month', 'kind', 'channel', 'customer', 'reason'])(
    'opens by %s into the estimates it counts',
    async (by) => {
      const { columns, rows } = await present(findList('offers')).read(where, { by }, 'all')
      for (const key of ['group', 'agreed', 'lost', 'open', 'agreedAmount'])
        for (const row of rows) {
          const column = present(columns.find((c) => c.key === key))
          const query = Object.fromEntries(new URLSearchParams(present(column.href)(row).split('?')[1]))
          const opened = await present(findList('estimates-sent')).read(where, query, 'all')
          const figure = fileCell(key === 'group' ? present(columns.find((c) => c.key === 'sent')) : column, row, where)
          expect([by, key, key === 'agreedAmount' ? shownSum(opened.sums.total) : `${opened.rows.length}`]).toEqual([
            by,
            key,
            figure,
          ])
        }
    },
  )

  test('an estimate that was lost says to what, one that was accepted says when', async () => {
    const says = ['customer', 'sentOn', 'fate', 'agreedOn', 'total']
    expect(await told('estimates-sent', { by: 'month', group: '2026-02', sort: 'sentOn' }, says)).toEqual([
      'Quick Quill 2026-02-10 Accepted 2026-02-14 80.00',
      'Quick Quill 2026-02-11 Lost  40.00',
    ])
    expect(await told('estimates-sent', { by: 'reason', group: 'Expired without an answer' }, says)).toEqual([
      'Quick Quill 2026-03-01 Lost  30.00',
    ])
    expect(await told('estimates-sent', { fate: 'open' }, ['total'])).toEqual(['20.00', '10.00'])
  })
})

test('tax, and sales by kind and channel, open into documents and orders that come to them', async () => {
  const { off, opened } = await opensIntoOther(where, { from: day('2026-01-01'), to: day('2026-03-20') })
  expect(off).toEqual([])
  expect(opened).toBeGreaterThan(15)
})

test('both sides of a tie open into what they were added up from', async () => {
  const { columns, rows } = await present(findList('ties')).read(where, { asOf: '2026-03-04' }, 'all')
  const hrefs = (key: string) => rows.map((row) => present(present(columns.find((c) => c.key === key)).href)(row))
  expect(rows).toHaveLength(13)
  expect(hrefs('name').slice(0, 2)).toEqual(['/owed?asOf=2026-03-04', '/owed/held?asOf=2026-03-04'])
  for (const href of hrefs('accounts'))
    expect(href).toMatch(/^\/books(\/accounts\/\d+\?to=|\?view=trial-balance&asOf=)2026-03-04$/)
  // What the lists say that day is what the tie says.
  const documents = present(columns.find((c) => c.key === 'documents'))
  const owed = await present(findList('receivables')).read(where, { asOf: '2026-03-04' }, 'all')
  expect(shownSum(owed.sums.total).replaceAll(',', '')).toBe(fileCell(documents, present(rows[0]), where))
})

test('what is read back from a file has its own word on the screen', () => {
  const column = present(goodsList.columns.find((c) => c.key === 'kind'))
  const row = { goods: { kind: 'kit' } } as GoodsStanding
  expect([fileCell(column, row, where), shownCell(column, row, where)]).toEqual(['kit', 'Kit'])
})
