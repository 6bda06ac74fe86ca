import { sql } from 'drizzle-orm'
import { check, integer, pgTable, text, timestamp } from 'drizzle-orm/pg-core'

/** What an authenticator app and the program both know, where the owner signs in with a code as well: one row, or none. */
export const secondProof = pgTable(
  'second_proof',
  {
    id: integer().primaryKey().default(1),
    /** Sealed. */
    secret: text().notNull(),
    /** When a code of the app showed that it has the secret; asked for from then on. */
    since: timestamp({ withTimezone: true }),
    /** The half minute of the last code: none counts twice. */
    lastStep: integer().notNull().default(0),
    /** Hashes of codes that count once each, for whoever has lost the app. */
    spareHashes: text()
      .array()
      .notNull()
      .default(sql`'{}'`),
    /** Wrong codes since the last right one, and until when none is looked at after too many of them. */
    misses: integer().notNull().default(0),
    waitsUntil: timestamp({ withTimezone: true }),
  },
  (t) => [check('second_proof_is_one', sql`${t.id} = 1`)],
)
