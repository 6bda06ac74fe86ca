import { err, type Result } from '@/core/result'
import type { Failure } from '@/contract/failure'
import { readBill } from '@/model/buying/readBill'
import type { Asked } from '@/model/where'
import { runApart } from '@/workers/runApart'
import { invoiceOf, readInvoice } from '../files/invoiceFile'

/**
 * A supplier's e-invoice, as XML or within a PDF, as a draft of their bill; nothing is saved. The file is read by a process of its
 * own.
 */
export const readBillFile = async (asked: Asked, bytes: Uint8Array): Promise<Result<object, Failure>> => {
  const { currency, locale } = asked.business
  const read = await runApart('invoices', { bytes, currency, locale }, readInvoice)
  if (read === null || read === 'unreadable') return err({ code: 'e-invoice-unreadable' })
  if (read === 'no-e-invoice') return err({ code: read })
  if (!read.ok) return err({ code: 'invalid', errors: [read.error] })
  return readBill(asked, invoiceOf(read.value))
}
