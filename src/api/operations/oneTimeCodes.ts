import type { z } from 'zod'
import type { Failure } from '@/contract/failure'
import { beginCodesInput, confirmCodesInput, endCodesInput } from '@/contract/inputs/access/entry'
import { ok, type Result } from '@/core/result'
import type { Database } from '@/data/connect'
import { beginCodes, confirmCodes, endCodes } from '@/services/access/setUpCodes'
import { parse } from '@/services/command'
import { byItself, type Operation } from '../operation'

/** One of their calls: what it takes, what it does with it, and with which status it answers what came of it. */
const codesCall = <I>(
  told: { readonly path: string; readonly summary: string; readonly body: z.ZodType<I>; readonly status?: number },
  work: (db: Database, input: I) => Promise<Result<unknown, Failure>>,
): Operation =>
  byItself({ method: 'POST', ...told }, async ({ till, body }) => {
    const done = await work(till.db, parse(told.body, body))
    return done.ok ? ok({ status: told.status ?? 200, body: done.value ?? {} }) : done
  })

export const oneTimeCodes: readonly Operation[] = [
  codesCall(
    {
      path: '/settings/one-time-codes',
      status: 201,
      summary: 'A secret for an authenticator app; signing in takes its codes once one of them is confirmed.',
      body: beginCodesInput,
    },
    (db, { passphrase }) => beginCodes(db, passphrase),
  ),
  codesCall(
    {
      path: '/settings/one-time-codes/confirm',
      summary: 'A code of the app: from then on signing in takes one. Answers the spare codes, shown once.',
      body: confirmCodesInput,
    },
    (db, { code }) => confirmCodes(db, code),
  ),
  codesCall(
    {
      path: '/settings/one-time-codes/end',
      summary: 'Signing in takes the passphrase alone again.',
      body: endCodesInput,
    },
    (db, { passphrase, code }) => endCodes(db, passphrase, code),
  ),
]
