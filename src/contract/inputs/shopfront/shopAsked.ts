import { z } from 'zod'
import { text } from '@/contract/fields'

/** Pages of the online shop, at most: whoever wants more of them searches. */
const MOST_PAGES = 500

/** What an address of the online shop asks for; where that is none, it is the first page of everything. */
export const shopAsked = z.object({
  search: text(200).catch(''),
  page: z.coerce.number().int().min(1).max(MOST_PAGES).catch(1),
})
export type ShopAsked = z.output<typeof shopAsked>
