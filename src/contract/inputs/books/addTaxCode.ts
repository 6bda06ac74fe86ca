import { z } from 'zod'
import { TREATMENTS } from '@/core/kinds'
import { Decimal } from '@/core/money'
import { needed, rate, id, day, text } from '@/contract/fields'

/** What a new tax code says; that a code which charges nothing has no rate is checked beside it, but for what we owe under reverse charge. */
export const taxCodeFields = z.object({
  code: needed(20, 'A code'),
  name: needed(80, 'A name'),
  components: z.array(z.object({ name: needed(80, 'A name'), rate })).max(6, 'At most 6 components.'),
  /** How it taxes; found from its rates where nothing is said. */
  treatment: z.enum(TREATMENTS, { error: 'Say taxed, zero, exempt, reverse-charge or out-of-scope.' }).optional(),
  /** Why nothing is charged, as documents say it. */
  reason: text(200).default(''),
})

export const addTaxCodeInput = taxCodeFields.superRefine(({ treatment, components }, ctx) => {
  // Checks of the whole run beside those of the fields: a rate that could not be read is told at its own field.
  if (treatment === undefined || treatment === 'reverse-charge' || !Array.isArray(components)) return
  const at = components.findIndex(({ rate: r }) => r instanceof Decimal && r.eq(0) === (treatment === 'taxed'))
  if (at >= 0)
    ctx.addIssue({
      code: 'custom',
      path: ['components', at, 'rate'],
      message:
        treatment === 'taxed'
          ? 'A code that taxes has a rate.'
          : 'A code that charges nothing has no rate. Leave it empty.',
    })
  if (treatment === 'taxed' && components.length === 0)
    ctx.addIssue({ code: 'custom', path: ['components'], message: 'A code that taxes has a rate.' })
})

/** Other words for a tax code: what it charges is no matter of words, and stays. */
export const changeTaxCodeInput = z.object({
  taxCodeId: id,
  name: taxCodeFields.shape.name.optional(),
  reason: text(200).optional(),
  /** Components by the name they have, and how they are called from now on. */
  components: z
    .array(z.object({ name: needed(80, 'A name'), to: needed(80, 'A name') }))
    .max(6, 'At most 6 components.')
    .default([]),
})

export const dropTaxCodeInput = z.object({ taxCodeId: id })

export const addTaxRateInput = z.object({
  taxCodeId: id,
  from: day,
  components: taxCodeFields.shape.components.min(1, 'At least one component.'),
})
