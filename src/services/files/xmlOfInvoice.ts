import { runElsewhere, TooMuchWaits } from '@/workers/runElsewhere'
import { err, ok, type Result } from '@/core/result'
import type { Failure } from '@/contract/failure'
import { readPdf, type ReadPdf } from './pdfFile'

/** How long a PDF is read at most, in milliseconds: it takes a tenth of a second. */
const PATIENCE = 8_000

const isPdf = (bytes: Uint8Array): boolean => Buffer.from(bytes.subarray(0, 1_024)).includes('%PDF-')

/** The XML of an e-invoice: the file itself, or what stands in it where it is a PDF, which is read on another thread. */
export const xmlOfInvoice = async (bytes: Uint8Array): Promise<Result<Uint8Array, Failure>> => {
  if (!isPdf(bytes)) return ok(bytes)
  const read = await runElsewhere<Uint8Array, ReadPdf>('pdfs', bytes, readPdf, { patience: PATIENCE }).catch(
    (broken: unknown): ReadPdf => {
      // Whatever the thread ended of, it was this file: too large unpacked, or without an end.
      if (broken instanceof TooMuchWaits) throw broken
      return 'unreadable'
    },
  )
  return typeof read === 'string' ? err({ code: read === 'unreadable' ? 'pdf-unreadable' : read }) : ok(read.xml)
}
