import { readPdf } from '@/services/files/pdfFile'
import { readApart } from './apart'

/** Looks for an invoice in a PDF in a process of its own. */
readApart(readPdf)
