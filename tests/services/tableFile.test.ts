import ExcelJS from 'exceljs'
import { expect, test } from 'vitest'
import { readTable } from '@/services/files/tableFile'

const sheet = async (fill: (s: ExcelJS.Worksheet) => void): Promise<Uint8Array> => {
  const book = new ExcelJS.Workbook()
  fill(book.addWorksheet('Goods'))
  return new Uint8Array(await book.xlsx.writeBuffer())
}
const csv = (text: string) => readTable(new TextEncoder().encode(text))

test('a sheet is read row by row: texts, numbers, days, what a formula came to, and holes', async () => {
  const bytes = await sheet((s) => {
    s.addRow(['code', 'name', 'price', 'since'])
    s.addRow(['A1', 'Łódź bow', 12.5, new Date(Date.UTC(2026, 2, 1))])
    s.addRow(['A2', null, { formula: '1+1', result: 2 }])
    // What 4.1 × 3 comes to in binary fractions; every spreadsheet shows 12.3.
    s.addRow(['A3', null, { formula: '4.1*3', result: 12.299999999999999 }])
  })
  const read = await readTable(bytes)
  expect(read).toEqual({
    ok: true,
    table: {
      columns: ['code', 'name', 'price', 'since'],
      rows: [
        ['A1', 'Łódź bow', '12.5', '2026-03-01'],
        ['A2', '', '2'],
        ['A3', '', '12.3'],
      ],
      // Numbers of a workbook have a point, whatever the region.
      decimal: '.',
    },
  })
})

test('a cell in the last column a sheet can have is refused at once, not filled up to', async () => {
  const bytes = await sheet((s) => {
    s.addRow(['code', 'name'])
    s.getCell('XFD2').value = 'far out'
  })
  const began = performance.now()
  const read = await readTable(bytes)
  expect(read).toMatchObject({ ok: false, message: expect.stringContaining('column 16384') })
  expect(performance.now() - began).toBeLessThan(5_000)
})

test('what would unpack to more than it may is refused before it is unpacked', async () => {
  const bytes = await sheet((s) => s.addRow(['code']))
  // The list of contents says that its first file unpacks to 4 GB less one byte.
  const forged = Buffer.from(bytes)
  const at = forged.indexOf(Buffer.from([0x50, 0x4b, 0x01, 0x02]))
  forged.writeUInt32LE(0xffff_fffe, at + 24)
  expect(await readTable(new Uint8Array(forged))).toMatchObject({
    ok: false,
    message: expect.stringContaining('60 MB'),
  })
})

test.each([
  ['a quotation mark that is never closed', 'code,name\n"A1,Bow\n'.repeat(3), 'quotation mark'],
  ['more columns than a table has', `${'a,'.repeat(300)}\n`, 'At most 200 columns'],
  ['nothing', '', 'is empty'],
  ['a first row without names', ',,\n1,2,3\n', 'no column names'],
  ['half a spreadsheet', 'PK\u0003\u0004 and no more', 'cannot be read|can be read'],
])('%s is told', async (_, text, says) => {
  const read = await csv(text)
  expect(read.ok ? 'read' : read.message).toMatch(new RegExp(says))
})

test('a hundred thousand quotation marks are read or refused in a moment', async () => {
  const began = performance.now()
  await csv(`code,name\n${'"'.repeat(100_000)}\n`)
  await csv(`code,name\n${'"",'.repeat(100_000)}\n`)
  expect(performance.now() - began).toBeLessThan(5_000)
})
