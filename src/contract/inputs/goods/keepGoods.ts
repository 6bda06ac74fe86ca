import { COSTINGS, GOODS_KINDS, TRACKS } from '@/core/kinds'
import { z } from 'zod'
import { edition, text, quantityOrZero, unitPrice, day, id, needed, tags, quantity } from '@/contract/fields'
import type { Day } from '@/core/day'
import { decimal } from '@/core/money'

/** From a quantity on, while it is valid. */
const step = {
  fromQuantity: quantityOrZero.default(decimal(0)),
  validFrom: day.nullable().default(null),
  validUntil: day.nullable().default(null),
}
const runsForwards = (p: { readonly validFrom: Day | null; readonly validUntil: Day | null }): boolean =>
  !p.validFrom || !p.validUntil || p.validFrom <= p.validUntil
const ENDS_LATER = { message: 'A price ends on or after the day it begins.', path: ['validUntil'] }

export const priceRow = z
  .object({
    /** A price level's code; everybody where it is left out. */
    level: text(40).optional(),
    price: unitPrice,
    ...step,
  })
  .refine(runsForwards, ENDS_LATER)

/** What a supplier asks for one. */
const supplierPrice = z.object({ unitCost: unitPrice, ...step }).refine(runsForwards, ENDS_LATER)

export const supplierRow = z
  .object({
    supplierId: id.optional(),
    name: text(200).optional(),
    code: text(60).default(''),
    preferred: z.boolean().default(false),
    /** They sell it by so many, at so much each. */
    packSize: quantity.default(decimal(1)),
    unitCost: unitPrice.nullable().default(null),
    /** What they ask instead from a quantity on, or for a while. */
    prices: z.array(supplierPrice).max(50).default([]),
  })
  .refine((s) => s.supplierId !== undefined || (s.name ?? '') !== '', 'Name the supplier.')

export const fields = {
  code: needed(40, 'A code'),
  name: needed(200, 'A name'),
  price: unitPrice,
  taxCode: text(40).optional(),
  incomeAccount: text(20).optional(),
  barcode: text(60).optional(),
  note: text(2000).optional(),
  tags: tags.optional(),
  weight: quantityOrZero.nullable().optional(),
  size: text(60).optional(),
  reorderAt: quantityOrZero.nullable().optional(),
  /** A kit that costs what its parts cost together. */
  priceIsSum: z.boolean().optional(),
  /** How pieces are told apart and what one costs that leaves: fixed once one moved. By serial each costs its own. */
  track: z.enum(TRACKS, { error: 'Say none, lot or serial.' }).optional(),
  costing: z.enum(COSTINGS, { error: 'Say average, fifo or unit.' }).optional(),
  warrantyMonths: z
    .int('A whole number of months.')
    .min(0, 'Not below zero.')
    .max(600, 'At most 600 months.')
    .nullish(),
  /** Its usual place; null for the usual place of all. */
  placeId: id.nullable().optional(),
  onShopfront: z.boolean().optional(),
  pictureFileId: id.nullable().optional(),
  parts: z
    .array(z.object({ goodsId: id, quantity }))
    .max(100)
    .optional(),
  prices: z.array(priceRow).max(200).optional(),
  suppliers: z.array(supplierRow).max(20).optional(),
}

export const addGoodsInput = z
  .object({
    ...fields,
    kind: z.enum(GOODS_KINDS, { error: 'Say stock, work, charge or kit.' }),
  })
  .refine((g) => g.kind !== 'kit' || (g.parts?.length ?? 0) > 0, {
    message: 'A kit needs its parts.',
    path: ['parts'],
  })
  .refine((g) => g.kind === 'kit' || !g.parts?.length, { message: 'Only a kit has parts.', path: ['parts'] })

export const changeGoodsInput = z
  .object({ goodsId: id, ...fields, retired: z.boolean().optional(), edition })
  .partial()
  .required({ goodsId: true })
