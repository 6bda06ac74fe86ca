import { STANDS } from '@/core/sale'
import {
  HANDOVER_WAYS,
  ASIDE_TURNS,
  LINE_KINDS,
  LINE_CHOICES,
  INVOICE_KINDS,
  CHANNELS,
  VERSION_KINDS,
  REPEAT_MAKES,
  INVOICE_STATUSES,
  PARCEL_STATES,
  TAX_ROUNDED_PER,
  PURCHASE_STATUSES,
  PICK_STATES,
} from '@/core/kinds'
import { z } from 'zod'
import { dayText, decimalText, rhythmText } from './texts'

export const datedLine = z.object({
  on: dayText,
  text: z.string(),
  paper: z.object({ kind: z.string(), id: z.int() }).nullable(),
  amount: decimalText.optional(),
  balance: decimalText,
})

export const saleLine = z.object({
  id: z.int(),
  goodsId: z.int().nullable(),
  kind: z.enum(LINE_KINDS),
  description: z.string(),
  note: z.string(),
  quantity: decimalText,
  unitPrice: decimalText,
  priceFrom: z.string(),
  choice: z.enum(LINE_CHOICES),
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
  asideTurn: z.enum(ASIDE_TURNS),
  handedOver: decimalText,
  billed: decimalText,
  returned: decimalText,
  credited: decimalText,
  toHandOver: decimalText,
  toBill: decimalText,
  readyToBill: decimalText,
  short: decimalText,
  /** Of a kit: how far each of its parts has gone. */
  parts: z
    .array(
      z.object({
        goodsId: z.int(),
        name: z.string(),
        perKit: decimalText,
        agreed: decimalText,
        handedOver: decimalText,
        toHandOver: decimalText,
        available: decimalText,
      }),
    )
    .optional(),
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
  kind: z.enum(INVOICE_KINDS),
  status: z.enum(INVOICE_STATUSES),
  on: dayText,
  gross: decimalText,
})

const handoverHead = z.object({
  id: z.int(),
  number: z.string(),
  on: dayText,
  by: z.enum(HANDOVER_WAYS),
  direction: z.enum(['out', 'back']),
})

/** A box with what is in it, and where its carrier has it. */
export const parcel = z.object({
  id: z.int(),
  weight: decimalText,
  size: z.string(),
  address: z.string(),
  carrier: z.string(),
  service: z.string(),
  price: decimalText.nullable(),
  tracking: z.string(),
  state: z.enum(PARCEL_STATES),
  sentOn: dayText.nullable(),
  arrivedOn: dayText.nullable(),
  lines: z.array(z.object({ lineId: z.int(), quantity: decimalText })),
})

/** Goods that went to the customer, or came back: what each cost and from where it was taken. */
export const handover = handoverHead.extend({
  saleId: z.int(),
  lines: z.array(
    z.object({
      lineId: z.int(),
      quantity: decimalText,
      cost: decimalText,
      from: z.array(
        z.object({
          goodsId: z.int(),
          placeId: z.int(),
          lot: z.string().nullable(),
          serials: z.array(z.string()),
          quantity: decimalText,
        }),
      ),
    }),
  ),
  parcels: z.array(parcel),
})

/** What is to be gathered for a sale, or was. */
export const pickList = z.object({
  id: z.int(),
  number: z.string(),
  saleId: z.int(),
  saleNumber: z.int(),
  customer: z.string(),
  on: dayText,
  state: z.enum(PICK_STATES),
  handoverId: z.int().nullable(),
  lines: z.array(
    z.object({
      lineId: z.int(),
      goodsId: z.int(),
      name: z.string(),
      wanted: decimalText,
      picked: decimalText,
      from: z.array(
        z.object({
          placeId: z.int(),
          lot: z.string().nullable(),
          serials: z.array(z.string()),
          quantity: decimalText,
        }),
      ),
    }),
  ),
  parcels: z.array(parcel),
})

export const sale = z.object({
  id: z.int(),
  number: z.int(),
  customerId: z.int(),
  customer: z.string(),
  title: z.string(),
  stands: z.enum(STANDS),
  startedOn: dayText,
  sentOn: dayText.nullable(),
  validUntil: dayText.nullable(),
  agreedOn: dayText.nullable(),
  purchaseOrder: z.string(),
  wantedBy: dayText.nullable(),
  channel: z.enum(CHANNELS),
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
  /** Where the tax of its documents is rounded; as the business said when the sale was written. */
  taxRoundedPer: z.enum(TAX_ROUNDED_PER),
  /** Which one it is: told with a change, so that nothing that was changed since is overwritten. */
  edition: z.string(),
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
  handovers: z.array(handoverHead),
  expectedCost: decimalText,
  /** What it cost and earned up to now. */
  cost: decimalText,
  profit: decimalText,
  purchaseOrders: z.array(
    z.object({
      id: z.int(),
      number: z.string(),
      supplierId: z.int(),
      supplier: z.string(),
      status: z.enum(PURCHASE_STATUSES),
      wantedBy: dayText.nullable(),
    }),
  ),
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
  choice: z.enum(LINE_CHOICES),
  choiceGroup: z.string(),
  chosen: z.boolean(),
  discountAmount: decimalText,
  net: decimalText,
})

export const version = z.object({
  n: z.int(),
  kind: z.enum(VERSION_KINDS),
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
  ...rhythmText,
  makes: z.enum(REPEAT_MAKES),
  byItself: z.boolean(),
})
