import { describe, expect, test } from 'vitest'
import { agreed, type Made, type Tour } from './desk'

const CSV = (number: string) => `Date,Text,Amount,Balance
2026-03-09,Hazel Adair ${number},60.00,60.00
2026-03-10,Account fee,-4.50,55.50
`
const columns = { on: 'Date', text: 'Text', amount: 'Amount', balance: 'Balance' }

export const bank = (open: () => Tour, made: Made): void => {
  describe('the bank', () => {
    test('brings a statement, and each line finds what it is', async () => {
      const tour = open()
      const account = await tour.does('POST /bank/accounts', { body: { name: 'House bank' } })
      const sale = await agreed(tour, made.customer, '60.00')
      const invoice = await tour.does('POST /sales/{id}/invoices', {
        id: sale.id,
        body: { what: 'remaining', issue: true, on: '2026-03-05' },
      })
      const open60 = invoice.open
      const file = CSV(invoice.number)
        .replace('60.00,60.00', `${open60},${open60}`)
        .replace('55.50', (Number(open60) - 4.5).toFixed(2))
      const query = { bankAccountId: account.id, name: 'march.csv' }
      const asked = await tour.refuses('POST /bank/statements', { query, file })
      expect([asked.status, asked.kind]).toEqual([422, 'columns-unknown'])
      expect(await tour.does('POST /bank/look', { file })).toMatchObject({ headings: Object.values(columns), columns })
      await tour.does('PATCH /bank/accounts/{id}', { id: account.id, body: { format: { columns } } })
      const statement = await tour.does('POST /bank/statements', { query, file })
      expect(statement).toMatchObject({
        format: 'csv',
        opening: '0.00',
        doubles: 0,
        lines: [{ state: 'open' }, { amount: '-4.50' }],
      })
      const [came, fee] = statement.lines
      const { proposals } = await tour.does('GET /bank/statements/{id}/proposals', { id: statement.id })
      const best = proposals.find((p: { lineId: number }) => p.lineId === came.id)
      expect(best).toMatchObject({ degree: 0.98, settles: [{ kind: 'due', id: invoice.dues[0].id }] })
      expect(await tour.does('POST /bank/matches', { body: { lineId: came.id, settles: best.settles } })).toMatchObject(
        {
          state: 'settled',
        },
      )
      expect((await tour.does('GET /invoices/{id}', { id: invoice.id })).open).toBe('0.00')
      await tour.does('DELETE /bank/matches/{lineId}', { id: came.id })
      expect((await tour.does('GET /invoices/{id}', { id: invoice.id })).open).toBe(open60)
      const { items } = await tour.does('GET /accounts')
      const accountId = items.find((a: { code: string }) => a.code === '6110').id
      const rule = await tour.does('POST /bank/rules', { body: { contains: 'Account fee', accountId } })
      expect((await tour.does('GET /bank/rules')).items).toMatchObject([{ id: rule.id, always: false }])
      const again = await tour.does('GET /bank/statements/{id}/proposals', { id: statement.id })
      expect(again.proposals.find((p: { lineId: number }) => p.lineId === fee.id)).toMatchObject({ degree: 0.9 })
      await tour.does('DELETE /bank/rules/{id}', { id: rule.id })
      const short = await tour.refuses('POST /bank/matches', {
        body: { lineId: fee.id, settles: [{ kind: 'account', accountId, amount: '4.00' }] },
      })
      expect([short.status, short.kind]).toEqual([422, 'settles-differ'])
      expect((await tour.does('POST /bank/statements', { query, file })).doubles).toBe(2)
    })

    test('brings a long statement, whose proposals are looked for on another thread', async () => {
      const tour = open()
      const account = await tour.does('POST /bank/accounts', { body: { name: 'Fees', format: { columns } } })
      const rows = Array.from({ length: 80 }, (_, n) => `2026-03-09,Terminal rent ${n},-1.00,${-1 - n}.00`)
      const statement = await tour.does('POST /bank/statements', {
        query: { bankAccountId: account.id },
        file: ['Date,Text,Amount,Balance', ...rows, ''].join('\n'),
      })
      const { items } = await tour.does('GET /accounts')
      const accountId = items.find((a: { code: string }) => a.code === '6110').id
      const rule = await tour.does('POST /bank/rules', { body: { contains: 'terminal rent', accountId } })
      const { proposals } = await tour.does('GET /bank/statements/{id}/proposals', { id: statement.id })
      expect(proposals).toHaveLength(80)
      expect(proposals[79]).toMatchObject({ degree: 0.9, settles: [{ kind: 'account', accountId, amount: '1.00' }] })
      await tour.does('DELETE /bank/rules/{id}', { id: rule.id })
    })

    test('is done when every line is settled and the balance is the account’s', async () => {
      const tour = open()
      const card = await tour.does('POST /bank/accounts', { body: { name: 'Card', format: { columns } } })
      const statement = await tour.does('POST /bank/statements', {
        query: { bankAccountId: card.id },
        file: 'Date,Text,Amount,Balance\n2026-03-08,Strings,-20.00,-20.00\n',
      })
      expect((await tour.refuses('POST /bank/statements/{id}/finish', { id: statement.id })).kind).toBe(
        'statement-not-done',
      )
      const { items } = await tour.does('GET /accounts')
      const accountId = items.find((a: { code: string }) => a.code === '6020').id
      await tour.does('POST /bank/matches', {
        body: { lineId: statement.lines[0].id, settles: [{ kind: 'account', accountId, amount: '20.00' }] },
      })
      expect(await tour.does('GET /bank/statements/{id}', { id: statement.id })).toMatchObject({
        difference: '0.00',
        open: 0,
      })
      expect(await tour.does('POST /bank/statements/{id}/finish', { id: statement.id })).toMatchObject({ done: true })
      expect((await tour.does('GET /bank/statements', { query: { bankAccountId: card.id } })).items).toHaveLength(1)
      const off = await tour.refuses('POST /bank/accounts/{id}/fetch', { id: card.id })
      expect(off.errors).toMatchObject([{ path: 'bankAccountId' }])
      expect(await tour.does('PATCH /bank/accounts/{id}', { id: card.id, body: { feed: true } })).toMatchObject({
        feed: true,
        fedThrough: '2026-03-09',
      })
      expect((await tour.does('POST /bank/accounts/{id}/fetch', { id: card.id })).statementIds).toEqual([])
      await tour.does('PATCH /bank/accounts/{id}', { id: card.id, body: { feed: false } })
      expect((await tour.does('GET /bank/accounts')).items).toHaveLength(3)
      expect((await tour.does('GET /bank/accounts/{id}', { id: card.id })).balance).toBe('-20.00')
    })
  })
}
