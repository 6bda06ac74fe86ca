import { z } from 'zod'
import { dayText, decimalText } from './texts'

/** Things as more than one call answers them. */

export const address = z.object({
  id: z.int(),
  kind: z.string(),
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
  exemptNumber: z.string(),
  exemptUntil: dayText.nullable(),
  priceLevel: z.string(),
  pricesIncludeTax: z.boolean(),
  creditLimit: decimalText.nullable(),
  language: z.string(),
  tags: z.array(z.string()),
  joinedToId: z.int().nullable(),
  committed: decimalText,
  addresses: z.array(address),
  contacts: z.array(contact),
})

export const datedLine = z.object({
  on: dayText,
  text: z.string(),
  paper: z.object({ kind: z.string(), id: z.int() }).nullable(),
  amount: decimalText.optional(),
  balance: decimalText,
})

export const goods = z.object({
  id: z.int(),
  code: z.string(),
  name: z.string(),
  kind: z.string(),
  price: decimalText,
  taxCode: z.string(),
  barcode: z.string(),
  note: z.string(),
  tags: z.array(z.string()),
  weight: decimalText.nullable(),
  size: z.string(),
  reorderAt: decimalText.nullable(),
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
  prices: z.array(
    z.object({
      level: z.string(),
      fromQuantity: decimalText,
      price: decimalText,
      validFrom: dayText.nullable(),
      validUntil: dayText.nullable(),
    }),
  ),
  suppliers: z.array(z.object({ supplierId: z.int(), name: z.string(), code: z.string(), preferred: z.boolean() })),
})

export const saleLine = z.object({
  id: z.int(),
  goodsId: z.int().nullable(),
  kind: z.string(),
  description: z.string(),
  note: z.string(),
  quantity: decimalText,
  unitPrice: decimalText,
  priceFrom: z.string(),
  choice: z.string(),
  choiceGroup: z.string(),
  chosen: z.boolean(),
  discountAmount: decimalText,
  expectedCost: decimalText,
  deliverTo: z.string(),
  discountPercent: decimalText,
  taxCode: z.string(),
  rateId: z.int(),
  net: decimalText,
  agreed: decimalText,
  setAside: decimalText,
  handedOver: decimalText,
  billed: decimalText,
  returned: decimalText,
  credited: decimalText,
  toHandOver: decimalText,
  toBill: decimalText,
  readyToBill: decimalText,
  short: decimalText,
})

export const saleMoney = z.object({
  received: decimalText,
  held: decimalText,
  billed: decimalText,
  open: decimalText,
  late: decimalText,
  notBilled: decimalText,
})

export const saleInvoice = z.object({
  id: z.int(),
  number: z.string().nullable(),
  kind: z.string(),
  status: z.string(),
  on: dayText,
  gross: decimalText,
})

export const sale = z.object({
  id: z.int(),
  number: z.int(),
  customerId: z.int(),
  customer: z.string(),
  title: z.string(),
  stands: z.string(),
  startedOn: dayText,
  sentOn: dayText.nullable(),
  validUntil: dayText.nullable(),
  agreedOn: dayText.nullable(),
  purchaseOrder: z.string(),
  wantedBy: dayText.nullable(),
  channel: z.string(),
  kind: z.string(),
  note: z.string(),
  noteAbove: z.string(),
  discountPercent: decimalText,
  discountAmount: decimalText,
  rolledUp: z.boolean(),
  billTo: z.string(),
  deliverTo: z.string(),
  deliverNote: z.string(),
  yesBy: z.string(),
  yesHow: z.string(),
  copiedFromId: z.int().nullable(),
  pricesIncludeTax: z.boolean(),
  arrangement: z.object({
    kind: z.string(),
    net: z.int().optional(),
    percent: decimalText.optional(),
    amount: decimalText.optional(),
    every: z.union([z.string(), z.object({ days: z.int() })]).optional(),
    months: z.int().optional(),
    graceDays: z.int().optional(),
    firstPercent: decimalText.optional(),
    fee: z.object({ amount: decimalText.optional(), percent: decimalText.optional() }).optional(),
    count: z.int().optional(),
    charge: z
      .object({ yearlyRate: decimalText.optional(), flat: decimalText.optional(), flatPercent: decimalText.optional() })
      .optional(),
    firstDue: dayText.optional(),
    lateCharge: z.object({ percent: decimalText.optional(), amount: decimalText.optional() }).optional(),
    firstPayment: decimalText.optional(),
    discountDays: z.int().optional(),
    discountPercent: decimalText.optional(),
    parts: z.int().optional(),
    apply: z.string().optional(),
    stages: z
      .array(z.object({ percent: decimalText.optional(), when: z.string().optional(), amount: decimalText.optional() }))
      .optional(),
    roundUpTo: z.int().optional(),
  }),
  lines: z.array(saleLine),
  totals: z.object({ net: decimalText, tax: decimalText, gross: decimalText }),
  money: saleMoney,
  next: z.array(
    z.object({ action: z.string(), why: z.string(), amount: decimalText.optional(), quantity: decimalText.optional() }),
  ),
  invoices: z.array(saleInvoice),
  trail: z.array(datedLine),
})

export const versionLine = z.object({
  lineId: z.int(),
  description: z.string(),
  note: z.string(),
  quantity: decimalText,
  unitPrice: decimalText,
  discountPercent: decimalText,
  taxCode: z.string(),
  kind: z.string(),
  choice: z.string(),
  choiceGroup: z.string(),
  chosen: z.boolean(),
  discountAmount: decimalText,
  net: decimalText,
})

export const version = z.object({
  n: z.int(),
  kind: z.string(),
  on: dayText,
  validUntil: dayText.nullable(),
  gross: decimalText,
  less: decimalText,
  lines: z.array(versionLine),
})

export const repeat = z.object({
  id: z.int(),
  saleId: z.int(),
  saleNumber: z.int(),
  customerId: z.int(),
  customer: z.string(),
  title: z.string(),
  total: decimalText,
  every: z.string(),
  firstOn: dayText,
  nextOn: dayText.nullable(),
  done: z.int(),
  until: dayText.nullable(),
  times: z.int().nullable(),
  makes: z.string(),
  byItself: z.boolean(),
  stoppedOn: dayText.nullable(),
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
  kind: z.string(),
  status: z.string(),
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
  method: z.string(),
  amount: decimalText,
  reference: z.string(),
  filled: z.array(z.object({ dueId: z.int(), saleId: z.int(), amount: decimalText })),
  held: z.array(z.object({ saleId: z.int(), amount: decimalText })),
  onAccount: decimalText,
  discount: decimalText,
  rounding: decimalText,
  change: decimalText,
  voidedOn: dayText.nullable(),
  voidedAs: z.string().nullable(),
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
  customerId: z.int(),
  customer: z.string(),
  saleId: z.int().nullable(),
  paper: z.string(),
  paperId: z.int().nullable(),
  to: z.string(),
  subject: z.string(),
  body: z.string(),
  state: z.string(),
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
