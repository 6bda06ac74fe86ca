import { refuse } from '@/contract/refuse'
import { isMatched } from '@/data/queries/bankStatements'
import type { Work } from '../command'

/** Refuses to take back what a line of a statement is: the match is undone first, or the bank would no longer agree. */
export const refuseMatched = async (w: Work, entryId: number | undefined): Promise<void> => {
  if (entryId !== undefined && (await isMatched(w.tx, entryId))) refuse({ code: 'is-on-statement' })
}
