import { beforeAll, describe, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { day } from '@/core/day'
import { findBusiness, type Business } from '@/data/queries/business'
import { changeGoods } from '@/services/goods/keepGoods'
import { readComparison } from '@/model/sale/versions'
import { saleView } from '@/model/sale/saleView'
import { agreeSale } from '@/services/sales/agreeSale'
import { changeSale } from '@/services/sales/changeSale'
import { copySale } from '@/services/sales/copySale'
import { handOver } from '@/services/sales/handOver'
import { startRepeat, stopRepeat } from '@/services/sales/keepRepeat'
import { dropNext, putOffNext } from '@/services/sales/markNext'
import { offerSale } from '@/services/sales/offerSale'
import { runDueRepeats } from '@/services/sales/runRepeats'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let business: Business
beforeAll(async () => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
})
const view = async (saleId: number, today = s.today) => (await saleView(s.db, saleId, business, today))!

test('who changes a sale has the one before them that there is: nothing that came since is overwritten', async () => {
  const sale = await s.answer(startSale, { customerId: s.customer, lines: [{ goodsId: s.rosin, quantity: '2' }] })
  const change = (edition: string, quantity: string) => ({
    saleId: sale.id,
    edition,
    lines: [{ lineId: sale.lines[0]!.id, goodsId: s.rosin, quantity }],
  })
  // The same, also where it is read or sent in between.
  await s.run(offerSale, { saleId: sale.id })
  const first = await s.answer(changeSale, change(sale.edition, '3'))
  // The second window still has the two.
  expect(await s.refusal(changeSale, change(sale.edition, '4'))).toBe('sale-changed')
  await s.run(changeSale, { saleId: sale.id, note: 'By Friday' })
  expect(await s.refusal(changeSale, change(first.edition, '4'))).toBe('sale-changed')
  const noted = await view(sale.id)
  // The customer says yes to three while four are typed.
  await s.run(agreeSale, { saleId: sale.id })
  expect(await s.refusal(changeSale, change(noted.edition, '4'))).toBe('sale-changed')
  expect((await view(sale.id)).lines.map((l) => l.agreed)).toEqual(['3'])
  // Who says nothing of what they looked at changes what there is, as before.
  await s.run(changeSale, { saleId: sale.id, lines: change('', '4').lines })
  expect((await view(sale.id)).lines.map((l) => l.agreed)).toEqual(['4'])
})

describe('an estimate with choices', () => {
  const lines = () => [
    { kind: 'heading' as const, description: 'The instrument' },
    { goodsId: s.violin, quantity: '1', choice: 'alternative' as const, choiceGroup: 'Violin' },
    {
      description: 'A finer violin',
      quantity: '1',
      unitPrice: '2000.00',
      choice: 'alternative' as const,
      choiceGroup: 'Violin',
    },
    { goodsId: s.rosin, quantity: '2', choice: 'optional' as const },
    { kind: 'text' as const, description: 'Everything is set up before it goes.' },
  ]
  test('counts what counts, and agrees to what is taken', async () => {
    const sale = await s.answer(startSale, { customerId: s.customer, lines: lines() })
    // the first of the two violins alone
    expect(sale.totals.net).toBe('1000.00')
    const [, first, finer, rosin] = sale.lines
    await s.run(offerSale, { saleId: sale.id })
    expect(
      await s.refusal(agreeSale, {
        saleId: sale.id,
        lines: [
          { lineId: first!.id, quantity: '1' },
          { lineId: finer!.id, quantity: '1' },
        ],
      }),
    ).toBe('two-of-one-choice')
    const agreed = await s.answer(agreeSale, {
      saleId: sale.id,
      by: 'Ms. Adair',
      how: 'phone',
      lines: [
        { lineId: finer!.id, quantity: '1' },
        { lineId: rosin!.id, quantity: '2' },
      ],
    })
    expect(agreed).toMatchObject({ stands: 'agreed', yesBy: 'Ms. Adair', totals: { net: '2025.00' } })
    expect(agreed.lines.map((l) => l.agreed)).toEqual(['0', '0', '1', '2', '0'])
  })

  test('two versions stand beside each other, before and after agreement', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [
        { goodsId: s.rosin, quantity: '2' },
        { description: 'Case', quantity: '1', unitPrice: '90' },
      ],
    })
    await s.run(offerSale, { saleId: sale.id })
    await s.run(changeSale, {
      saleId: sale.id,
      lines: [
        { lineId: sale.lines[0]!.id, goodsId: s.rosin, quantity: '3' },
        { description: 'Bow', quantity: '1', unitPrice: '150' },
      ],
    })
    await s.run(offerSale, { saleId: sale.id })
    const c = (await readComparison(s.db, sale.id, {}, 'USD'))!
    expect(c.lines.map((l) => [l.how, (l.now ?? l.before)!.description])).toEqual([
      ['changed', 'Rosin'],
      ['dropped', 'Case'],
      ['added', 'Bow'],
    ])
    await s.run(agreeSale, { saleId: sale.id })
    const bow = (await view(sale.id)).lines[1]!
    await s.run(changeSale, {
      saleId: sale.id,
      lines: [{ lineId: sale.lines[0]!.id, goodsId: s.rosin, quantity: '3' }],
    })
    const now = await view(sale.id)
    // what was agreed and dropped stays visible, at nothing
    expect(now.lines.find((l) => l.id === bow.id)).toMatchObject({ agreed: '0', description: 'Bow' })
    expect((await readComparison(s.db, sale.id, { before: 3, now: 4 }, 'USD'))!.lines.map((l) => l.how)).toEqual([
      'same',
      'dropped',
    ])
  })

  test('is copied to a new draft at today’s prices', async () => {
    const sale = await s.answer(startSale, { customerId: s.customer, lines: lines(), note: 'By Friday' })
    await s.run(changeGoods, { goodsId: s.violin, price: '1100.00' })
    const copy = await s.answer(copySale, { saleId: sale.id })
    expect(copy).toMatchObject({ stands: 'draft', note: 'By Friday', totals: { net: '1100.00' } })
    expect(copy.lines.map((l) => [l.kind, l.choice])).toEqual(sale.lines.map((l) => [l.kind, l.choice]))
    await s.run(changeGoods, { goodsId: s.violin, price: '1000.00' })
  })

  test('keeps prices as they stand, also what freight of nine digits was charged', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      agreed: true,
      lines: [{ description: 'Set-up', quantity: '1', unitPrice: '150000000' }],
    })
    await s.run(handOver, { saleId: sale.id, freight: '999999999.99' })
    const copy = await s.answer(copySale, { saleId: sale.id, keepPrices: true })
    expect(copy.lines.map((l) => l.unitPrice)).toEqual(['150000000', '999999999.99'])
    // 150,000,000.00 and 999,999,999.99
    expect(copy.totals.net).toBe('1149999999.99')
  })

  test('may start as an order, and only of a kind there is', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      agreed: true,
      purchaseOrder: 'PO 7',
      kind: 'repairs',
      lines: [{ goodsId: s.rosin, quantity: '1' }],
    })
    expect(sale).toMatchObject({ stands: 'agreed', purchaseOrder: 'PO 7', kind: 'repairs' })
    expect(await s.refusal(startSale, { customerId: s.customer, kind: 'piracy' })).toBe('no-such-kind')
    expect(await s.refusal(startSale, { customerId: s.customer, agreed: true })).toBe('nothing-on-sale')
  })
})

describe('next', () => {
  test('a step is put off until a day, or done away with, until it is another step', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      on: '2026-02-01',
      lines: [{ goodsId: s.rosin, quantity: '1' }],
    })
    expect(sale.next[0]).toMatchObject({ action: 'offer' })
    expect(await s.refusal(putOffNext, { saleId: sale.id, action: 'bill', until: '2026-03-05' })).toBe('no-such-step')
    expect(await s.refusal(putOffNext, { saleId: sale.id, action: 'offer', until: '2026-03-01' })).toBe('invalid')
    await s.run(putOffNext, { saleId: sale.id, action: 'offer', until: '2026-03-05' })
    expect((await view(sale.id)).next).toEqual([])
    expect((await view(sale.id, day('2026-03-05'))).next).toMatchObject([{ action: 'offer' }])
    await s.run(offerSale, { saleId: sale.id, on: '2026-02-10', validUntil: '2026-03-31' })
    await s.run(dropNext, { saleId: sale.id, action: 'ask-again', reason: 'They will call' })
    expect((await view(sale.id)).next).toEqual([])
    await s.run(offerSale, { saleId: sale.id, on: '2026-02-20', validUntil: '2026-03-31' })
    expect((await view(sale.id)).next).toMatchObject([{ action: 'ask-again' }])
  })
})

describe('a sale that comes again', () => {
  test('is made on its day, once, and catches up on days that were missed', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      title: 'Rental',
      lines: [{ description: 'Rental, month', quantity: '1', unitPrice: '26.00' }],
    })
    const repeatId = await s.run(startRepeat, {
      saleId: sale.id,
      every: 'month',
      firstOn: '2026-03-31',
      times: 3,
      makes: 'invoice',
      byItself: true,
    })
    expect(await runDueRepeats(s.shop, 'USD')).toEqual([])
    const later = { ...s.shop, today: day('2026-05-01') }
    const ran = await runDueRepeats(later, 'USD')
    expect(ran).toHaveLength(2)
    expect(await runDueRepeats(later, 'USD')).toEqual([])
    // 26.00 and 2.145 → 2.15
    expect(await view(ran[1]!.saleId, later.today)).toMatchObject({
      stands: 'owing',
      startedOn: '2026-04-30',
      money: { billed: '28.15' },
    })
    await s.run(stopRepeat, { repeatId })
    expect(await runDueRepeats({ ...s.shop, today: day('2027-01-01') }, 'USD')).toEqual([])
    await expect(
      s.db.execute(
        sql`insert into repeat_run (repeat_id, on_day, sale_id) values (${repeatId}, '2026-03-31', ${sale.id})`,
      ),
    ).rejects.toThrow()
  })

  test('is only prepared where it should be looked at first', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [{ goodsId: s.rosin, quantity: '1' }],
    })
    await s.run(startRepeat, { saleId: sale.id, every: 'week', firstOn: '2026-03-01', makes: 'offer' })
    const [ran] = await runDueRepeats(s.shop, 'USD')
    expect(await view(ran!.saleId)).toMatchObject({ stands: 'draft' })
  })
})
