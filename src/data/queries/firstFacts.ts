import { sql } from 'drizzle-orm'
import type { Db } from '../connect'

/** What is there of what a business begins with. */
export const readFirstFacts = async (db: Db): Promise<{ goods: boolean; opening: boolean; sale: boolean }> => {
  const [row] = await db.execute<{ goods: boolean; opening: boolean; sale: boolean }>(sql`
    select exists (select 1 from goods) as goods, exists (select 1 from sale) as sale,
           exists (select 1 from entry_line l join account a on a.id = l.account_id where a.role = 'opening-balances') as opening`)
  return row ?? { goods: false, opening: false, sale: false }
}
