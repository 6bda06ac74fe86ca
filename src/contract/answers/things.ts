import { RECEIPT_METHODS } from '@/core/ledger'
import {
  ADDRESS_KINDS,
  COSTINGS,
  GOODS_KINDS,
  INVOICE_KINDS,
  INVOICE_STATUSES,
  POST_STATES,
  TRACKS,
  VOID_KINDS,
} from '@/core/kinds'
import { z } from 'zod'
import { dayText, decimalText } from './texts'

/** Things as more than one call answers them. */

export const address = z.object({
  id: z.int(),
  kind: z.enum(ADDRESS_KINDS),
  text: z.string(),
  isDefault: z.boolean(),
  instructions: z.string(),
  taxArea: z.string(),
})

export const contact = z.object({
  id: z.int(),
  name: z.string(),
  role: z.string(),
  email: z.string(),
  phone: z.string(),
})

/** A customer, and where they stand. */
export const standing = z.object({
  id: z.int(),
  name: z.string(),
  contact: z.string(),
  email: z.string(),
  phone: z.string(),
  kind: z.string(),
  owed: decimalText,
  held: decimalText,
  late: decimalText,
})

export const customer = standing.extend({
  note: z.string(),
  terms: z.object({
    net: z.int(),
    discountPercent: decimalText.optional(),
    discountDays: z.int().nullable().optional(),
  }),
  taxExempt: z.boolean(),
  exempt: z.boolean(),
  exemptNumber: z.string(),
  exemptUntil: dayText.nullable(),
  priceLevel: z.string(),
  priceLevelName: z.string(),
  pricesIncludeTax: z.boolean(),
  creditLimit: decimalText.nullable(),
  language: z.string(),
  tags: z.array(z.string()),
  joinedToId: z.int().nullable(),
  committed: decimalText,
  addresses: z.array(address),
  contacts: z.array(contact),
  /** What its lists say, for whoever changes them. */
  edition: z.string(),
})

/** From a quantity on, while it is valid. */
const step = {
  fromQuantity: decimalText,
  validFrom: dayText.nullable(),
  validUntil: dayText.nullable(),
}

export const goods = z.object({
  id: z.int(),
  code: z.string(),
  name: z.string(),
  kind: z.enum(GOODS_KINDS),
  price: decimalText,
  taxCode: z.string(),
  barcode: z.string(),
  note: z.string(),
  tags: z.array(z.string()),
  weight: decimalText.nullable(),
  size: z.string(),
  reorderAt: decimalText.nullable(),
  track: z.enum(TRACKS),
  costing: z.enum(COSTINGS),
  warrantyMonths: z.int().nullable(),
  placeId: z.int().nullable(),
  priceIsSum: z.boolean(),
  onShopfront: z.boolean(),
  pictureFileId: z.int().nullable(),
  retired: z.boolean(),
  parts: z.array(z.object({ goodsId: z.int(), quantity: decimalText })),
  onHand: decimalText,
  setAside: decimalText,
  available: decimalText,
  onTheWay: decimalText,
  unitCost: decimalText,
  prices: z.array(z.object({ level: z.string(), price: decimalText, ...step })),
  suppliers: z.array(
    z.object({
      supplierId: z.int(),
      name: z.string(),
      code: z.string(),
      preferred: z.boolean(),
      packSize: decimalText,
      unitCost: decimalText.nullable(),
      prices: z.array(z.object({ unitCost: decimalText, ...step })),
    }),
  ),
  /** What its lists say, for whoever changes them. */
  edition: z.string(),
})

export const invoiceLine = z.object({
  id: z.int(),
  lineId: z.int(),
  description: z.string(),
  quantity: decimalText,
  unitPrice: decimalText,
  discountPercent: decimalText,
  net: decimalText,
  tax: decimalText,
})

export const invoiceDue = z.object({
  id: z.int(),
  due: dayText,
  label: z.string(),
  amount: decimalText,
  open: decimalText,
})

export const invoice = z.object({
  id: z.int(),
  number: z.string().nullable(),
  kind: z.enum(INVOICE_KINDS),
  status: z.enum(INVOICE_STATUSES),
  saleId: z.int(),
  customerId: z.int(),
  on: dayText,
  reason: z.string(),
  creditsId: z.int().nullable(),
  lines: z.array(invoiceLine),
  totals: z.object({ net: decimalText, tax: decimalText, gross: decimalText }),
  heldApplied: decimalText,
  open: decimalText,
  dues: z.array(
    z.object({
      id: z.int(),
      due: dayText,
      label: z.string(),
      amount: decimalText,
      open: decimalText,
      discount: decimalText.optional(),
      discountUntil: dayText.optional(),
    }),
  ),
})

export const receipt = z.object({
  id: z.int(),
  number: z.string(),
  customerId: z.int(),
  on: dayText,
  method: z.enum(RECEIPT_METHODS),
  amount: decimalText,
  reference: z.string(),
  filled: z.array(z.object({ dueId: z.int(), saleId: z.int(), amount: decimalText })),
  held: z.array(z.object({ saleId: z.int(), amount: decimalText })),
  onAccount: decimalText,
  discount: decimalText,
  rounding: decimalText,
  change: decimalText,
  voidedOn: dayText.nullable(),
  voidedAs: z.enum(VOID_KINDS).nullable(),
})

export const toBank = z.object({
  id: z.int(),
  number: z.string(),
  on: dayText,
  customer: z.string(),
  reference: z.string(),
  amount: decimalText,
})

export const letter = z.object({
  id: z.int(),
  /** To a customer or a supplier; `customer` is the name of either. */
  customerId: z.int().nullable(),
  supplierId: z.int().nullable(),
  customer: z.string(),
  saleId: z.int().nullable(),
  paper: z.string(),
  paperId: z.int().nullable(),
  to: z.string(),
  subject: z.string(),
  body: z.string(),
  state: z.enum(POST_STATES),
  tries: z.int(),
  problem: z.string(),
  writtenOn: dayText,
  sentOn: dayText.nullable(),
})

export const layoutSpec = z.object({
  title: z.string(),
  above: z.string(),
  below: z.string(),
  columns: z.array(z.object({ key: z.string(), name: z.string() })),
  blocks: z.array(z.string()),
  showMark: z.boolean(),
  showNotes: z.boolean(),
  showDeliverTo: z.boolean(),
})

export const basketLine = z.object({
  goodsId: z.int(),
  name: z.string(),
  code: z.string(),
  quantity: decimalText,
  price: decimalText,
  priceFrom: z.string(),
  available: decimalText,
  sum: decimalText,
})

export const basket = z.object({
  id: z.int(),
  turn: z.int(),
  name: z.string(),
  email: z.string(),
  phone: z.string(),
  deliverTo: z.string(),
  note: z.string(),
  startedOn: dayText,
  saleId: z.int().nullable(),
  lines: z.array(basketLine),
  totals: z.object({ net: decimalText, tax: decimalText, gross: decimalText }),
})

export const entry = z.object({
  id: z.int(),
  on: dayText,
  text: z.string(),
  source: z.object({ kind: z.string(), id: z.int().nullable() }),
  saleId: z.int().nullable(),
  reverses: z.int().nullable(),
  lines: z.array(z.object({ account: decimalText, name: z.string(), debit: decimalText, credit: decimalText })),
})

/** The payments of a plan, with what of each is charge and what is left after it. */
export const planRows = z.array(
  z.object({
    due: dayText,
    payment: decimalText,
    principal: decimalText,
    charge: decimalText,
    balance: decimalText,
  }),
)
