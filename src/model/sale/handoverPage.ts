import { findHandover } from '@/data/queries/handover'
import { readEntriesOf } from '../books/entry'
import type { Where } from '../where'

/** A handover with what it posted; null where there is none. */
export const readHandover = async (where: Where, id: number) => {
  const paper = await findHandover(where.db, id, where.currency)
  return paper && { paper, posted: await readEntriesOf(where, { kind: 'handover', id }) }
}
