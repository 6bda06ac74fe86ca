import { describe, expect, test } from 'vitest'
import type { Tour } from './desk'

export const books = (open: () => Tour): void => {
  describe('accounts, tax and the month', () => {
    test('have accounts of one’s own, which are renamed and merged', async () => {
      const tour = open()
      const added = await tour.does('POST /accounts', { body: { code: '6045', name: 'Stamps', type: 'expense' } })
      expect(await tour.does('PATCH /accounts/{id}', { id: added.id, body: { name: 'Postage' } })).toMatchObject({
        code: '6045',
        name: 'Postage',
        type: 'expense',
      })
      const into = (await tour.does('GET /accounts')).items.find((a: { code: string }) => a.code === '6010').id
      await tour.does('POST /accounts/{id}/merge', { id: added.id, body: { into, reason: 'One is enough' } })
      const { items } = await tour.does('GET /accounts')
      expect(items.find((a: { code: string }) => a.code === '6045').hidden).toBe(true)
      const needed = await tour.refuses('POST /accounts/{id}/merge', {
        id: items.find((a: { code: string }) => a.code === '2200').id,
        body: { into, reason: 'x' },
      })
      expect([needed.status, needed.kind]).toEqual([409, 'account-is-needed'])
    })

    test('have tax returns, filed once and paid once', async () => {
      const tour = open()
      const span = { from: '2026-01-01', through: '2026-03-09' }
      const other = await tour.does('POST /tax-returns', { body: span })
      await tour.does('DELETE /tax-returns/{id}', { id: other.id })
      const r = await tour.does('POST /tax-returns', { body: { ...span, basis: 'invoiced' } })
      const report = await tour.does('GET /books/tax', { query: { from: span.from, to: span.through } })
      expect(r).toMatchObject({ state: 'draft', totals: { sales: report.total } })
      expect((await tour.refuses('POST /tax-returns/{id}/pay', { id: r.id })).kind).toBe('return-not-filed')
      await tour.does('POST /tax-returns/{id}/file', { id: r.id })
      expect(await tour.does('POST /tax-returns/{id}/pay', { id: r.id })).toMatchObject({ state: 'paid' })
      const back = { id: r.id, body: { reason: 'The bank sent it back' } }
      expect(await tour.does('POST /tax-returns/{id}/unpay', back)).toMatchObject({ state: 'filed', paid: null })
      await tour.does('POST /tax-returns/{id}/pay', { id: r.id })
      expect((await tour.does('GET /tax-returns/{id}', { id: r.id })).rows).toEqual(r.rows)
      expect((await tour.does('GET /tax-returns')).items).toMatchObject([{ id: r.id, state: 'paid' }])
    })

    test('say what is done at the end of a month', async () => {
      const tour = open()
      const { steps } = await tour.does('GET /month', { query: { month: '2026-02' } })
      expect(steps.map((s: { key: string }) => s.key)).toEqual([
        'drawer',
        'slips',
        'statement',
        'unbilled',
        'held',
        'tax',
        'profit',
        'closed',
      ])
      expect((await tour.refuses('GET /month', { query: { month: '2026-13' } })).status).toBe(422)
    })
  })
}
