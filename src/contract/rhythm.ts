import { REPEAT_EVERY } from '@/core/kinds'
import { z } from 'zod'
import { day } from './fields'

/** How often something comes again, from when, and until when or how many times. */
export const rhythm = {
  every: z.enum(REPEAT_EVERY, {
    error: 'Say week, two-weeks, month, quarter, half-year or year.',
  }),
  firstOn: day,
  until: day.nullable().optional(),
  times: z.int().min(1, 'At least once.').max(999, 'At most 999 times.').nullable().optional(),
}
