import { readInvoice } from '@/services/files/invoiceFile'
import { readApart } from './apart'

/** Reads a supplier's e-invoice in a process of its own. */
readApart(readInvoice)
