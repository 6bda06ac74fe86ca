import { beforeAll, describe, expect, test } from 'vitest'
import ExcelJS from 'exceljs'
import Papa from 'papaparse'
import { findList, LISTS } from '@/api/lists'
import { asCsvw } from '@/api/lists/csvw'
import { asCsv, asJson, asPdf, asXlsx } from '@/api/lists/files'
import { day, isDay } from '@/core/day'
import { present } from '@/core/present'
import { fileCell } from '@/lists/cell'
import { inFile, onScreen } from '@/lists/column'
import { readAsked } from '@/lists/list'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { writeLetter } from '@/services/post/writeLetter'
import { offerSale } from '@/services/sales/offerSale'
import { startRepeat } from '@/services/sales/keepRepeat'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import type { Where } from '@/model/where'
import { pdfText } from '../pdfText'
import { openSides, type Sides } from './sidesDesk'
import type { TestShop } from './shop'
import { bankSlip, settleCards } from '@/services/till/toBank'
import { draftTaxReturn } from '@/services/books/taxReturn'
import { addBankAccount } from '@/services/bank/keepBankAccount'
import { importStatement } from '@/services/bank/importStatement'
import { ofx } from '../files/statements'
import { closePeriod } from '@/services/books/closePeriod'
import { changeSettings } from '@/services/access/changeSettings'
import { enterBill } from '@/services/buying/enterBill'
import { addSupplier } from '@/services/buying/keepSupplier'
import { orderGoods, sendOrder } from '@/services/buying/orderGoods'
import { paySupplier } from '@/services/buying/paySupplier'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { changeGoods } from '@/services/goods/keepGoods'
import { putInBasket } from '@/services/shopfront/basket'
import { heronParcel } from '@/standins/carrier/carrier'
import { sendPick } from '@/services/parcels/picks'
import { startPick } from '@/services/parcels/startPicks'
import { listAccounts } from '@/data/queries/accounts'
import { listToBank } from '@/data/queries/bank'

let where: Where
let quick: number
let rosin: number
let receivablesAccount: number
const NAMES = Object.keys(LISTS)
const listOf = (name: string) => present(findList(name))
/** What a list needs to be asked to have rows. */
const queryOf = (name: string): Record<string, string> => {
  if (name === 'usual') return { customer: String(quick) }
  if (name === 'drawer') return { on: '2026-03-03' }
  if (name === 'account') return { account: String(receivablesAccount) }
  if (name === 'open-items') return { customer: String(quick) }
  if (name === 'bank-lines') return { statement: '1' }
  if (name === 'tax-return') return { return: '1' }
  if (name === 'stock-card') return { goods: String(rosin) }
  return {}
}

beforeAll(async () => {
  const { s, business, quick: customer, plan, onDay } = await openSides()
  quick = customer
  where = { db: s.db, business, today: day('2026-03-20'), currency: 'USD' }
  await onDay('2026-03-05', sellAtCounter, {
    customerId: quick,
    lines: [{ goodsId: s.rosin, quantity: '1' }],
    method: 'cash',
  })
  const asked = await onDay('2026-03-06', startSale, {
    customerId: quick,
    lines: [{ description: 'A bow', quantity: '1', unitPrice: '80.00', taxCode: 'ZERO' }],
  })
  await onDay('2026-03-06', offerSale, { saleId: asked.id })
  await toBankAndOnTheShopfront(s, onDay)
  await onDay('2026-03-08', startSale, {
    customerId: quick,
    agreed: true,
    lines: [{ goodsId: s.rosin, quantity: '900' }],
  })
  const sent = await onDay('2026-03-09', startSale, {
    customerId: quick,
    agreed: true,
    deliverTo: '4 Mill Lane',
    lines: [{ goodsId: s.violin, quantity: '1' }],
  })
  const picked = await onDay('2026-03-09', startPick, { saleId: sent.id })
  await onDay('2026-03-09', sendPick(heronParcel), { pickId: picked.id, service: 'Economy' })
  const brought = await onDay('2026-03-09', startSale, {
    customerId: quick,
    agreed: true,
    deliverTo: '9 Bell Street',
    lines: [{ goodsId: s.violin, quantity: '1' }],
  })
  await onDay('2026-03-09', handOver, { saleId: brought.id, by: 'delivery', freight: '12.00' })
  await buy(s, onDay)
  rosin = s.rosin
  receivablesAccount = present((await listAccounts(s.db)).find((a) => a.role === 'receivables')).id
  await onDay('2026-03-10', writeLetter, { paper: 'statement', paperId: quick })
  await onDay('2026-03-10', startRepeat, {
    saleId: plan,
    every: 'month',
    firstOn: '2026-04-02',
    makes: 'order',
    byItself: false,
  })
})

/** Something is ordered, comes, is invoiced and paid in part; more is short than is on order. */
const buy = async (s: TestShop, onDay: Sides['onDay']) => {
  const maker = await onDay('2026-03-10', addSupplier, { name: 'A maker' })
  await onDay('2026-03-10', changeGoods, { goodsId: s.rosin, suppliers: [{ supplierId: maker.id }] })
  const lines = [{ goodsId: s.rosin, quantity: '4', unitCost: '6.00' }]
  const order = await onDay('2026-03-10', orderGoods, { supplierId: maker.id, lines })
  await onDay('2026-03-10', sendOrder, { orderId: order.id })
  const came = await onDay('2026-03-11', receiveGoods, {
    purchaseOrderId: order.id,
    lines: [{ goodsId: s.rosin, quantity: '3' }],
  })
  const received = [{ receivedLineId: present(came.lines[0]).id, quantity: '2' }]
  await onDay('2026-03-12', enterBill, { supplierId: maker.id, theirNumber: 'M-1', lines: received })
  await onDay('2026-03-13', paySupplier, { supplierId: maker.id, from: 'bank', amount: '5.00' })
}

/** Cash and cards go to the bank, a month is closed, and somebody fills a basket. */
const toBankAndOnTheShopfront = async (s: TestShop, onDay: Sides['onDay']) => {
  await onDay('2026-03-06', bankSlip, { cash: '20.00', cheques: [] })
  const [card] = await listToBank(s.db, 'card', day('2026-03-06'), 'USD')
  await onDay('2026-03-06', settleCards, { receipts: [present(card).id], fees: '0.50' })
  const { id: bankAccountId } = await s.answer(addBankAccount, { name: 'House bank' })
  await onDay('2026-03-07', importStatement, { bankAccountId, base64: Buffer.from(ofx()).toString('base64') })
  await onDay('2026-03-07', draftTaxReturn, { from: '2026-03-01', through: '2026-03-06' })
  await onDay('2026-03-07', closePeriod, { through: day('2026-01-31'), reason: '' })
  await onDay('2026-03-07', changeSettings, { shopfrontOpen: true })
  await onDay('2026-03-07', changeGoods, { goodsId: s.rosin, onShopfront: true })
  await onDay('2026-03-07', putInBasket, { secret: 'a-secret-of-one-browser', goodsId: s.rosin, quantity: '2' })
}

describe.each(NAMES)('the list %s', (name) => {
  test('has rows to speak of, and every column of a row can be read and written', async () => {
    const { list, read } = listOf(name)
    const { rows, columns } = await read(where, queryOf(name), 'all')
    expect(rows.length).toBeGreaterThan(0)
    for (const row of rows) for (const c of columns) expect(typeof fileCell(c, row, where)).toBe('string')
    const keys = columns.map((c) => c.key)
    expect(new Set(keys).size).toBe(keys.length)
    expect(onScreen(columns).some((c) => c.href) || !list.path.startsWith('/owed')).toBe(true)
  })

  test('sorts by every column both ways: the same rows, figures and days in order, empty ones last', async () => {
    const { read } = listOf(name)
    const query = queryOf(name)
    const all = await read(where, query, 'all')
    const told = (rows: readonly unknown[]): string[] =>
      rows.map((row) => all.columns.map((c) => fileCell(c, row, where)).join('|'))
    for (const column of all.columns) {
      const up = await read(where, { ...query, sort: column.key }, 'all')
      const down = await read(where, { ...query, sort: `-${column.key}` }, 'all')
      expect([...told(up.rows)].sort(), column.key).toEqual([...told(all.rows)].sort())
      expect([...told(down.rows)].sort(), column.key).toEqual([...told(all.rows)].sort())
      if (column.as === 'text' || column.as === 'yes') continue
      for (const [rows, sign] of [
        [up.rows, 1],
        [down.rows, -1],
      ] as const) {
        const cells = rows.map((row) => fileCell(column, row, where))
        const some = cells.filter((c) => c !== '')
        if (column.as !== 'money' && column.as !== 'quantity')
          expect(
            cells.slice(some.length).every((c) => c === ''),
            `${column.key}: empty last`,
          ).toBe(true)
        const nonZero = some.filter((c) => Number(c) !== 0)
        const inOrder = column.as === 'day' ? [...some].sort() : [...nonZero].sort((a, b) => Number(a) - Number(b))
        expect(column.as === 'day' ? some : nonZero, `${column.key} ${sign}`).toEqual(
          sign === 1 ? inOrder : inOrder.reverse(),
        )
      }
    }
  })

  test('comes in pages that hold every row once', async () => {
    const { read } = listOf(name)
    for (const sort of ['', `-${present(onScreen(listOf(name).list.columns)[0]).key}`]) {
      const query = { ...queryOf(name), ...(sort ? { sort } : {}) }
      const all = await read(where, query, 'all')
      const seen: unknown[] = []
      for (let page = 1; ; page++) {
        const part = await read(where, { ...query, page: String(page) }, 3)
        expect(part.rows.length).toBeLessThanOrEqual(name === 'account' ? 4 : 3)
        seen.push(...part.rows)
        if (!part.more) break
      }
      // A page of an account begins with what stood before it.
      const carried = (row: unknown) => (row as { text?: string }).text === 'carried over'
      expect(seen.filter((row) => !carried(row))).toEqual(all.rows)
    }
  })

  test('is the same in every kind of file', async () => {
    const { list, read } = listOf(name)
    const all = await read(where, queryOf(name), 'all')
    const columns = inFile(all.columns)
    const told = all.rows.map((row) => columns.map((c) => fileCell(c, row, where)))
    const csv = Papa.parse<string[]>(asCsv(list, all, where)).data
    const foot = list.foot?.inFile ? 1 : 0
    expect(csv[0]).toEqual(columns.map((c) => c.key))
    expect(csv.slice(1, csv.length - foot)).toEqual(told)
    const json = asJson(list, all, where)
    expect(json.rows.map((r) => Object.values(r))).toEqual(told)
    const book = new ExcelJS.Workbook()
    await book.xlsx.load((await asXlsx(list, all, where)) as unknown as ArrayBuffer)
    const sheet = present(book.worksheets[0])
    expect(sheet.rowCount).toBe(1 + told.length + foot)
    expect((sheet.getRow(1).values as string[]).slice(1)).toEqual(columns.map((c) => c.key))
  })

  test('leaves out of its address what it does not understand', () => {
    const { list } = listOf(name)
    const nonsense = Object.fromEntries(Object.keys(list.fields).map((f) => [f, '’; drop table sale --']))
    const asked = readAsked(list, { ...nonsense, sort: 'nonsense', page: '-7' })
    expect(asked.page).toBe(1)
    expect(asked.sort).toEqual(list.opensBy)
    for (const [field, value] of Object.entries(asked.filter))
      expect(present(list.fields[field]).as === 'search' || list.fields[field]?.as === 'hidden' || value === null).toBe(
        true,
      )
  })
})

test('a spreadsheet gets figures it can add up, and no formula', async () => {
  const { list, read } = listOf('receipts')
  const all = await read(where, {}, 'all')
  const book = new ExcelJS.Workbook()
  await book.xlsx.load((await asXlsx(list, all, where)) as unknown as ArrayBuffer)
  const sheet = present(book.worksheets[0])
  const amounts = (sheet.getColumn(6).values as (number | string)[]).slice(2)
  // Eight bills of 100.00 paid, 150.00 and 12.00 held, and two sales at the counter.
  expect(amounts.filter((a) => a === 100)).toHaveLength(8)
  expect(amounts).toHaveLength(12)
  expect(amounts.every((a) => typeof a === 'number')).toBe(true)
})

test('on paper a list has its heads, its rows and its sum', async () => {
  const { list, read } = listOf('held')
  const all = await read(where, {}, 'all')
  const text = await pdfText(await asPdf(list, all, where, 'As of: 2026-03-20'))
  // 150.00 for the layaway and 12.00 on account, both Slow Sal's.
  for (const word of [
    'Held money',
    'Customer',
    'Slow Sal',
    '150.00',
    '12.00',
    '162.00',
    'Page 1 of 1',
    'As of: 2026-03-20',
  ])
    expect(text).toContain(word)
})

test('a filter narrows what is read and what is summed alike', async () => {
  const { read } = listOf('receipts')
  const transfers = await read(where, { method: 'transfer', from: '2026-02-01' }, 'all')
  // Quick paid on 10 and 17 February; Slow on 4 and 18 February, 4 and 11 March.
  expect(transfers.rows).toHaveLength(6)
  expect(transfers.sums).toEqual({ amount: { minor: 60000n, currency: 'USD' } })
  expect(transfers.count).toBe(6)
})

/** Whether a cell is what CSV on the Web says of its column. */
const isOf = (cell: string, datatype: string | { readonly base: string }): boolean => {
  const base = typeof datatype === 'string' ? datatype : datatype.base
  if (cell === '' || base === 'string') return true
  if (base === 'date') return isDay(cell)
  if (base === 'boolean') return cell === 'yes' || cell === 'no'
  return (base === 'integer' ? /^-?\d+$/ : /^-?\d+(\.\d+)?$/).test(cell)
}

describe('what the columns of a CSV hold is said beside it', () => {
  test.each(NAMES)('of %s, and every cell is that', async (name) => {
    const { list, read } = listOf(name)
    const all = await read(where, queryOf(name), 'all')
    const csv = Papa.parse<string[]>(asCsv(list, all, where), { skipEmptyLines: true }).data
    const said = asCsvw(list, all, where)
    const { columns } = said.tableSchema
    expect(said.url).toBe(`${name}.csv`)
    expect(columns.map((c) => c.titles)).toEqual(csv[0])
    // Names are those of variables in an address, each once.
    expect(columns.every((c) => /^\w+$/.test(c.name))).toBe(true)
    expect(new Set(columns.map((c) => c.name)).size).toBe(columns.length)
    const wrong = csv
      .slice(1)
      .flatMap((row) =>
        row.flatMap((cell, i) => (isOf(cell, columns[i]!.datatype as string) ? [] : [[columns[i]!.name, cell]])),
      )
    expect(wrong).toEqual([])
    // What a description is asked for is read of one row, and says the same.
    expect(asCsvw(list, await read(where, queryOf(name), 1), where)).toEqual(said)
  })
})
