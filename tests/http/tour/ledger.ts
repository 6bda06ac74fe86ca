import { describe, expect, test } from 'vitest'
import { PASSPHRASE, type Tour } from './desk'

export const ledger = (open: () => Tour): void => {
  describe('the books', () => {
    test('balance, in every report and on any day', async () => {
      const tour = open()
      for (const asOf of ['2026-01-31', '2026-03-05', '2026-03-10']) {
        const trial = await tour.does('GET /books/trial-balance', { query: { asOf } })
        expect(trial).toMatchObject({ difference: '0.00', totals: { debit: trial.totals.credit } })
        const sheet = await tour.does('GET /books/balance-sheet', { query: { asOf } })
        expect(sheet.difference).toBe('0.00')
        const ties = await tour.does('GET /books/ties', { query: { asOf } })
        expect(ties.ties.filter((t: { difference: string }) => t.difference !== '0.00')).toEqual([])
      }
      const profit = await tour.does('GET /books/profit-and-loss', { query: { from: '2026-01-01', to: '2026-03-10' } })
      const sheet = await tour.does('GET /books/balance-sheet', { query: { asOf: '2026-03-10' } })
      expect(profit.totals.profit).toBe(sheet.earnings)
      const cash = await tour.does('GET /books/cash-flow', { query: { from: '2026-02-01', to: '2026-03-10' } })
      expect(cash.difference).toBe('0.00')
      expect(Number(cash.closing) - Number(cash.opening)).toBeCloseTo(Number(cash.change), 2)
      const tax = await tour.does('GET /books/tax', { query: { from: '2026-01-01', to: '2026-03-31' } })
      const sum = tax.rows.reduce((minor: number, r: { tax: string }) => minor + Math.round(Number(r.tax) * 100), 0)
      expect((sum / 100).toFixed(2)).toBe(tax.total)
    })

    test('take an entry of the owner’s own, and open down to each', async () => {
      const tour = open()
      const entry = await tour.does('POST /books/entries', {
        body: {
          on: '2026-03-02',
          text: 'Rent of March',
          lines: [
            { account: '6300', debit: '400.00' },
            { account: '1000', credit: '400.00' },
          ],
        },
      })
      expect(await tour.does('GET /books/entries/{id}', { id: entry.id })).toEqual(entry)
      const of = await tour.does('GET /books/entries', { query: { account: '6300' } })
      expect(of.items.map((e: { id: number }) => e.id)).toEqual([entry.id])
      const rhythm = { every: 'month', firstOn: '2026-03-31', times: 2 }
      const repeat = await tour.does('POST /books/entries/{id}/repeats', { id: entry.id, body: rhythm })
      expect((await tour.does('GET /entry-repeats')).items).toEqual([repeat])
      expect(await tour.does('POST /entry-repeats/{id}/stop', { id: repeat.id })).toMatchObject({ nextOn: null })
      const scan = { ownerKind: 'entry', ownerId: entry.id }
      await tour.does('POST /files', { body: { ...scan, name: 'rent.txt', base64: 'UmVudA==' } })
      expect((await tour.does('GET /files', { query: { ...scan, ownerId: String(entry.id) } })).items).toHaveLength(1)
      const second = await tour.does('POST /books/entries', {
        body: {
          on: '2026-03-02',
          text: 'Rent of March, twice',
          lines: [
            { account: '6010', debit: '400.00' },
            { account: '1000', credit: '400.00' },
          ],
        },
      })
      const back = { id: second.id, body: { reason: 'Typed twice', on: '2026-03-03' } }
      expect(await tour.does('POST /books/entries/{id}/reverse', back)).toMatchObject({ reverses: second.id })
      expect((await tour.refuses('POST /books/entries/{id}/reverse', back)).kind).toBe('entry-reversed')
      const crooked = await tour.refuses('POST /books/entries', {
        body: {
          text: 'x',
          lines: [
            { account: '6300', debit: '1.00' },
            { account: '1000', credit: '2.00' },
          ],
        },
      })
      expect(crooked.status).toBe(422)
    })

    test('carry a year that is over, and take it back', async () => {
      const tour = open()
      await tour.does('POST /books/entries', {
        body: {
          on: '2025-12-15',
          text: 'Rent',
          lines: [
            { account: '6000', debit: '300.00' },
            { account: '1020', credit: '300.00' },
          ],
        },
      })
      const { items: chart } = await tour.does('GET /accounts')
      const rent = chart.find((a: { code: string }) => a.code === '6000').id
      const meant = await tour.does('POST /books/budget', {
        body: { year: 2026, lines: [{ accountId: rent, amount: '1200.00' }] },
      })
      expect(await tour.does('GET /books/budget', { query: { year: 2026 } })).toEqual(meant)
      const march = { from: '2026-03-01', to: '2026-03-31' }
      expect((await tour.does('GET /books/profit-and-loss', { query: march })).budget.totals.expenses).toBe('100.00')
      const entry = await tour.does('POST /books/year-end', { body: { year: 2025 } })
      expect(entry).toMatchObject({ on: '2025-12-31', lines: [{ account: '3200' }, { account: '6000' }] })
      expect((await tour.refuses('POST /books/year-end', { body: { year: 2025 } })).status).toBe(409)
      await tour.does('DELETE /books/year-end/{year}', { id: 2025 })
      expect((await tour.refuses('DELETE /books/year-end/{year}', { id: 2025 })).kind).toBe('year-not-closed')
    })

    test('are closed through a day, and opened again with the passphrase', async () => {
      const tour = open()
      expect(await tour.does('POST /books/close', { body: { through: '2026-02-28' } })).toEqual({
        closedThrough: '2026-02-28',
      })
      const late = await tour.refuses('POST /books/entries', {
        body: {
          on: '2026-02-10',
          text: 'x',
          lines: [
            { account: '6300', debit: '1.00' },
            { account: '1000', credit: '1.00' },
          ],
        },
      })
      expect(late.kind).toBe('period-closed')
      const wrong = await tour.refuses('POST /books/reopen', { body: { reason: 'x', passphrase: 'not it at all' } })
      expect(wrong.status).toBeLessThan(500)
      await tour.does('POST /books/reopen', { body: { reason: 'A bill came late', passphrase: PASSPHRASE } })
      // Twice: the year that was carried, and the period.
      expect((await tour.does('GET /books/closings')).items.map((c: { kind: string }) => c.kind).sort()).toEqual([
        'closed',
        'closed',
        'reopened',
        'reopened',
      ])
    })
  })
}
