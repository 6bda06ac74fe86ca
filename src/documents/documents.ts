import type { PaperKind } from '@/core/formats'
import type { Asked } from '@/model/where'
import { agreementOf } from './agreement'
import { depositRequestOf } from './depositRequest'
import { paperOfInvoice } from './invoice'
import { openItemsOf, reminderOf } from './openItems'
import { packingSlipOf } from './packingSlip'
import type { Paper } from './paper'
import { paperOfSale } from './paperOfSale'
import { pickListOf } from './pickList'
import { purchaseOrderOf } from './purchaseOrder'
import { remittanceOf } from './remittance'
import { paperOfReceipt } from './receipt'
import { paperOfRefund } from './refund'
import { statementOf } from './statement'

/** Reads what stands on a document of a kind; null where there is nothing of that id. */
type ReadDocument = (asked: Asked, id: number) => Promise<Paper | null>

/** Every kind of document, each in a file of its own. The compiler names the one that is missing. */
export const DOCUMENTS: Readonly<Record<PaperKind, ReadDocument>> = {
  estimate: (asked, id) => paperOfSale(asked, 'estimate', id),
  confirmation: (asked, id) => paperOfSale(asked, 'confirmation', id),
  'pick-list': pickListOf,
  'packing-slip': packingSlipOf,
  'deposit-request': depositRequestOf,
  invoice: paperOfInvoice,
  'credit-note': paperOfInvoice,
  receipt: paperOfReceipt,
  refund: paperOfRefund,
  statement: statementOf,
  reminder: reminderOf,
  'open-items': openItemsOf,
  agreement: agreementOf,
  'purchase-order': purchaseOrderOf,
  remittance: remittanceOf,
}
