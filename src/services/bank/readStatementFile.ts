import Papa from 'papaparse'
import {
  guessColumns,
  readCamt,
  readCsv,
  readOfx,
  type CsvFormat,
  type ReadStatement,
  type StatementFormat,
} from '@/core/bank'
import { err } from '@/core/result'
import type { Habits } from '@/core/cells'
import { decodeXml } from '@/core/xml'
import { decodeText } from '../files/decodeText'

const formatOf = (text: string): StatementFormat =>
  /<OFX>/i.test(text.slice(0, 4000)) ? 'ofx' : /^\s*(<\?xml|<[A-Za-z])/.test(text) ? 'camt.053' : 'csv'

const rowsOf = (text: string, delimiter: string | undefined): readonly (readonly string[])[] =>
  Papa.parse<string[]>(text, { delimiter: delimiter ?? '', skipEmptyLines: false }).data

export interface AboutStatement {
  readonly currency: string
  /** How numbers and days are written in the region of the business. */
  readonly habits: Habits
  /** How the bank of the account writes tables; null where nobody said it yet. */
  readonly table: CsvFormat | null
}

/** A table whose columns nobody named yet. */
export interface UnknownTable {
  readonly headings: readonly string[]
  readonly columns: ReturnType<typeof guessColumns>['columns']
  readonly rows: readonly (readonly string[])[]
}

/** What a file of a bank was read as. */
export type StatementFile = { readonly read: ReadStatement } | { readonly unknown: UnknownTable }

/** A statement from the bytes of a file, whatever its format; a table whose columns are not known yet is told as it is. */
export const readStatementFile = (bytes: Uint8Array, { currency, habits, table }: AboutStatement): StatementFile => {
  const text = decodeText(bytes)
  if (text === null) return { read: err({ why: 'not-text' }) }
  const format = formatOf(text)
  if (format === 'ofx') return { read: readOfx(text, currency) }
  if (format === 'camt.053') {
    const xml = decodeXml(bytes)
    return { read: xml === null ? err({ why: 'not-text' }) : readCamt(xml, currency) }
  }
  const rows = rowsOf(text, table?.delimiter)
  if (table) return { read: readCsv(rows, table, { currency, habits }) }
  const { headings, columns } = guessColumns(rows)
  return { unknown: { headings, columns, rows: rows.slice(0, 6) } }
}

/** The same, as a process of its own does it. */
export const readStatement = async ({ bytes, about }: { readonly bytes: Uint8Array; readonly about: AboutStatement }) =>
  readStatementFile(bytes, about)
