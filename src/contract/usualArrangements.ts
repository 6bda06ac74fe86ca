import { z } from 'zod'
import { parseMoney, type Decimal } from '@/core/money'
import type { Part } from '@/core/plan'
import { days, percent, positiveAmount, positivePercent } from './fields'
import { every } from './arrangement'

const part = z
  .object({ percent: positivePercent.optional(), amount: positiveAmount.optional() })
  .refine((v) => v.percent === undefined || v.amount === undefined, 'Give a percentage or an amount.')

/** How arrangements begin where nothing else is said. Kept with the business. */
export const usualArrangements = z.object({
  terms: z
    .object({ net: days.optional(), discountPercent: percent.optional(), discountDays: days.optional() })
    .default({}),
  deposit: z.object({ percent: positivePercent.optional() }).default({}),
  layaway: z
    .object({
      firstPercent: percent.optional(),
      months: z.int().min(1).max(60).optional(),
      every: every.optional(),
      graceDays: days.optional(),
      fee: part.optional(),
    })
    .default({}),
  installments: z
    .object({
      count: z.int().min(1).max(360).optional(),
      every: every.optional(),
      roundUpTo: z.int().min(1).max(1000).optional(),
      graceDays: days.optional(),
    })
    .default({}),
  /** On what is late, where the arrangement says nothing of its own. */
  late: z.object({ charge: part.optional(), graceDays: days.optional() }).default({}),
})
export type UsualArrangements = z.output<typeof usualArrangements>

/** As it was kept; what was never set is empty. */
export const readUsual = (kept: unknown): UsualArrangements => usualArrangements.parse(kept ?? {})

/** A percentage or an amount of the currency; undefined where neither is said. */
export const readPart = (
  p: { readonly percent?: Decimal; readonly amount?: string } | undefined,
  currency: string,
): Part | undefined => {
  if (p?.percent) return { percent: p.percent }
  const parsed = p?.amount === undefined ? null : parseMoney(p.amount, currency)
  return parsed?.ok ? { amount: parsed.value } : undefined
}
