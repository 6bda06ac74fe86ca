import { readEInvoice, type EInvoice, type EInvoiceProblem } from '@/core/einvoice'
import { localeOf, writeAs } from '@/core/locale'
import { decimal } from '@/core/money'
import { err, ok, type Result } from '@/core/result'
import { decodeXml } from '@/core/xml'
import { readPdf } from './pdfFile'

/** A supplier's e-invoice as it came, for books in a currency; what is wrong with it is said as a region writes numbers. */
export interface InvoiceFile {
  readonly bytes: Uint8Array
  readonly currency: string
  readonly locale: string
}

type Line = EInvoice['lines'][number]
/** A line as it goes from one process to another: decimals as text. */
interface PlainLine extends Omit<Line, 'quantity' | 'taxPercent'> {
  readonly quantity: string
  readonly taxPercent: string | null
}
export interface PlainInvoice extends Omit<EInvoice, 'lines'> {
  readonly lines: readonly PlainLine[]
}
export type ReadInvoice = Result<PlainInvoice, EInvoiceProblem> | 'no-e-invoice' | 'unreadable'

const NO_LETTERS: EInvoiceProblem = {
  path: '',
  message: 'The letters of this file cannot be read. Ask for it in UTF-8.',
}

const plainLine = (l: Line): PlainLine => ({
  ...l,
  quantity: l.quantity.toString(),
  taxPercent: l.taxPercent === null ? null : l.taxPercent.toString(),
})
const lineOf = (l: PlainLine): Line => ({
  ...l,
  quantity: decimal(l.quantity),
  taxPercent: l.taxPercent === null ? null : decimal(l.taxPercent),
})

const isPdf = (bytes: Uint8Array): boolean => Buffer.from(bytes.subarray(0, 1_024)).includes('%PDF-')

/** The invoice in a file: in UBL or CII, as XML or within a PDF. */
export const readInvoice = async ({ bytes, currency, locale }: InvoiceFile): Promise<ReadInvoice> => {
  writeAs(localeOf(locale))
  const file = isPdf(bytes) ? await readPdf(bytes) : { xml: bytes }
  if (typeof file === 'string') return file
  const text = decodeXml(file.xml)
  if (text === null) return err(NO_LETTERS)
  const read = readEInvoice(text, currency)
  return read.ok ? ok({ ...read.value, lines: read.value.lines.map(plainLine) }) : read
}

/** The invoice as it was before it went from one process to another. */
export const invoiceOf = (plain: PlainInvoice): EInvoice => ({ ...plain, lines: plain.lines.map(lineOf) })
