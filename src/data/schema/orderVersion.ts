import { integer, jsonb, pgTable, unique } from 'drizzle-orm/pg-core'
import { purchaseOrder } from './buying'
import { identity, onDay } from './columns'

/** An order as it went to the supplier: what is sent again after a change is another version. */
export const purchaseOrderVersion = pgTable(
  'purchase_order_version',
  {
    id: identity(),
    orderId: integer()
      .notNull()
      .references(() => purchaseOrder.id),
    n: integer().notNull(),
    onDay: onDay().notNull(),
    /** What was on it: when it is wanted, the note, and its lines. */
    content: jsonb().notNull(),
  },
  (t) => [unique('purchase_order_version_once').on(t.orderId, t.n)],
)
