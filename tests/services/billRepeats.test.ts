import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { day } from '@/core/day'
import { listAccounts } from '@/data/queries/accounts'
import { listBills } from '@/data/queries/bill'
import { findBusiness } from '@/data/queries/business'
import { readToday } from '@/model/today/today'
import { enterBill } from '@/services/buying/enterBill'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { runBillRepeat, runDueBillRepeats, startBillRepeat, stopBillRepeat } from '@/services/buying/repeatBill'
import { voidBill } from '@/services/buying/voidBill'
import { openBuying } from './buyingDesk'
import type { TestShop } from './shop'

// Their bills are due after 30 days; today is 1 March.
let s: TestShop
let supplier: number
let desk: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  desk = await openBuying()
  ;({ s, supplier } = desk)
})
afterEach(() => s.close())

const rent = async (theirNumber = 'Rent') => {
  const account = (await listAccounts(s.db)).find((a) => a.code === '6000')!
  const lines = [{ accountId: account.id, amount: '900.00', description: 'Workshop', taxCode: 'STD' }]
  return (await s.answer(enterBill, { supplierId: supplier, theirNumber, lines })).id
}
const on = (today: string) => ({ db: s.db, today: day(today) })

describe('a bill that comes again', () => {
  test('is entered on each of its days, once, until it has caught up, and then no more', async () => {
    const billId = await rent()
    const repeat = await s.answer(startBillRepeat, { billId, every: 'month', firstOn: '2026-03-31', times: 3 })
    expect(repeat).toMatchObject({ nextOn: '2026-03-31', done: 0 })
    expect(await runDueBillRepeats(on('2026-03-30'))).toBe(0)
    expect(await runDueBillRepeats(on('2026-05-01'))).toBe(2)
    expect(await runDueBillRepeats(on('2026-05-01'))).toBe(0)
    const [second, first] = await listBills(s.db, {})
    // Stepped from the first day of all, so that a short month does not shorten those after it.
    expect([first!.onDay, first!.dueOn, second!.onDay]).toEqual(['2026-03-31', '2026-04-30', '2026-04-30'])
    expect([second!.theirNumber, second!.gross]).toEqual(['Rent 2026-04-30', 97425n])
    expect(await runDueBillRepeats(on('2026-12-31'))).toBe(1)
    expect((await listBills(s.db, {}))[0]!.onDay).toBe('2026-05-31')
    expect(await s.ties(day('2026-12-31'))).toEqual([])
  })

  test('enters a day that was closed meanwhile on the day on which it can, and is stopped', async () => {
    const billId = await rent()
    const { id } = await s.answer(startBillRepeat, { billId, every: 'week', firstOn: '2026-03-05' })
    expect(await s.refusal(startBillRepeat, { billId, every: 'week', firstOn: '2026-03-05' })).toBe('taken')
    await s.db.execute(sql`update business set closed_through = '2026-03-08'`)
    expect(await runDueBillRepeats(on('2026-03-11'))).toBe(1)
    expect((await listBills(s.db, {}))[0]!.onDay).toBe('2026-03-11')
    expect(await s.answer(stopBillRepeat, { repeatId: id })).toMatchObject({ nextOn: null, done: 1 })
    expect(await runDueBillRepeats(on('2026-06-01'))).toBe(0)
  })

  test('is by account, counts, and begins today or later; one that is refused keeps no other waiting', async () => {
    const came = await s.answer(receiveGoods, {
      supplierId: supplier,
      lines: [{ goodsId: s.rosin, quantity: '1', unitCost: '6' }],
    })
    const goods = await s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: 'G',
      lines: [{ receivedLineId: came.lines[0]!.id }],
    })
    const monthly = { every: 'month' as const, firstOn: '2026-03-02' }
    expect(await s.refusal(startBillRepeat, { ...monthly, billId: goods.id })).toBe('invalid')
    const billId = await rent()
    expect(await s.refusal(startBillRepeat, { ...monthly, billId, firstOn: '2026-02-28' })).toBe('invalid')
    expect(await s.refusal(startBillRepeat, { ...monthly, billId, until: '2026-03-01' })).toBe('invalid')
    const voided = await rent('Gone')
    await s.run(voidBill, { billId: voided, reason: 'x' })
    expect(await s.refusal(startBillRepeat, { ...monthly, billId: voided })).toBe('already-voided')
    const stuck = await s.run(startBillRepeat, { ...monthly, billId })
    // Their number of that day is taken already.
    await rent('Rent 2026-03-02')
    await s.run(startBillRepeat, { ...monthly, billId: await rent('Power') })
    const told = async (today: string) => (await readToday(s.db, (await findBusiness(s.db))!, day(today))).stuck
    expect(await told('2026-03-02')).toEqual([])
    expect(await runDueBillRepeats(on('2026-03-02'))).toBe(1)
    // From the next day on Today says what could not come, and no longer when it did, or was stopped.
    const name = (await listBills(s.db, { id: billId }))[0]!.number
    expect(await told('2026-03-03')).toEqual([{ kind: 'bill', id: billId, name, on: '2026-03-02' }])
    expect((await runBillRepeat.run(on('2026-03-02'), { repeatId: stuck })).ok).toBe(false)
  })
})
