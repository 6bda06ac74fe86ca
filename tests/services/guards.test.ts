import { sql } from 'drizzle-orm'
import { beforeAll, describe, expect, test } from 'vitest'
import { databaseError } from '@/data/databaseError'
import { billSale } from '@/services/billing/billSale'
import { closePeriod } from '@/services/books/closePeriod'
import { writeEntry } from '@/services/books/writeEntry'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { agreeSale } from '@/services/sales/agreeSale'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { isOurBrowser, makeBrowserSign } from '@/services/access/ourBrowser'
import { easyToGuess } from '@/services/access/easyToGuess'
import { lastNight, signedIn, signOut } from '@/services/access/session'
import { changePassphrase, signIn } from '@/services/access/signIn'
import { tokenOpens } from '@/services/access/tokens'
import { setUpBusiness } from '@/services/access/setUpBusiness'
import { manyHands, openTestShop, type TestShop } from './shop'

beforeAll(manyHands)

let s: TestShop
let due: number
let saleId: number
beforeAll(async () => {
  s = await openTestShop()
  const sale = await s.answer(startSale, {
    customerId: s.customer,
    lines: [{ goodsId: s.violin, quantity: '2' }],
  })
  saleId = sale.id
  await s.run(agreeSale, { saleId })
  const invoice = await s.answer(billSale, { saleId, what: 'remaining', issue: true })
  due = invoice.dues[0]!.id
})

const codeOf = (statement: ReturnType<typeof sql>): Promise<string> =>
  s.db.execute(statement).then(
    () => 'accepted',
    (p) => databaseError(p)?.code ?? String(p),
  )

describe('the database refuses', () => {
  test('an entry that does not balance, when the transaction ends', async () => {
    const post = s.db.transaction(async (tx) => {
      const [e] = await tx.execute<{ id: number }>(
        sql`insert into entry (on_day, text, source_kind) values ('2026-03-01', 'x', 'own') returning id`,
      )
      await tx.execute(
        sql`insert into entry_line (entry_id, account_id, on_day, amount) values (${e!.id}, 1, '2026-03-01', 5), (${e!.id}, 2, '2026-03-01', -4)`,
      )
    })
    expect(databaseError(await post.catch((p: unknown) => p))?.code).toBe('23514')
  })
  test.each([
    ['changing an entry', sql`update entry set text = 'x'`],
    ['deleting entry lines', sql`delete from entry_line`],
    ['changing an issued invoice', sql`update invoice set gross = 0, net = 0, tax = 0`],
    ['changing an issued invoice’s lines', sql`update invoice_line set net = 0`],
    ['deleting an issued invoice’s tax', sql`delete from invoice_tax`],
    ['changing a due', sql`update due set amount = amount + 1`],
    ['changing a stock move', sql`update stock_move set value = 0`],
    ['changing what was agreed then', sql`update sale_version set lines = '[]'`],
  ])('%s', async (_, statement) => {
    expect(await codeOf(statement)).toBe('23001')
  })
  test('adding lines to an entry that stands', async () => {
    expect(
      await codeOf(sql`insert into entry_line (entry_id, account_id, on_day, amount) values (1, 1, '2026-01-01', 5)`),
    ).toBe('23001')
  })
  test('a second business', async () => {
    const again = await setUpBusiness(s.shop, { name: 'B', currency: 'EUR', passphrase: 'a long passphrase' })
    expect(!again.ok && again.error.code).toBe('already-set-up')
  })
})

describe('at once', () => {
  test('two receipts never overfill a due: one pays it, the other is refused', async () => {
    const pay = () =>
      takeReceipt.run(s.shop, {
        method: 'transfer',
        amount: '2165.00',
        for: [{ dueId: due, amount: '2165.00' }],
      })
    const results = await Promise.all([pay(), pay(), pay()])
    expect(results.filter((r) => r.ok)).toHaveLength(1)
    const [row] = await s.db.execute<{ open: string }>(
      sql`select (amount - filled)::text as open from due where id = ${due}`,
    )
    expect(row!.open).toBe('0')
    expect(await s.ties()).toEqual([])
  })
  test('one key posts once, however often and however fast it is sent', async () => {
    const input = { customerId: s.customer, method: 'cash', amount: '40.00', for: 'account' }
    const answers = await Promise.all([1, 2, 3, 4].map(() => takeReceipt.answer(s.shop, input, 'key-1')))
    const numbers = new Set(answers.map((a) => a.ok && a.value.number))
    expect(numbers.size).toBe(1)
    expect([...numbers][0]).toMatch(/^R-/)
    const other = await takeReceipt.answer(s.shop, { ...input, amount: '41.00' }, 'key-1')
    expect(!other.ok && other.error.code).toBe('key-reused')
  })
  test('a refused command leaves its key free', async () => {
    const bad = await takeReceipt.answer(s.shop, { customerId: s.customer, method: 'cash', amount: 'x' }, 'key-2')
    expect(bad.ok).toBe(false)
    const good = await takeReceipt.answer(s.shop, { customerId: s.customer, method: 'cash', amount: '1.00' }, 'key-2')
    expect(good.ok).toBe(true)
  })
  test('the last goods on the shelf go to one of two', async () => {
    const sell = () => sellAtCounter.run(s.shop, { lines: [{ goodsId: s.violin, quantity: '5' }], method: 'card' })
    const results = await Promise.all([sell(), sell()])
    expect(results.filter((r) => r.ok)).toHaveLength(1)
  })
  test('a sale is billed once by two hands', async () => {
    const id = await s.run(startSale, {
      customerId: s.customer,
      lines: [{ goodsId: s.setUp, quantity: '3' }],
    })
    await s.run(agreeSale, { saleId: id })
    const bill = () => billSale.run(s.shop, { saleId: id, what: 'remaining', issue: true })
    const results = await Promise.all([bill(), bill()])
    expect(results.filter((r) => r.ok)).toHaveLength(1)
    const give = () => handOver.run(s.shop, { saleId: id })
    expect((await Promise.all([give(), give()])).filter((r) => r.ok)).toHaveLength(1)
  })
  test('numbers have no gaps, with failures and hands in between', async () => {
    const tries = Array.from({ length: 12 }, (_, i) =>
      takeReceipt.run(s.shop, {
        customerId: s.customer,
        method: 'cash',
        amount: '1.00',
        for: i % 3 === 0 ? [{ dueId: due, amount: '1.00' }] : 'account',
      }),
    )
    await Promise.all(tries)
    const rows = await s.db.execute<{ number: string }>(sql`select number from receipt order by number`)
    expect(rows.map((r) => Number(r.number.split('-')[2]))).toEqual(rows.map((_, i) => i + 1))
  })
})

test('nothing is dated in a closed period', async () => {
  await s.run(closePeriod, { through: '2026-02-28' })
  expect(
    await s.refusal(takeReceipt, {
      customerId: s.customer,
      method: 'cash',
      amount: '1.00',
      on: '2026-02-28',
    }),
  ).toBe('period-closed')
  expect(
    await s.refusal(writeEntry, {
      on: '2026-02-01',
      text: 'Rent',
      lines: [
        { account: '6000', debit: '1.00' },
        { account: '1020', credit: '1.00' },
      ],
    }),
  ).toBe('period-closed')
  expect(await s.refusal(closePeriod, { through: '2026-01-31' })).toBe('close-order')
  expect(await codeOf(sql`insert into entry (on_day, text, source_kind) values ('2026-02-28', 'x', 'own')`)).toBe(
    '23514',
  )
})

test('an own entry balances and keeps away from accounts that papers keep', async () => {
  const lines = (a: string, debit: string, credit: string) => [
    { account: a, debit },
    { account: '1020', credit },
  ]
  await s.run(writeEntry, { text: 'Rent', lines: lines('6000', '640.00', '640.00') })
  expect(await s.refusal(writeEntry, { text: 'Rent', lines: lines('6000', '640.00', '639.99') })).toBe(
    'entry-unbalanced',
  )
  expect(await s.refusal(writeEntry, { text: 'x', lines: lines('1100', '1.00', '1.00') })).toBe(
    'account-kept-by-papers',
  )
  expect(await s.refusal(writeEntry, { text: 'x', lines: lines('nope', '1.00', '1.00') })).toBe('invalid')
})

test('a browser the owner has signed in with is known by its sign, until the passphrase is another', async () => {
  const sign = (await makeBrowserSign(s.db))!
  const [chance, proof] = sign.split('.') as [string, string]
  expect(await isOurBrowser(s.db, sign)).toBe(true)
  for (const made of [
    undefined,
    '',
    '.',
    chance,
    `${chance}.`,
    `.${proof}`,
    `${chance}x.${proof}`,
    `${sign}.x`,
    `${sign}x`,
  ])
    expect(await isOurBrowser(s.db, made)).toBe(false)
  // It opens nothing.
  expect(await signedIn(s.db, sign)).toBe(false)
  expect(await tokenOpens(s.db, sign)).toBe('nothing')
  expect((await changePassphrase(s.db, 'a long passphrase', 'another long one')).ok).toBe(true)
  expect(await isOurBrowser(s.db, sign)).toBe(false)
  expect((await changePassphrase(s.db, 'another long one', 'a long passphrase')).ok).toBe(true)
})

test.each([
  ['Sunshine1', /Thousands use this/],
  [' TrustNo1 ', /Thousands use this/],
  ['Tour Business', /reads the name on the door/],
  ['iron-till-2026', /reads the name on the door/],
  ['Password 12345', /reads the name on the door/],
  ['four random words here', null],
  ['tour business of strings', null],
])('%s is %s as a passphrase of Tour Business', async (passphrase, says) => {
  const said = await easyToGuess(passphrase, 'Tour Business')
  if (says === null) expect(said).toBeNull()
  else expect(said).toMatch(says)
})

test('what is tried first is refused at its field, and the old passphrase stays', async () => {
  const changed = await changePassphrase(s.db, 'a long passphrase', 'sunshine')
  expect(!changed.ok && changed.error).toMatchObject({ code: 'invalid', errors: [{ path: 'next' }] })
  expect((await signIn(s.db, { passphrase: 'a long passphrase' }, 'house')).ok).toBe(true)
})

test('the door opens to the passphrase alone, and closes', async () => {
  const wrong = await signIn(s.db, { passphrase: 'not it' }, 'stranger')
  expect(!wrong.ok && wrong.error.code).toBe('wrong-passphrase')
  const right = await signIn(s.db, { passphrase: 'a long passphrase' }, 'stranger')
  if (!right.ok) throw new Error('not opened')
  expect(await signedIn(s.db, right.value.token)).toBe(true)
  const [kept] = await s.db.execute<{ token_hash: string }>(sql`select token_hash from session`)
  expect(kept!.token_hash).not.toContain(right.value.token)
  await signOut(s.db, right.value.token)
  expect(await signedIn(s.db, right.value.token)).toBe(false)
})

test.each([
  // Fourteen days on it is not three yet: the night before is the last one.
  ['2026-03-10T02:59:00', '2026-03-23T03:00:00'],
  ['2026-03-10T03:00:00', '2026-03-24T03:00:00'],
  ['2026-03-10T14:20:00', '2026-03-24T03:00:00'],
  ['2026-02-20T23:10:00', '2026-03-06T03:00:00'],
])('a session of %s ends in the night of %s, not in the midst of a day', (from, until) => {
  expect(lastNight(new Date(from))).toEqual(new Date(until))
})
