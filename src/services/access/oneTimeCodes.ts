import { verifySync } from 'otplib'
import { err, ok, type Result } from '@/core/result'
import type { Failure } from '@/contract/failure'
import type { Db } from '@/data/connect'
import { findSecondProof, updateSecondProof, type SecondProof } from '@/data/queries/secondProof'
import { opens, unseal } from './seal'
import { hashToken } from './secrets'

/** How far a clock may be off, in seconds; so many wrong codes, and for so long none is looked at after them, in milliseconds. */
const [TOLERANCE, MOST_MISSES, WAIT] = [30, 10, 15 * 60_000]

/** As it is kept: however it is typed, and with the secret, which is sealed, so that nobody who reads it can try them out. */
export const spareHash = (secret: string, typed: string): string =>
  hashToken(`${secret}:${typed.toLowerCase().replace(/[^a-z0-9]/g, '')}`)

/** The half minute a code of the app belongs to, if it is one that did not count yet. */
export const stepOf = ({ secret, lastStep }: SecondProof, code: string): number | null => {
  const token = code.replace(/\s/g, '')
  if (!/^\d{6}$/.test(token)) return null
  const is = verifySync({ secret: unseal(secret), token, epochTolerance: TOLERANCE, afterTimeStep: lastStep })
  return is.valid && 'timeStep' in is ? is.timeStep : null
}

/** What a right code changes: each counts once. */
const countedOnce = (proof: SecondProof, code: string) => {
  const step = stepOf(proof, code)
  if (step !== null) return { lastStep: step }
  const hash = spareHash(unseal(proof.secret), code)
  return proof.spareHashes.includes(hash) ? { spareHashes: proof.spareHashes.filter((h) => h !== hash) } : null
}

/**
 * Proves the second half: a code of the owner's app, or one of the spare ones, where signing in takes one. Looked at only after the
 * passphrase, one at a time: after ten wrong ones none counts for a quarter of an hour.
 */
export const proveCode = async (tx: Db, code: string | undefined): Promise<Result<null, Failure>> => {
  const proof = await findSecondProof(tx)
  if (!proof?.since) return ok(null)
  if (code === undefined || code.trim() === '') return err({ code: 'code-needed' })
  if (!opens(proof.secret)) return err({ code: 'codes-sealed-elsewhere' })
  if (proof.waitsUntil && proof.waitsUntil.getTime() > Date.now()) return err({ code: 'codes-wait' })
  const counted = countedOnce(proof, code)
  if (counted) {
    await updateSecondProof(tx, { ...counted, misses: 0, waitsUntil: null })
    return ok(null)
  }
  const misses = proof.misses + 1
  await updateSecondProof(
    tx,
    misses < MOST_MISSES ? { misses } : { misses: 0, waitsUntil: new Date(Date.now() + WAIT) },
  )
  return err({ code: 'wrong-code' })
}
