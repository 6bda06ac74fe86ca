import { migrate as run } from 'drizzle-orm/postgres-js/migrator'
import { fileURLToPath } from 'node:url'
import type { Database } from './connect'

/** Brings a database up to the newest schema; does nothing when it is there already. */
export const migrate = (db: Database): Promise<void> =>
  run(db, { migrationsFolder: fileURLToPath(new URL('./migrations', import.meta.url)) })
