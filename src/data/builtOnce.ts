import { is, SQL, sql, type Placeholder } from 'drizzle-orm'
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core'
import { drizzle } from 'drizzle-orm/postgres-js'
import { present } from '@/core/present'
import type { Db } from './connect'

/** A query as Drizzle keeps it once its words are put together: asked with values for its placeholders. */
interface Built<A> {
  execute(values?: Record<string, unknown>): Promise<A>
}
interface Buildable<A> {
  prepare(name: string): Built<A>
}

/** Queries are put together on it and asked of others. */
const nowhere = drizzle.mock({ casing: 'snake_case' })

/** The same query, asked of this connection or transaction, and told to whoever listens to it. */
const askedOf = <A>(db: Db, built: Built<A>): Built<A> => {
  const of = (name: string): PropertyDescriptor => ({ value: Reflect.get(db._.session, name) })
  return Object.create(built, { client: of('client'), logger: of('logger') })
}

/**
 * A query that is put together the first time it is asked, and only filled in from then on (`sql.placeholder`): putting
 * twenty columns together computes longer than asking for them does (docs/decisions/45-queries-built-once.md).
 */
export const builtOnce = <A>(build: (db: Db) => Buildable<A>) => {
  let built: Built<A> | undefined
  return (db: Db, values: Record<string, unknown> = {}): Promise<A> =>
    askedOf(db, (built ??= build(nowhere).prepare('built once'))).execute(values)
}

/** The same of a query for an id. */
export const builtForId = <A>(build: (db: Db, id: Placeholder) => Buildable<A>) => {
  const ask = builtOnce((db) => build(db, sql.placeholder('id')))
  return (db: Db, id: number): Promise<A> => ask(db, { id })
}

/** The same of a query for many ids (`isOneOf`); for none nothing is asked. */
export const builtForIds = <R>(build: (db: Db, ids: Placeholder) => Buildable<R[]>) => {
  const ask = builtOnce((db) => build(db, sql.placeholder('ids')))
  return async (db: Db, ids: readonly number[]): Promise<R[]> => (ids.length === 0 ? [] : await ask(db, { ids }))
}

type Rows = readonly Readonly<Record<string, unknown>>[]

const insertOf = (db: Db, table: PgTable, rows: Rows) =>
  db
    .insert(table)
    .overridingSystemValue()
    .values(rows as never)

/** So many rows at most, and so many shapes of rows, are put together once; others are rare. */
const MOST_ROWS = 8
const MOST_SHAPES = 40

/** What is written alike: the columns of each row that are told, and which of them are empty. Null where a value is reckoned by the database. */
const shapeOf = (rows: Rows): string | null => {
  const cells = rows.map((row) => Object.entries(row).filter(([, value]) => value !== undefined))
  return rows.length > MOST_ROWS || cells.flat().some(([, value]) => is(value, SQL))
    ? null
    : cells.map((row) => row.map(([name, value]) => (value === null ? `${name} is empty` : name)).join()).join(';')
}

/** Inserts of a table, those of one shape put together once. */
const inserts = <A>(table: PgTable, build: (insert: ReturnType<typeof insertOf>) => Buildable<A>) => {
  const known = new Map<string, Built<A>>()
  const builtFor = (shape: string, rows: Rows): Built<A> => {
    const places = rows.map((row, i) =>
      Object.fromEntries(
        Object.entries(row).map(([name, value]) => [name, value == null ? value : sql.placeholder(`${i} ${name}`)]),
      ),
    )
    const built = build(insertOf(nowhere, table, places)).prepare('insert')
    if (known.size < MOST_SHAPES) known.set(shape, built)
    return built
  }
  return (db: Db, rows: Rows): Promise<A> => {
    const shape = shapeOf(rows)
    if (shape === null)
      return build(insertOf(db, table, rows))
        .prepare('insert')
        .execute()
    const told = rows.flatMap((row, i) => Object.entries(row).map(([name, value]) => [`${i} ${name}`, value] as const))
    return askedOf(db, known.get(shape) ?? builtFor(shape, rows)).execute(Object.fromEntries(told))
  }
}

/** Writes rows of a table, ids too where they are told. None is nothing to do. */
export const insertInto = <T extends PgTable>(table: T) => {
  const insert = inserts<unknown>(table, (built) => built)
  return async (db: Db, rows: readonly T['$inferInsert'][]): Promise<void> => {
    if (rows.length > 0) await insert(db, rows)
  }
}

/** Writes rows and answers their ids, in their order. */
export const insertAll = <T extends PgTable & { readonly id: PgColumn }>(table: T) => {
  const insert = inserts(table, (built) => built.returning({ id: sql<number>`${table.id}` }))
  return async (db: Db, rows: readonly T['$inferInsert'][]): Promise<number[]> =>
    rows.length === 0 ? [] : (await insert(db, rows)).map((r) => r.id)
}

/** Writes a row and answers its id. */
export const insertOne = <T extends PgTable & { readonly id: PgColumn }>(table: T) => {
  const insert = insertAll(table)
  return async (db: Db, row: T['$inferInsert']): Promise<number> => present((await insert(db, [row]))[0])
}

/** Writes a row under an id that was reserved for it (`reserveId`): its entry was posted before it. */
export const insertWithId = <T extends PgTable>(table: T) => {
  const insert = insertInto(table)
  return (db: Db, row: T['$inferInsert'], id: number): Promise<void> => insert(db, [{ ...row, id }])
}
