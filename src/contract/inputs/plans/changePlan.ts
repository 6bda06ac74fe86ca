import { z } from 'zod'
import { on, id, method, day } from '@/contract/fields'
import { every, installmentCharge } from '@/contract/arrangement'

export const named = { saleId: id, planId: id.optional() }

export const payOffPlanInput = z.object({
  ...named,
  on,
  /** How the payoff is paid now; left out, it is due on the day. */
  method: method.optional(),
})

export const reschedulePlanInput = z.object({
  ...named,
  on,
  count: z.int().min(1).max(360),
  every,
  firstDue: day,
  roundUpTo: z.int().min(1).max(1000).optional(),
  /** A charge made anew; left out, the charge that is open comes along. */
  charge: installmentCharge.optional(),
})

export const keepCardInput = z.object({
  ...named,
  number: z
    .string()
    .regex(/^[\d ]{16,23}$/, 'A card number has sixteen digits.')
    .optional(),
})

export const quotePayoffInput = z.object({ ...named, on })
