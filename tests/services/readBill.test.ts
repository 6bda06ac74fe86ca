import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { addTaxCode } from '@/services/books/addTaxCode'
import { enterBill } from '@/services/buying/enterBill'
import { readBillFile } from '@/services/buying/readBillFile'
import { changeSupplier } from '@/services/buying/keepSupplier'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { changeGoods } from '@/services/goods/keepGoods'
import { listAccounts } from '@/data/queries/accounts'
import { ciiInvoice } from '../files/cii'
import { ublInvoice } from '../files/ubl'
import { openBuying } from './buyingDesk'
import type { TestShop } from './shop'

let s: TestShop
let supplier: number
let desk: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  desk = await openBuying()
  ;({ s, supplier } = desk)
})
afterEach(() => s.close())

interface Draft {
  readonly supplierId: number | null
  readonly enteredAs: string | null
  readonly lines: readonly Readonly<Record<string, unknown>>[]
}
const read = async (text: string) =>
  readBillFile({ db: s.db, business: await desk.business(), today: s.shop.today }, new TextEncoder().encode(text))
const draft = async (text: string) => {
  const done = await read(text)
  if (!done.ok) throw new Error(JSON.stringify(done.error))
  return done.value as Draft
}

describe('a bill read from their file', () => {
  test('knows its supplier, what came of it and its tax; entered so, it comes to what the file says', async () => {
    await s.run(changeGoods, { goodsId: s.rosin, suppliers: [{ supplierId: supplier, code: 'gw-r' }] })
    const came = await s.answer(receiveGoods, {
      supplierId: supplier,
      on: '2026-02-20',
      lines: [{ goodsId: s.rosin, quantity: '4', unitCost: '7.00' }],
    })
    const seen = await draft(ublInvoice())
    expect(seen).toMatchObject({
      supplierId: supplier,
      theirNumber: 'GW-77',
      enteredAs: null,
      on: '2026-02-27',
      due: '2026-03-29',
      totals: { gross: '44.00' },
      lines: [
        {
          receivedLineId: came.lines[0]!.id,
          goodsId: s.rosin,
          quantity: '4',
          unitCost: '7.5',
          amount: '30.00',
          tax: '3.00',
        },
        { goodsId: null, description: 'Carriage', amount: '10.00', tax: '1.00' },
      ],
    })
    const account = (await listAccounts(s.db)).find((a) => a.code === '6020')!
    // It is entered as it was read, with an account for what fits nothing.
    const [goods, carriage] = seen.lines
    const bill = await s.answer(enterBill, {
      ...(seen as unknown as Parameters<typeof enterBill.run>[1]),
      lines: [goods as { receivedLineId: number }, { ...carriage, accountId: account.id }],
    })
    expect(bill).toMatchObject({ totals: { net: '40.00', tax: '4.00', gross: '44.00' }, priceDifference: '2.00' })
    // Billed once, it fits nothing that came, and is known.
    const again = await draft(ublInvoice())
    expect(again.enteredAs).toBe(bill.number)
    expect(again.lines[0]).not.toHaveProperty('receivedLineId')
  })

  test('is read in either syntax', async () => {
    expect(await draft(ciiInvoice())).toEqual(await draft(ublInvoice()))
  })

  test('finds goods on the order it names, and a supplier by their account; nobody is guessed', async () => {
    await s.run(changeSupplier, { supplierId: supplier, bank: { iban: 'DE89370400440532013000' } })
    const made = await desk.order('4')
    const text = ublInvoice({ seller: 'Gutwerk GmbH', order: made.number }).replace('Rosin &amp; cloth', 'Rosin')
    expect(await draft(text)).toMatchObject({
      supplierId: supplier,
      lines: [{ purchaseOrderLineId: made.lineId, goodsId: s.rosin }, { description: 'Carriage' }],
    })
    await s.run(changeSupplier, { supplierId: supplier, bank: { iban: '' } })
    expect(await draft(text)).toMatchObject({
      supplierId: null,
      supplier: 'Gutwerk GmbH',
      lines: [{ description: 'Rosin' }, {}],
    })
  })

  test('knows them by their tax number, however it is spaced; of two codes with a rate, the usual one is theirs', async () => {
    const codes = { components: [{ name: 'Tax', rate: '0.1' }] }
    await s.run(addTaxCode, { code: 'A10', name: 'A', ...codes })
    const numbered = ublInvoice({ seller: 'Gutwerk GmbH' }).replace(
      '</cac:PartyName>',
      '</cac:PartyName><cac:PartyTaxScheme><cbc:CompanyID>de811.220</cbc:CompanyID></cac:PartyTaxScheme>',
    )
    expect((await draft(numbered)).supplierId).toBeNull()
    const kept = await s.answer(changeSupplier, { supplierId: supplier, taxNumber: 'DE 811 220', taxCode: 'a10' })
    expect(kept).toMatchObject({ taxNumber: 'DE 811 220', taxCode: 'A10' })
    expect(await draft(numbered)).toMatchObject({ supplierId: supplier, lines: [{ taxCode: 'A10' }, {}] })
    await s.run(addTaxCode, { code: 'B10', name: 'B', ...codes })
    expect((await draft(numbered)).lines[0]).toHaveProperty('taxCode', 'A10')
    await s.run(changeSupplier, { supplierId: supplier, taxCode: null })
    expect((await draft(numbered)).lines[0]).not.toHaveProperty('taxCode')
    expect(await s.refusal(changeSupplier, { supplierId: supplier, taxCode: 'none such' })).toBe('invalid')
  })

  test('that cannot be read says why at its place, and in which letters it should be', async () => {
    const wrong = await read(ublInvoice({ currency: 'EUR' }))
    expect(wrong).toMatchObject({ ok: false, error: { code: 'invalid', errors: [{ path: 'currency' }] } })
    const noText = await readBillFile(
      { db: s.db, business: await desk.business(), today: s.shop.today },
      Uint8Array.of(0xff, 0x20, 0xff),
    )
    expect(noText.ok).toBe(false)
  })
})

describe('a bill that is paid at once', () => {
  test('owes nothing; what paying early saves is taken, out of the own pocket it is capital', async () => {
    const account = (await listAccounts(s.db)).find((a) => a.code === '6020')!
    const wish = { supplierId: supplier, lines: [{ accountId: account.id, amount: '50.00' }] }
    const bill = await s.answer(enterBill, { ...wish, theirNumber: 'P-1', paidFrom: 'own-pocket' })
    expect(bill).toMatchObject({
      open: '0.00',
      paid: [
        { kind: 'payment', amount: '49.00' },
        { kind: 'discount', amount: '1.00' },
      ],
    })
    expect([await desk.balance('owner-capital'), await desk.balance('payables')]).toEqual(['-49.00', '0.00'])
    await s.run(enterBill, { ...wish, theirNumber: 'P-2', paidFrom: 'bank' })
    expect(await desk.balance('bank')).toBe('-49.00')
    const stock = (await listAccounts(s.db)).find((a) => a.role === 'stock')!
    expect(await s.refusal(enterBill, { ...wish, theirNumber: 'P-3', paidFrom: stock.id })).toBe('invalid')
    expect(await s.ties()).toEqual([])
  })
})
