import { sql, type SQL } from 'drizzle-orm'
import type { Db } from '../connect'

/** A day as `formatDay` writes it. */
const said = (day: SQL): SQL => sql`to_char(${day}, 'FMDD Mon YYYY')`

/** What things are called that an address says the number of, by the field they are asked for in. */
const CALLED: Readonly<Record<string, (id: number) => SQL>> = {
  customer: (id) => sql`select name from customer where id = ${id}`,
  supplier: (id) => sql`select name from supplier where id = ${id}`,
  goods: (id) => sql`select code || ' ' || name as name from goods where id = ${id}`,
  account: (id) => sql`select code || ' ' || name as name from account where id = ${id}`,
  place: (id) => sql`select name from place where id = ${id}`,
  code: (id) => sql`select name from tax_code where id = ${id}`,
  component: (id) => sql`select name from tax_component where id = ${id}`,
  statement: (id) =>
    sql`select coalesce(nullif(name, ''), ${said(sql`through`)}) as name from bank_statement where id = ${id}`,
  return: (id) =>
    sql`select ${said(sql`from_day`)} || ' through ' || ${said(sql`through`)} as name from tax_return where id = ${id}`,
}

/** What is called somehow of the numbers some fields hold. */
export const readNames = async (
  db: Db,
  fields: Readonly<Record<string, unknown>>,
): Promise<Readonly<Record<string, string>>> => {
  const called = Object.entries(fields).flatMap(([field, id]) => {
    const query = typeof id === 'number' && Object.hasOwn(CALLED, field) ? CALLED[field]?.(id) : undefined
    return query ? [{ field, query }] : []
  })
  const found = called.map(async ({ field, query }) =>
    (await db.execute<{ name: string }>(query)).map(({ name }) => [field, name] as const),
  )
  return Object.fromEntries((await Promise.all(found)).flat())
}
