import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { listAccounts } from '@/data/queries/accounts'
import { readTrialBalance } from '@/model/books/books'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { addTaxCode } from '@/services/books/addTaxCode'
import { draftTaxReturn } from '@/services/books/taxReturn'
import { creditBill } from '@/services/buying/creditBill'
import { paySupplier, voidSupplierPayment } from '@/services/buying/paySupplier'
import { voidBill } from '@/services/buying/voidBill'
import { voidCredit } from '@/services/buying/voidCredit'
import { billSale } from '@/services/billing/billSale'
import { startSale } from '@/services/sales/startSale'
import { openBuying } from './buyingDesk'

/** What is bought under reverse charge, at 19 %, of a supplier who lets 2 % off for paying within ten days. Today is 20 April. */
let desk: Awaited<ReturnType<typeof openBuying>>
let account: string
let rent: number
beforeEach(async () => {
  desk = await openBuying()
  desk.s.moveTo('2026-04-20')
  await desk.s.run(addTaxCode, {
    code: 'RC',
    name: 'From abroad',
    treatment: 'reverse-charge',
    components: [{ name: 'From abroad', rate: '0.19' }],
  })
  const accounts = await listAccounts(desk.s.db)
  account = accounts.find((a) => a.name.endsWith('From abroad'))!.code
  rent = accounts.find((a) => a.code === '6000')!.id
})
afterEach(() => desk.s.close())

const bill = (theirNumber: string, amount: string, more: object = {}) =>
  desk.bill(amount, {
    theirNumber,
    on: '2026-03-10',
    lines: [{ accountId: rent, amount, taxCode: 'RC', ...more }],
  })
/** What we owe on the tax's own account, in cents, by the end of a day. */
const owed = async (on = '2026-04-20') => {
  const row = (await readTrialBalance(desk.s.db, day(on), 'USD')).rows.find((r) => r.code === account)
  return Number((row?.credit.minor ?? 0n) - (row?.debit.minor ?? 0n))
}
const march = (basis: 'invoiced' | 'paid' = 'invoiced') =>
  desk.s.answer(draftTaxReturn, { from: '2026-03-01', through: '2026-03-31', basis })
const rowsOf = (r: Awaited<ReturnType<typeof march>>) =>
  r.rows.filter((x) => x.code === 'RC').map((x) => [x.side, x.rate, x.net, x.tax])

describe('a bill under reverse charge', () => {
  test('asks for no tax; we owe it and take it off again, on both sides of the return', async () => {
    const b = await bill('A', '100.00')
    expect(b).toMatchObject({ totals: { net: '100.00', tax: '0.00', gross: '100.00' }, open: '100.00' })
    expect([await owed('2026-03-09'), await owed('2026-03-10')]).toEqual([0, 1900])
    expect(await desk.balance('tax-on-purchases')).toBe('19.00')
    const both = [
      ['sales', '0.19', '100.00', '19.00'],
      ['purchases', '0', '100.00', '19.00'],
    ]
    expect(rowsOf(await march())).toEqual(both)
    // It is due with the bill, also where tax is due as it is paid: what was bought stands there when it is paid.
    expect(rowsOf(await march('paid'))).toEqual([both[0], ['purchases', '0', '0.00', '19.00']])
    expect((await march()).totals.due).toBe('0.00')
    expect(await desk.s.ties()).toEqual([])
  })

  test('follows what the bill comes to: let off, credited, and each taken back', async () => {
    const { s, supplier } = desk
    const b = await bill('B', '100.00')
    const paid = await s.answer(paySupplier, { supplierId: supplier, on: '2026-03-15', amount: '98.00', from: 'bank' })
    // 98.00 at 19 %: 18.62.
    expect(await owed()).toBe(1862)
    expect(rowsOf(await march())).toEqual([
      ['sales', '0.19', '98.00', '18.62'],
      ['purchases', '0', '98.00', '18.62'],
    ])
    await s.run(voidSupplierPayment, { paymentId: paid.id, on: '2026-03-16', reason: 'did not go out' })
    expect(await owed()).toBe(1900)
    const credit = await s.answer(creditBill, { billId: b.id, on: '2026-03-20', amount: '25.00', reason: 'scratched' })
    // 75.00 at 19 %: 14.25; on the days before it stays what it was.
    expect([await owed('2026-03-19'), await owed()]).toEqual([1900, 1425])
    await s.run(voidCredit, { creditId: credit.id, on: '2026-04-02', reason: 'not agreed' })
    expect([await owed('2026-03-31'), await owed()]).toEqual([1425, 1900])
    await s.run(voidBill, { billId: b.id, on: '2026-04-03', reason: 'twice' })
    expect([await owed(), await desk.balance('tax-on-purchases')]).toEqual([0, '0.00'])
    expect(await s.ties()).toEqual([])
  })

  test('what comes to no tax posts none, and its net is told with the next that does', async () => {
    const { s } = desk
    // 0.01 at 19 % is 0.0019.
    expect(await bill('D', '0.01')).toMatchObject({ totals: { gross: '0.01' }, open: '0.01' })
    expect(await owed()).toBe(0)
    const b = await bill('E', '100.00')
    // 99.99 at 19 % is 18.9981, 19.00 as before.
    await s.run(creditBill, { billId: b.id, on: '2026-03-20', amount: '0.01', reason: 'a cent too much' })
    expect(await owed()).toBe(1900)
    await s.run(creditBill, { billId: b.id, on: '2026-03-21', amount: '24.99', reason: 'scratched' })
    expect(await owed()).toBe(1425)
    expect(rowsOf(await march())[0]).toEqual(['sales', '0.19', '75.00', '14.25'])
    expect(await s.ties()).toEqual([])
  })

  test('with tax on it is refused at the tax; a customer under the same code is charged nothing', async () => {
    const { s } = desk
    await expect(bill('C', '100.00', { tax: '19.00' })).rejects.toThrow(/Under reverse charge/)
    expect(await owed()).toBe(0)
    const lines = [{ description: 'Repair', quantity: '1', unitPrice: '50.00', taxCode: 'RC' }]
    const saleId = await s.run(startSale, { on: '2026-03-05', agreed: true, customerId: s.customer, lines })
    const sold = await s.answer(billSale, { saleId, what: 'remaining', issue: true, on: '2026-03-05' })
    expect(sold.totals).toMatchObject({ net: '50.00', tax: '0.00' })
    expect(rowsOf(await march())).toEqual([['sales', '0', '50.00', '0.00']])
    const code = (await readPlainTaxCodes(s.db, s.shop.today)).find((c) => c.code === 'RC')!
    expect([code.components, code.owed.map((k) => k.rate)]).toEqual([[], ['0.19']])
  })
})
