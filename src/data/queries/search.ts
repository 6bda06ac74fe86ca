import { sql, type SQL, type SQLWrapper } from 'drizzle-orm'

/** True where every word typed stands somewhere in one of the columns, whatever the case. Nothing typed matches all. */
export const matchesWords = (typed: string, columns: readonly SQLWrapper[]): SQL => {
  const words = typed
    .trim()
    .split(/\s+/)
    .filter((w) => w !== '')
    .slice(0, 6)
  const text = sql.join(
    columns.map((c) => sql`coalesce(${c}, '')`),
    sql` || ' ' || `,
  )
  const tests = words.map((w) => sql`${text} ilike ${'%' + w.replace(/[%_\\]/g, '\\$&') + '%'}`)
  return tests.length === 0 ? sql`true` : sql.join(tests, sql` and `)
}
