import { type Column, sql } from 'drizzle-orm'
import { builtOnce } from '../builtOnce'
import type { Db } from '../connect'
import {
  depositRequest,
  extraCharge,
  held,
  heldMove,
  nextMark,
  payPromise,
  plan,
  post,
  repeatRun,
  writeOff,
} from '../schema'
import { isOneOf } from './search'

/** What most sales have none of, by the column that says whose it is. */
const RARE = {
  held: held.saleId,
  heldMoves: heldMove.saleId,
  requests: depositRequest.saleId,
  marks: nextMark.saleId,
  repeatRuns: repeatRun.saleId,
  letters: post.saleId,
  plans: plan.saleId,
  charges: extraCharge.saleId,
  writeOffs: writeOff.saleId,
  promises: payPromise.saleId,
} as const satisfies Readonly<Record<string, Column>>

export type Rare = keyof typeof RARE

const asked = builtOnce((db) => {
  const saleIds = sql.placeholder('ids')
  const each = Object.entries(RARE).map(
    ([name, column]) =>
      sql`select ${sql.raw(`'${name}'`)} as name where exists (select from ${column.table} where ${isOneOf(column, saleIds)})`,
  )
  return db.select({ name: sql<string>`name` }).from(sql`(${sql.join(each, sql` union all `)}) as rare`)
})

/** What any of these sales has at all: one question instead of ten, nearly all of which would be answered with nothing. */
export const salesHave = async (db: Db, saleIds: readonly number[]): Promise<(what: Rare) => boolean> => {
  const names = new Set((await asked(db, { ids: saleIds })).map((r) => r.name))
  return (what) => names.has(what)
}
