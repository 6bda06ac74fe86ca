import { HANDOVER_WAYS } from '@/core/kinds'
import { z } from 'zod'
import { ZERO } from '@/core/money'
import { amount, id, on, quantity } from '@/contract/fields'
import { arrangement } from '@/contract/arrangement'
import { shipping } from '@/contract/shipping'
import { addsUp, asManySerials, lotCode, serials, takenFrom } from '@/contract/pieces'

/** So many of a line, and where they are taken from: a place, a lot or serials, or several of them. */
const handedLine = z
  .object({
    lineId: id,
    quantity: quantity.optional(),
    /** Of a kit, instead of a quantity: its parts, in as many goes as it takes. */
    parts: z
      .array(
        z
          .object({
            goodsId: id,
            quantity,
            lot: lotCode.nullish(),
            serials: serials.optional(),
            from: takenFrom.optional(),
          })
          .superRefine(asManySerials)
          .superRefine(addsUp)
          .transform(({ lot, serials: named, from, ...p }) => ({
            ...p,
            from: from ?? [{ lot: lot ?? undefined, serials: named, quantity: p.quantity }],
          })),
        { error: 'Parts are a list.' },
      )
      .min(1, 'Name at least one part.')
      .max(200)
      .optional(),
    placeId: id.optional(),
    lot: lotCode.nullish(),
    serials: serials.optional(),
    from: takenFrom.optional(),
  })
  .superRefine(asManySerials)
  .superRefine((l, ctx) => {
    if ((l.quantity === undefined) === (l.parts === undefined))
      ctx.addIssue({ code: 'custom', path: ['quantity'], message: 'Say a quantity, or the parts of a kit.' })
    if (l.quantity !== undefined) addsUp({ quantity: l.quantity, from: l.from }, ctx)
  })
  .transform(({ placeId, lot, serials: named, from, quantity: asked, ...l }) => ({
    ...l,
    quantity: asked ?? ZERO,
    from: from ?? (asked ? [{ placeId, lot: lot ?? undefined, serials: named, quantity: asked }] : []),
  }))

export const handOverInput = z.object({
  saleId: id,
  on,
  /** Left out: everything that can be handed over now. */
  lines: z.array(handedLine).min(1).max(1000).optional(),
  by: z.enum(HANDOVER_WAYS).default('counter'),
  ...shipping,
  /** What the customer is charged for sending it: a line of its own, handed over with it. */
  freight: amount.optional(),
  /** A layaway that is not paid up goes all the same: the rest is paid this way from now on, and billed at once. */
  turnInto: arrangement.optional(),
})
