import { z } from 'zod'
import { text } from './fields'

/** So many pages are turned over, at most: whoever wants more of them searches. */
const MOST_PAGES = 500

/** What is looked for, and on which page, as an address says it; where that is none, it is the first page of everything. */
export const pageAsked = z.object({
  search: text(200).catch(''),
  page: z.coerce.number().int().min(1).max(MOST_PAGES).catch(1),
})
export type PageAsked = z.output<typeof pageAsked>
