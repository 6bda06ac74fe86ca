import { sql, type SQL, type SQLWrapper } from 'drizzle-orm'

/** By which column of a list, and whether the largest or latest comes first. */
export interface Order {
  readonly by: string
  readonly down: boolean
}

/** A part of a list: how many (all, where nothing is said), after how many, in which order; or after a row, newest first. */
export interface Part<After = number> {
  readonly limit?: number
  readonly offset?: number
  readonly order?: Order
  readonly after?: After
}

/** The order of a list by one of its columns, empty ones last either way; rows alike go by `then`. */
export const inOrder = (columns: Readonly<Record<string, SQLWrapper>>, order: Order | undefined, then: SQL): SQL => {
  const column = order && Object.hasOwn(columns, order.by) ? columns[order.by] : undefined
  return column ? sql`${column} ${order?.down ? sql`desc` : sql`asc`} nulls last, ${then}` : then
}

/** `limit … offset …` of a part; nothing for all of it. */
export const cutTo = ({ limit, offset }: Part<unknown>): SQL =>
  sql`${limit === undefined ? sql`` : sql`limit ${limit}`} ${offset ? sql`offset ${offset}` : sql``}`
