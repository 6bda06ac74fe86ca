import { sql, type SQL } from 'drizzle-orm'
import { beforeAll, afterEach, beforeEach, describe, expect, test } from 'vitest'
import { day, type Span } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { listAccounts } from '@/data/queries/accounts'
import { listEntries } from '@/data/queries/ledger'
import { listFiles } from '@/data/queries/files'
import { readCashFlow } from '@/model/books/books'
import { changeAccount, mergeAccount } from '@/services/books/keepAccount'
import { closePeriod } from '@/services/books/closePeriod'
import { runDueEntryRepeats, runEntryRepeat, startEntryRepeat, stopEntryRepeat } from '@/services/books/repeatEntry'
import { reverseOwnEntry } from '@/services/books/reverseEntry'
import { writeEntry } from '@/services/books/writeEntry'
import { takeReceipt } from '@/services/money/takeReceipt'
import { addBankAccount } from '@/services/bank/keepBankAccount'
import { importStatement } from '@/services/bank/importStatement'
import { matchLine } from '@/services/bank/matchLine'
import { keepFile } from '@/services/files/keepFile'
import { FORMAT, rowsOf } from './bankDesk'
import { neverMiscounted } from './history/limits'
import { manyHands, openTestShop, type TestShop } from './shop'

beforeAll(manyHands)

/** Entries of the owner's own: rent of 80.00 on 2 March, paid by the bank. Today is 10 March. */
let s: TestShop
beforeEach(async () => {
  s = await openTestShop()
  s.moveTo('2026-03-10')
})
afterEach(() => s.close())

const RENT = {
  on: '2026-03-02',
  text: 'Rent',
  lines: [
    { account: '6000', debit: '80.00' },
    { account: '1020', credit: '80.00' },
  ],
}
const own = async () => (await listEntries(s.db, { source: 'own' }, { limit: 50 }, 'USD')).map((e) => [e.on, e.text])
const accountOf = async (code: string) => (await listAccounts(s.db)).find((a) => a.code === code)!
const till = (today: string) => ({ db: s.db, today: day(today) })

describe('an own entry', () => {
  test('is taken back once, on its day or later, with why', async () => {
    const entry = await s.answer(writeEntry, RENT)
    expect(await s.refusal(reverseOwnEntry, { entryId: entry.id, on: '2026-03-01', reason: 'Typed twice' })).toBe(
      'invalid',
    )
    expect(await s.refusal(reverseOwnEntry, { entryId: entry.id, on: '2026-03-11', reason: 'Typed twice' })).toBe(
      'date-ahead',
    )
    const back = await s.answer(reverseOwnEntry, { entryId: entry.id, on: '2026-03-05', reason: 'Typed twice' })
    expect(back).toMatchObject({ on: '2026-03-05', text: 'Reversed: Rent. Typed twice', reverses: entry.id })
    expect(back.lines.map((l) => [l.account, l.debit, l.credit])).toEqual([
      ['1020', '80.00', '0.00'],
      ['6000', '0.00', '80.00'],
    ])
    expect(await s.refusal(reverseOwnEntry, { entryId: entry.id, reason: 'Again' })).toBe('entry-reversed')
    expect(await s.refusal(reverseOwnEntry, { entryId: back.id, reason: 'Back' })).toBe('invalid')
    expect(await s.ties()).toEqual([])
  })

  test('is taken back once by however many hands at once', async () => {
    const entryId = await s.run(writeEntry, RENT)
    const hands = Array.from({ length: 8 }, () => reverseOwnEntry.run(s.shop, { entryId, reason: 'At once' }))
    expect((await Promise.all(hands)).filter((r) => r.ok)).toHaveLength(1)
    expect(await own()).toHaveLength(2)
  })

  test('that a document posted, that is on a statement or in a closed month is not', async () => {
    const receipt = await s.answer(takeReceipt, { customerId: s.customer, method: 'cash', amount: '5.00' })
    const [posted] = await listEntries(s.db, { source: 'receipt' }, { limit: 1 }, 'USD')
    expect(posted?.sourceId).toBe(receipt.id)
    expect(await s.refusal(reverseOwnEntry, { entryId: posted!.id, reason: 'x' })).toBe('invalid')
    expect(await s.refusal(reverseOwnEntry, { entryId: 99_999, reason: 'x' })).toBe('not-found')
    const entryId = await s.run(writeEntry, RENT)
    const bank = await s.answer(addBankAccount, { name: 'House bank', format: FORMAT })
    const base64 = Buffer.from(rowsOf(0, [['2026-03-02', 'RENT', -80]])).toString('base64')
    const { lines } = await s.answer(importStatement, { bankAccountId: bank.id, name: 'm.csv', base64 })
    await s.run(matchLine, { lineId: lines[0]!.id, settles: [{ kind: 'transfer', id: entryId, amount: '80.00' }] })
    expect(await s.refusal(reverseOwnEntry, { entryId, reason: 'x' })).toBe('is-on-statement')
    const second = await s.run(writeEntry, RENT)
    await s.run(closePeriod, { through: '2026-03-05' })
    expect(await s.refusal(reverseOwnEntry, { entryId: second, on: '2026-03-04', reason: 'x' })).toBe('period-closed')
  })

  test('stands the other way round from a day on: at once, or by itself when it comes', async () => {
    await s.run(writeEntry, { ...RENT, reverseOn: '2026-03-09' })
    expect(await own()).toEqual([
      ['2026-03-09', 'Reversed: Rent'],
      ['2026-03-02', 'Rent'],
    ])
    expect(await s.refusal(writeEntry, { ...RENT, reverseOn: '2026-03-01' })).toBe('invalid')
    await s.run(writeEntry, { ...RENT, text: 'Wages of March', reverseOn: '2026-04-01' })
    expect(await runDueEntryRepeats(till('2026-03-31'))).toBe(0)
    expect(await runDueEntryRepeats(till('2026-04-02'))).toBe(1)
    expect(await runDueEntryRepeats(till('2026-12-31'))).toBe(0)
    expect((await own())[0]).toEqual(['2026-04-01', 'Reversed: Wages of March'])
  })
})

describe('an account that becomes a bank account’s', () => {
  const YEAR = { from: day('2026-01-01'), to: day('2026-12-31') }
  const operating = async (span: Span) =>
    (await readCashFlow(s.db, span, 'USD')).parts.operating.rows.map((r) => [r.code, toDecimalString(r.amount)])

  test('is cash from then on, also for what was posted before: in whole months and in parts of them', async () => {
    const lines = [
      { account: '6000', debit: '80.00' },
      { account: '1500', credit: '80.00' },
    ]
    await s.run(writeEntry, { ...RENT, lines })
    const days = { from: day('2026-03-02'), to: day('2026-03-09') }
    expect([await operating(YEAR), await operating(days)]).toEqual([[], []])
    await s.run(addBankAccount, { name: 'Second bank', accountId: (await accountOf('1500')).id })
    await s.run(writeEntry, { ...RENT, on: '2026-03-05', lines })
    expect(await operating(YEAR)).toEqual([['6000', '-160.00']])
    expect(await operating({ ...days, to: day('2026-03-04') })).toEqual([['6000', '-80.00']])
    expect(await neverMiscounted(s.db)).toEqual([])
  })

  test('lines that come before the cash of their entry count when it comes', async () => {
    const ids = (code: string) => sql`(select id from account where code = ${code})`
    await s.db.transaction(async (tx) => {
      const [entry] = await tx.execute<{ id: number }>(
        sql`insert into entry (on_day, text, source_kind) values ('2026-03-02', 'In parts', 'own') returning id`,
      )
      const add = (values: SQL) =>
        tx.execute(sql`insert into entry_line (entry_id, account_id, on_day, amount)
          select ${entry!.id}::int, v.a, date '2026-03-02', v.n from (values ${values}) v(a, n)`)
      await add(sql`(${ids('6000')}, 3000)`)
      await add(sql`(${ids('1020')}, -5000), (${ids('6010')}, 1000)`)
      await add(sql`(${ids('6020')}, 1000)`)
    })
    expect(await operating(YEAR)).toEqual([
      ['6000', '-30.00'],
      ['6010', '-10.00'],
      ['6020', '-10.00'],
    ])
    expect(await neverMiscounted(s.db)).toEqual([])
  })
})

describe('an entry that comes again', () => {
  test('is posted on each of its days, once, until it is stopped', async () => {
    const entryId = await s.run(writeEntry, RENT)
    expect(await s.refusal(startEntryRepeat, { entryId, every: 'month', firstOn: '2026-03-09' })).toBe('invalid')
    const repeat = await s.answer(startEntryRepeat, { entryId, every: 'month', firstOn: '2026-03-31' })
    expect(repeat).toMatchObject({ turned: false, nextOn: '2026-03-31', done: 0 })
    expect(await s.refusal(startEntryRepeat, { entryId, every: 'month', firstOn: '2026-03-31' })).toBe('taken')
    const runs = [1, 2, 3].map(() => runEntryRepeat.run(till('2026-04-01'), { repeatId: repeat.id }))
    await Promise.all(runs)
    expect(await runDueEntryRepeats(till('2026-05-30'))).toBe(1)
    expect((await own()).map(([on]) => on)).toEqual(['2026-04-30', '2026-03-31', '2026-03-02'])
    expect(await s.answer(stopEntryRepeat, { repeatId: repeat.id })).toMatchObject({ nextOn: null, done: 2 })
    expect(await runDueEntryRepeats(till('2026-12-31'))).toBe(0)
  })

  test('keeps its accounts in use, waits where one is hidden all the same, goes on where the month was closed, and ends when the first is taken back', async () => {
    const entryId = await s.run(writeEntry, RENT)
    await s.run(startEntryRepeat, { entryId, every: 'week', firstOn: '2026-03-12' })
    const account = (await accountOf('6000')).id
    const into = (await accountOf('6010')).id
    expect(await s.refusal(mergeAccount, { accountId: account, into, reason: 'One is enough' })).toBe('invalid')
    await s.db.execute(sql`update account set hidden = true where id = ${account}`)
    expect(await runDueEntryRepeats(till('2026-03-13'))).toBe(0)
    await s.run(changeAccount, { accountId: account, hidden: false })
    s.moveTo('2026-03-20')
    await s.run(closePeriod, { through: '2026-03-13' })
    expect(await runDueEntryRepeats(till('2026-03-20'))).toBe(2)
    expect((await own()).map(([on]) => on)).toEqual(['2026-03-20', '2026-03-19', '2026-03-02'])
    await s.run(reverseOwnEntry, { entryId, reason: 'Moved out' })
    expect(await s.refusal(startEntryRepeat, { entryId, every: 'week', firstOn: '2026-03-21' })).toBe('entry-reversed')
    expect(await runDueEntryRepeats(till('2026-12-31'))).toBe(0)
  })

  test('keeps files', async () => {
    const entryId = await s.run(writeEntry, RENT)
    const base64 = Buffer.from('%PDF-1.4 contract').toString('base64')
    await s.run(keepFile, { ownerKind: 'entry', ownerId: entryId, name: 'contract.pdf', base64 })
    expect(await listFiles(s.db, 'entry', entryId)).toMatchObject([{ name: 'contract.pdf', type: 'application/pdf' }])
    expect(await s.refusal(keepFile, { ownerKind: 'entry', ownerId: 99_999, name: 'x.pdf', base64 })).toBe('not-found')
  })
})
