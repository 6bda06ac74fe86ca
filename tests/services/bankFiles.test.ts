import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readStatementFile } from '@/services/bank/readStatementFile'
import { camt053, csvStatement, CSV_FORMAT, ofx } from '../files/statements'

const about = { currency: 'USD', habits: { decimal: ',' as const, dayFirst: true }, table: CSV_FORMAT }
const lines = (bytes: Uint8Array, more: Partial<Parameters<typeof readStatementFile>[1]> = {}) => {
  const file = readStatementFile(bytes, { ...about, ...more })
  if ('unknown' in file) return file.unknown.headings
  return file.read.ok ? file.read.value.lines.map((l) => l.text) : file.read.error.why
}
const latin1 = (text: string) => Buffer.from(text, 'latin1')
const withName = csvStatement.replace('Account fee', 'Kontoführung')

describe('what a bank writes', () => {
  test('is read in the letters it is written in', () => {
    const told = ['Hazel Adair INV 2026-0147', 'Kontoführung']
    expect(lines(Buffer.from(withName))).toEqual(told)
    expect(lines(latin1(withName))).toEqual(told)
    expect(lines(Buffer.from(`\uFEFF${withName}`))).toEqual(told)
    expect(lines(Buffer.from(`\uFEFF${withName}`, 'utf16le'))).toEqual(told)
    expect(lines(latin1(ofx().replace('ACCOUNT FEE', 'GEBÜHR')))).toEqual(['ADAIR & SON · INV 2026-0147', 'GEBÜHR'])
    const camt = camt053().replace('UTF-8', 'ISO-8859-1').replace('Account fee', 'Gebühr')
    expect(lines(latin1(camt))).toEqual(['Hazel Adair · Invoice 2026-0147', 'Gebühr'])
  })

  test('is told apart by what is in it, whatever it is called', () => {
    expect(lines(Buffer.from(ofx({ version: 2 })))).toHaveLength(2)
    expect(lines(Buffer.from('<html><body>Sign in</body></html>'))).toBe('not-a-statement')
    expect(lines(Buffer.from('PK\u0003\u0004'))).toBe('not-text')
    expect(lines(Buffer.from([0xff, 0xfe, 0x00]))).toBe('not-text')
    expect(lines(Buffer.from(''))).toBe('no-heading')
  })

  test('in a table nobody explained is shown with what its headings look like', () => {
    const file = readStatementFile(Buffer.from(csvStatement), { ...about, table: null })
    expect(file).toMatchObject({
      unknown: {
        headings: ['Buchung', 'Text', 'Betrag', 'Saldo'],
        columns: { on: 'Buchung', text: 'Text', amount: 'Betrag', balance: 'Saldo' },
      },
    })
  })

  test('quoted cells hold the delimiter and line breaks', () => {
    const text = 'Buchung;Text;Betrag;Saldo\n11.03.2026;"Adair; Hazel\nand son";1,00;1,00\n'
    expect(lines(Buffer.from(text))).toEqual(['Adair; Hazel and son'])
  })
})

test('law: whatever bytes come, they are read, asked about or refused, and nothing breaks', () => {
  const cut = fc.nat(2000)
  const texts = [camt053(), ofx(), ofx({ version: 2 }), csvStatement]
  fc.assert(
    fc.property(fc.constantFrom(...texts), cut, fc.uint8Array({ maxLength: 12 }), (text, at, noise) => {
      const bytes = Buffer.from(text)
      const spoiled = Buffer.concat([bytes.subarray(0, at), noise, bytes.subarray(at + noise.length)])
      for (const table of [CSV_FORMAT, null]) {
        const file = readStatementFile(spoiled, { ...about, table })
        if (!('read' in file) || !file.read.ok) continue
        // What is read adds up, however it was spoiled.
        const { opening, closing, lines: read } = file.read.value
        if (opening && closing)
          expect(closing.minor - opening.minor).toBe(read.reduce((sum, l) => sum + l.amount.minor, 0n))
      }
    }),
    { numRuns: 400 },
  )
})
