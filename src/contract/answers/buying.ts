import { BILL_FILLS, PURCHASE_STATUSES, SUPPLIER_ADDRESSES } from '@/core/kinds'
import { z } from 'zod'
import { ages, landedCost, onePayment, payment, setOff, supplierRefund } from './paying'
import { contact } from './things'
import { dayText, decimalText, list, rhythmText } from './texts'

const supplier = z.object({
  id: z.int(),
  name: z.string(),
  email: z.string(),
  phone: z.string(),
  address: z.string(),
  note: z.string(),
  terms: z.object({ net: z.int(), discountPercent: decimalText, discountDays: z.int() }),
  bank: z.object({
    name: z.string(),
    iban: z.string(),
    bic: z.string(),
    routing: z.string(),
    account: z.string(),
  }),
  /** The same people, as a customer. */
  customerId: z.int().nullable(),
  taxNumber: z.string(),
  /** What lines of their bills usually are taxed with. */
  taxCode: z.string().nullable(),
  /** Owed to them now, and what of it is late. */
  owed: decimalText,
  late: decimalText,
})
/** With what was paid to them in advance and is not used. */
const oneSupplier = supplier.extend({
  ahead: decimalText,
  addresses: z.array(z.object({ use: z.enum(SUPPLIER_ADDRESSES), text: z.string() })),
  contacts: z.array(contact),
  /** What its lists say, for whoever changes them. */
  edition: z.string(),
})

const order = z.object({
  id: z.int(),
  number: z.string(),
  supplierId: z.int(),
  supplier: z.string(),
  on: dayText,
  wantedBy: dayText.nullable(),
  confirmedFor: dayText.nullable(),
  /** How often it went out otherwise than before; whether it was changed since. */
  version: z.int(),
  changed: z.boolean(),
  direct: z.boolean(),
  /** What it says, for whoever changes it. */
  edition: z.string(),
  note: z.string(),
  status: z.enum(PURCHASE_STATUSES),
  sentOn: dayText.nullable(),
  closedOn: dayText.nullable(),
  closedReason: z.string(),
  saleIds: z.array(z.int()),
  lines: z.array(
    z.object({
      id: z.int(),
      goodsId: z.int().nullable(),
      code: z.string().nullable(),
      description: z.string(),
      ordered: decimalText,
      unitCost: decimalText,
      taxCode: z.string().nullable(),
      saleLineId: z.int().nullable(),
      saleId: z.int().nullable(),
      received: decimalText,
      billed: decimalText,
      toReceive: decimalText,
      toBill: decimalText,
    }),
  ),
  totals: z.object({ net: decimalText }),
})

const received = z.object({
  id: z.int(),
  number: z.string(),
  supplierId: z.int(),
  supplier: z.string(),
  purchaseOrderId: z.int().nullable(),
  on: dayText,
  placeId: z.int(),
  lines: z.array(
    z.object({
      id: z.int(),
      goodsId: z.int(),
      name: z.string(),
      quantity: decimalText,
      unitCost: decimalText,
      purchaseOrderLineId: z.int().nullable(),
      billed: decimalText,
      returned: decimalText,
      toBill: decimalText,
      toCredit: decimalText,
    }),
  ),
})
const returned = z.object({
  id: z.int(),
  number: z.string(),
  receivedId: z.int(),
  on: dayText,
  reason: z.string(),
  undoes: z.boolean(),
  /** `value` is what they came in at, `cost` what they cost as they left. */
  lines: z.array(
    z.object({ id: z.int(), lineId: z.int(), quantity: decimalText, value: decimalText, cost: decimalText }),
  ),
})
/** With the sales it is set aside for, and who of those that wait can go now. */
const oneReceived = received.extend({
  setAsideFor: z.array(z.object({ saleId: z.int(), lineId: z.int(), quantity: decimalText })),
  canGo: z.array(z.object({ saleId: z.int(), number: z.int(), customer: z.string() })),
  returns: z.array(returned),
})

const bill = z.object({
  id: z.int(),
  number: z.string(),
  supplierId: z.int(),
  supplier: z.string(),
  theirNumber: z.string(),
  on: dayText,
  totals: z.object({ net: decimalText, tax: decimalText, gross: decimalText }),
  open: decimalText,
  dues: z.array(z.object({ dueOn: dayText, amount: decimalText, open: decimalText })),
  discount: z.object({ through: dayText, amount: decimalText }).nullable(),
  priceDifference: decimalText,
  voidedOn: dayText.nullable(),
  lines: z.array(
    z.object({
      id: z.int(),
      receivedLineId: z.int().nullable(),
      purchaseOrderLineId: z.int().nullable(),
      accountId: z.int(),
      account: z.string(),
      description: z.string(),
      quantity: decimalText,
      unitCost: decimalText,
      amount: decimalText,
      tax: decimalText,
      difference: decimalText,
      toStock: decimalText,
      toCostOfSales: decimalText,
    }),
  ),
})
const credit = z.object({
  id: z.int(),
  number: z.string(),
  billId: z.int(),
  theirNumber: z.string(),
  on: dayText,
  reason: z.string(),
  voidedOn: dayText.nullable(),
  totals: z.object({ net: decimalText, tax: decimalText, gross: decimalText }),
  lines: z.array(
    z.object({
      id: z.int(),
      billLineId: z.int(),
      quantity: decimalText,
      amount: decimalText,
      tax: decimalText,
      fromStock: decimalText,
    }),
  ),
})
const billRepeat = z.object({
  id: z.int(),
  billId: z.int(),
  ...rhythmText,
})
/** With what was taken off it and when. */
const oneBill = bill.extend({
  credits: z.array(credit),
  repeats: z.array(billRepeat),
  paid: z.array(
    z.object({ on: dayText, kind: z.enum(BILL_FILLS), paymentId: z.int().nullable(), amount: decimalText }),
  ),
})

/** What the calls of “Buying” answer. */
export const buyingAnswers = {
  'POST /suppliers': oneSupplier,
  'GET /suppliers': list(supplier),
  'GET /suppliers/{id}': oneSupplier,
  'PATCH /suppliers/{id}': oneSupplier,
  'DELETE /suppliers/{id}': z.object({}),
  'POST /purchase-orders': order,
  'GET /purchase-orders': list(order),
  'GET /purchase-orders/{id}': order,
  'PATCH /purchase-orders/{id}': order,
  /** With the e-mail it went out with. */
  'POST /purchase-orders/{id}/send': order.extend({ postId: z.int().nullable() }),
  'POST /purchase-orders/{id}/close': order,
  'POST /sales/{id}/purchase-orders': z.object({ orders: z.array(order) }),
  'POST /buying/proposals': z.object({ orders: z.array(order) }),
  'GET /buying/proposals': z.object({
    rows: z.array(
      z.object({
        goodsId: z.int(),
        name: z.string(),
        supplierId: z.int().nullable(),
        supplier: z.string(),
        /** Why this supplier; null where nobody sells it. */
        chosen: z.enum(['preferred', 'cheapest', 'only']).nullable(),
        quantity: decimalText,
        why: z.enum(['sale', 'reorder']),
        saleIds: z.array(z.int()),
      }),
    ),
  }),
  'POST /goods-received': oneReceived,
  'GET /goods-received': list(received),
  'GET /goods-received/{id}': oneReceived,
  'POST /goods-received/{id}/returns': returned,
  'POST /goods-received/{id}/undo': oneReceived,
  'POST /bills': oneBill,
  'POST /bills/{id}/credits': credit,
  'POST /supplier-credits/{id}/void': credit,
  'POST /bills/{id}/repeats': billRepeat,
  'POST /bill-repeats/{id}/stop': billRepeat,
  'POST /bills/read': z.object({
    supplierId: z.int().nullable(),
    supplier: z.string(),
    theirNumber: z.string(),
    /** The bill that has their number already. */
    enteredAs: z.string().nullable(),
    on: dayText,
    due: dayText.optional(),
    lines: z.array(
      z.object({
        /** What came or is on order that it fits; neither, and it needs an account. */
        receivedLineId: z.int().optional(),
        purchaseOrderLineId: z.int().optional(),
        goodsId: z.int().nullable(),
        description: z.string(),
        quantity: decimalText,
        unitCost: decimalText,
        amount: decimalText,
        tax: decimalText,
        taxCode: z.string().optional(),
      }),
    ),
    totals: z.object({ net: decimalText, tax: decimalText, gross: decimalText }),
  }),
  'GET /bills': list(bill),
  'GET /bills/{id}': oneBill,
  'POST /bills/{id}/void': oneBill,
  'POST /supplier-payments': onePayment,
  'GET /supplier-payments': list(payment),
  'GET /supplier-payments/{id}': onePayment,
  'POST /supplier-payments/{id}/void': onePayment,
  'POST /payment-runs': z.object({ payments: z.array(onePayment), file: z.string() }),
  'POST /set-offs': setOff,
  'GET /set-offs': list(setOff),
  'GET /set-offs/{id}': setOff,
  'POST /set-offs/{id}/void': setOff,
  'POST /supplier-refunds': supplierRefund,
  'GET /supplier-refunds': list(supplierRefund),
  'GET /supplier-refunds/{id}': supplierRefund,
  'POST /supplier-refunds/{id}/void': supplierRefund,
  'POST /landed-costs': landedCost,
  'GET /landed-costs/{id}': landedCost,
  'POST /landed-costs/{id}/void': landedCost,
  'GET /payables': z.object({
    asOf: dayText,
    by: z.string(),
    rows: z.array(z.object({ supplierId: z.int(), name: z.string(), ...ages })),
    totals: z.object(ages),
    controlAccount: decimalText,
    difference: decimalText,
  }),
}
