import type { Database, Transaction } from './connect'

/** Codes after which PostgreSQL wants the transaction tried again: serialization failure, deadlock. */
const TRY_AGAIN = new Set(['40001', '40P01'])

/** The database's own error behind whatever wrapped it, if there is one. */
export const databaseError = (problem: unknown): { code: string; constraint_name?: string } | null => {
  for (let at = problem; at instanceof Error; at = at.cause) {
    const code = (at as { code?: unknown }).code
    if (typeof code === 'string' && /^[0-9A-Z]{5}$/.test(code)) return at as never
  }
  return null
}

/** Runs work in one transaction, again (up to five times) where two hands met. */
export const transact = async <T>(db: Database, work: (tx: Transaction) => Promise<T>): Promise<T> => {
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.transaction(work)
    } catch (problem) {
      if (attempt >= 5 || !TRY_AGAIN.has(databaseError(problem)?.code ?? '')) throw problem
    }
  }
}
