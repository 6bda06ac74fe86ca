import { issueInvoiceInput, changeDraftInput, dropDraftInput } from '@/contract/inputs/billing/draftWork'
import { present } from '@/core/present'
import type { z } from 'zod'
import { deleteDraft, findInvoice, replaceDraft, type InvoiceRow } from '@/data/queries/invoices'
import { defineCommand, paperDay, type Work } from '../command'
import type { lineQuantities } from '@/contract/lines'
import { found, refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { answerSale, mustBeAgreed, takeSale } from '../sales/saleWork'
import { planBill } from './billSale'
import { draftBill } from './draftBill'
import { issueBill } from './issueBill'
import { invoiceView } from '@/model/invoice/invoiceView'

const takeDraft = async (w: Work, invoiceId: number): Promise<InvoiceRow> => {
  const draft = found(await findInvoice(w.tx, invoiceId, w.currency), 'invoice', invoiceId)
  const locked = await takeSale(w, draft.saleId)
  mustBeAgreed(locked)
  const now = found(await findInvoice(w.tx, invoiceId, w.currency), 'invoice', invoiceId)
  if (now.status === 'issued') refuse({ code: 'already-issued', number: present(now.number) })
  return now
}

/** Prices a draft anew against what is still to bill: other bills may have been issued since. */
const repriceDraft = async (
  w: Work,
  draft: InvoiceRow,
  change: { readonly on?: InvoiceRow['on']; readonly lines?: z.output<typeof lineQuantities> },
): Promise<void> => {
  const locked = await takeSale(w, draft.saleId)
  const wanted = change.lines ?? draft.lines.map((l) => ({ lineId: l.saleLineId, quantity: l.quantity }))
  const parts = planBill(locked, { lines: wanted })
  await replaceDraft(w.tx, draft.id, await draftBill(w, locked, parts, { kind: 'invoice', on: change.on ?? draft.on }))
}

/** Issues a draft: from now on it is an official paper that never changes. */
export const issueInvoice = defineCommand('issue-invoice', issueInvoiceInput, async (w, { invoiceId, on: given }) => {
  const draft = await takeDraft(w, invoiceId)
  const onDay = paperDay(w, given ?? draft.on)
  await repriceDraft(w, draft, { on: onDay })
  await issueBill(w, await takeSale(w, draft.saleId), invoiceId, onDay)
  await refreshSale(w, draft.saleId)
  return { id: invoiceId, answer: () => invoiceView(w, invoiceId) }
})

/** Changes a draft's date or quantities. */
export const changeDraft = defineCommand(
  'change-draft',
  changeDraftInput,
  async (w, { invoiceId, on: given, lines }) => {
    await repriceDraft(w, await takeDraft(w, invoiceId), { on: given, lines })
    return { id: invoiceId, answer: () => invoiceView(w, invoiceId) }
  },
)

/** Throws a draft away. It had no number, so none is missing. */
export const dropDraft = defineCommand('drop-draft', dropDraftInput, async (w, { invoiceId }) => {
  const draft = await takeDraft(w, invoiceId)
  await deleteDraft(w.tx, invoiceId)
  return answerSale(w, draft.saleId)
})
