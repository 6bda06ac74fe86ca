import ExcelJS from 'exceljs'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import type { OpeningList } from '@/contract/inputs/books/opening'
import { updateBusiness } from '@/data/queries/business'
import { openBooks } from '@/services/books/openBooks'
import { readOpening } from '@/services/books/readOpening'
import { addPlace } from '@/services/goods/places'
import { addGoods } from '@/services/goods/keepGoods'
import { addCustomer } from '@/services/people/keepCustomer'
import { openBuying } from './buyingDesk'

/** Spreadsheets of whoever moves in: the customer is Hazel Adair, the supplier Gutwerk Strings, the goods VN and RO. */
let d: Awaited<ReturnType<typeof openBuying>>
beforeEach(async () => {
  d = await openBuying()
  d.s.moveTo('2026-03-20')
})
afterEach(() => d.s.close())

const base64 = (text: string) => Buffer.from(text).toString('base64')
const look = async (list: OpeningList, text: string) =>
  readOpening({ db: d.s.db, business: await d.business() }, list, base64(text))

describe('a spreadsheet of opening balances', () => {
  test('becomes what the call takes, and is entered', async () => {
    const [receivables, payables, held, stock, accounts] = await Promise.all([
      look('receivables', 'Customer,Number,Date,Due,Amount\nhazel adair,OLD-7,12/10/2025,01/09/2026,"1,120.00"\n'),
      look('payables', 'Supplier,Bill number,Date,Amount\nGutwerk Strings,GS-1,2026-01-15,60\n'),
      look('held', 'Customer,Amount\nHazel Adair,$30.00\n'),
      look('stock', 'Code,Quantity,Cost\nro,25,6.00\n'),
      look('accounts', 'Account,Debit,Credit\n1020 Bank,500.00,\n1500,200,0\n'),
    ])
    expect(receivables).toEqual({
      problems: [],
      rows: [
        {
          row: 2,
          customerId: d.s.customer,
          name: 'Hazel Adair',
          number: 'OLD-7',
          on: '2025-12-10',
          due: '2026-01-09',
          amount: '1120.00',
        },
      ],
    })
    // Without a day by which it is to be paid it is due at once.
    expect(payables.rows).toMatchObject([{ number: 'GS-1', on: '2026-01-15', due: '2026-01-15', amount: '60.00' }])
    const lists = { receivables, payables, held, stock, accounts }
    const input = Object.fromEntries(Object.entries(lists).map(([list, { rows }]) => [list, rows]))
    const done = await d.s.answer(openBooks, { on: '2026-03-02', ...input })
    // 500 + 200 + 1120 + 5 rosin more at 6.00, less 60 and 30.
    expect(done.lines.find((l) => l.account === '3900')).toMatchObject({ credit: '1760.00' })
    expect(await d.s.ties()).toEqual([])
  })

  test('is read as its columns are written: days first, decimal commas, sheets', async () => {
    await updateBusiness(d.s.db, { locale: 'de-DE' })
    const { rows } = await look(
      'receivables',
      'Name;No;Dated;Pay by;Open amount\nHazel Adair;7;02.03.2026;;1.250,5\nHazel Adair;8;03/04/2025;01/05/2025;12,00\n',
    )
    // Most cells of the first column are written with points, so the other one is no date.
    expect(rows).toMatchObject([{ on: '2026-03-02', amount: '1250.50' }])
    const book = new ExcelJS.Workbook()
    book.addWorksheet('Stock').addRows([
      ['Code', 'Quantity', 'Cost', 'Lot', 'Best before', 'Place'],
      ['RO', 2.5, 6, 'L-1', new Date('2027-01-31T00:00:00Z'), 'Store room'],
    ])
    await d.s.run(addPlace, { code: 'STORE', name: 'Store room' })
    const sheet = Buffer.from(await book.xlsx.writeBuffer()).toString('base64')
    const read = await readOpening({ db: d.s.db, business: await d.business() }, 'stock', sheet)
    expect(read.rows).toMatchObject([
      { goodsId: d.s.rosin, quantity: '2.5', unitCost: '6', lot: { code: 'L-1', expires: '2027-01-31' } },
    ])
    expect(read.rows[0]?.placeId).toBeGreaterThan(0)
  })

  test.each<[OpeningList, string, string]>([
    ['receivables', 'Customer,Number,Date,Amount\nNobody,1,2026-01-01,5\n', 'customer: there is no customer Nobody.'],
    ['receivables', 'Customer,Number,Date,Amount\nHazel Adair,,2026-01-01,5\n', 'number: A number is needed.'],
    ['receivables', 'Customer,Number,Date,Amount\nHazel Adair,1,2026-02-30,5\n', 'date: “2026-02-30” is no date.'],
    ['receivables', 'Customer,Number,Date,Amount\nHazel Adair,1,2026-01-01,-5\n', 'is not negative'],
    ['receivables', 'Customer,Number,Date,Amount\nHazel Adair,1,2026-01-01,5.005\n', 'amount: “5.005” is no amount.'],
    ['payables', 'Supplier,Number,Date,Amount\n,1,2026-01-01,5\n', 'supplier: is needed.'],
    ['held', 'Customer,Amount\nHazel Adair,0\n', 'The amount must be above zero.'],
    ['stock', 'Code,Quantity,Cost\nXX,1,1\n', 'code: there is nothing XX among your goods.'],
    ['stock', 'Code,Quantity,Cost\nRO,many,1\n', 'quantity: A quantity is written like 2 or 1.5'],
    ['stock', 'Code,Quantity,Cost,Place\nRO,1,1,Attic\n', 'place: there is no place Attic.'],
    ['stock', 'Code,Quantity,Cost\nHOUR,1,1\n', 'code: Hour is not kept in stock.'],
    ['accounts', 'Account,Debit,Credit\n9999,1,\n', 'account: there is no account 9999.'],
    ['accounts', 'Account,Debit,Credit\n1100,1,\n', 'comes from its own list'],
    ['accounts', 'Account,Debit,Credit\n1020,1,1\n', 'debit: give a debit or a credit'],
  ])('of %s says which row is wrong, and why', async (list, text, said) => {
    await d.s.run(addGoods, { code: 'HOUR', name: 'Hour', kind: 'work', price: '60.00' })
    const { rows, problems } = await look(list, text)
    expect(rows).toEqual([])
    expect(problems).toEqual([{ row: 2, code: expect.any(String) as string, message: expect.stringContaining(said) }])
  })

  test('is refused whole without the columns it needs; two of a name are told apart by their address', async () => {
    await expect(look('held', 'Who,Amount\nHazel,1\n')).rejects.toMatchObject({ failure: { code: 'invalid' } })
    await d.s.run(addCustomer, { name: 'Hazel Adair', email: 'hazel@other.example' })
    const { rows, problems } = await look('held', 'Customer,Amount\nHazel Adair,1\nhazel@other.example,2\n')
    expect(problems).toMatchObject([{ row: 2, message: expect.stringContaining('is the name of two') }])
    expect(rows).toMatchObject([{ row: 3, amount: '2.00' }])
  })
})
