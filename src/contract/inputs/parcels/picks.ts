import { HANDOVER_WAYS } from '@/core/kinds'
import { z } from 'zod'
import { amount, id, on, quantity, text } from '@/contract/fields'
import { lineQuantities } from '@/contract/lines'
import { asManySerials, lotCode, serials } from '@/contract/pieces'
import { parcels } from '@/contract/shipping'

export const startPickInput = z.object({
  saleId: id,
  on,
  /** Left out: everything that is set aside. */
  lines: lineQuantities.optional(),
})

/** A pick list for everything that can go. */
export const startPicksInput = z.object({ on })

/** What was really picked of a line: from where, of which lot, which serials; an empty list is nothing. */
const pickedLine = z.object({
  lineId: id,
  /** The part, where the line is a kit. */
  goodsId: id.optional(),
  from: z
    .array(
      z
        .object({ placeId: id, lot: lotCode.nullish(), serials: serials.optional(), quantity })
        .superRefine(asManySerials),
      { error: 'Where it was picked is a list.' },
    )
    .max(200),
})
export type PickedLine = z.output<typeof pickedLine>

export const correctPickInput = z.object({
  pickId: id,
  lines: z.array(pickedLine, { error: 'Lines are a list.' }).min(1, 'Say what was picked.').max(1000),
})
export const packPickInput = z.object({ pickId: id, parcels })
export const sendPickInput = z.object({
  pickId: id,
  on,
  carrier: text(60).optional(),
  service: text(60).optional(),
  by: z.enum(HANDOVER_WAYS).optional(),
  /** What the customer is charged for sending it: a line of its own, handed over with it. */
  freight: amount.optional(),
  /** Why what was not found is struck off the order; left out, it stays to be handed over. */
  strikeOff: text(200).optional(),
  /** Tells the customer by mail that the goods are on their way; where there are parcels and an address unless it says no. */
  tell: z.boolean().optional(),
})
export const dropPickInput = z.object({ pickId: id })

export const quoteCarrierInput = z.object({
  to: z.object({ address: text(500), country: text(2).optional() }),
  parcels: z
    .array(z.object({ weight: quantity, size: text(60).optional() }), { error: 'Parcels are a list.' })
    .min(1, 'Name at least one parcel.')
    .max(50),
})
