import type { Failure } from '@/contract/failure'
import type { Database } from '@/data/connect'
import { databaseError } from '@/data/databaseError'
import { findBusiness } from '@/data/queries/business'

/** A row that is named is not there any more. */
const NAMED_IS_GONE = '23503'

/** What can be deleted while somebody names it, by the column that does, and its field. */
const CAN_GO = [
  ['tax_code_id', 'taxCode', 'tax code'],
  ['place_id', 'placeId', 'place'],
  ['level_id', 'level', 'price list'],
] as const
const justDeleted = (constraint: string): Failure | null => {
  const [, path, what] = CAN_GO.find(([column]) => constraint.includes(column)) ?? []
  return path
    ? { code: 'invalid', errors: [{ path, message: `This ${what} was just deleted. Choose another one.` }] }
    : null
}

/** The database's own guards, in the owner's words. They speak only where two hands met, or where a check above was missed. */
export const fromDatabase = async (db: Database, problem: unknown): Promise<Failure | null> => {
  const error = databaseError(problem)
  if (!error) return null
  switch (error.constraint_name) {
    case 'period_closed': {
      const through = (await findBusiness(db))?.closedThrough
      return through ? { code: 'period-closed', through } : null
    }
    case 'due_not_overfilled':
    case 'due_right_on_every_day':
    case 'due_filled_before_it_was':
      return { code: 'due-not-open', dueId: 0 }
    case 'held_not_below_zero':
    case 'held_on_every_day':
      return { code: 'held-was-used' }
    case 'shelf_on_every_day':
      return { code: 'nothing-to-hand-over' }
    case 'statement_is_done':
      return { code: 'statement-is-done' }
    case 'business_pkey':
      return { code: 'already-set-up' }
    case 'goods_code_unique':
    case 'account_code_unique':
      return { code: 'taken', what: 'code', value: '' }
    default:
      return error.code === NAMED_IS_GONE ? justDeleted(error.constraint_name ?? '') : null
  }
}
