import { rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { rowsIn } from '../../backupRows'
import { generateSync } from 'otplib'
import { describe, expect, test } from 'vitest'
import { agreed, BACKUPS, PASSPHRASE, type Made, type Tour } from './desk'
import { TOKEN } from '../../browser/till'

export const office = (open: () => Tour, made: Made): void => {
  describe('mail', () => {
    test('is drafted in the words kept for it, sent once, and thrown away where it need not go', async () => {
      const tour = open()
      const sale = await agreed(tour, made.customer, '90.00', { title: 'A bow rehaired' })
      const about = { paper: 'confirmation', paperId: sale.id }
      const draft = await tour.does('GET /post/draft', { query: about })
      expect(draft).toMatchObject({ customerId: made.customer, to: 'hazel@mail.example' })
      expect(draft.subject).toContain(String(sale.number))
      const letter = await tour.does('POST /post', { body: { ...about, subject: 'Your bow', body: 'It is done.' } })
      expect(letter).toMatchObject({ state: 'waiting', to: 'hazel@mail.example', tries: 0 })
      expect(await tour.does('POST /post/{id}/send', { id: letter.id })).toMatchObject({ state: 'sent' })
      const box = await tour.does('GET /mailbox')
      expect(box.items.filter((m: { subject: string }) => m.subject === 'Your bow')).toHaveLength(1)
      const other = await tour.does('POST /post', { body: about })
      expect(await tour.does('DELETE /post/{id}', { id: other.id })).toMatchObject({ state: 'dropped' })
      const sent = await tour.does('GET /post', { query: { saleId: sale.id, state: 'sent' } })
      expect(sent.items.map((l: { id: number }) => l.id)).toEqual([letter.id])
      expect((await tour.refuses('POST /post/{id}/send', { id: other.id })).status).toBe(409)
    })

    test('has words of its own for each document and language', async () => {
      const tour = open()
      const one = { paper: 'receipt', language: 'de' }
      await tour.does('POST /letter-templates', {
        body: { ...one, subject: 'Quittung {number}', body: 'Vielen Dank, {name}.' },
      })
      expect(await tour.does('GET /letter-templates/one', { query: one })).toMatchObject({
        subject: 'Quittung {number}',
      })
      const kept = (await tour.does('GET /letter-templates')).items
      expect(kept).toContainEqual(expect.objectContaining(one))
      await tour.does('DELETE /letter-templates', { body: one })
      expect((await tour.does('GET /letter-templates/one', { query: one })).subject).not.toBe('Quittung {number}')
      const refused = await tour.refuses('POST /letter-templates', {
        body: { ...one, subject: 'Quittung {nonsense}', body: 'x' },
      })
      expect(refused.status).toBe(422)
    })

    test('and documents are laid out as the owner likes them', async () => {
      const tour = open()
      const usual = await tour.does('GET /layouts/usual', { query: { paper: 'invoice' } })
      const layout = await tour.does('POST /layouts', {
        body: { paper: 'invoice', name: 'Short', spec: { ...usual.spec, title: 'Bill' } },
      })
      expect((await tour.does('GET /layouts')).items).toMatchObject([{ id: layout.id, name: 'Short' }])
      await tour.does('PATCH /layouts/{id}', { id: layout.id, body: { usual: true } })
      expect((await tour.does('GET /layouts')).items).toMatchObject([{ usual: true, spec: { title: 'Bill' } }])
      // The program’s own stays what it is, for whoever wants to begin anew.
      expect(await tour.does('GET /layouts/usual', { query: { paper: 'invoice' } })).toEqual(usual)
      await tour.does('DELETE /layouts/{id}', { id: layout.id })
      expect((await tour.does('GET /layouts')).items).toEqual([])
    })
  })

  describe('the shopfront', () => {
    test('has baskets the owner sees, helps with, and makes an order', async () => {
      const tour = open()
      await tour.does('PATCH /settings', { body: { shopfrontOpen: true } })
      await tour.does('PATCH /goods/{id}', { id: made.rosin, body: { onShopfront: true } })
      const put = await fetch(`${tour.till.base}/api/shop/lines`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: tour.till.base },
        body: JSON.stringify({ goodsId: made.rosin, quantity: '2' }),
      })
      expect(put.status, await put.clone().text()).toBe(200)
      const [basket] = (await tour.does('GET /baskets')).items
      expect(basket).toMatchObject({ things: 1, saleId: null })
      const helped = await tour.does('POST /baskets/{id}/lines', {
        id: basket.id,
        body: { goodsId: made.rosin, quantity: '5' },
      })
      // Five at 12.00, and 8 %
      expect(helped).toMatchObject({ totals: { net: '60.00', tax: '4.80', gross: '64.80' } })
      const told = await tour.does('PATCH /baskets/{id}', { id: basket.id, body: { name: 'Zeno Quill' } })
      expect(told).toMatchObject({ name: 'Zeno Quill' })
      const late = await tour.refuses('POST /baskets/{id}/order', { id: basket.id, body: { turn: helped.turn } })
      expect(late.status).toBe(409)
      const order = await tour.does('POST /baskets/{id}/order', {
        id: basket.id,
        body: { turn: told.turn, customerId: made.customer, pay: 'bill' },
      })
      expect(await tour.does('GET /baskets/{id}', { id: basket.id })).toMatchObject({ saleId: order.saleId })
    })
  })

  describe('the business', () => {
    test('has a calendar behind a secret, and its customers as cards', async () => {
      const tour = open()
      const { secret, path } = await tour.does('POST /calendar')
      const calendar = await fetch(`${tour.till.base}${path}`)
      expect([calendar.status, (await calendar.text()).slice(0, 15)]).toEqual([200, 'BEGIN:VCALENDAR'])
      expect((await fetch(`${tour.till.base}/api/v1/calendar/${secret}x.ics`)).status).toBe(404)
      await tour.does('DELETE /calendar')
      expect((await fetch(`${tour.till.base}${path}`)).status).toBe(404)
      const authorization = `Bearer ${TOKEN}`
      const cards = await fetch(`${tour.till.base}/api/v1/export/customers.vcf`, { headers: { authorization } })
      const text = await cards.text()
      expect(text).toContain('FN:Hazel Adair')
      const base64 = Buffer.from(text).toString('base64')
      const looked = await tour.does('POST /customers/import', { body: { base64 } })
      expect([looked.added, looked.problems.length]).toEqual([0, looked.rows])
    })

    test('has opening balances that agree', async () => {
      const tour = open()
      const body = { on: '2026-01-02', accounts: [{ code: '1500', debit: '100.00' }] }
      expect(await tour.does('POST /books/opening', { body })).toMatchObject({ on: '2026-01-02', difference: '0.00' })
      const file = 'Account,Debit,Credit\n1500,"1,100.00",\n1100,5,\n'
      const query = { list: 'accounts' }
      expect(await tour.does('POST /books/opening/read', { query, file })).toMatchObject({
        rows: [{ row: 2, code: '1500', debit: '1100.00' }],
        problems: [{ row: 3 }],
      })
      const elsewhere = await tour.refuses('POST /books/opening/read', { query: { list: 'attic' }, file })
      expect([elsewhere.status, elsewhere.errors[0]?.path]).toEqual([422, 'list'])
      const accounts = [...body.accounts, { code: '3000', credit: '90.00' }]
      const off = await tour.refuses('POST /books/opening', { body: { ...body, accounts } })
      expect([off.status, off.kind]).toEqual([422, 'opening-differs'])
    })

    test('is backed up, by itself and into the hand', async () => {
      const tour = open()
      const backup = await tour.does('POST /backups')
      expect(backup).toMatchObject({ ok: true, on: '2026-03-10', problem: '' })
      const all = await tour.does('GET /backups')
      expect(all).toMatchObject({
        warning: null,
        last: { name: expect.stringMatching(/^iron-till-\d{8}-\d{4}\.backup$/) },
      })
      const kept = await rowsIn(join(BACKUPS, backup.name))
      const address = `${tour.till.base}/api/v1/export/backup`
      const answer = await fetch(address, { headers: { authorization: `Bearer ${TOKEN}` } })
      const bytes = Buffer.from(await answer.arrayBuffer())
      expect(bytes.subarray(0, 18).toString()).toBe('IRON-TILL-BACKUP 1')
      const path = join(tmpdir(), `taken-${process.pid}.backup`)
      writeFileSync(path, bytes)
      const taken = await rowsIn(path)
      rmSync(path)
      // Counts that the clock puts together anew in between take fewer rows than before; what was written down stays.
      for (const table of ['customer', 'entry', 'entry_line', 'invoice', 'receipt']) {
        const rows = kept.get(table) ?? []
        expect([table, rows.length]).not.toEqual([table, 0])
        expect(taken.get(table)).toEqual(expect.arrayContaining([...rows]))
      }
      expect((await fetch(address)).status).toBe(401)
    })

    test('is found through the quick line and what it kept to look at again', async () => {
      const tour = open()
      const lines = await tour.does('GET /quick-line', { query: { text: 'hazel' } })
      expect(lines.items.some((l: { text: string }) => l.text.includes('Hazel Adair'))).toBe(true)
      const view = await tour.does('POST /saved-views', {
        body: { place: 'invoices', name: 'Late ones', query: 'state=late' },
      })
      expect((await tour.does('GET /saved-views', { query: { place: 'invoices' } })).items).toMatchObject([
        { id: view.id, name: 'Late ones' },
      ])
      await tour.does('DELETE /saved-views/{id}', { id: view.id })
    })

    test('has tokens for other programs, one by one', async () => {
      const tour = open()
      const { token } = await tour.does('POST /settings/tokens', {
        body: { name: 'Accountant', passphrase: PASSPHRASE, readOnly: true },
      })
      const as = (method: string, path: string) =>
        fetch(`${tour.till.base}/api/v1${path}`, {
          method,
          headers: { authorization: `Bearer ${token}`, 'content-type': 'application/json' },
          body: method === 'GET' ? undefined : '{"name":"x"}',
        })
      expect((await as('GET', '/customers')).status).toBe(200)
      expect((await as('POST', '/customers')).status).toBe(403)
      const tokens = (await tour.does('GET /settings/tokens')).items as { id: number; name: string }[]
      await tour.does('DELETE /settings/tokens/{id}', { id: tokens.find((t) => t.name === 'Accountant')!.id })
      expect((await as('GET', '/customers')).status).toBe(401)
    })

    test('sees where it is signed in, and ends one of it from elsewhere', async () => {
      const tour = open()
      const knock = await fetch(`${tour.till.base}/api/session`, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          origin: tour.till.base,
          'user-agent': 'Mozilla/5.0 (X11; Linux x86_64; rv:128.0) Gecko/20100101 Firefox/128.0',
        },
        body: JSON.stringify({ passphrase: PASSPHRASE }),
      })
      const cookie = (knock.headers.get('set-cookie') ?? '').split(';')[0]!
      const asked = () => fetch(`${tour.till.base}/api/v1/customers`, { headers: { cookie } })
      expect((await asked()).status).toBe(200)
      const sessions = (await tour.does('GET /settings/sessions')).items as { id: number; browser: string }[]
      const there = sessions.filter((s) => s.browser === 'Firefox on Linux')
      expect(there).toHaveLength(1)
      expect(JSON.stringify(sessions)).not.toMatch(/hash/i)
      await tour.does('DELETE /settings/sessions/{id}', { id: there[0]!.id })
      expect((await asked()).status).toBe(401)
      expect(await tour.refuses('DELETE /settings/sessions/{id}', { id: there[0]!.id })).toMatchObject({
        status: 404,
        kind: 'not-found',
      })
    })

    test('tells a program of its own what happens, with a log of what was sent', async () => {
      const tour = open()
      const url = 'http://127.0.0.1:9/nobody-listens'
      expect(
        await tour.refuses('POST /webhooks', { body: { url: 'http://example.org', events: ['paid'] } }),
      ).toMatchObject({ errors: [{ path: 'url' }] })
      const made = await tour.does('POST /webhooks', { body: { url, events: ['paid'] } })
      expect(made.secret).toMatch(/^whsec_/)
      expect((await tour.does('GET /webhooks')).items).toEqual([
        { id: made.id, url, events: ['paid'], madeOn: '2026-03-10' },
      ])
      const { id: customerId } = await tour.does('POST /customers', { body: { name: 'Told of' } })
      const paid = { customerId, method: 'cash', amount: '3.00', for: 'account' }
      const receipt = await tour.does('POST /receipts', { body: paid })
      const [delivery] = (await tour.does('GET /webhooks/{id}/deliveries', { id: made.id })).items
      expect(delivery).toMatchObject({ event: 'paid', path: `/receipts/${receipt.id}`, state: 'waiting' })
      expect(await tour.does('POST /webhook-deliveries/{id}/retry', { id: delivery.id })).toMatchObject({
        id: delivery.id,
        state: 'waiting',
      })
      await tour.does('DELETE /webhooks/{id}', { id: made.id })
      expect((await tour.does('GET /webhooks')).items).toEqual([])
    })

    test('takes codes of an app as well, if the owner wishes', async () => {
      const tour = open()
      const signIn = async (shown: object): Promise<number> =>
        (
          await fetch(`${tour.till.base}/api/session`, {
            method: 'POST',
            headers: { 'content-type': 'application/json', origin: tour.till.base },
            body: JSON.stringify(shown),
          })
        ).status
      const { secret } = await tour.does('POST /settings/one-time-codes', { body: { passphrase: PASSPHRASE } })
      const code = generateSync({ secret })
      expect(await signIn({ passphrase: PASSPHRASE })).toBe(200)
      const { spareCodes } = await tour.does('POST /settings/one-time-codes/confirm', { body: { code } })
      expect(await signIn({ passphrase: PASSPHRASE })).toBe(401)
      expect(await signIn({ passphrase: PASSPHRASE, code })).toBe(401)
      expect(await signIn({ passphrase: PASSPHRASE, code: spareCodes[0] })).toBe(200)
      const ending = { passphrase: PASSPHRASE, code: spareCodes[0] }
      expect(await tour.refuses('POST /settings/one-time-codes/end', { body: ending })).toMatchObject({
        kind: 'wrong-code',
        errors: [{ path: 'code' }],
      })
      await tour.does('POST /settings/one-time-codes/end', { body: { ...ending, code: spareCodes[1] } })
      expect(await signIn({ passphrase: PASSPHRASE })).toBe(200)
    })

    test('changes its passphrase only for who knows it', async () => {
      const tour = open()
      const next = 'another passphrase of length'
      expect((await tour.refuses('POST /settings/passphrase', { body: { now: 'guess', next } })).status).toBeLessThan(
        500,
      )
      await tour.does('POST /settings/passphrase', { body: { now: PASSPHRASE, next } })
    })
  })
}
