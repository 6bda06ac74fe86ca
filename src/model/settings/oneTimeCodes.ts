import { dayAt, formatDay } from '@/core/day'
import type { Db } from '@/data/connect'
import { findSecondProof } from '@/data/queries/secondProof'

/** Whether signing in takes a code: since when, and how many spare ones are left. */
export const readOneTimeCodes = async (db: Db) => {
  const proof = await findSecondProof(db)
  return proof?.since ? { since: formatDay(dayAt(proof.since)), spare: proof.spareHashes.length } : null
}
