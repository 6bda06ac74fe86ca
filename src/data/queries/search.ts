import { sql, type SQL, type SQLWrapper } from 'drizzle-orm'

const patterns = (typed: string): string[] =>
  typed
    .trim()
    .split(/\s+/)
    .filter((w) => w !== '')
    .slice(0, 6)
    .map((w) => '%' + w.replace(/[%_\\]/g, '\\$&') + '%')

const oneText = (columns: readonly SQLWrapper[]): SQL =>
  sql.join(
    columns.map((c) => sql`coalesce(${c}, '')`),
    sql` || ' ' || `,
  )

const all = (tests: readonly SQL[]): SQL => (tests.length === 0 ? sql`true` : sql.join([...tests], sql` and `))

/** True where every word typed stands somewhere in one of the columns, whatever the case. Nothing typed matches all. */
export const matchesWords = (typed: string, columns: readonly SQLWrapper[]): SQL => {
  const text = oneText(columns)
  return all(patterns(typed).map((p) => sql`${text} ilike ${p}`))
}

/**
 * The same for papers of customers: each word stands in the paper's own columns or in the customer's name. Who is called so
 * is found once for each word, so that a hundred thousand papers are not joined to their customers to be read.
 */
export const matchesPaper = (
  typed: string,
  paper: { readonly customerId: SQLWrapper; readonly columns: readonly SQLWrapper[] },
): SQL => {
  const text = oneText(paper.columns)
  return all(
    patterns(typed).map(
      (p) => sql`(${paper.customerId} in (select id from customer where name ilike ${p}) or ${text} ilike ${p})`,
    ),
  )
}

/** True where a number is one of many: one parameter, however many there are. */
export const isOneOf = (column: SQLWrapper, ids: readonly number[]): SQL =>
  sql`${column} = any(${`{${ids.join(',')}}`}::int[])`
