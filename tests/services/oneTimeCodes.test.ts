import { generateSync } from 'otplib'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { updateBusiness } from '@/data/queries/business'
import { findSecondProof, updateSecondProof } from '@/data/queries/secondProof'
import { beginCodes, confirmCodes, endCodes } from '@/services/access/setUpCodes'
import { seal } from '@/services/access/seal'
import { signIn } from '@/services/access/signIn'
import { forgetSealed } from '../../scripts/forgetSealed'
import { openTestShop, type TestShop } from './shop'

const PASSPHRASE = 'a long passphrase'
const START = new Date('2026-03-01T09:00:10Z')

let s: TestShop
let secret = ''
let spare: readonly string[] = []

const valueOf = <T>(done: { ok: true; value: T } | { ok: false; error: { code: string } }): T => {
  if (!done.ok) throw new Error(done.error.code)
  return done.value
}
/** What the app shows so many half minutes from now. */
const shows = (later = 0): string => generateSync({ secret, epoch: Math.floor(Date.now() / 1000) + later * 30 })
const knock = async (code?: string, passphrase = PASSPHRASE): Promise<string> => {
  const done = await signIn(s.db, { passphrase, code }, 'stranger')
  return done.ok ? 'in' : done.error.code
}
const later = (seconds: number): void => void vi.setSystemTime(Date.now() + seconds * 1_000)

beforeEach(async () => {
  // The clock alone: a proof waits its moment by the real one.
  vi.useFakeTimers({ toFake: ['Date'], now: START })
  s = await openTestShop()
  secret = valueOf(await beginCodes(s.db, PASSPHRASE)).secret
  spare = valueOf(await confirmCodes(s.db, shows())).spareCodes
  later(30)
  return () => vi.useRealTimers()
})

describe('one-time codes', () => {
  test('are asked for after the passphrase alone is right, and count once each', async () => {
    expect(await knock(undefined, 'not it at all')).toBe('wrong-passphrase')
    expect(await knock(shows(), 'not it at all')).toBe('wrong-passphrase')
    expect(await knock()).toBe('code-needed')
    expect(await knock('  ')).toBe('code-needed')
    const code = shows()
    expect(await knock(`${code.slice(0, 3)} ${code.slice(3)}`)).toBe('in')
    expect(await knock(code)).toBe('wrong-code')
    later(30)
    expect(await knock(shows())).toBe('in')
  })

  test('of a clock that is half a minute off count, of one that is more off do not; none before the last', async () => {
    expect(await knock(shows(3))).toBe('wrong-code')
    expect(await knock(shows(1))).toBe('in')
    expect(await knock(shows(0))).toBe('wrong-code')
    later(300)
    expect(await knock(shows(-3))).toBe('wrong-code')
    expect(await knock(shows(-1))).toBe('in')
  })

  test('can be replaced by spare ones, each once, however they are typed', async () => {
    expect(spare).toHaveLength(8)
    expect(new Set(spare).size).toBe(8)
    expect(await knock(spare[0])).toBe('in')
    expect(await knock(spare[0])).toBe('wrong-code')
    expect(await knock(` ${spare[1]!.replace('-', '').toUpperCase()} `)).toBe('in')
    const kept = await findSecondProof(s.db)
    expect(kept!.spareHashes).toHaveLength(6)
    expect(JSON.stringify(kept)).not.toContain(secret)
    expect(JSON.stringify(kept)).not.toContain(spare[2])
  })

  test('are not guessed: after ten wrong ones none counts for a quarter of an hour', async () => {
    for (let i = 0; i < 9; i++) expect(await knock('x')).toBe('wrong-code')
    expect(await knock(shows())).toBe('in')
    later(60)
    // A right one forgives those before it.
    await updateSecondProof(s.db, { misses: 9 })
    expect(await knock('000')).toBe('wrong-code')
    expect(await knock(shows())).toBe('codes-wait')
    expect(await knock(spare[0])).toBe('codes-wait')
    later(15 * 60)
    expect(await knock(shows())).toBe('in')
  })

  test('are on once: begun again, confirmed again, or ended without both, they are not', async () => {
    const codeOf = async (work: Promise<{ ok: boolean; error?: { code: string } }>) => (await work).error?.code
    expect(await codeOf(beginCodes(s.db, PASSPHRASE) as never)).toBe('codes-are-on')
    expect(await codeOf(confirmCodes(s.db, shows()) as never)).toBe('codes-are-on')
    expect(await codeOf(endCodes(s.db, 'not it at all', shows()) as never)).toBe('wrong-passphrase')
    expect(await codeOf(endCodes(s.db, PASSPHRASE, '123') as never)).toBe('wrong-code')
    expect((await endCodes(s.db, PASSPHRASE, shows())).ok).toBe(true)
    expect(await knock()).toBe('in')
    expect(await codeOf(endCodes(s.db, PASSPHRASE, shows()) as never)).toBe('codes-not-begun')
    expect(await codeOf(confirmCodes(s.db, shows()) as never)).toBe('codes-not-begun')
  })

  test('that were only begun are not asked for, and a wrong code does not turn them on', async () => {
    await endCodes(s.db, PASSPHRASE, shows())
    const begun = valueOf(await beginCodes(s.db, PASSPHRASE))
    expect(begun.address).toContain(`secret=${begun.secret}`)
    expect(begun.picture).toMatch(/^data:image\/svg\+xml;base64,/)
    expect((await confirmCodes(s.db, shows())).ok).toBe(false)
    expect(await knock()).toBe('in')
    // Begun anew, the secret is another.
    expect(valueOf(await beginCodes(s.db, PASSPHRASE)).secret).not.toBe(begun.secret)
  })

  test('set up with another key say so', async () => {
    vi.stubEnv('TILL_SEAL_KEY', 'another one')
    expect(await knock(shows())).toBe('codes-sealed-elsewhere')
    vi.unstubAllEnvs()
    expect(await knock(shows())).toBe('in')
  })

  test('brought along to a place with another key are off there, which is told', async () => {
    vi.stubEnv('TILL_SEAL_KEY', 'the key of the new place')
    await updateBusiness(s.db, { smtpUrl: seal('smtp://mail.example') })
    const told = await forgetSealed(s.url, 'the key of the new place')
    vi.unstubAllEnvs()
    expect(told).toEqual([
      'One-time codes were sealed in the place it comes from, and are off. Set them up again in Settings.',
    ])
    expect(await knock()).toBe('in')
  })

  test('of the same moment open one door of many', async () => {
    const code = shows()
    const told = await Promise.all([knock(code), knock(code), knock(code), knock(code)])
    expect(told.sort()).toEqual(['in', 'wrong-code', 'wrong-code', 'wrong-code'])
  })
})
