import { not, sql, type SQL, type SQLWrapper } from 'drizzle-orm'
import { plainText } from '@/core/plainText'
import type { Db } from '../connect'
import { isOneOf } from './search'

/** Rows that are called what is typed, and whether they alone are meant or all others. */
export interface CalledSo {
  readonly ids: readonly number[]
  readonly are: boolean
}

/** True for the rows that are meant; nothing where nobody says which. */
export const isCalled = (id: SQLWrapper, called: CalledSo | undefined): SQL | undefined =>
  called && (called.are ? isOneOf(id, called.ids) : not(isOneOf(id, called.ids)))

/** Where more are called the same, the others stand among what holds the words. */
const MOST = 50

const idsIn = async (db: Db, typed: string | undefined, from: (name: string) => SQL): Promise<readonly number[]> => {
  const name = typed?.trim() ?? ''
  if (name === '') return []
  const rows = await db.execute<{ id: number }>(
    sql`select distinct id from (${from(name)}) named order by id limit ${MOST}::int`,
  )
  return rows.map((r) => r.id)
}

/** The goods that have a code, a barcode, or a piece of this serial or lot, whatever the case: each is found by its index. */
export const goodsScanned = (name: string): SQL => sql`
  select id from goods where lower(code) = lower(${name})
  union all select id from goods where barcode = ${name} and barcode <> ''
  union all select goods_id from batch where lower(serial) = lower(${name})
  union all select goods_id from batch where lower(lot) = lower(${name})`

/** Goods whose code, barcode or name, or the serial or lot of a piece, is what is typed, whatever the case: each is found by its index. */
export const goodsCalled = (db: Db, typed: string | undefined): Promise<readonly number[]> =>
  idsIn(
    db,
    typed,
    (name) => sql`${goodsScanned(name)} union all select id from goods where lower(name) = lower(${name})`,
  )

/** Customers whose name or address of e-mail is what is typed, whatever the case and the accents of the name. */
export const customersCalled = (db: Db, typed: string | undefined): Promise<readonly number[]> =>
  idsIn(
    db,
    typed,
    (name) => sql`
      select id from customer where plain_text(name) = ${plainText(name)}
      union all select id from customer where lower(email) = lower(${name}) and email <> ''`,
  )

/** A part of a list in which what is called so comes first: so many, after a row of which it is known whether it is. */
interface FirstPart<At> {
  readonly limit: number
  readonly after?: At & { readonly called?: boolean }
}

/**
 * A part of a search: first the rows that are called what is typed, then the others that hold its words, both in the order of the
 * list. Among many that only hold them, what was typed whole would come too late to be seen, and Enter would take another.
 */
export const calledFirst = async <Row, At = never>(
  ids: readonly number[],
  { limit, after }: FirstPart<At>,
  read: (
    called: CalledSo | undefined,
    part: { readonly limit: number; readonly after?: At },
  ) => Promise<readonly Row[]>,
): Promise<readonly Row[]> => {
  if (ids.length === 0) return read(undefined, { limit, after })
  const others = { ids, are: false }
  if (after && !after.called) return read(others, { limit, after })
  const [these, then] = await Promise.all([read({ ids, are: true }, { limit, after }), read(others, { limit })])
  return [...these, ...then].slice(0, limit)
}
