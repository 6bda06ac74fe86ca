import { describe, expect, test } from 'vitest'
import { agreed, invoiced, type Made, type Tour } from './desk'

export const money = (open: () => Tour, made: Made): void => {
  describe('money', () => {
    test('comes in for what is owed, oldest first, the rest on account', async () => {
      const tour = open()
      const payer = (await tour.does('POST /customers', { body: { name: 'Orla Finch' } })).id
      const { sale, invoice } = await invoiced(tour, payer, '100.00', '2026-03-01')
      const owes = await tour.does('GET /customers/{id}/open', { id: payer })
      expect(owes).toMatchObject({ owed: '108.00', held: '0.00', items: [{ open: '108.00', saleId: sale.id }] })
      const receipt = await tour.does('POST /receipts', {
        body: { customerId: payer, method: 'cash', amount: '120.00', tendered: '150.00', for: 'oldest' },
      })
      expect(receipt).toMatchObject({
        filled: [{ saleId: sale.id, amount: '108.00' }],
        onAccount: '12.00',
        change: '30.00',
        rounding: '0.00',
      })
      expect(await tour.does('GET /receipts/{id}', { id: receipt.id })).toMatchObject({ number: receipt.number })
      const listed = await tour.does('GET /receipts', { query: { customerId: payer } })
      expect(listed.items).toMatchObject([{ id: receipt.id, amount: '120.00' }])
      const statement = await tour.does('GET /customers/{id}/statement', {
        id: payer,
        query: { from: '2026-03-01', to: '2026-03-31' },
      })
      expect(statement).toMatchObject({ opening: '0.00', closing: '0.00' })
      expect(statement.lines.map((l: { balance: string }) => l.balance)).toEqual(['108.00', '0.00'])
      const voided = await tour.does('POST /receipts/{id}/void', { id: receipt.id, body: { reason: 'Counted wrong' } })
      expect(voided).toMatchObject({ voidedAs: 'voided', voidedOn: '2026-03-10' })
      expect(await tour.does('GET /invoices/{id}', { id: invoice.id })).toMatchObject({ open: '108.00' })
    })

    test('that is held is put on an invoice, moved, and given back; each can be undone', async () => {
      const tour = open()
      const payer = (await tour.does('POST /customers', { body: { name: 'Piers Hallow' } })).id
      const [one, two] = [await agreed(tour, payer, '100.00'), await agreed(tour, payer, '50.00')]
      await tour.does('POST /receipts', {
        body: { customerId: payer, method: 'transfer', amount: '60.00', for: [{ saleId: one.id, amount: '60.00' }] },
      })
      const moved = await tour.does('POST /held-moves', {
        body: { customerId: payer, fromSaleId: one.id, toSaleId: two.id, amount: '20.00' },
      })
      const held = async () => {
        const { rows } = await tour.does('GET /held')
        return (rows as { customerId: number; amount: string }[])
          .filter((r) => r.customerId === payer)
          .map((r) => r.amount)
      }
      expect((await held()).sort()).toEqual(['20.00', '40.00'])
      await tour.does('POST /held-moves/{id}/reverse', { id: moved.id, body: { reason: 'The wrong sale' } })
      expect(await held()).toEqual(['60.00'])
      const refund = await tour.does('POST /refunds', {
        body: { customerId: payer, saleId: one.id, amount: '10.00', method: 'cash' },
      })
      expect(await held()).toEqual(['50.00'])
      await tour.does('POST /refunds/{id}/void', { id: refund.id, body: { reason: 'They left it' } })
      expect(await held()).toEqual(['60.00'])
      const { invoice } = await invoiced(tour, payer, '30.00', '2026-03-10')
      const used = await tour.does('POST /held-uses', {
        body: { customerId: payer, saleId: one.id, for: [{ dueId: invoice.dues[0].id, amount: '32.40' }] },
      })
      expect(used).toMatchObject({ used: '32.40', left: '27.60' })
    })

    test('at the counter is receipt and invoice in one, with change', async () => {
      const tour = open()
      const sold = await tour.does('POST /counter-sales', {
        body: { lines: [{ goodsId: made.rosin, quantity: '1' }], method: 'cash', tendered: '20.00' },
      })
      // 12.00 and 0.96 of tax
      expect(sold).toMatchObject({ totals: { gross: '12.96' }, change: '7.04' })
    })

    test('that bounced is owed again, with what the bank took', async () => {
      const tour = open()
      const payer = (await tour.does('POST /customers', { body: { name: 'Caspar Lowe' } })).id
      await invoiced(tour, payer, '100.00', '2026-03-01')
      const cheque = await tour.does('POST /receipts', {
        body: { customerId: payer, method: 'cheque', amount: '108.00', for: 'oldest', on: '2026-03-05' },
      })
      const bounced = await tour.does('POST /receipts/{id}/bounce', {
        id: cheque.id,
        body: { reason: 'No funds', bankFee: '9.00', fee: '15.00' },
      })
      expect(bounced).toMatchObject({ voidedAs: 'bounced' })
      expect(await tour.does('GET /customers/{id}/open', { id: payer })).toMatchObject({ owed: '123.00' })
    })

    test('that will not come is charged for, reminded of, promised, written off, and owed after all', async () => {
      const tour = open()
      const payer = (await tour.does('POST /customers', { body: { name: 'Farid Noor', email: 'farid@mail.example' } }))
        .id
      const { sale, invoice } = await invoiced(tour, payer, '100.00', '2026-01-05')
      const due = invoice.dues[0].id as number
      expect(await tour.does('POST /dues/{id}/late-charge', { id: due, body: { amount: '5.00' } })).toMatchObject({
        amount: '5.00',
      })
      const reminder = await tour.does('POST /customers/{id}/reminders', { id: payer })
      expect(reminder).toMatchObject({ customerId: payer, stage: 1 })
      const promise = await tour.does('POST /sales/{id}/promises', {
        id: sale.id,
        body: { by: '2026-03-20', amount: '50.00' },
      })
      expect(promise).toMatchObject({ by: '2026-03-20', amount: '50.00' })
      await tour.does('DELETE /sales/{id}/promises', { id: sale.id })
      const off = await tour.does('POST /dues/{id}/write-off', { id: due, body: { reason: 'Moved away' } })
      expect(off).toMatchObject({ amount: '108.00' })
      await tour.does('POST /write-offs/{id}/recover', { id: off.id, body: { reason: 'They wrote' } })
      expect(await tour.does('GET /customers/{id}/open', { id: payer })).toMatchObject({ owed: '113.00' })
      const rests = await tour.does('POST /write-offs', {
        body: { customerId: payer, upTo: '10.00', reason: 'Not worth a stamp' },
      })
      // Of 108.00 and 5.00 only the charge is that small.
      expect(rests).toMatchObject({ count: 1, amount: '5.00' })
      expect(rests.writeOffs).toHaveLength(1)
      const many = await tour.does('POST /letters/many', {
        body: { customers: [payer, made.customer], what: 'open-items' },
      })
      expect(many.written + many.skipped.length).toBe(2)
    })

    test('is aged, expected, and looked back on', async () => {
      const tour = open()
      const aged = await tour.does('GET /receivables', { query: { asOf: '2026-03-10' } })
      expect(aged).toMatchObject({ by: 'due', limits: [30, 60, 90], difference: '0.00' })
      // Farid's 108.00 of 5 January, due that day: 64 days late.
      expect(aged.rows.find((r: { name: string }) => r.name === 'Farid Noor')).toMatchObject({
        d61to90: '108.00',
        total: '108.00',
      })
      expect((await tour.does('GET /expected', { query: { weeks: 4 } })).items).toHaveLength(4)
      await tour.does('GET /expected/back-tests')
      const habits = await tour.does('GET /reports/pay-habits', { query: { months: 3 } })
      expect(habits.months.map((m: { month: string }) => m.month)).toEqual(['2026-01-01', '2026-02-01', '2026-03-01'])
    })
  })

  describe('money over time', () => {
    test('is planned before anything is agreed', async () => {
      const tour = open()
      const plan = await tour.does('POST /plans/preview', {
        body: { kind: 'installments', total: '1000.00', count: 3, every: 'month', firstDue: '2026-04-01' },
      })
      expect(plan.rows.map((r: { payment: string }) => r.payment)).toEqual(['333.34', '333.33', '333.33'])
      expect(plan).toMatchObject({ financed: '1000.00', totalCharge: '0.00', totalPayments: '1000.00' })
    })

    test('in installments is charged to a card, arranged anew, and paid off', async () => {
      const tour = open()
      const arrangement = {
        kind: 'installments',
        count: 4,
        every: 'month',
        firstDue: '2026-04-01',
        charge: { flat: '40.00' },
      }
      const { sale } = await invoiced(tour, made.second, '1000.00', '2026-03-10', { arrangement })
      const plans = await tour.does('GET /plans')
      // 1,080.00 and 40.00 of charge
      expect(plans.rows).toMatchObject([{ saleId: sale.id, financed: '1080.00', open: '1120.00', unearned: '40.00' }])
      expect(
        await tour.does('POST /sales/{id}/installments/card', { id: sale.id, body: { number: '4000 0000 0000 0001' } }),
      ).toMatchObject({ card: expect.stringContaining('0001') })
      expect(await tour.does('POST /sales/{id}/installments/card', { id: sale.id })).toMatchObject({ card: null })
      const anew = await tour.does('POST /sales/{id}/installments/reschedule', {
        id: sale.id,
        body: { count: 3, every: 'month', firstDue: '2026-05-01' },
      })
      expect(anew.rows).toHaveLength(3)
      const quote = await tour.does('POST /sales/{id}/installments/quote', { id: sale.id })
      const paid = await tour.does('POST /sales/{id}/installments/payoff', {
        id: sale.id,
        body: { method: 'transfer' },
      })
      expect(paid).toMatchObject({ payoff: quote.payoff, givenBack: quote.givenBack })
      expect(await tour.does('GET /sales/{id}', { id: sale.id })).toMatchObject({ money: { open: '0.00' } })
    })

    test('on layaway is paid in, and given up with its fee', async () => {
      const tour = open()
      const sale = await agreed(tour, made.second, '500.00', {
        arrangement: { kind: 'layaway', firstPercent: '20', months: 4, every: 'month', fee: { percent: '5' } },
      })
      await tour.does('POST /receipts', {
        body: {
          customerId: made.second,
          method: 'card',
          amount: '108.00',
          for: [{ saleId: sale.id, amount: '108.00' }],
        },
      })
      const layaways = await tour.does('GET /layaways')
      expect(layaways).toMatchObject({
        rows: [{ saleId: sale.id, stands: 'paying in', held: '108.00', left: '432.00' }],
        totals: { total: '540.00', held: '108.00' },
      })
      const over = await tour.does('POST /sales/{id}/layaway/give-up', { id: sale.id, body: { method: 'card' } })
      // 5 % of 540.00
      expect(over).toMatchObject({ paid: '108.00', fee: '27.00', refund: '81.00' })
    })
  })

  describe('the drawer and the bank', () => {
    test('a drawer is moved and counted', async () => {
      const tour = open()
      const before = await tour.does('GET /drawer', { query: { on: '2026-03-10' } })
      await tour.does('POST /drawer/moves', {
        body: { direction: 'in', amount: '50.00', reason: 'Change for the day' },
      })
      const after = await tour.does('GET /drawer', { query: { on: '2026-03-10' } })
      expect(Number(after.now) - Number(before.now)).toBe(50)
      const counted = await tour.does('POST /drawer/counts', { body: { counted: after.now } })
      expect(counted).toMatchObject({ expected: after.now, over: '0.00' })
    })

    test('cheques and cash go to the bank, card payments come from it less their fees', async () => {
      const tour = open()
      const payer = (await tour.does('POST /customers', { body: { name: 'Judith Akerman' } })).id
      await invoiced(tour, payer, '200.00', '2026-03-10')
      const pay = (method: string, amount: string) =>
        tour.does('POST /receipts', { body: { customerId: payer, method, amount, for: 'oldest' } })
      const [cheque, card] = [await pay('cheque', '116.00'), await pay('card', '100.00')]
      const waiting = await tour.does('GET /to-bank')
      expect(waiting.cheques.map((c: { id: number }) => c.id)).toContain(cheque.id)
      expect(waiting.cards.map((c: { id: number }) => c.id)).toContain(card.id)
      const slip = await tour.does('POST /banking-slips', { body: { cash: '20.00', cheques: [cheque.id] } })
      expect(slip).toMatchObject({ cash: '20.00', cheques: '116.00', total: '136.00' })
      const settled = await tour.does('POST /card-settlements', { body: { receipts: [card.id], fees: '2.50' } })
      expect(settled).toMatchObject({ gross: '100.00', fees: '2.50', net: '97.50' })
      expect((await tour.does('GET /banking-slips')).items).toMatchObject([{ id: slip.id }])
      expect((await tour.does('GET /card-settlements')).items).toMatchObject([{ id: settled.id }])
      const twice = await tour.refuses('POST /banking-slips', { body: { cheques: [cheque.id] } })
      expect(twice.status).toBe(409)
      expect(await tour.does('GET /sales/{id}', { id: (await soldTo(tour, payer)).id })).toMatchObject({
        stands: 'settled',
      })
    })
  })
}

const soldTo = async (tour: Tour, customerId: number): Promise<{ id: number }> => {
  const { items } = await tour.does('GET /sales', { query: { customerId } })
  return items[0]
}
