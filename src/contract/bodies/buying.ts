import type { addSupplierInput, changeSupplierInput } from '@/contract/inputs/buying/suppliers'
import type {
  changeOrderInput,
  closeOrderInput,
  orderGoodsInput,
  sendOrderInput,
} from '@/contract/inputs/buying/orders'
import type { orderForSaleInput, orderProposedInput } from '@/contract/inputs/buying/orderForSale'
import type {
  creditBillInput,
  returnToSupplierInput,
  undoReceiptInput,
  voidCreditInput,
} from '@/contract/inputs/buying/sentBack'
import type { billRepeatInput, startBillRepeatInput } from '@/contract/inputs/buying/repeatBill'
import type { supplierRefundInput, voidSupplierRefundInput } from '@/contract/inputs/buying/supplierRefund'
import type { landedCostInput, voidLandedCostInput } from '@/contract/inputs/buying/landedCost'
import type { paymentRunInput } from '@/contract/inputs/buying/paymentRun'
import type { setOffInput, voidSetOffInput } from '@/contract/inputs/buying/setOff'
import type { receiveGoodsInput } from '@/contract/inputs/buying/receive'
import type {
  enterBillInput,
  paySupplierInput,
  voidBillInput,
  voidSupplierPaymentInput,
} from '@/contract/inputs/buying/bills'
import type { Nothing, Body } from './body'

/** What the calls of buying take. */
export interface BuyingBodies {
  'POST /suppliers': Body<typeof addSupplierInput>
  'DELETE /suppliers/{id}': Nothing
  'PATCH /suppliers/{id}': Body<typeof changeSupplierInput, 'supplierId'>
  'POST /buying/proposals': Body<typeof orderProposedInput>
  'POST /purchase-orders': Body<typeof orderGoodsInput>
  'PATCH /purchase-orders/{id}': Body<typeof changeOrderInput, 'orderId'>
  'POST /purchase-orders/{id}/send': Body<typeof sendOrderInput, 'orderId'>
  'POST /purchase-orders/{id}/close': Body<typeof closeOrderInput, 'orderId'>
  'POST /sales/{id}/purchase-orders': Body<typeof orderForSaleInput, 'saleId'>
  'POST /goods-received': Body<typeof receiveGoodsInput>
  'POST /goods-received/{id}/returns': Body<typeof returnToSupplierInput, 'receivedId'>
  'POST /goods-received/{id}/undo': Body<typeof undoReceiptInput, 'receivedId'>
  'POST /bills': Body<typeof enterBillInput>
  'POST /bills/{id}/credits': Body<typeof creditBillInput, 'billId'>
  'POST /supplier-credits/{id}/void': Body<typeof voidCreditInput, 'creditId'>
  'POST /bills/{id}/repeats': Body<typeof startBillRepeatInput, 'billId'>
  'POST /bill-repeats/{id}/stop': Body<typeof billRepeatInput, 'repeatId'>
  'POST /bills/{id}/void': Body<typeof voidBillInput, 'billId'>
  'POST /payment-runs': Body<typeof paymentRunInput>
  'POST /set-offs': Body<typeof setOffInput>
  'POST /set-offs/{id}/void': Body<typeof voidSetOffInput, 'setOffId'>
  'POST /supplier-refunds': Body<typeof supplierRefundInput>
  'POST /supplier-refunds/{id}/void': Body<typeof voidSupplierRefundInput, 'refundId'>
  'POST /landed-costs': Body<typeof landedCostInput>
  'POST /landed-costs/{id}/void': Body<typeof voidLandedCostInput, 'costId'>
  'POST /supplier-payments': Body<typeof paySupplierInput>
  'POST /supplier-payments/{id}/void': Body<typeof voidSupplierPaymentInput, 'paymentId'>
}
