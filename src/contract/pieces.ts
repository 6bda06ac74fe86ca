import { z } from 'zod'
import { ZERO, type Decimal } from '@/core/money'
import { sameName } from '@/core/stock'
import { day, id, isDecimal, quantity, text } from './fields'

/** Pieces that are told apart: a serial, or a lot with the last day on which it may be handed over. */
export const serial = text(60).min(1, 'A serial is needed.')
export const lotCode = text(60).min(1, 'A lot is needed.')

export const serials = z
  .array(serial, { error: 'Serials are a list.' })
  .max(2000, 'At most 2000 serials at a time.')
  .superRefine((all, ctx) =>
    all.forEach((s, i) => {
      if (all.findIndex((x) => sameName(x, s)) < i)
        ctx.addIssue({ code: 'custom', path: [i], message: `Serial ${s} is named twice.` })
    }),
  )

/** A lot that comes in: its code alone, or with its expiry date. */
export const lot = z
  .union([lotCode, z.object({ code: lotCode, expires: day.nullish() })], {
    error: 'A lot is its code, or its code with the day on which it expires.',
  })
  .transform((l) => (typeof l === 'string' ? { code: l } : { code: l.code, expires: l.expires ?? undefined }))
export type LotInput = z.output<typeof lot>

/** As many serials as pieces, where there are any. */
export const asManySerials = (
  l: { readonly quantity?: unknown; readonly serials?: readonly string[] },
  ctx: z.RefinementCtx,
): void => {
  if (l.serials && l.serials.length > 0 && isDecimal(l.quantity) && !l.quantity.eq(l.serials.length))
    ctx.addIssue({
      code: 'custom',
      path: ['serials'],
      message: `${l.serials.length} ${l.serials.length === 1 ? 'serial' : 'serials'} for a quantity of ${l.quantity.toString()}. Name one for each piece.`,
    })
}

/** What comes back of lines: so many, or just these serials. */
export const returnedLines = z
  .array(z.object({ lineId: id, quantity, serials: serials.optional() }).superRefine(asManySerials), {
    error: 'Lines are a list.',
  })
  .min(1, 'Name at least one line.')
  .max(1000)

/** Where pieces are taken from: a place, a lot, or just these serials. */
export const takenFrom = z
  .array(
    z
      .object({ placeId: id.optional(), lot: lotCode.nullish(), serials: serials.optional(), quantity })
      .superRefine(asManySerials)
      .transform((f) => ({ ...f, lot: f.lot ?? undefined })),
    { error: 'Where it is taken from is a list.' },
  )
  .min(1, 'Say where it is taken from.')
  .max(500)
export type TakenFrom = z.output<typeof takenFrom>

/** What is taken adds up to the quantity of its line. */
export const addsUp = (
  l: { readonly quantity: Decimal; readonly from?: readonly { readonly quantity: Decimal }[] },
  ctx: z.RefinementCtx,
): void => {
  if (!l.from || !isDecimal(l.quantity) || !l.from.every((f) => isDecimal(f.quantity))) return
  const sum = l.from.reduce((all, f) => all.plus(f.quantity), ZERO)
  if (!sum.eq(l.quantity))
    ctx.addIssue({
      code: 'custom',
      path: ['from'],
      message: `Taken are ${sum.toString()}, the line says ${l.quantity.toString()}. Make them equal.`,
    })
}
