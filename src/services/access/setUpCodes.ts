import { randomInt } from 'node:crypto'
import bwipjs from 'bwip-js/node'
import { generateSecret, generateURI } from 'otplib'
import { err, ok, type Result } from '@/core/result'
import type { Failure } from '@/contract/failure'
import type { Database } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import { beginSecondProof, deleteSecondProof, findSecondProof, updateSecondProof } from '@/data/queries/secondProof'
import { proveCode, spareHash, stepOf } from './oneTimeCodes'
import { comparePassphrase, inTurn } from './passphrase'
import { opens, seal, unseal } from './seal'

/** So many spare codes, of so many letters that nobody takes for one another. */
const [SPARE, LETTERS, LENGTH] = [8, 'abcdefghjkmnpqrstuvwxyz23456789', 10]

const makeSpareCode = (): string =>
  Array.from({ length: LENGTH }, () => LETTERS[randomInt(LETTERS.length)])
    .join('')
    .replace(/^.{5}/, '$&-')

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
    if (!opens(proof.secret)) return err({ code: 'codes-sealed-elsewhere' })
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
