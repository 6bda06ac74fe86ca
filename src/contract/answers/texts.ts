import { type Day } from '@/core/day'
import { REPEAT_EVERY } from '@/core/kinds'
import { z } from 'zod'

/** An exact decimal as text: money with the currency's digits, a quantity, a price. */
export const decimalText = z.string().regex(/^-?\d+(\.\d+)?$/)

/** A calendar day, YYYY-MM-DD. */
export const dayText = z.iso.date() as unknown as z.ZodType<Day, string>

/** A page of a list, and the cursor of the next one; null on the last. */
export const list = <T extends z.ZodType>(item: T) => z.object({ items: z.array(item), next: z.string().nullable() })

/** How something comes again, and how far it has come. */
export const rhythmText = {
  every: z.enum(REPEAT_EVERY),
  firstOn: dayText,
  nextOn: dayText.nullable(),
  done: z.int(),
  until: dayText.nullable(),
  times: z.int().nullable(),
  stoppedOn: dayText.nullable(),
}
