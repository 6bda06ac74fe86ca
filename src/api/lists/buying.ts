import {
  billsList,
  goodsReceivedList,
  payablesList,
  proposalsList,
  purchaseOrdersList,
  supplierPaymentsList,
  suppliersList,
} from '@/lists/buying'
import {
  readBillList,
  readOrderList,
  readPaymentList,
  readProposalList,
  readReceivedList,
  readSupplierList,
} from '@/model/buying/onLists'
import { readPayables } from '@/model/buying/payables'
import { pageOfAll, reader } from './reader'

export const purchaseOrders = reader(purchaseOrdersList, async (where, asked, size) => {
  const { status, supplier } = asked.filter
  const rows = await readOrderList(where, { status: status ?? undefined, supplierId: supplier ?? undefined })
  return pageOfAll(purchaseOrdersList, rows, asked, size, where)
})

export const goodsReceived = reader(goodsReceivedList, async (where, asked, size) => {
  const rows = await readReceivedList(where, { supplierId: asked.filter.supplier ?? undefined })
  return pageOfAll(goodsReceivedList, rows, asked, size, where)
})

export const bills = reader(billsList, async (where, asked, size) => {
  const { show, supplier } = asked.filter
  const rows = await readBillList(where, { show: show ?? undefined, supplierId: supplier ?? undefined })
  return pageOfAll(billsList, rows, asked, size, where)
})

export const supplierPayments = reader(supplierPaymentsList, async (where, asked, size) => {
  const rows = await readPaymentList(where, { supplierId: asked.filter.supplier ?? undefined })
  return pageOfAll(supplierPaymentsList, rows, asked, size, where)
})

export const suppliers = reader(suppliersList, async (where, asked, size) =>
  pageOfAll(suppliersList, await readSupplierList(where, asked.filter.search ?? undefined), asked, size, where),
)

export const payables = reader(payablesList, async (where, asked, size) => {
  const asOf = asked.filter.asOf ?? where.today
  const rows = await readPayables(where.db, { asOf }, where.currency)
  return { ...pageOfAll(payablesList, rows, asked, size, where), asOf }
})

export const proposals = reader(proposalsList, async (where, asked, size) =>
  pageOfAll(proposalsList, await readProposalList(where), asked, size, where),
)
