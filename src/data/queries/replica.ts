import { sql } from 'drizzle-orm'
import { present } from '@/core/present'
import type { Db } from '../connect'

/** How far the server that is written to has written: a place in its log. */
export const writtenUpTo = async (db: Db): Promise<string> => {
  const [row] = await db.execute<{ at: string }>(sql`select pg_current_wal_lsn()::text as at`)
  return present(row).at
}

/** Whether a server follows another one, and knows everything that one had written up to a place. */
export const followsUpTo = async (db: Db, at: string): Promise<{ follows: boolean; there: boolean }> => {
  const [row] = await db.execute<{ follows: boolean; there: boolean }>(sql`
    select pg_is_in_recovery() as follows, coalesce(pg_last_wal_replay_lsn() >= ${at}::pg_lsn, false) as there`)
  return present(row)
}
