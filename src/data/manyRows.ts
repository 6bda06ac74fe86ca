import { getTableColumns, sql, type SQL } from 'drizzle-orm'
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core'
import { piecesOf } from '@/core/piecesOf'
import { present } from '@/core/present'
import { rowsBy } from '@/core/rowsBy'
import type { Db } from './connect'
import { columnName } from './queries/columnName'

/** Rows of one statement: it is put together and read as one text, and everybody else waits meanwhile. */
const BATCH = 250

type TableWithId = PgTable & { readonly id: PgColumn }

/** Rows that tell the same fields, as the database takes them in one statement. */
interface Batch {
  /** Where they stand among all. */
  readonly places: readonly number[]
  /** What they tell. */
  readonly fields: readonly string[]
  /** The rows as a table called v: a column for each of those fields, and which of the batch it is (`row_no`). */
  readonly values: SQL
}

const nameOf = (field: string) => sql.identifier(columnName(field))
const joined = (parts: readonly SQL[]): SQL => sql.join([...parts], sql`, `)

/** Rows that tell the same fields together; what is undefined is not told. Values are written as their columns write them. */
function* batchesOf(table: TableWithId, rows: readonly object[]): Generator<Batch> {
  const columns: Readonly<Record<string, PgColumn>> = getTableColumns(table)
  const toldBy = (row: object) => Object.entries(row).filter(([, value]) => value !== undefined)
  const alike = rowsBy([...rows.entries()], ([, row]) =>
    toldBy(row)
      .map(([field]) => field)
      .join(),
  )
  const written = (field: string, value: unknown) => {
    const told = value === null ? null : columns[field]?.mapToDriverValue(value)
    return typeof told === 'bigint' ? String(told) : told
  }
  for (const [kinds, all] of alike) {
    const fields = kinds.split(',').filter(Boolean)
    const types = fields.map((field) => sql`${nameOf(field)} ${sql.raw(columns[field]?.getSQLType() ?? 'text')}`)
    for (const some of piecesOf(all, BATCH)) {
      const told = some.map(([, row], i) => ({
        row_no: i,
        ...Object.fromEntries(toldBy(row).map(([f, value]) => [columnName(f), written(f, value)])),
      }))
      yield {
        places: some.map(([place]) => place),
        fields,
        values: sql`jsonb_to_recordset(${JSON.stringify(told)}::jsonb) as v(${joined([sql`row_no int`, ...types])})`,
      }
    }
  }
}

/**
 * Changes many rows of a table in few statements. Of each the fields that are told are changed, what is undefined stays.
 *
 * @example updateMany(goods)(db, [{ id: 1, price }, { id: 2, price, name: undefined }]) // one statement, which leaves names alone
 */
export const updateMany =
  <T extends TableWithId>(table: T) =>
  async (db: Db, rows: readonly (Partial<T['$inferInsert']> & { readonly id: number })[]): Promise<void> => {
    for (const { fields, values } of batchesOf(table, rows)) {
      const set = fields.filter((f) => f !== 'id').map((f) => sql`${nameOf(f)} = v.${nameOf(f)}`)
      if (set.length > 0) await db.execute(sql`update ${table} t set ${joined(set)} from ${values} where t.id = v.id`)
    }
  }

/** One statement that adds a batch, each row with the number that comes next. */
const insertBatch = (table: TableWithId, { fields, values }: Batch, skips = sql``): SQL => {
  const names = joined(fields.map((f) => sql`${nameOf(f)}`))
  return sql`insert into ${table} (${names}) select ${names} from ${values} order by row_no ${skips} returning id`
}

/**
 * Adds many rows to a table in few statements, and answers their ids in the order of the rows. What a row leaves undefined is as the
 * table has it by default.
 */
export const insertMany =
  <T extends TableWithId>(table: T) =>
  async (db: Db, rows: readonly T['$inferInsert'][]): Promise<number[]> => {
    const ids = Array<number>(rows.length)
    for (const batch of batchesOf(table, rows)) {
      const added = await db.execute(insertBatch(table, batch))
      for (const [i, { id }] of [...added].entries()) ids[present(batch.places[i])] = Number(id)
    }
    return ids
  }

/** Adds those of many rows that are there only once, as `insertMany` does, skips the others, and answers how many it added. */
export const insertNew =
  <T extends TableWithId>(table: T) =>
  async (db: Db, rows: readonly T['$inferInsert'][]): Promise<number> => {
    let count = 0
    for (const batch of batchesOf(table, rows))
      count += (await db.execute(insertBatch(table, batch, sql`on conflict do nothing`))).length
    return count
  }
