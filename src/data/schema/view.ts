import { pgTable, text, unique } from 'drizzle-orm/pg-core'
import { identity } from './columns'

/** A list as the owner wants to find it again: the place, and what stands in its address. */
export const savedView = pgTable(
  'saved_view',
  { id: identity(), place: text().notNull(), name: text().notNull(), query: text().notNull() },
  (t) => [unique('saved_view_name').on(t.place, t.name)],
)
