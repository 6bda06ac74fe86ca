import { dropSupplier } from '@/services/dropWhole'
import { z } from 'zod'
import { day, id as idField } from '@/contract/fields'
import { billView, billViews } from '@/model/buying/bills'
import { readBillFile } from '@/services/buying/readBillFile'
import { orderView, orderViews } from '@/model/buying/orders'
import { landedCostView } from '@/model/buying/landedCosts'
import { supplierRefundView, supplierRefundViews } from '@/model/buying/supplierRefunds'
import { payablesView } from '@/model/buying/payables'
import { paymentView, paymentViews } from '@/model/buying/payments'
import { proposalsView } from '@/model/buying/proposals'
import { receivedView, receivedViews } from '@/model/buying/received'
import { setOffView, setOffViews } from '@/model/buying/setOffs'
import { readSuppliers, supplierView } from '@/model/buying/suppliers'
import { creditBill } from '@/services/buying/creditBill'
import { enterBill } from '@/services/buying/enterBill'
import { addSupplier, changeSupplier } from '@/services/buying/keepSupplier'
import { changeOrder, closeOrder, orderGoods, sendOrder } from '@/services/buying/orderGoods'
import { orderForSale } from '@/services/buying/orderForSale'
import { orderProposed } from '@/services/buying/orderProposed'
import { landCost } from '@/services/buying/landCost'
import { payRun } from '@/services/buying/payRun'
import { paySupplier, voidSupplierPayment } from '@/services/buying/paySupplier'
import { startBillRepeat, stopBillRepeat } from '@/services/buying/repeatBill'
import { receiveGoods } from '@/services/buying/receiveGoods'
import { returnToSupplier, undoReceipt } from '@/services/buying/sendBack'
import { setOff, voidSetOff } from '@/services/buying/setOff'
import { takeSupplierRefund, voidSupplierRefund } from '@/services/buying/supplierRefund'
import { voidCredit } from '@/services/buying/voidCredit'
import { voidLandedCost } from '@/services/buying/voidLandedCost'
import { voidBill } from '@/services/buying/voidBill'
import { change, listOf, noQuery, page, read, readCursor, readFile } from '../operation'

const ofSupplier = page.extend({ supplierId: idField.optional() })
const part = ({ limit, after }: { readonly limit: number; readonly after?: string }) => ({
  limit,
  after: readCursor(z.number().int(), after),
})
const byId = (row: { readonly id: number }) => row.id
const same = <T>(row: T): T => row

export const buying = [
  change('/suppliers', 'Somebody who sells to us.', addSupplier, { status: 201 }),
  read(
    '/suppliers',
    'Suppliers by name, with what is owed to them.',
    z.object({ search: z.string().max(200).optional() }),
    async ({ db, business, today, query }) => ({
      items: await readSuppliers(db, query.search, { business, today }),
      next: null,
    }),
  ),
  read(
    '/suppliers/{id}',
    'A supplier.',
    noQuery,
    ({ db, id, business, today }) => supplierView(db, id, { business, today }),
    'supplier',
  ),
  change(
    '/suppliers/{id}',
    'Deletes a supplier who was added by mistake: nothing was bought from them.',
    dropSupplier,
    {
      path: { supplierId: 'id' },
      method: 'DELETE',
    },
  ),
  change('/suppliers/{id}', 'Changes what is kept of a supplier.', changeSupplier, {
    path: { supplierId: 'id' },
    method: 'PATCH',
  }),
  change('/purchase-orders', 'An order to a supplier: a draft until it is sent. It posts nothing.', orderGoods, {
    status: 201,
  }),
  read(
    '/purchase-orders',
    'Orders to suppliers, the newest first.',
    ofSupplier.extend({ saleId: idField.optional() }),
    async ({ db, business, query }) =>
      listOf(await orderViews(db, query, part(query), business.currency), query.limit, same, byId),
  ),
  read(
    '/purchase-orders/{id}',
    'An order to a supplier.',
    noQuery,
    ({ db, id, business }) => orderView(db, id, business.currency),
    'order',
  ),
  change('/purchase-orders/{id}', 'Changes what is on an order; what came stays on it.', changeOrder, {
    path: { orderId: 'id' },
    method: 'PATCH',
  }),
  change('/purchase-orders/{id}/send', 'The supplier has it: what did not come yet is on order.', sendOrder, {
    path: { orderId: 'id' },
  }),
  change('/purchase-orders/{id}/close', 'What did not come is not wanted any more.', closeOrder, {
    path: { orderId: 'id' },
  }),
  change('/sales/{id}/purchase-orders', 'Orders what a sale is short of, one order a supplier.', orderForSale, {
    path: { saleId: 'id' },
    status: 201,
  }),
  change('/buying/proposals', 'Orders all that is proposed, one draft a supplier.', orderProposed, { status: 201 }),
  read('/buying/proposals', 'What to order, of whom, and why.', noQuery, async ({ db, today }) => ({
    rows: await proposalsView(db, { today }),
  })),
  change('/goods-received', 'Goods come from a supplier, by an order or without one.', receiveGoods, { status: 201 }),
  read(
    '/goods-received',
    'What came from suppliers, the newest first.',
    ofSupplier.extend({ search: z.string().max(200).optional() }),
    async ({ db, business, query }) =>
      listOf(await receivedViews(db, query, part(query), business.currency), query.limit, same, byId),
  ),
  read(
    '/goods-received/{id}',
    'What came, and for which sales it is set aside.',
    noQuery,
    ({ db, id, business, today }) => receivedView(db, id, { business, today }),
    'receipt of goods',
  ),
  change('/goods-received/{id}/returns', 'Goods go back to the supplier they came from.', returnToSupplier, {
    path: { receivedId: 'id' },
    status: 201,
  }),
  change('/goods-received/{id}/undo', 'A receipt that was entered wrong, as if it had never been.', undoReceipt, {
    path: { receivedId: 'id' },
  }),
  change('/bills', 'A supplier’s bill: for what came, for what is on order, or by account.', enterBill, {
    status: 201,
  }),
  read('/bills', 'Bills of suppliers, the newest first.', ofSupplier, async ({ db, business, query }) =>
    listOf(await billViews(db, query, part(query), business.currency), query.limit, same, byId),
  ),
  read(
    '/bills/{id}',
    'A supplier’s bill, and what was paid on it.',
    noQuery,
    ({ db, id, business }) => billView(db, id, { business }),
    'bill',
  ),
  readFile(
    '/bills/read',
    'An e-invoice (UBL 2.1 or CII, or a PDF that brings one along) as a draft of a bill; nothing is saved.',
    'application/xml, application/pdf',
    noQuery,
    readBillFile,
  ),
  change('/bills/{id}/void', 'A supplier’s bill does not count from a day on.', voidBill, {
    path: { billId: 'id' },
  }),
  change('/bills/{id}/credits', 'A supplier’s credit on a bill: for goods that went back, or an amount.', creditBill, {
    path: { billId: 'id' },
    status: 201,
  }),
  change('/supplier-credits/{id}/void', 'A supplier’s credit does not count from a day on.', voidCredit, {
    path: { creditId: 'id' },
  }),
  change('/bills/{id}/repeats', 'A bill by account that comes again, like rent.', startBillRepeat, {
    path: { billId: 'id' },
    status: 201,
  }),
  change('/bill-repeats/{id}/stop', 'Nothing more is entered; what was entered stays.', stopBillRepeat, {
    path: { repeatId: 'id' },
  }),
  change('/supplier-payments', 'Money to a supplier: for their bills, or in advance.', paySupplier, { status: 201 }),
  read(
    '/supplier-payments',
    'Money that went to suppliers, the newest first.',
    ofSupplier,
    async ({ db, business, query }) =>
      listOf(await paymentViews(db, query, part(query), business.currency), query.limit, same, byId),
  ),
  read(
    '/supplier-payments/{id}',
    'A payment to a supplier, and what it paid.',
    noQuery,
    ({ db, id, business }) => paymentView(db, id, { business }),
    'payment',
  ),
  change(
    '/supplier-payments/{id}/void',
    'A payment that did not happen: what it paid is owed again.',
    voidSupplierPayment,
    {
      path: { paymentId: 'id' },
    },
  ),
  change('/payment-runs', 'Pays many bills from the bank at once, with the file the bank takes (pain.001).', payRun, {
    status: 201,
  }),
  change('/set-offs', 'What a customer owes and we owe the same people, paid by one another.', setOff, { status: 201 }),
  read('/set-offs', 'Set-offs, the newest first.', ofSupplier, async ({ db, business, query }) =>
    listOf(await setOffViews(db, query, part(query), business.currency), query.limit, same, byId),
  ),
  read(
    '/set-offs/{id}',
    'A set-off, with the receipt and the payment that it is.',
    noQuery,
    ({ db, id, business }) => setOffView(db, id, business.currency),
    'set-off',
  ),
  change('/set-offs/{id}/void', 'A set-off that did not happen: both sides owe again.', voidSetOff, {
    path: { setOffId: 'id' },
  }),
  change('/supplier-refunds', 'Money paid in advance that a supplier gives back.', takeSupplierRefund, { status: 201 }),
  read('/supplier-refunds', 'Money that suppliers gave back, the newest first.', ofSupplier, async (asked) =>
    listOf(
      await supplierRefundViews(asked.db, asked.query, part(asked.query), asked.business.currency),
      asked.query.limit,
      same,
      byId,
    ),
  ),
  read(
    '/supplier-refunds/{id}',
    'Money that a supplier gave back.',
    noQuery,
    ({ db, id, business }) => supplierRefundView(db, id, business.currency),
    'refund',
  ),
  change(
    '/supplier-refunds/{id}/void',
    'Money that did not come back: it is paid in advance again.',
    voidSupplierRefund,
    {
      path: { refundId: 'id' },
    },
  ),
  change('/landed-costs', 'Freight or duty joins what goods cost, spread over what came.', landCost, { status: 201 }),
  read(
    '/landed-costs/{id}',
    'A cost that was spread over what came, and where it went.',
    noQuery,
    ({ db, id, business }) => landedCostView(db, id, business.currency),
    'landed cost',
  ),
  change('/landed-costs/{id}/void', 'A cost spread wrong: it stands on its account again.', voidLandedCost, {
    path: { costId: 'id' },
  }),
  read(
    '/payables',
    'Who is owed what at the end of a day, by age.',
    z.object({ asOf: day.optional(), by: z.enum(['due', 'bill']).optional() }),
    ({ db, business, today, query }) =>
      payablesView(db, { asOf: query.asOf ?? today, by: query.by }, business.currency),
  ),
]
