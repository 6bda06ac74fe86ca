import { randomInt } from 'node:crypto'
import bwipjs from 'bwip-js/node'
import { generateSecret, generateURI, verifySync } from 'otplib'
import { err, ok, type Result } from '@/core/result'
import type { Failure } from '@/contract/failure'
import type { Database, Db } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import {
  beginSecondProof,
  deleteSecondProof,
  findSecondProof,
  updateSecondProof,
  type SecondProof,
} from '@/data/queries/secondProof'
import { comparePassphrase, inTurn } from './passphrase'
import { opens, seal, unseal } from './seal'
import { hashToken } from './secrets'

/** How far a clock may be off, in seconds; so many wrong codes, and for so long none is looked at after them, in milliseconds. */
const [TOLERANCE, MOST_MISSES, WAIT] = [30, 10, 15 * 60_000]
/** So many spare codes, of so many letters that nobody takes for one another. */
const [SPARE, LETTERS, LENGTH] = [8, 'abcdefghjkmnpqrstuvwxyz23456789', 10]

const makeSpareCode = (): string =>
  Array.from({ length: LENGTH }, () => LETTERS[randomInt(LETTERS.length)])
    .join('')
    .replace(/^.{5}/, '$&-')

/** As it is kept: however it is typed, and with the secret, which is sealed, so that nobody who reads it can try them out. */
const spareHash = (secret: string, typed: string): string =>
  hashToken(`${secret}:${typed.toLowerCase().replace(/[^a-z0-9]/g, '')}`)

/** The half minute a code of the app belongs to, if it is one that did not count yet. */
const stepOf = ({ secret, lastStep }: SecondProof, code: string): number | null => {
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

/** What an authenticator app is told, as a picture it reads and as text to type. */
export interface CodesBegun {
  readonly secret: string
  readonly address: string
  readonly picture: string
}

/** Makes a secret for an app. Signing in takes its codes only when one of them was typed. */
export const beginCodes = (db: Database, passphrase: string): Promise<Result<CodesBegun, Failure>> =>
  inTurn(db, 'house', async (tx) => {
    const proved = await comparePassphrase(tx, passphrase)
    if (!proved.ok) return proved
    if ((await findSecondProof(tx))?.since) return err({ code: 'codes-are-on' })
    const secret = generateSecret()
    await beginSecondProof(tx, seal(secret))
    const business = await findBusiness(tx)
    const address = generateURI({ issuer: 'Iron Till', label: business?.name ?? '', secret })
    const drawn = bwipjs.toSVG({ bcid: 'qrcode', text: address, scale: 3 })
    return ok({ secret, address, picture: `data:image/svg+xml;base64,${Buffer.from(drawn).toString('base64')}` })
  })

/** A code of the app shows that it has the secret: from now on one is asked for. Answers the spare codes, which are kept as hashes. */
export const confirmCodes = (db: Database, code: string): Promise<Result<{ spareCodes: readonly string[] }, Failure>> =>
  inTurn(db, 'house', async (tx) => {
    const proof = await findSecondProof(tx)
    if (!proof) return err({ code: 'codes-not-begun' })
    if (proof.since) return err({ code: 'codes-are-on' })
    const step = stepOf(proof, code)
    if (step === null) return err({ code: 'wrong-code' })
    const spareCodes = Array.from({ length: SPARE }, makeSpareCode)
    const spareHashes = spareCodes.map((spare) => spareHash(unseal(proof.secret), spare))
    await updateSecondProof(tx, { since: new Date(), lastStep: step, spareHashes })
    return ok({ spareCodes })
  })

/** Asks for no codes any more. */
export const endCodes = (db: Database, passphrase: string, code: string): Promise<Result<null, Failure>> =>
  inTurn(db, 'house', async (tx) => {
    const proved = await comparePassphrase(tx, passphrase)
    if (!proved.ok) return proved
    if (!(await findSecondProof(tx))?.since) return err({ code: 'codes-not-begun' })
    const right = await proveCode(tx, code)
    if (right.ok) await deleteSecondProof(tx)
    return right
  })
