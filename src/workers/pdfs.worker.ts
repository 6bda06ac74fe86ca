import { readPdf, type ReadPdf } from '@/services/files/pdfFile'

/** A thread of its own that looks for an invoice in a PDF; see workers/runElsewhere. */
const work = (bytes: Uint8Array): Promise<ReadPdf> => readPdf(bytes)

export default work
