import { z } from 'zod'
import { amount, day, days, isDecimal, percent, positiveAmount, positivePercent, rate, text } from './fields'

/** How often: a rhythm by name, or every n days. */
export const every = z.union([z.enum(['week', 'two-weeks', 'month']), z.object({ days: z.int().min(1).max(366) })], {
  error: 'Say week, two-weeks, month, or {days: n}.',
})
const part = { percent: positivePercent.optional(), amount: positiveAmount.optional() }
const oneOf = (v: { percent?: unknown; amount?: unknown }): boolean =>
  (v.percent === undefined) !== (v.amount === undefined)

const EITHER = { message: 'Give a percentage or an amount.', path: ['percent'] }

/** A discount for paying early is given through so many days: without them, or without it, nobody can say when. */
export const DAYS_MISSING = { message: 'Say through how many days the discount is given.', path: ['discountDays'] }

export const isGiven = (discount: unknown): boolean => isDecimal(discount) && discount.gt(0)

/** What paying in installments costs: an amount, a percentage of what is financed, or a rate a year. */
export const installmentCharge = z.union(
  [z.object({ flat: amount }), z.object({ flatPercent: percent }), z.object({ yearlyRate: rate })],
  { error: 'Say flat, flatPercent or yearlyRate.' },
)

/** How a sale will be paid. Also the shape kept with the sale. */
export const arrangement = z.discriminatedUnion(
  'kind',
  [
    z.object({ kind: z.literal('now') }),
    z
      .object({
        kind: z.literal('terms'),
        net: days,
        discountPercent: percent.optional(),
        discountDays: days.optional(),
        /** Each bill in so many even parts, the first after `net` days, the others at the rhythm after it. */
        parts: z.int('A whole number of parts.').min(1).max(24, 'At most 24 parts.').optional(),
        every: every.optional(),
      })
      .refine(
        (v) => (v.parts ?? 1) === 1 || !isGiven(v.discountPercent),
        'A discount for paying early goes with one due, not with several parts.',
      )
      .refine((v) => !isGiven(v.discountPercent) || v.discountDays !== undefined, DAYS_MISSING),
    z
      .object({
        kind: z.literal('deposit'),
        ...part,
        stages: z
          .array(z.object({ ...part, when: text(80).optional() }).refine(oneOf, EITHER))
          .min(1)
          .max(12)
          .optional(),
        apply: z.enum(['first', 'in-proportion']).optional(),
      })
      .refine((v) => (v.stages ? v.percent === undefined && v.amount === undefined : oneOf(v)), {
        message: 'Give a percentage, an amount, or stages.',
        path: ['percent'],
      }),
    z.object({
      kind: z.literal('layaway'),
      firstPayment: amount.optional(),
      firstPercent: percent.optional(),
      months: z.int().min(1).max(60).optional(),
      every: every.optional(),
      graceDays: days.optional(),
      fee: z.object(part).refine(oneOf, EITHER).optional(),
    }),
    z.object({
      kind: z.literal('installments'),
      firstPayment: amount.optional(),
      count: z
        .int('How many payments, as a whole number.')
        .min(1, 'At least one payment.')
        .max(360, 'At most 360 payments.'),
      every,
      firstDue: day,
      roundUpTo: z.int().min(1).max(1000).optional(),
      charge: installmentCharge.optional(),
      graceDays: days.optional(),
      lateCharge: z.object(part).refine(oneOf, EITHER).optional(),
    }),
  ],
  { error: 'An arrangement is one of now, terms, deposit, layaway, installments.' },
)

export type ArrangementInput = z.input<typeof arrangement>
export type Arrangement = z.output<typeof arrangement>

/** The arrangement as it was kept with a sale. */
export const readArrangement = (kept: unknown): Arrangement => arrangement.parse(kept)

/** The arrangement as JSON keeps it: decimals as strings. */
export const keepArrangement = (a: unknown): unknown => JSON.parse(JSON.stringify(a))
