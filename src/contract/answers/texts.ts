import { type Day } from '@/core/day'
import { z } from 'zod'

/** An exact decimal as text: money with the currency's digits, a quantity, a price. */
export const decimalText = z.string().regex(/^-?\d+(\.\d+)?$/)

/** A calendar day, YYYY-MM-DD. */
export const dayText = z.iso.date() as unknown as z.ZodType<Day, string>

/** A page of a list, and the cursor of the next one; null on the last. */
export const list = <T extends z.ZodType>(item: T) => z.object({ items: z.array(item), next: z.string().nullable() })
