import { describe, expect, test } from 'vitest'
import { agreed, invoiced, type Made, type Tour } from './desk'

export const sales = (open: () => Tour, made: Made): void => {
  describe('a sale', () => {
    let sale: { id: number; number: number; lines: { id: number }[] }

    test('is written down and offered, with its price and tax', async () => {
      const tour = open()
      sale = await tour.does('POST /sales', {
        body: {
          customerId: made.customer,
          title: 'A violin with its set-up',
          lines: [
            { goodsId: made.violin, quantity: '1' },
            { goodsId: made.work, quantity: '1', choice: 'optional', chosen: true },
          ],
        },
      })
      // 1,000.00 and 72.00, with 8 % tax
      expect(sale).toMatchObject({ stands: 'draft', totals: { net: '1072.00', tax: '85.76', gross: '1157.76' } })
      const offered = await tour.does('POST /sales/{id}/offer', { id: sale.id, body: { validUntil: '2026-03-31' } })
      expect(offered).toMatchObject({ stands: 'offered', validUntil: '2026-03-31' })
      const listed = await tour.does('GET /sales', { query: { stands: 'offered' } })
      expect(listed.items).toMatchObject([{ id: sale.id, total: '1157.76' }])
    })

    test('keeps every version that was sent, and says what is different', async () => {
      const tour = open()
      await tour.does('POST /sales/{id}/change', {
        id: sale.id,
        body: { lines: [{ goodsId: made.violin, quantity: '1', discountPercent: '10', lineId: sale.lines[0]!.id }] },
      })
      await tour.does('POST /sales/{id}/offer', { id: sale.id })
      const versions = await tour.does('GET /sales/{id}/versions', { id: sale.id })
      expect(versions.items.map((v: { n: number; gross: string }) => [v.n, v.gross])).toEqual([
        [1, '1157.76'],
        [2, '972.00'],
      ])
      const compared = await tour.does('GET /sales/{id}/comparison', { id: sale.id, query: { before: 1, now: 2 } })
      expect(compared.lines.map((l: { how: string }) => l.how)).toEqual(['changed', 'dropped'])
    })

    test('is agreed, and sets aside what it needs from the shelf', async () => {
      const tour = open()
      const yes = await tour.does('POST /sales/{id}/agree', { id: sale.id, body: { by: 'Hazel', how: 'By phone' } })
      expect(yes).toMatchObject({ stands: 'agreed', yesBy: 'Hazel', lines: [{ agreed: '1', setAside: '1' }] })
      expect(await tour.does('GET /sales/{id}', { id: sale.id })).toEqual(yes)
      expect(await tour.does('GET /goods/{id}', { id: made.violin })).toMatchObject({ setAside: '1', available: '4' })
      const again = await tour.refuses('POST /sales/{id}/agree', { id: sale.id })
      expect(again.status).toBe(409)
    })

    test('asks for a deposit in the way it is arranged', async () => {
      const tour = open()
      await tour.does('POST /sales/{id}/arrangement', {
        id: sale.id,
        body: { kind: 'deposit', percent: '25' },
      })
      const asked = await tour.does('POST /sales/{id}/deposit-requests', { id: sale.id })
      // A quarter of 972.00
      expect(asked).toMatchObject({ amount: '243.00' })
    })

    test('has a next thing to do, which can be put off or dropped', async () => {
      const tour = open()
      const other = await agreed(tour, made.second, '40.00')
      const action = other.next[0].action as string
      const later = await tour.does('POST /sales/{id}/next/put-off', {
        id: other.id,
        body: { action, until: '2026-03-20' },
      })
      expect(later.next.map((n: { action: string }) => n.action)).not.toContain(action)
      const today = await tour.does('GET /today')
      expect(today.items.filter((i: { saleId: number }) => i.saleId === other.id)).toEqual([])
      const back = await tour.does('POST /sales/{id}/next/bring-back', { id: other.id, body: { action } })
      expect(back.next.map((n: { action: string }) => n.action)).toContain(action)
      await tour.does('POST /sales/{id}/next/drop', {
        id: sale.id,
        body: { action: 'ask-deposit', reason: 'They pay at the door' },
      })
    })

    test('is copied, declined and cancelled, each for a reason', async () => {
      const tour = open()
      const copy = await tour.does('POST /sales/{id}/copy', { id: sale.id })
      expect(copy).toMatchObject({ stands: 'draft', copiedFromId: sale.id })
      await tour.does('POST /sales/{id}/offer', { id: copy.id })
      expect(
        await tour.does('POST /sales/{id}/decline', { id: copy.id, body: { reason: 'Found another' } }),
      ).toMatchObject({ stands: 'declined' })
      const other = await agreed(tour, made.second, '50.00')
      const cancelled = await tour.does('POST /sales/{id}/cancel', { id: other.id, body: { reason: 'Too late' } })
      expect(cancelled).toMatchObject({ stands: 'cancelled', money: { held: '0.00', open: '0.00' } })
    })

    test('comes again by itself, on days that are known ahead', async () => {
      const tour = open()
      const rent = await agreed(tour, made.second, '30.00', { title: 'Cello for rent' })
      const repeat = await tour.does('POST /sales/{id}/repeats', {
        id: rent.id,
        body: { every: 'month', firstOn: '2026-03-10', times: 3, makes: 'order' },
      })
      expect(repeat).toMatchObject({ total: '32.40', nextOn: '2026-03-10', done: 0 })
      await tour.does('POST /repeats/run')
      expect((await tour.does('GET /repeats')).items).toMatchObject([{ id: repeat.id, done: 1, nextOn: '2026-04-10' }])
      const coming = await tour.does('GET /repeats/coming', { query: { months: 3 } })
      expect(coming.items.map((c: { on: string }) => c.on)).toEqual(['2026-04-10', '2026-05-10'])
      expect(await tour.does('POST /repeats/{id}/stop', { id: repeat.id })).toMatchObject({ stoppedOn: '2026-03-10' })
      expect((await tour.does('GET /repeats/coming')).items).toEqual([])
    })

    test('is shown to its customer by a link, until that is withdrawn', async () => {
      const tour = open()
      const { address } = await tour.does('POST /sales/{id}/links', { id: sale.id })
      expect(address).toMatch(/\/c\/[\w-]{20,}/)
      const links = await tour.does('GET /customers/{id}/links', { id: made.customer })
      expect(links.items).toMatchObject([{ saleId: sale.id, seenOn: null }])
      await tour.does('DELETE /links/{id}', { id: links.items[0].id })
      await tour.does('POST /sales/{id}/links', { id: sale.id })
      expect(await tour.does('DELETE /sales/{id}/links', { id: sale.id })).toMatchObject({ withdrawn: 1 })
      const page = await fetch(`${tour.till.base}${new URL(address).pathname}`)
      expect(await page.text()).not.toContain('A violin with its set-up')
    })

    test('is handed over, invoiced as a draft, put right, and issued', async () => {
      const tour = open()
      const out = await tour.does('POST /sales/{id}/handovers', { id: sale.id, body: { on: '2026-03-10' } })
      expect(out).toMatchObject({ saleId: sale.id, lines: [{ quantity: '1' }] })
      expect(await tour.does('GET /handovers/{id}', { id: out.id })).toEqual(out)
      expect(await tour.does('GET /sales/{id}', { id: sale.id })).toMatchObject({
        lines: [{ handedOver: '1', readyToBill: '1', setAside: '0' }],
        handovers: [{ id: out.id, direction: 'out' }],
      })
      const draft = await tour.does('POST /sales/{id}/invoices', { id: sale.id, body: { what: 'handed-over' } })
      expect(draft).toMatchObject({ status: 'draft', number: null, totals: { gross: '972.00' } })
      await tour.does('DELETE /invoices/{id}', { id: draft.id })
      const again = await tour.does('POST /sales/{id}/invoices', { id: sale.id, body: { what: 'remaining' } })
      await tour.does('PATCH /invoices/{id}', { id: again.id, body: { on: '2026-03-09' } })
      const issued = await tour.does('POST /invoices/{id}/issue', { id: again.id, body: { on: '2026-03-10' } })
      expect(issued).toMatchObject({ status: 'issued', open: '972.00', dues: [{ amount: '972.00' }] })
      expect(await tour.does('GET /invoices/{id}', { id: again.id })).toMatchObject({ number: issued.number })
      const listed = await tour.does('GET /invoices', { query: { customer: made.customer, state: 'open' } })
      expect(listed).toMatchObject({ items: [{ id: again.id }], totals: { count: 1, gross: '972.00', open: '972.00' } })
    })

    test('is credited in part, and brought back where it was not invoiced', async () => {
      const tour = open()
      const { invoice } = await invoiced(tour, made.second, '200.00', '2026-03-10')
      const credit = await tour.does('POST /invoices/{id}/credit-notes', {
        id: invoice.id,
        body: { amount: '54.00', reason: 'A scratch' },
      })
      // 54.00 = 50.00 and 8 %
      expect(credit).toMatchObject({
        kind: 'credit-note',
        creditsId: invoice.id,
        totals: { net: '50.00', tax: '4.00', gross: '54.00' },
      })
      expect(await tour.does('GET /invoices/{id}', { id: invoice.id })).toMatchObject({ open: '162.00' })
      const rosin = await tour.does('POST /sales', {
        body: { customerId: made.second, agreed: true, lines: [{ goodsId: made.rosin, quantity: '2' }] },
      })
      const gone = await tour.does('POST /sales/{id}/handovers', { id: rosin.id })
      const back = await tour.does('POST /handovers/{id}/returns', {
        id: gone.id,
        body: { reason: 'Wrong kind' },
      })
      // Two at the 6.00 they cost.
      expect(back).toMatchObject({ saleId: rosin.id, lines: [{ quantity: '2', cost: '12.00' }] })
    })

    test('is picked as it really lies there, packed, sent with the carrier, and followed', async () => {
      const tour = open()
      const order = await tour.does('POST /sales', {
        body: {
          customerId: made.second,
          agreed: true,
          deliverTo: '4 Mill Lane',
          lines: [{ goodsId: made.rosin, quantity: '3' }],
        },
      })
      const lineId = order.lines[0].id as number
      expect(await tour.does('POST /sales/{id}/set-aside', { id: order.id, body: { turn: 'first' } })).toMatchObject({
        lines: [{ setAside: '3', asideTurn: 'first' }],
      })
      const wrong = await tour.does('POST /sales/{id}/picks', { id: order.id })
      expect(await tour.does('DELETE /picks/{id}', { id: wrong.id })).toEqual({ id: wrong.id, number: wrong.number })
      const pick = await tour.does('POST /sales/{id}/picks', { id: order.id })
      expect(pick).toMatchObject({ state: 'to pick', lines: [{ lineId, wanted: '3', from: [{ quantity: '3' }] }] })
      const [{ placeId }] = pick.lines[0].from as [{ placeId: number }]
      await tour.does('POST /picks/{id}/correct', {
        id: pick.id,
        body: { lines: [{ lineId, from: [{ placeId, quantity: '2' }] }] },
      })
      const packed = await tour.does('POST /picks/{id}/pack', {
        id: pick.id,
        body: { parcels: [{ weight: '2', size: '20 × 20 × 10', lines: [{ lineId, quantity: '2' }] }] },
      })
      expect(packed).toMatchObject({ state: 'packed', parcels: [{ weight: '2', address: '4 Mill Lane' }] })
      expect((await tour.does('GET /picks', { query: { state: 'packed' } })).items).toMatchObject([{ id: pick.id }])
      const quotes = await tour.does('POST /carrier/quotes', {
        body: { to: { address: '4 Mill Lane' }, parcels: [{ weight: '2', size: '20 × 20 × 10' }] },
      })
      // 4.90 + 2 × 0.85
      expect(quotes).toMatchObject([
        { service: 'Economy', price: '6.60' },
        { service: 'Standard' },
        { service: 'Express' },
      ])
      const sent = await tour.does('POST /picks/{id}/send', { id: pick.id, body: { service: 'Economy' } })
      expect(sent).toMatchObject({ lines: [{ quantity: '2' }], parcels: [{ price: '6.60', state: 'sent' }] })
      expect(await tour.does('GET /picks/{id}', { id: pick.id })).toMatchObject({ state: 'sent', handoverId: sent.id })
      expect(await tour.refuses('POST /picks/{id}/send', { id: pick.id })).toMatchObject({ kind: 'pick-sent' })
      // One is left: a list for every order that can go takes it along, and then it is struck off.
      const all = await tour.does('POST /picks')
      const ofOrder = (picks: { saleId: number }[]) => picks.filter((p) => p.saleId === order.id)
      expect(ofOrder(all.picks)).toMatchObject([{ lines: [{ wanted: '1' }] }])
      expect(await tour.refuses('POST /picks')).toMatchObject({ kind: 'nothing-to-hand-over' })
      const struck = await tour.does('POST /sales/{id}/strike-off', { id: order.id, body: { reason: 'None left' } })
      expect(struck).toMatchObject({ lines: [{ agreed: '2', toHandOver: '0' }] })
      expect(ofOrder((await tour.does('GET /picks', { query: { state: 'to pick' } })).items)).toEqual([])
    })

    test('stands in the reports of offers and of what sales cost', async () => {
      const tour = open()
      const offers = await tour.does('GET /reports/offers', { query: { from: '2026-03-01', to: '2026-03-31' } })
      expect(offers.items).toMatchObject([{ sent: 2, agreed: 1, lost: 1, open: 0 }])
      const costs = await tour.does('GET /reports/sale-costs', { query: { from: '2026-03-01', to: '2026-03-31' } })
      const one = costs.items.find((c: { saleId: number }) => c.saleId === sale.id)
      // 900.00 net less a violin of 600.00
      expect(one).toMatchObject({ agreed: '972.00', billedNet: '900.00', actualCost: '600.00', margin: '33.3' })
      const march = { from: '2026-03-01', to: '2026-03-31' }
      const earned = await tour.does('GET /reports/profit', { query: { ...march, by: 'sale' } })
      expect(earned.rows.find((r: { key: string }) => r.key === String(sale.id))).toMatchObject({
        income: '900.00',
        cost: '600.00',
        profit: '300.00',
      })
      const books = await tour.does('GET /books/profit-and-loss', { query: march })
      expect(earned.total.profit).toBe(books.totals.grossProfit)
    })

    test('tells what a customer usually takes', async () => {
      const tour = open()
      const usual = await tour.does('GET /customers/{id}/usual', { id: made.customer })
      expect(usual.items).toMatchObject([{ code: 'VN', times: 1 }])
    })
  })
}
