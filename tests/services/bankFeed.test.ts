import { beforeAll, afterEach, beforeEach, describe, expect, test } from 'vitest'
import { tick } from '@/clockwork/tick'
import { addDays, day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { listAccounts } from '@/data/queries/accounts'
import { findBusiness } from '@/data/queries/business'
import { listLines } from '@/data/queries/bankStatements'
import { proposalViews } from '@/model/bank/proposals'
import { bankAccountView, statementViews } from '@/model/bank/statements'
import { readToday } from '@/model/today/today'
import { fetchStatement } from '@/services/bank/fetchStatement'
import { addBankAccount, changeBankAccount } from '@/services/bank/keepBankAccount'
import { matchLine } from '@/services/bank/matchLine'
import { takeReceipt } from '@/services/money/takeReceipt'
import { voidReceipt } from '@/services/money/voidReceipt'
import { riverBank } from '@/standins/bank/riverBank'
import { manyHands, openTestShop, type TestShop } from './shop'

beforeAll(manyHands)

// 1 March 2026 is a Sunday.
let s: TestShop
let bankAccountId: number
beforeEach(async () => {
  s = await openTestShop()
  bankAccountId = await s.run(addBankAccount, { name: 'River Bank', feed: true })
})
afterEach(() => s.close())

const fetched = fetchStatement(riverBank)
const ask = () => s.answer(fetched, { bankAccountId })
const transfer = (amount: string, on?: string) =>
  s.run(takeReceipt, { customerId: s.customer, method: 'transfer', amount, on, for: 'account' })
const lines = async () =>
  (await listLines(s.db, {}, 'USD')).map((l) => `${l.on} ${toDecimalString(l.amount)} ${l.text}`).sort()
const where = async () => ({ business: (await findBusiness(s.db))!, today: s.shop.today })
const statements = () => statementViews(s.db, {}, 'USD')

describe('statements that come by themselves', () => {
  test('tell what went through the bank the day before, each line once, with balances that go on', async () => {
    expect((await ask()).statementIds).toEqual([])
    await transfer('40.00')
    // Today is not over.
    expect((await ask()).statementIds).toEqual([])
    s.moveTo('2026-03-02')
    const came = await ask()
    // Of 1 March, with the fee of the month.
    expect(came).toMatchObject({ feed: true, fedThrough: '2026-03-01', statementIds: [expect.any(Number)] })
    expect(await lines()).toEqual(['2026-03-01 -4.90 ACCOUNT FEE', '2026-03-01 40.00 Hazel Adair R-2026-0001'])
    expect((await ask()).statementIds).toEqual([])
    await transfer('7.00')
    s.moveTo('2026-03-04')
    // That of Monday, 2 March, comes twice: what is known is told, and nothing is doubled.
    expect((await ask()).statementIds).toHaveLength(2)
    expect((await statements()).map((x) => [x.opening, x.closing, x.doubles])).toEqual([
      ['35.10', '42.10', 1],
      ['35.10', '42.10', 0],
      ['0.00', '35.10', 0],
    ])
    expect(await lines()).toHaveLength(3)
  })

  test('of a Wednesday come a day late', async () => {
    s.moveTo('2026-03-04')
    await ask()
    await transfer('9.00')
    s.moveTo('2026-03-05')
    expect(await ask()).toMatchObject({ fedThrough: '2026-03-03', statementIds: [] })
    s.moveTo('2026-03-06')
    expect(await ask()).toMatchObject({ fedThrough: '2026-03-05', statementIds: [expect.any(Number)] })
    expect(await lines()).toContain('2026-03-04 9.00 Hazel Adair R-2026-0001')
  })

  test('correct on the next day what was charged twice', async () => {
    s.moveTo('2026-04-03')
    await ask()
    expect((await lines()).filter((l) => l.startsWith('2026-04'))).toEqual([
      '2026-04-01 -4.90 ACCOUNT FEE',
      '2026-04-01 -4.90 ACCOUNT FEE',
      '2026-04-02 4.90 CORRECTION ACCOUNT FEE CHARGED TWICE',
    ])
  })

  test('tell later what was dated back, and what was taken back', async () => {
    const receiptId = await transfer('30.00')
    s.moveTo('2026-03-03')
    await ask()
    await transfer('5.00', '2026-03-01')
    await s.run(voidReceipt, { receiptId, reason: 'Recalled' })
    s.moveTo('2026-03-06')
    await ask()
    const told = (await lines()).filter((l) => !l.includes('FEE'))
    expect(told[0]).toBe('2026-03-01 30.00 Hazel Adair R-2026-0001')
    expect(
      told
        .slice(1)
        .map((l) => l.slice(0, 16))
        .sort(),
    ).toEqual(['2026-03-03 -30.0', '2026-03-03 5.00 '])
  })

  test('are matched as any, and agree with the books in the end', async () => {
    await transfer('40.00')
    s.moveTo('2026-03-02')
    const [statementId] = (await ask()).statementIds
    const { proposals } = (await proposalViews(s.db, statementId!, 'USD'))!
    expect(proposals).toMatchObject([{ settles: [{ kind: 'receipt', amount: '40.00' }] }])
    for (const { lineId, settles } of proposals)
      await s.run(matchLine, { lineId, settles: settles.map(({ kind, id, amount }) => ({ kind, id, amount })) })
    const [fee] = (await listLines(s.db, { statementId: statementId! }, 'USD')).filter((l) => !l.settled)
    expect(fee!.text).toBe('ACCOUNT FEE')
    // The fee alone is not in the books yet.
    expect((await statements())[0]!.difference).toBe('-4.90')
    const accountId = (await listAccounts(s.db)).find((a) => a.role === 'bank-fees')!.id
    await s.run(matchLine, { lineId: fee!.id, settles: [{ kind: 'account', accountId, amount: '4.90' }] })
    expect((await statements())[0]!.difference).toBe('0.00')
    // What the match posted is known to the bank: it does not tell it again.
    s.moveTo('2026-03-03')
    expect((await ask()).statementIds).toEqual([])
    expect(await s.ties()).toEqual([])
  })

  test('come once, however many ask at a time, and by the clock', async () => {
    await transfer('40.00')
    s.moveTo('2026-03-02')
    const asked = await Promise.all(Array.from({ length: 6 }, () => fetched.answer(s.shop, { bankAccountId }, null)))
    expect(asked.every((a) => a.ok)).toBe(true)
    expect(await statements()).toHaveLength(1)
    expect((await bankAccountView(s.db, bankAccountId, await where()))!.fedThrough).toBe('2026-03-01')
    // The clock asks for all days that are over until its own today.
    await tick(s.db)
    expect((await bankAccountView(s.db, bankAccountId, await where()))!.fedThrough! > '2026-03-01').toBe(true)
  })

  test('that do not come for days are told on Today', async () => {
    const told = async (today: string) => (await readToday(s.db, (await findBusiness(s.db))!, day(today))).stuck
    const { fedThrough, name } = (await bankAccountView(s.db, bankAccountId, await where()))!
    const days = (n: number) => String(addDays(fedThrough!, n))
    expect(await told(days(4))).toEqual([])
    expect(await told(days(5))).toEqual([{ kind: 'statements', id: bankAccountId, name, on: fedThrough }])
  })

  test('are switched off and on: what was meanwhile is not told', async () => {
    await s.run(changeBankAccount, { bankAccountId, feed: false })
    expect(await s.refusal(fetched, { bankAccountId })).toBe('invalid')
    await transfer('40.00')
    s.moveTo('2026-03-10')
    expect(await s.answer(changeBankAccount, { bankAccountId, feed: true })).toMatchObject({
      feed: true,
      fedThrough: '2026-03-09',
    })
    await s.run(changeBankAccount, { bankAccountId, name: 'River', feed: true })
    await transfer('2.00')
    s.moveTo('2026-03-11')
    await ask()
    expect(await lines()).toEqual(['2026-03-10 2.00 Hazel Adair R-2026-0002'])
  })
})
