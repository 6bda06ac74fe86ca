import { sql } from 'drizzle-orm'
import type { Database } from './connect'

export const APP_ROLE = 'till_app'

/**
 * The role the application works as: it reads and writes rows and can change no table, guard or role. Made and granted
 * anew at each start, by whoever made the tables. The secret is hexadecimal, so that it stands in SQL as it is.
 */
export const grantApp = async (db: Database, secret: string): Promise<void> => {
  if (!/^[0-9a-f]{32,}$/.test(secret)) throw new Error('the secret of the application’s role is not hexadecimal')
  await db.transaction(async (tx) => {
    await tx.execute(
      sql.raw(`do $$ begin
      if not exists (select from pg_roles where rolname = '${APP_ROLE}') then create role ${APP_ROLE} login; end if;
    end $$`),
    )
    await tx.execute(sql.raw(`alter role ${APP_ROLE} with nosuperuser nocreatedb nocreaterole password '${secret}'`))
    await tx.execute(sql.raw(`grant usage on schema public, kept to ${APP_ROLE}`))
    await tx.execute(
      sql.raw(`grant select, insert, update, delete on all tables in schema public, kept to ${APP_ROLE}`),
    )
    await tx.execute(sql.raw(`grant usage, select on all sequences in schema public to ${APP_ROLE}`))
  })
}
