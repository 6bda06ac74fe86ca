import { sql } from 'drizzle-orm'
import { plainText } from '@/core/plainText'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { findBusiness } from '@/data/queries/business'
import { listCustomers } from '@/data/queries/customers'
import { listGoods } from '@/data/queries/goods'
import { listEntries } from '@/data/queries/ledger'
import { readLookAlikes } from '@/model/people/lookAlikes'
import { readSuppliers } from '@/model/buying/suppliers'
import { writeEntry } from '@/services/books/writeEntry'
import { addSupplier } from '@/services/buying/keepSupplier'
import { addGoods } from '@/services/goods/keepGoods'
import { addCustomer } from '@/services/people/keepCustomer'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})
afterAll(() => s.close())

/** Names as they are written, and how somebody types them who is in a hurry, has another keyboard, or pastes them taken apart. */
test.each([
  ['Zoë Müller', ['zoe', 'MULLER', 'Müller zoë', 'mu\u0308ller', 'ül', 'ul']],
  ['Øystein Ærø', ['oystein', 'aero', 'ÆRØ']],
  ['Łódź Strings', ['lodz', 'łódź']],
  ['Haus in der Großen Straße', ['strasse', 'GROSSEN', 'große']],
  ['Nguyễn Thị', ['nguyen thi']],
  ['Ольга Ёлкина', ['елкина', 'ОЛЬГА']],
  ['50% off_season \\ Co', ['50%', 'off_', '\\ co']],
])('“%s” is found as a customer, a supplier, an item and in the journal', async (name, ways) => {
  const customer = await s.run(addCustomer, { name })
  const supplier = await s.run(addSupplier, { name })
  const goods = await s.run(addGoods, { code: `G-${customer}`, name, kind: 'work', price: '1.00' })
  const lines = [
    { account: '6000', debit: '1.00' },
    { account: '1000', credit: '1.00' },
  ]
  const entry = await s.run(writeEntry, { text: name, lines })
  const business = (await findBusiness(s.db))!
  for (const search of ways) {
    const customers = await listCustomers(s.db, { search }, {}, { today: s.today, currency: 'USD' })
    const items = await listGoods(s.db, { search }, {})
    const entries = await listEntries(s.db, { text: search }, { limit: 9 }, 'USD')
    const suppliers = await readSuppliers(s.db, search, { business, today: s.today })
    expect([search, customers.map((c) => c.id)]).toEqual([search, [customer]])
    expect([search, suppliers.map((c) => c.id)]).toEqual([search, [supplier]])
    expect([search, items.map((c) => c.id)]).toEqual([search, [goods]])
    if (!search.includes(' ')) expect([search, entries.map((e) => e.id)]).toEqual([search, [entry]])
  }
})

test('lists go by names as somebody reads them: Ö stands before P, whatever its case', async () => {
  const names = ['Ödön', 'oak', 'Pine', 'Zed', 'Ähre', 'ash']
  for (const name of names) await s.run(addCustomer, { name: `Row ${name}`, kind: `Row ${name}` })
  const inTurn = ['Row Ähre', 'Row ash', 'Row oak', 'Row Ödön', 'Row Pine', 'Row Zed']
  const about = { today: s.today, currency: 'USD' }
  const rows = async (order?: { readonly by: string; readonly down: boolean }) =>
    (await listCustomers(s.db, { search: 'row' }, { order }, about)).map((c) => c.name)
  expect(await rows()).toEqual(inTurn)
  expect(await rows({ by: 'kind', down: true })).toEqual([...inTurn].reverse())
  // A page at a time it is the same turn.
  const paged: string[] = []
  for (let after: { readonly name: string; readonly id: number } | undefined; paged.length < inTurn.length;) {
    const [next] = await listCustomers(s.db, { search: 'row' }, { limit: 1, after }, about)
    paged.push(next!.name)
    after = next
  }
  expect(paged).toEqual(inTurn)
})

test('a letter and its accent are one, however they were pasted: a code is taken in either way', async () => {
  const goods = await s.answer(addGoods, { code: 'CAFE\u0301', name: 'Ame\u0301lie', kind: 'work', price: '1.00' })
  expect([goods.code, goods.name]).toEqual(['CAFÉ', 'Amélie'])
  expect(await s.refusal(addGoods, { code: 'CAFÉ', name: 'Another', kind: 'work', price: '1.00' })).toBe('taken')
})

test('who is typed without accents is told to be there already', async () => {
  const known = await s.run(addCustomer, { name: 'Zoë Åkerström' })
  const typed = { name: 'zoe akerstrom', email: '', phone: '' }
  const alike = await readLookAlikes(s.db, typed, (await findBusiness(s.db))!, s.today)
  expect(alike.map((a) => [a.id, a.why])).toEqual([[known, 'same name']])
})

test('people are found by whom else one asks for there, and by a telephone number however it is written', async () => {
  const contacts = [{ name: 'Bo Håkansson', role: 'Orders', email: 'bo@hill.example', phone: '+1 (555) 010-7788' }]
  const customer = await s.run(addCustomer, { name: 'Hill School', phone: '555.0199.22', contacts })
  const supplier = await s.run(addSupplier, { name: 'Hill Timber', phone: '555 0199 33', contacts })
  const business = (await findBusiness(s.db))!
  const found = async (search: string) => [
    (await listCustomers(s.db, { search }, {}, { today: s.today, currency: 'USD' })).map((c) => c.id),
    (await readSuppliers(s.db, search, { business, today: s.today })).map((c) => c.id),
  ]
  // The two words stand in different places: the school's name, and whom to ask for.
  for (const both of ['hakansson', 'hill BO', 'bo@hill', '5550107788', '555-010-7788', '(555) 010'])
    expect([both, ...(await found(both))]).toEqual([both, [customer], [supplier]])
  expect(await found('555019922')).toEqual([[customer], []])
  expect(await found('0199 33')).toEqual([[], [supplier]])
  expect(await found('55501993399')).toEqual([[], []])
  expect(await found('hill nobody')).toEqual([[], []])
})

test('the database and the program make every letter plain alike, in words of many scripts', async () => {
  const letters = (from: number, to: number) =>
    Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i))
  // Latin with all its supplements, marks, Greek, Cyrillic, Hebrew, letterlike signs, forms of width and a few beyond.
  const all = [
    ...letters(0x20, 0x58f),
    ...letters(0x591, 0x5f4),
    ...letters(0x1e00, 0x1fff),
    ...letters(0x2010, 0x218b),
    ...letters(0x3040, 0x30ff),
    ...letters(0xac00, 0xac80),
    ...letters(0xff01, 0xffee),
    ...['𝐀', '🎻', '½', 'ﬁ', 'Ⅷ', '㎏'],
  ].filter((c) => !/\p{Cn}/u.test(c))
  const words = all.flatMap((c) => [c, `a${c}`, `${c}B ΑΣ`])
  const rows = await s.db.execute<{ plain: string }>(sql`
    select plain_text(w.t) as plain from jsonb_array_elements_text(${JSON.stringify(words)}::jsonb) with ordinality as w(t, n) order by n`)
  expect(rows.length).toBe(words.length)
  const other = words.filter((w, i) => plainText(w) !== rows[i]!.plain)
  expect(other).toEqual([])
})

test('a sign that is made plain is no sign of a pattern', async () => {
  const wide = await s.run(addCustomer, { name: 'Ten ％ off' })
  const found = async (search: string) =>
    (await listCustomers(s.db, { search }, {}, { today: s.today, currency: 'USD' })).map((c) => c.id)
  expect(await found('ten ％ off')).toEqual([wide])
  expect(await found('ten％off')).toEqual([])
})
