import { err, ok, type Result } from '@/core/result'
import type { Failure } from '@/contract/failure'
import { readPdf } from './pdfFile'
import { runApart } from '@/workers/runApart'

const isPdf = (bytes: Uint8Array): boolean => Buffer.from(bytes.subarray(0, 1_024)).includes('%PDF-')

/** The XML of an e-invoice: the file itself, or what stands in it where it is a PDF, which a process of its own looks for. */
export const xmlOfInvoice = async (bytes: Uint8Array): Promise<Result<Uint8Array, Failure>> => {
  if (!isPdf(bytes)) return ok(bytes)
  const read = await runApart('pdfs', bytes, readPdf)
  if (read === null || read === 'unreadable') return err({ code: 'pdf-unreadable' })
  return read === 'no-e-invoice' ? err({ code: read }) : ok(read.xml)
}
