import { sql } from 'drizzle-orm'
import { beforeAll, describe, expect, test } from 'vitest'
import { findBusiness, type Business } from '@/data/queries/business'
import { goodsView } from '@/model/goods/goods'
import { importGoods } from '@/services/goods/importGoods'
import { addGoods } from '@/services/goods/keepGoods'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let business: Business
beforeAll(async () => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
})

describe('an import', () => {
  const csv = (rows: string[]) =>
    Buffer.from(['Code;Name;Kind;Price;Tags', ...rows].map((r) => r.replaceAll(';', ',')).join('\r\n')).toString(
      'base64',
    )
  test('of 5,000 goods tells its 7 bad rows, writes nothing then, and the rest when asked to', async () => {
    const bad: Readonly<Record<number, string>> = {
      10: ';No code;stock;1.00;', // no code
      500: 'I500;;stock;1.00;', // no name
      1000: 'I1000;Dear;stock;-1.00;', // below zero
      1500: 'I1500;What;piano;1.00;', // no such kind
      2000: 'I7;Twice;stock;1.00;', // a code that stood before
      3000: 'I3000;Price;stock;free;', // not a number
      4999: `${'X'.repeat(41)};Long;stock;1.00;`, // too long
    }
    const rows = Array.from({ length: 5000 }, (_, i) => bad[i] ?? `I${i};Thing ${i};stock;${(i % 90) + 1}.50;a|b`)
    const base64 = csv(rows)
    const looked = await s.answer(importGoods, { base64 })
    expect(looked).toMatchObject({ rows: 5000, added: 4993, changed: 0, written: false })
    // the column names are row 1, so the first thing stands in row 2
    expect(looked.problems.map((p) => p.row)).toEqual([12, 502, 1002, 1502, 2002, 3002, 5001])
    const count = async () =>
      Number((await s.db.execute<{ n: string }>(sql`select count(*) as n from goods where code like 'I%'`))[0]!.n)
    expect(await s.refusal(importGoods, { base64, mode: 'all' })).toBe('rows-wrong')
    expect(await count()).toBe(0)
    expect(await s.answer(importGoods, { base64, mode: 'good' })).toMatchObject({ written: true })
    expect(await count()).toBe(4993)
    const again = await s.answer(importGoods, { base64: csv(['I1;Renamed;stock;2;']), mode: 'all' })
    expect(again).toMatchObject({ added: 0, changed: 1 })
  })

  test('changes what its cells say: another price leaves the tax, the account and the kind as they are', async () => {
    const before = await s.answer(addGoods, {
      code: 'TUITION',
      name: 'Tuition',
      kind: 'work',
      price: '40.00',
      taxCode: 'ZERO',
      incomeAccount: '4020',
    })
    const kit = await s.answer(addGoods, {
      code: 'OUTFIT',
      name: 'Outfit',
      kind: 'kit',
      price: '900.00',
      parts: [{ goodsId: s.violin, quantity: '1' }],
    })
    const file = (rows: string[]) => Buffer.from(['Code,Name,Price,Online shop', ...rows].join('\n')).toString('base64')
    const base64 = file(['TUITION,Tuition,45.00,', 'OUTFIT,Outfit,950.00,yes', 'NEW,New,1.00,no'])
    expect(await s.answer(importGoods, { base64, mode: 'all' })).toMatchObject({ added: 1, changed: 2, problems: [] })
    const view = async (id: number) => (await goodsView(s.db, id, business, s.today))!
    expect(await view(before.id)).toEqual({ ...before, price: '45' })
    expect(await view(kit.id)).toMatchObject({ kind: 'kit', price: '950', onShopfront: true })
    const [made] = await s.db.execute(sql`select kind, on_shopfront from goods where code = 'NEW'`)
    expect(made).toEqual({ kind: 'stock', on_shopfront: false })
    const wrong = Buffer.from('Code,Name,Price,Kind\nK2,Another kit,1.00,kit').toString('base64')
    expect((await s.answer(importGoods, { base64: wrong })).problems).toHaveLength(1)
  })

  test('changes many at once, each by what its own cells say', async () => {
    const file = (head: string, rows: readonly string[]) => Buffer.from([head, ...rows].join('\n')).toString('base64')
    const codes = Array.from({ length: 1_200 }, (_, i) => `M${i}`)
    const first = file(
      'Code,Name,Price,Tags,Note,Weight',
      codes.map((code) => `${code},${code} as it was,1.00,"old; kept",as it was,0.5`),
    )
    await s.run(importGoods, { base64: first, mode: 'all' })
    // Every third has another price, every fifth another note and tags.
    const rows = codes.map(
      (code, i) =>
        `${code},${code} renamed,${i % 3 === 0 ? `${i}.25` : '1.00'},${i % 5 === 0 ? '"new, tags"' : ''},${i % 5 === 0 ? 'it’s “new”' : ''}`,
    )
    const second = file('Code,Name,Price,Tags,Note', rows)
    expect(await s.answer(importGoods, { base64: second, mode: 'all' })).toMatchObject({ added: 0, changed: 1_200 })
    const said = await s.db.execute<Record<string, unknown>>(
      sql`select code, name, price::float8 as price, tags, note, weight::float8 as weight from goods where code in ('M1', 'M3', 'M5', 'M1185') order by id`,
    )
    const kept = { tags: ['old', 'kept'], note: 'as it was', weight: 0.5 }
    const renewed = { tags: ['new', 'tags'], note: 'it’s “new”', weight: 0.5 }
    expect(said).toEqual([
      { code: 'M1', name: 'M1 renamed', price: 1, ...kept },
      { code: 'M3', name: 'M3 renamed', price: 3.25, ...kept },
      { code: 'M5', name: 'M5 renamed', price: 1, ...renewed },
      { code: 'M1185', name: 'M1185 renamed', price: 1185.25, ...renewed },
    ])
  })

  test('says what is wrong with a file that is none', async () => {
    expect(await s.refusal(importGoods, { base64: Buffer.from([0x50, 0x4b, 3, 4, 9, 9]).toString('base64') })).toBe(
      'invalid',
    )
    expect(await s.refusal(importGoods, { base64: Buffer.from('a,b\n1,2').toString('base64') })).toBe('invalid')
    expect(await s.refusal(importGoods, { base64: Buffer.from([0, 1, 2, 255]).toString('base64') })).toBe('invalid')
  })
})
