import { FILE_OWNERS } from '@/core/kinds'
import { POST_STATES } from '@/core/kinds'
import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  customType,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  unique,
} from 'drizzle-orm/pg-core'
import { identity, onDay } from './columns'
import { supplier } from './goods'
import { customer } from './people'

const bytes = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => 'bytea' })

/** Something kept as it came: a picture, a letter, the PDF that went out. */
export const file = pgTable(
  'file',
  {
    id: identity(),
    name: text().notNull(),
    type: text().notNull(),
    size: integer().notNull(),
    body: bytes().notNull(),
    ownerKind: text({ enum: [...FILE_OWNERS, 'post'] }).notNull(),
    ownerId: integer().notNull(),
    addedOn: onDay().notNull(),
  },
  (t) => [index('file_owner').on(t.ownerKind, t.ownerId), check('file_limited', sql`${t.size} between 1 and 4000000`)],
)

/** A letter to a customer or a supplier: waits, is sent, or came back. */
export const post = pgTable(
  'post',
  {
    id: identity(),
    customerId: integer().references(() => customer.id),
    supplierId: integer().references(() => supplier.id),
    saleId: integer(),
    /** The paper that goes with it, and which one. */
    paper: text().notNull(),
    paperId: integer(),
    recipient: text().notNull(),
    subject: text().notNull(),
    body: text().notNull(),
    /** Names it for good: however often sending is tried, it arrives once. */
    messageId: text().notNull().unique(),
    state: text({ enum: POST_STATES }).notNull().default('waiting'),
    tries: integer().notNull().default(0),
    nextTryAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    /** Until then somebody is sending it, and nobody else takes it or throws it away. */
    takenUntil: timestamp({ withTimezone: true }),
    problem: text().notNull().default(''),
    writtenOn: onDay().notNull(),
    sentOn: onDay(),
  },
  (t) => [
    index('post_customer').on(t.customerId, t.id),
    index('post_supplier').on(t.supplierId, t.id),
    check('post_to_somebody', sql`num_nonnulls(${t.customerId}, ${t.supplierId}) = 1`),
    index('post_sale').on(t.saleId),
    index('post_waiting')
      .on(t.nextTryAt)
      .where(sql`${t.state} = 'waiting'`),
  ],
)

/** The owner's own wording of a letter; where there is none, the program's holds. */
export const postTemplate = pgTable(
  'post_template',
  {
    id: identity(),
    paper: text().notNull(),
    language: text().notNull(),
    subject: text().notNull(),
    body: text().notNull(),
  },
  (t) => [unique('post_template_once').on(t.paper, t.language)],
)

/** What the mail stand-in delivered: a mailbox that can be opened in the program. */
export const mailbox = pgTable('mailbox', {
  id: identity(),
  messageId: text().notNull().unique(),
  sender: text().notNull(),
  recipient: text().notNull(),
  subject: text().notNull(),
  body: text().notNull(),
  attachments: jsonb().notNull(),
  arrivedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
})

/** How a paper looks: one of the owner's own layouts. */
export const paperLayout = pgTable(
  'paper_layout',
  {
    id: identity(),
    paper: text().notNull(),
    name: text().notNull(),
    usual: boolean().notNull().default(false),
    spec: jsonb().notNull(),
  },
  (t) => [unique('paper_layout_name').on(t.paper, t.name)],
)
