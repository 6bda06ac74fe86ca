import { LINE_CHOICES } from '@/core/kinds'
import { z } from 'zod'
import { asManySerials, lotCode, serials } from './pieces'
import { amount, id, percent, quantity, text, unitPrice } from './fields'

const fields = {
  /** Left out for goods and typed lines; a heading begins a group, a text only says something. */
  kind: z.enum(['heading', 'text'], { error: 'Say heading or text, or leave it out.' }).optional(),
  goodsId: id.optional(),
  description: text(500).optional(),
  note: text(1000).optional(),
  quantity: quantity.optional(),
  unitPrice: unitPrice.optional(),
  discountPercent: percent.optional(),
  /** Off the line, for all of its quantity. */
  discountAmount: amount.optional(),
  taxCode: text(40).optional(),
  choice: z.enum(LINE_CHOICES, { error: 'Say none, optional or alternative.' }).optional(),
  choiceGroup: text(80).optional(),
  chosen: z.boolean().optional(),
  deliverTo: text(500).optional(),
}

interface TypedLine {
  readonly kind?: string
  readonly goodsId?: number
  readonly description?: string
  readonly quantity?: unknown
  readonly unitPrice?: unknown
  readonly choice?: string
  readonly choiceGroup?: string
}

const checkLine = (l: TypedLine, ctx: z.RefinementCtx): void => {
  const refuse = (message: string, ...path: string[]) => ctx.addIssue({ code: 'custom', message, path })
  const said = l.description !== undefined && l.description !== ''
  if (l.kind !== undefined) {
    if (!said) refuse(`A ${l.kind} needs words.`, 'description')
    return
  }
  if (l.goodsId === undefined && !said) refuse('A line needs goods or a description.', 'description')
  if (l.quantity === undefined) refuse('This is needed.', 'quantity')
  if (l.goodsId === undefined && l.unitPrice === undefined) refuse('A line without goods needs a price.', 'unitPrice')
  if (l.choice === 'alternative' && !l.choiceGroup) refuse('Say which alternatives belong together.', 'choiceGroup')
}

/** A line that is sold at once: also which lot or serials of it. */
export const counterLine = z
  .object({ ...fields, lot: lotCode.nullish(), serials: serials.optional() })
  .superRefine(checkLine)
  .superRefine(asManySerials)

/** A line as it is typed: goods with everything else filled in from them, a description with a price, or words alone. */
export const line = z.object(fields).superRefine(checkLine)
export type LineInput = z.output<typeof line>

export const lines = z.array(line, { error: 'Lines are a list.' }).max(1000, 'At most 1000 lines.')

/** A line of a change: with `lineId` the one there is, without it a new one. */
export const changedLines = z
  .array(z.object({ ...fields, lineId: id.optional() }).superRefine(checkLine), {
    error: 'Lines are a list.',
  })
  .max(1000, 'At most 1000 lines.')
export type ChangedLine = z.output<typeof changedLines>[number]

/** Quantities of lines there are. */
export const lineQuantities = z
  .array(z.object({ lineId: id, quantity }), { error: 'Lines are a list.' })
  .min(1, 'Name at least one line.')
  .max(1000)

/** Off the whole sale: a percentage, an amount, or both. */
export const wholeDiscount = {
  discountPercent: percent.optional(),
  discountAmount: amount.optional(),
}
