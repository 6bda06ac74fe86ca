import {
  billsList,
  goodsReceivedList,
  notInvoicedList,
  payablesList,
  proposalsList,
  purchaseOrdersList,
  supplierPaymentsList,
  suppliersList,
} from '@/lists/buying'
import { dayOf } from '@/lists/days'
import {
  readBillList,
  readOrderList,
  readPaymentList,
  readProposalList,
  readReceivedList,
  readSupplierList,
} from '@/model/buying/onLists'
import { readNotInvoiced } from '@/model/buying/notInvoiced'
import { readPayables } from '@/model/buying/payables'
import { given, pageOfAll, pageOfQuery, partOf, reader } from './reader'

export const purchaseOrders = reader(purchaseOrdersList, async (where, asked, size) => {
  const { status, supplier } = asked.filter
  const { rows, ...rest } = await readOrderList(
    where,
    { status: status ?? undefined, supplierId: supplier ?? undefined },
    partOf(asked, size, purchaseOrdersList.opensBy),
  )
  return pageOfQuery(purchaseOrdersList.columns, rows, size, rest)
})

export const goodsReceived = reader(goodsReceivedList, async (where, asked, size) => {
  const { rows, ...rest } = await readReceivedList(
    where,
    { supplierId: asked.filter.supplier ?? undefined },
    partOf(asked, size, goodsReceivedList.opensBy),
  )
  return pageOfQuery(goodsReceivedList.columns, rows, size, rest)
})

export const bills = reader(billsList, async (where, asked, size) => {
  const { supplier, ...filter } = given(asked.filter)
  const { rows, ...rest } = await readBillList(
    where,
    { ...filter, supplierId: supplier },
    partOf(asked, size, billsList.opensBy),
  )
  return pageOfQuery(billsList.columns, rows, size, rest)
})

export const supplierPayments = reader(supplierPaymentsList, async (where, asked, size) => {
  const { supplier, ...filter } = given(asked.filter)
  const { rows, ...rest } = await readPaymentList(
    where,
    { ...filter, supplierId: supplier },
    partOf(asked, size, supplierPaymentsList.opensBy),
  )
  return pageOfQuery(supplierPaymentsList.columns, rows, size, rest)
})

export const suppliers = reader(suppliersList, async (where, asked, size) =>
  pageOfAll(suppliersList, await readSupplierList(where, asked.filter.search ?? undefined), asked, size, where),
)

export const payables = reader(payablesList, async (where, asked, size) => {
  const { asOf } = dayOf(asked.filter, where.today)
  const rows = await readPayables(where.db, { asOf }, where.currency)
  return { ...pageOfAll(payablesList, rows, asked, size, where), asOf }
})

export const proposals = reader(proposalsList, async (where, asked, size) =>
  pageOfAll(proposalsList, await readProposalList(where), asked, size, where),
)

export const notInvoiced = reader(notInvoicedList, async (where, asked, size) => {
  const { asOf } = dayOf(asked.filter, where.today)
  return { ...pageOfAll(notInvoicedList, await readNotInvoiced(where, asOf), asked, size, where), asOf }
})
