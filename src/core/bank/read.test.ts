import { describe, expect, test } from 'vitest'
import { camt053, csvStatement, CSV_FORMAT, ofx } from '../../../tests/files/statements'
import { day } from '../day'
import { money } from '../money'
import { dayIn } from '../cells'
import { guessColumns, lineKeys, readCamt, readCsv, readOfx, type ReadStatement } from '.'

const usd = (minor: number) => money(BigInt(minor), 'USD')
const rowsOf = (csv: string, by = ';') =>
  csv
    .split('\n')
    .slice(0, -1)
    .map((l) => l.split(by))
const about = { currency: 'USD', habits: { decimal: '.' as const, dayFirst: false } }
const csv = (text: string, format: Parameters<typeof readCsv>[1] = CSV_FORMAT) => readCsv(rowsOf(text), format, about)
const why = (read: ReadStatement) => (read.ok ? 'read' : read.error)
const told = (read: ReadStatement) => {
  if (!read.ok) throw new Error(JSON.stringify(read.error, (_, v: unknown) => (typeof v === 'bigint' ? String(v) : v)))
  const { format, opening, closing, closedOn, lines } = read.value
  return [format, opening, closing, closedOn, lines.map((l) => [l.on, l.amount.minor, l.text, l.bankId])]
}

describe('the same two lines', () => {
  test.each(['02', '04', '08'])('in camt.053 version %s, booked ones alone', (version) => {
    expect(told(readCamt(camt053({ version }), 'USD'))).toEqual([
      'camt.053',
      usd(100_000),
      usd(140_800),
      '2026-03-12',
      [
        ['2026-03-11', 41_250n, 'Hazel Adair · Invoice 2026-0147', 'REF-1'],
        ['2026-03-12', -450n, 'Account fee', 'REF-2'],
      ],
    ])
  })

  test.each([1, 2] as const)('in OFX %s, the day as it is written', (version) => {
    expect(told(readOfx(ofx({ version }), 'USD'))).toEqual([
      'ofx',
      usd(100_000),
      usd(140_800),
      '2026-03-12',
      [
        ['2026-03-11', 41_250n, 'ADAIR & SON · INV 2026-0147', 'F1'],
        ['2026-03-12', -450n, 'ACCOUNT FEE', 'F2'],
      ],
    ])
  })

  test('in a table with decimal commas, the newest first, below lines of the bank’s own', () => {
    const lines = [
      ['2026-03-11', 41_250n, 'Hazel Adair INV 2026-0147', ''],
      ['2026-03-12', -450n, 'Account fee', ''],
    ]
    const all = ['csv', usd(100_000), usd(140_800), '2026-03-12', lines]
    expect(told(csv(csvStatement))).toEqual(all)
    // How figures and days are written is found out, too.
    expect(told(csv(csvStatement, { columns: CSV_FORMAT.columns }))).toEqual(all)
  })

  test('in a table with money in and out apart, and no balance', () => {
    const text = 'Date,What,Paid in,Paid out,Ref\n03/11/2026,Adair,"412.50",,a\n03/12/2026,Fee,,4.50,b\n'
    const rows = rowsOf(text.replaceAll('"', ''), ',')
    const read = readCsv(
      rows,
      { columns: { on: 'Date', text: 'What', in: 'Paid in', out: 'Paid out', bankId: 'Ref' } },
      about,
    )
    expect(told(read)).toEqual([
      'csv',
      null,
      null,
      '2026-03-12',
      [
        ['2026-03-11', 41_250n, 'Adair', 'a'],
        ['2026-03-12', -450n, 'Fee', 'b'],
      ],
    ])
  })
})

describe('what is refused', () => {
  test('another version, currency, a balance that does not add up', () => {
    expect(why(readCamt(camt053({ version: '09' }), 'USD'))).toEqual({ why: 'version', said: 'camt.053.001.09' })
    expect(why(readCamt(camt053({ currency: 'EUR' }), 'USD'))).toEqual({ why: 'currency', said: 'EUR' })
    expect(why(readCamt(camt053({ closing: '1408.01' }), 'USD'))).toEqual({
      why: 'balance',
      row: null,
      said: usd(140_801),
      reckoned: usd(140_800),
    })
    expect(why(readOfx(ofx({ currency: 'EUR' }), 'USD'))).toEqual({ why: 'currency', said: 'EUR' })
  })

  test('what was cut, holds entities, or is something else', () => {
    expect(why(readCamt(camt053().slice(0, 1200), 'USD'))).toEqual({ why: 'broken' })
    expect(why(readOfx(ofx().slice(0, -80), 'USD'))).toEqual({ why: 'broken' })
    expect(why(readOfx(ofx({ version: 2 }).slice(0, -80), 'USD'))).toEqual({ why: 'broken' })
    const bad = camt053().replace('<Document', '<!DOCTYPE a [<!ENTITY b "c">]><Document')
    expect(why(readCamt(bad, 'USD'))).toEqual({ why: 'declares-entities' })
    expect(why(readCamt('<a/>', 'USD'))).toEqual({ why: 'not-a-statement' })
    expect(why(readOfx('<OFX></OFX>', 'USD'))).toEqual({ why: 'not-a-statement' })
  })

  test('in a table, at its row', () => {
    expect(why(csv(csvStatement.replace('1.412,50', '1.412,51')))).toMatchObject({ why: 'balance', row: 4 })
    expect(why(csv(csvStatement.replace('11.03.2026', '31.02.2026')))).toMatchObject({
      why: 'cell',
      row: 5,
      heading: 'Buchung',
    })
    expect(why(csv(csvStatement.replace(';412,50', ';412,505')))).toMatchObject({ why: 'cell', heading: 'Betrag' })
    expect(why(csv(csvStatement.slice(0, -12) + '\n'))).toEqual({ why: 'cut', row: 5 })
    expect(why(csv(csvStatement, { columns: { ...CSV_FORMAT.columns, text: 'Zweck' } }))).toEqual({
      why: 'no-heading',
      said: 'Zweck',
    })
    expect(why(csv(csvStatement, { columns: { on: 'Buchung', text: 'Text' } }))).toEqual({
      why: 'columns',
      said: 'amount',
    })
    const unordered = 'On;T;A\n2026-03-01;a;1\n2026-03-05;b;1\n2026-03-03;c;1\n'
    expect(why(csv(unordered, { columns: { on: 'On', text: 'T', amount: 'A' } }))).toEqual({ why: 'order', row: 4 })
    expect(why(csv('On;T;A\n', { columns: { on: 'On', text: 'T', amount: 'A' } }))).toEqual({ why: 'no-lines' })
  })
})

describe('cells', () => {
  test.each([
    ['31.1.2026', 'D.M.YYYY', '2026-01-31'],
    ['20260131', 'YYYYMMDD', '2026-01-31'],
    ['01/31/26', 'MM/DD/YY', '2026-01-31'],
    ['2026-01-31T10:00', 'YYYY-MM-DD', '2026-01-31'],
    ['31/01/2026', 'MM/DD/YYYY', null],
    ['31.01.2026x', 'DD.MM.YYYY', null],
  ])('%s as %s', (cell, pattern, is) => expect(dayIn(cell, pattern)).toBe(is))

  test.each([
    ['1.234,56', 123_456n],
    ['-1 234,56', -123_456n],
    ['12,00-', -1200n],
    ['(12,00)', -1200n],
    ['$ 12,00', 1200n],
    ['12', 1200n],
  ])('%s is an amount', (cell, minor) => {
    const read = csv(`On;T;A\n2026-03-01;a;${cell}\n`, { columns: { on: 'On', text: 'T', amount: 'A' }, decimal: ',' })
    expect(read.ok && read.value.lines[0]?.amount.minor).toBe(minor)
  })

  test('are guessed by their headings', () => {
    expect(guessColumns([['My bank'], ['Posting date', 'Description', 'Debit', 'Credit', 'Balance']])).toEqual({
      headings: ['Posting date', 'Description', 'Debit', 'Credit', 'Balance'],
      columns: { on: 'Posting date', text: 'Description', in: 'Credit', out: 'Debit', balance: 'Balance' },
    })
  })
})

test('equal lines of one file are different lines, and are known again from another', () => {
  const fee = { on: day('2026-03-12'), amount: usd(-450), text: 'Account  fee', bankId: '' }
  const other = { ...fee, text: 'ACCOUNT FEE.' }
  expect(lineKeys([fee, other])).toEqual(['2026-03-12|-450|account fee#1', '2026-03-12|-450|account fee#2'])
  expect(lineKeys([{ ...fee, bankId: 'F2' }, fee])).toEqual(['id:F2#1', '2026-03-12|-450|account fee#1'])
})
