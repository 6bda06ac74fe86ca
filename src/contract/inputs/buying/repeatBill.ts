import { REPEAT_EVERY } from '@/core/kinds'
import { z } from 'zod'
import { day, id } from '@/contract/fields'

export const startBillRepeatInput = z.object({
  billId: id,
  every: z.enum(REPEAT_EVERY, { error: 'Say week, two-weeks, month, quarter, half-year or year.' }),
  firstOn: day,
  until: day.nullable().optional(),
  times: z.int().min(1, 'At least once.').max(999, 'At most 999 times.').nullable().optional(),
})

export const billRepeatInput = z.object({ repeatId: id })
