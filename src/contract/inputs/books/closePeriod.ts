import { z } from 'zod'
import { day, text, needed } from '@/contract/fields'

export const reopenPeriodInput = z.object({
  /** The last day that stays closed; null (or left out) opens everything. */
  through: day.nullable().default(null),
  reason: needed(500, 'A reason'),
})

export const closePeriodInput = z.object({ through: day, reason: text(500).default('') })
