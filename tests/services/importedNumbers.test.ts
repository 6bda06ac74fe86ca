import exceljs from 'exceljs'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { findGoodsByCode } from '@/data/queries/goods'
import { changeSettings } from '@/services/access/changeSettings'
import { importGoods } from '@/services/goods/importGoods'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeEach(async () => {
  s = await openTestShop()
})
afterEach(() => s.close())

type Row = readonly [code: string, price: string | number, reorder: string | number]
const HEADS = ['Code', 'Name', 'Price', 'Reorder at']
const table = (rows: readonly Row[]) => rows.map(([code, ...rest]) => [code, `Thing ${code}`, ...rest])
const csv = (rows: readonly Row[]) =>
  Buffer.from([HEADS, ...table(rows)].map((cells) => cells.join(';')).join('\r\n')).toString('base64')
const xlsx = async (rows: readonly Row[]) => {
  const book = new exceljs.Workbook()
  book.addWorksheet('Goods').addRows([HEADS, ...table(rows)])
  return Buffer.from(await book.xlsx.writeBuffer()).toString('base64')
}
/** What was taken of each row: its price and when to order more of it. */
const taken = async (base64: string, codes: readonly string[]) => {
  const done = await s.answer(importGoods, { base64, mode: 'all' })
  expect(done.problems).toEqual([])
  const goods = await Promise.all(codes.map((code) => findGoodsByCode(s.db, code)))
  return goods.map((g) => [g?.price.toString(), g?.reorderAt?.toString()])
}

test('1.250 is a thousand where the region writes it so, and one and a quarter where it does not', async () => {
  const rows: Row[] = [
    ['A', '1.250', '1.500'],
    ['B', '980', '4'],
  ]
  expect(await taken(csv(rows), ['A', 'B'])).toEqual([
    ['1.25', '1.5'],
    ['980', '4'],
  ])
  await s.run(changeSettings, { locale: 'de-DE' })
  expect(await taken(csv(rows), ['A', 'B'])).toEqual([
    ['1250', '1500'],
    ['980', '4'],
  ])
})

test('what cells show goes before the region: their own column first, then the others', async () => {
  await s.run(changeSettings, { locale: 'de-DE' })
  // Prices with a point and two digits: the quantities beside them are written so, too.
  expect(await taken(csv([['A', '12.50', '1.250']]), ['A'])).toEqual([['12.5', '1.25']])
  expect(await taken(csv([['A', '1.250,00', '1,5']]), ['A'])).toEqual([['1250', '1.5']])
  expect(await taken(csv([['A', '1.250.000', '2']]), ['A'])).toEqual([['1250000', '2']])
  expect(await taken(csv([['A', 'Fr. 12.50', '0.125']]), ['A'])).toEqual([['12.5', '0.125']])
  await s.run(changeSettings, { locale: 'en-US' })
  expect(await taken(csv([['A', '1,250', '3']]), ['A'])).toEqual([['1250', '3']])
})

test('a workbook keeps numbers as numbers, whatever the region', async () => {
  await s.run(changeSettings, { locale: 'de-DE' })
  expect(await taken(await xlsx([['A', 1.125, 2.25]]), ['A'])).toEqual([['1.125', '2.25']])
  expect(await taken(await xlsx([['A', '1.250,50 €', 1500]]), ['A'])).toEqual([['1250.5', '1500']])
})

test('a table in the letters of Windows is read in them', async () => {
  const rows = 'Code;Name;Price\r\nGEIGE;Schülergeige für Anfänger;1.250,00'
  const base64 = Buffer.from(rows, 'latin1').toString('base64')
  await s.answer(importGoods, { base64, mode: 'all' })
  const one = await findGoodsByCode(s.db, 'GEIGE')
  expect([one?.name, one?.price.toString()]).toEqual(['Schülergeige für Anfänger', '1250'])
  const utf16 = Buffer.from(`\uFEFF${rows.replace('1.250,00', '980')}`, 'utf16le').toString('base64')
  await s.answer(importGoods, { base64: utf16, mode: 'all' })
  expect((await findGoodsByCode(s.db, 'GEIGE'))?.price.toString()).toBe('980')
})
