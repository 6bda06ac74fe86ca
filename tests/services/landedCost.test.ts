import { schemaProblems } from '../files/schema'
import { XMLParser } from 'fast-xml-parser'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { listAccounts } from '@/data/queries/accounts'
import { readBillPage } from '@/model/buying/pages'
import { receivedViews } from '@/model/buying/received'
import { changeSettings } from '@/services/access/changeSettings'
import { creditBill } from '@/services/buying/creditBill'
import { enterBill } from '@/services/buying/enterBill'
import { addSupplier, changeSupplier } from '@/services/buying/keepSupplier'
import { landCost } from '@/services/buying/landCost'
import { payRun } from '@/services/buying/payRun'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { voidBill } from '@/services/buying/voidBill'
import { voidCredit } from '@/services/buying/voidCredit'
import { voidLandedCost } from '@/services/buying/voidLandedCost'
import { changeGoods } from '@/services/goods/keepGoods'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { openBuying } from './buyingDesk'
import type { TestShop } from './shop'

// Twenty rosin at 6.00 and five violins at 600.00 lie there; today is 1 March.
let s: TestShop
let supplier: number
let desk: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  desk = await openBuying()
  ;({ s, supplier } = desk)
})
afterEach(() => s.close())

const where = async () => ({ ...(await desk.asked()), currency: 'USD' })
const account = async (code: string) => (await listAccounts(s.db)).find((a) => a.code === code)!.id
const bill = async (theirNumber: string, amount: string, of = supplier, on?: string) =>
  s.answer(enterBill, {
    supplierId: of,
    theirNumber,
    on,
    lines: [{ accountId: await account('6020'), description: 'Freight', amount }],
  })
const receive = (goodsId: number, quantity: string, unitCost: string, on?: string) =>
  s.answer(receiveGoods, { supplierId: supplier, on, lines: [{ goodsId, quantity, unitCost }] })

describe('landed cost', () => {
  test('is what the supplier did not credit of it, and nothing where they credited all', async () => {
    const rosin = await receive(s.rosin, '10', '8.00')
    const freight = await bill('F-1', '30.00')
    const wish = { billLineId: freight.lines[0]!.id, receivedIds: [rosin.id], by: 'quantity' as const }
    const credit = await s.answer(creditBill, { billId: freight.id, amount: '10.00', reason: 'late' })
    expect((await readBillPage(await where(), freight.id))!.costs).toMatchObject([{ says: 'Freight, 20.00' }])
    expect(await s.answer(landCost, wish)).toMatchObject({ amount: '20.00', shares: [{ toStock: '20.00' }] })
    expect((await readBillPage(await where(), freight.id))!.costs).toEqual([])
    await s.run(voidLandedCost, { costId: 1, reason: 'again' })
    await s.run(voidCredit, { creditId: credit.id, reason: 'not late' })
    await s.run(creditBill, { billId: freight.id, amount: '30.00', reason: 'never came' })
    expect(await s.refusal(landCost, wish)).toBe('invalid')
    expect((await readBillPage(await where(), freight.id))!.costs).toEqual([])
    expect(await s.ties()).toEqual([])
  })

  test('of a freight bill over two receipts: stock for what is here, cost for what was sold', async () => {
    const violins = await receive(s.violin, '2', '500.00')
    const rosin = await receive(s.rosin, '10', '8.00')
    // Of the seven violins three go: two of them are taken to be of the older five, so both new ones are here still;
    // of thirty rosin 24 go, and six of the ten that came are left.
    const saleId = await s.run(startSale, {
      customerId: s.customer,
      agreed: true,
      lines: [
        { goodsId: s.violin, quantity: '3' },
        { goodsId: s.rosin, quantity: '24' },
      ],
    })
    await s.run(handOver, { saleId })
    const freight = await bill('F-1', '108.00')
    const wish = {
      billLineId: freight.lines[0]!.id,
      receivedIds: [violins.id, rosin.id],
      by: 'value' as const,
    }
    const before = [await desk.worth(s.violin), await desk.worth(s.rosin)].map(Number)
    // By value 1,000.00 to 80.00: 100.00 and 8.00. Of the rosin 6 of 10 are here: 4.80 to stock, 3.20 to cost.
    expect(await s.answer(landCost, wish)).toMatchObject({
      number: 'V-2026-0001',
      amount: '108.00',
      shares: [
        { amount: '100.00', toStock: '100.00', toCostOfSales: '0.00' },
        { amount: '8.00', toStock: '4.80', toCostOfSales: '3.20' },
      ],
    })
    const after = [await desk.worth(s.violin), await desk.worth(s.rosin)].map(Number)
    expect(after.map((x, i) => (x - before[i]!).toFixed(2))).toEqual(['100.00', '4.80'])
    expect(await s.refusal(landCost, wish)).toBe('cost-was-spread')
    expect(await s.refusal(voidBill, { billId: freight.id, reason: 'x' })).toBe('cost-was-spread')
    expect(await s.ties()).toEqual([])
  })

  test('by weight or volume where they are known, and never before the goods came', async () => {
    const came = await receive(s.rosin, '3', '6.00', '2026-02-20')
    const from = { amount: '10.00', fromAccountId: await account('6020'), receivedIds: [came.id] }
    expect(await s.refusal(landCost, { ...from, by: 'weight' })).toBe('invalid')
    await s.run(changeGoods, { goodsId: s.rosin, weight: '0.2' })
    expect(await s.refusal(landCost, { ...from, by: 'weight', on: '2026-02-19' })).toBe('not-before')
    expect((await s.answer(landCost, { ...from, by: 'weight' })).shares).toMatchObject([{ amount: '10.00' }])
    for (const wish of [
      { ...from, by: 'value' as const, amount: undefined },
      { ...from, by: 'value' as const, fromAccountId: await account('2000') },
      { ...from, by: 'value' as const, billLineId: 1 },
    ])
      expect(await s.refusal(landCost, wish)).toBe('invalid')
    expect(await s.refusal(landCost, { ...from, by: 'value', receivedIds: [99] })).toBe('not-found')
    expect(await s.ties()).toEqual([])
  })
})

describe('a payment run', () => {
  test('pays many bills at once, early discounts taken, with the file the bank takes', async () => {
    const early = await bill('GW-0', '1.00')
    expect(await s.refusal(payRun, { billIds: [early.id] })).toBe('no-own-bank')
    await s.run(voidBill, { billId: early.id, reason: 'x' })
    await s.run(changeSettings, { iban: 'DE89 3704 0044 0532 0130 00', bic: 'COBADEFFXXX' })
    const landlord = await s.run(addSupplier, {
      name: 'Mill & Lane',
      bank: { routing: '021000021', account: '12345678' },
    })
    const strings = await bill('GW-1', '100.00')
    const more = await bill('GW-2', '50.00', supplier, '2026-02-01')
    const rent = await bill('R-3', '900.00', landlord)
    const billIds = [strings.id, more.id, rent.id]
    expect(await s.refusal(payRun, { billIds })).toBe('no-bank')
    await s.run(changeSupplier, { supplierId: supplier, bank: { iban: 'GB82WEST12345698765432' } })
    const { payments, file } = await s.answer(payRun, { billIds })
    // 100.00 less 2 %, and 50.00 whose ten days are over.
    expect(payments.map((p) => [p.supplier, p.amount, p.discount])).toEqual([
      ['Gutwerk Strings', '148.00', '2.00'],
      ['Mill & Lane', '900.00', '0.00'],
    ])
    expect(schemaProblems('pain.001.001.09', file)).toEqual([])
    const read = new XMLParser({ ignoreAttributes: false, parseTagValue: false }).parse(file)
    expect(read.Document['@_xmlns']).toBe('urn:iso:std:iso:20022:tech:xsd:pain.001.001.09')
    const { GrpHdr, PmtInf } = read.Document.CstmrCdtTrfInitn
    // The rules of the message: counts and sums of both levels are those of its transfers.
    expect([GrpHdr.NbOfTxs, GrpHdr.CtrlSum, PmtInf.NbOfTxs, PmtInf.CtrlSum]).toEqual(['2', '1048.00', '2', '1048.00'])
    expect([PmtInf.PmtMtd, PmtInf.ReqdExctnDt.Dt, PmtInf.DbtrAcct.Id.IBAN]).toEqual([
      'TRF',
      '2026-03-01',
      'DE89370400440532013000',
    ])
    expect(Object.keys(PmtInf)).toEqual([
      'PmtInfId',
      'PmtMtd',
      'NbOfTxs',
      'CtrlSum',
      'ReqdExctnDt',
      'Dbtr',
      'DbtrAcct',
      'DbtrAgt',
      'CdtTrfTxInf',
    ])
    expect(PmtInf.CdtTrfTxInf).toMatchObject([
      {
        Amt: { InstdAmt: { '#text': '148.00', '@_Ccy': 'USD' } },
        CdtrAcct: { Id: { IBAN: 'GB82WEST12345698765432' } },
        RmtInf: { Ustrd: 'GW-2, GW-1' },
      },
      {
        CdtrAgt: { FinInstnId: { ClrSysMmbId: { ClrSysId: { Cd: 'USABA' }, MmbId: '021000021' } } },
        Cdtr: { Nm: 'Mill &amp; Lane'.replace('&amp;', '&') },
        CdtrAcct: { Id: { Othr: { Id: '12345678' } } },
      },
    ])
    expect(await s.refusal(payRun, { billIds: [strings.id] })).toBe('invalid')
    expect(await s.refusal(payRun, { billIds: [rent.id, rent.id] })).toBe('invalid')
    expect(await s.refusal(payRun, { billIds: [99] })).toBe('not-found')
    expect(await s.ties()).toEqual([])
  })
})

test('what came is found by its number and by who sent it, whatever came since', async () => {
  const other = await s.answer(addSupplier, { name: 'Ærø Strings' })
  const came = async (of: number) =>
    s.answer(receiveGoods, { supplierId: of, lines: [{ goodsId: s.rosin, quantity: '1', unitCost: '6.00' }] })
  const [theirs, ours] = [await came(other.id), await came(supplier)]
  const found = async (search: string) => (await receivedViews(s.db, { search }, { limit: 8 }, 'USD')).map((r) => r.id)
  expect(await found('aero')).toEqual([theirs.id])
  expect(await found(ours.number)).toEqual([ours.id])
  expect(await found(`${theirs.number} strings`)).toEqual([theirs.id])
  expect(await found('%')).toEqual([])
})
