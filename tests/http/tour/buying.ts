import { describe, expect, test } from 'vitest'
import { ublInvoice } from '../../files/ubl'
import type { Made, Tour } from './desk'

export const buying = (open: () => Tour, made: Made): void => {
  describe('buying', () => {
    let supplier: number
    let spread: number
    let order: { id: number; lines: { id: number }[] }

    test('begins with a supplier, with terms and a bank', async () => {
      const tour = open()
      const added = await tour.does('POST /suppliers', { body: { name: 'Rosin works', terms: { net: 14 } } })
      supplier = added.id
      const iban = 'DE89370400440532013000'
      expect(await tour.does('PATCH /suppliers/{id}', { id: supplier, body: { bank: { iban } } })).toMatchObject({
        name: 'Rosin works',
        bank: { iban },
        owed: '0.00',
      })
      expect(
        await tour.refuses('PATCH /suppliers/{id}', { id: supplier, body: { bank: { iban: 'DE1' } } }),
      ).toMatchObject({
        kind: 'invalid',
      })
    })

    test('lets go of what was added by mistake, and keeps what is used', async () => {
      const tour = open()
      const typed = { code: 'TYPO', name: 'Typed twice', kind: 'work', price: '1.00' }
      const goods = await tour.does('POST /goods', { body: typed })
      const customer = await tour.does('POST /customers', { body: { name: 'Typed twice' } })
      const twice = await tour.does('POST /suppliers', { body: { name: 'Typed twice', customerId: customer.id } })
      expect(await tour.refuses('DELETE /customers/{id}', { id: customer.id })).toMatchObject({
        kind: 'invalid',
        errors: [{ path: 'customerId', message: 'A supplier uses it: Typed twice stays.' }],
      })
      await tour.does('DELETE /suppliers/{id}', { id: twice.id })
      await tour.does('DELETE /customers/{id}', { id: customer.id })
      await tour.does('DELETE /goods/{id}', { id: goods.id })
    })

    test('orders, and what is on order is seen where stock is', async () => {
      const tour = open()
      order = await tour.does('POST /purchase-orders', {
        body: { supplierId: supplier, lines: [{ goodsId: made.rosin, quantity: '5', unitCost: '6.50' }] },
      })
      expect(order).toMatchObject({ number: 'O-2026-0001', status: 'draft', totals: { net: '32.50' } })
      const lines = [{ lineId: order.lines[0]!.id, goodsId: made.rosin, quantity: '6', unitCost: '6.50' }]
      await tour.does('PATCH /purchase-orders/{id}', { id: order.id, body: { lines, wantedBy: '2026-03-30' } })
      expect(await tour.does('POST /purchase-orders/{id}/send', { id: order.id })).toMatchObject({ status: 'sent' })
      expect((await tour.does('GET /goods/{id}', { id: made.rosin })).onTheWay).toBe('6')
      expect((await tour.does('GET /purchase-orders', { query: { supplierId: supplier } })).items).toMatchObject([
        { id: order.id, lines: [{ ordered: '6', toReceive: '6' }] },
      ])
    })

    test('for a sale, from who sells it to us; proposed until it is ordered', async () => {
      const tour = open()
      const { id: thing } = await tour.does('POST /goods', {
        body: { code: 'CH', name: 'Chinrest', kind: 'stock', price: '30.00', suppliers: [{ supplierId: supplier }] },
      })
      const sale = await tour.does('POST /sales', {
        body: { customerId: made.second, agreed: true, lines: [{ goodsId: thing, quantity: '2' }] },
      })
      const proposed = async () =>
        (await tour.does('GET /buying/proposals')).rows.filter((r: { goodsId: number }) => r.goodsId === thing)
      expect(await proposed()).toMatchObject([{ supplierId: supplier, quantity: '2', why: 'sale', saleIds: [sale.id] }])
      const { orders } = await tour.does('POST /sales/{id}/purchase-orders', { id: sale.id })
      expect(orders).toMatchObject([{ supplierId: supplier, saleIds: [sale.id], lines: [{ ordered: '2' }] }])
      await tour.does('POST /purchase-orders/{id}/send', { id: orders[0].id })
      expect(await proposed()).toEqual([])
      const closed = await tour.does('POST /purchase-orders/{id}/close', {
        id: orders[0].id,
        body: { reason: 'Not made any more' },
      })
      expect(closed.status).toBe('closed')
      // Not ordered any more, it is proposed again; all that is proposed is ordered at once, and then no more.
      expect(await proposed()).toMatchObject([{ quantity: '2' }])
      const again = await tour.does('POST /buying/proposals')
      expect(again.orders).toMatchObject([{ supplierId: supplier, status: 'draft', lines: [{ goodsId: thing }] }])
      expect(await tour.refuses('POST /buying/proposals')).toMatchObject({ kind: 'nothing-to-order' })
      await tour.does('POST /purchase-orders/{id}/close', { id: again.orders[0].id, body: { reason: 'Twice' } })
      await tour.does('POST /sales/{id}/cancel', { id: sale.id, body: { reason: 'Not to be had' } })
    })

    test('receives, is invoiced, pays, and takes back what was entered wrong', async () => {
      const tour = open()
      const came = await tour.does('POST /goods-received', {
        body: { purchaseOrderId: order.id, lines: [{ lineId: order.lines[0]!.id, quantity: '4' }] },
      })
      expect(came).toMatchObject({ number: 'G-2026-0001', lines: [{ quantity: '4', unitCost: '6.5', toBill: '4' }] })
      expect(await tour.does('GET /purchase-orders/{id}', { id: order.id })).toMatchObject({
        status: 'received in part',
        lines: [{ received: '4', toReceive: '2' }],
      })
      expect((await tour.does('GET /goods-received', { query: { supplierId: supplier } })).items).toHaveLength(1)
      expect(await tour.does('GET /goods-received/{id}', { id: came.id })).toMatchObject({ purchaseOrderId: order.id })
      const bill = await tour.does('POST /bills', {
        body: {
          supplierId: supplier,
          theirNumber: 'RW-1',
          lines: [{ receivedLineId: came.lines[0].id, unitCost: '7.00' }],
        },
      })
      // 4 × 0.50 more than they came at.
      expect(bill).toMatchObject({ totals: { gross: '28.00' }, open: '28.00', priceDifference: '2.00' })
      expect((await tour.does('GET /suppliers/{id}', { id: supplier })).owed).toBe('28.00')
      const payables = await tour.does('GET /payables')
      expect(payables).toMatchObject({ totals: { total: '28.00' }, controlAccount: '28.00', difference: '0.00' })
      const paid = await tour.does('POST /supplier-payments', {
        body: { supplierId: supplier, from: 'bank', amount: '20.00', for: [{ billId: bill.id, amount: '20.00' }] },
      })
      expect(paid).toMatchObject({ filled: [{ billId: bill.id, amount: '20.00' }], ahead: '0.00' })
      expect((await tour.does('GET /bills/{id}', { id: bill.id })).open).toBe('8.00')
      expect(await tour.refuses('POST /bills/{id}/void', { id: bill.id, body: { reason: 'x' } })).toMatchObject({
        kind: 'bill-is-paid',
      })
      expect((await tour.does('GET /supplier-payments', { query: { supplierId: supplier } })).items).toHaveLength(1)
      await tour.does('POST /supplier-payments/{id}/void', { id: paid.id, body: { reason: 'Wrong account' } })
      expect((await tour.does('GET /supplier-payments/{id}', { id: paid.id })).voidedOn).toBe('2026-03-10')
      await tour.does('POST /bills/{id}/void', { id: bill.id, body: { reason: 'Not ours' } })
      expect((await tour.does('GET /bills', { query: { supplierId: supplier } })).items).toMatchObject([
        { voidedOn: '2026-03-10', open: '0.00' },
      ])
      const { items: accounts } = await tour.does('GET /accounts')
      const accountId = accounts.find((a: { code: string }) => a.code === '6020').id
      const carriage = await tour.does('POST /bills', {
        body: { supplierId: supplier, theirNumber: 'RW-2', lines: [{ accountId, amount: '4.00' }] },
      })
      // Four came and four are here: all of it joins what is in stock.
      const cost = await tour.does('POST /landed-costs', {
        body: { billLineId: carriage.lines[0].id, receivedIds: [came.id], by: 'quantity' },
      })
      spread = cost.id
      expect(cost).toMatchObject({
        amount: '4.00',
        shares: [{ amount: '4.00', toStock: '4.00', toCostOfSales: '0.00' }],
      })
      const all = { body: { billIds: [carriage.id] } }
      expect(await tour.refuses('POST /payment-runs', all)).toMatchObject({ kind: 'no-own-bank' })
      await tour.does('PATCH /settings', { body: { iban: 'GB82WEST12345698765432' } })
      const run = await tour.does('POST /payment-runs', all)
      expect(run.payments).toMatchObject([{ supplierId: supplier, amount: '4.00' }])
      expect(run.file).toContain('pain.001.001.09')
      const more = await tour.does('POST /goods-received', {
        body: { supplierId: supplier, lines: [{ goodsId: made.rosin, quantity: '5', unitCost: '6.00' }] },
      })
      await tour.does('POST /goods-received/{id}/undo', { id: more.id, body: { reason: 'Typed twice' } })
      expect(
        await tour.refuses('POST /goods-received/{id}/undo', { id: more.id, body: { reason: 'x' } }),
      ).toMatchObject({
        kind: 'receipt-went-on',
      })
      const draft = await tour.does('GET /post/draft', { query: { paper: 'purchase-order', paperId: order.id } })
      expect(draft).toMatchObject({ customerId: null, customer: 'Rosin works', to: '' })
      const rent = await tour.does('POST /bills/{id}/repeats', {
        id: carriage.id,
        body: { every: 'month', firstOn: '2026-04-01' },
      })
      expect(rent).toMatchObject({ nextOn: '2026-04-01', done: 0 })
      expect(await tour.does('POST /bill-repeats/{id}/stop', { id: rent.id })).toMatchObject({ nextOn: null })
      const seller = { seller: 'Rosin works' }
      expect(await tour.does('POST /bills/read', { file: ublInvoice(seller) })).toMatchObject({
        supplierId: supplier,
        totals: { gross: '44.00' },
      })
      expect(await tour.refuses('POST /bills/read', { file: '<!DOCTYPE a><a/>' })).toMatchObject({
        status: 422,
        errors: [{ path: '' }],
      })
      expect((await tour.refuses('POST /bills/read', { body: {} })).status).toBe(415)
      const second = await tour.does('POST /bills', {
        body: { supplierId: supplier, theirNumber: 'RW-3', lines: [{ receivedLineId: came.lines[0].id }] },
      })
      const back = await tour.does('POST /goods-received/{id}/returns', {
        id: came.id,
        body: { lines: [{ lineId: came.lines[0].id, quantity: '1' }], reason: 'Cracked' },
      })
      expect(back).toMatchObject({ undoes: false, lines: [{ quantity: '1', value: '6.50' }] })
      const credit = await tour.does('POST /bills/{id}/credits', {
        id: second.id,
        body: { lines: [{ receivedLineId: came.lines[0].id, quantity: '1' }], reason: 'Cracked' },
      })
      expect(credit).toMatchObject({ totals: { gross: '6.50' } })
      expect((await tour.does('GET /bills/{id}', { id: second.id })).open).toBe('19.50')
      const wrong = { id: credit.id, body: { reason: 'Not that bill' } }
      expect(await tour.does('POST /supplier-credits/{id}/void', wrong)).toMatchObject({ voidedOn: '2026-03-10' })
      expect(await tour.refuses('POST /supplier-credits/{id}/void', wrong)).toMatchObject({ kind: 'already-voided' })
      expect((await tour.does('GET /bills/{id}', { id: second.id })).open).toBe('26.00')
      const { ties } = await tour.does('GET /books/ties')
      expect(ties.every((t: { difference: string }) => Number(t.difference) === 0)).toBe(true)
    })

    test('sets off what the same people owe as a customer, takes money back, and takes a spread cost off again', async () => {
      const tour = open()
      const { id: customerId } = await tour.does('POST /customers', { body: { name: 'Rosin works, repairs' } })
      await tour.does('PATCH /suppliers/{id}', { id: supplier, body: { customerId } })
      const sale = await tour.does('POST /sales', {
        body: { customerId, agreed: true, lines: [{ description: 'Advice', quantity: '1', unitPrice: '10.00' }] },
      })
      const draft = await tour.does('POST /sales/{id}/invoices', { id: sale.id, body: { what: 'remaining' } })
      await tour.does('POST /invoices/{id}/issue', { id: draft.id })
      expect(await tour.refuses('POST /set-offs', { body: { supplierId: supplier, amount: '999.00' } })).toMatchObject({
        errors: [{ path: 'amount' }],
      })
      const made = await tour.does('POST /set-offs', { body: { supplierId: supplier, amount: '5.00' } })
      expect(made).toMatchObject({ amount: '5.00', customerId, voidedOn: null })
      expect((await tour.does('GET /set-offs', { query: { supplierId: supplier } })).items).toMatchObject([
        { id: made.id },
      ])
      expect(
        await tour.refuses('POST /receipts/{id}/void', { id: made.receiptId, body: { reason: 'x' } }),
      ).toMatchObject({ kind: 'is-set-off' })
      await tour.does('POST /set-offs/{id}/void', { id: made.id, body: { reason: 'Not agreed' } })
      expect((await tour.does('GET /set-offs/{id}', { id: made.id })).voidedOn).toBe('2026-03-10')

      await tour.does('POST /supplier-payments', {
        body: { supplierId: supplier, from: 'bank', amount: '100.00', check: 'next' },
      })
      const { ahead } = await tour.does('GET /suppliers/{id}', { id: supplier })
      const into = { supplierId: supplier, into: 'bank' }
      expect(await tour.refuses('POST /supplier-refunds', { body: { ...into, amount: '500.00' } })).toMatchObject({
        errors: [{ path: 'amount' }],
      })
      const back = await tour.does('POST /supplier-refunds', { body: { ...into, amount: ahead } })
      expect((await tour.does('GET /suppliers/{id}', { id: supplier })).ahead).toBe('0.00')
      expect((await tour.does('GET /supplier-refunds', { query: { supplierId: supplier } })).items).toHaveLength(1)
      await tour.does('POST /supplier-refunds/{id}/void', { id: back.id, body: { reason: 'Bounced' } })
      expect((await tour.does('GET /supplier-refunds/{id}', { id: back.id })).voidedOn).toBe('2026-03-10')

      const cost = { id: spread, body: { reason: 'Another delivery' } }
      expect(await tour.does('POST /landed-costs/{id}/void', cost)).toMatchObject({ voidedOn: '2026-03-10' })
      expect(await tour.refuses('POST /landed-costs/{id}/void', cost)).toMatchObject({ kind: 'already-voided' })
      expect(await tour.does('GET /landed-costs/{id}', { id: spread })).toMatchObject({ amount: '4.00' })
      const { ties } = await tour.does('GET /books/ties')
      expect(ties.every((t: { difference: string }) => Number(t.difference) === 0)).toBe(true)
    })
  })
}
