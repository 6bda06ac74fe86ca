import { beginCodesInput, confirmCodesInput, endCodesInput } from '@/contract/inputs/access/entry'
import { ok } from '@/core/result'
import { beginCodes, confirmCodes, endCodes } from '@/services/access/oneTimeCodes'
import { parse } from '@/services/command'
import { byItself, type Operation } from '../operation'

export const oneTimeCodes: readonly Operation[] = [
  byItself(
    {
      method: 'POST',
      path: '/settings/one-time-codes',
      status: 201,
      summary: 'A secret for an authenticator app; signing in takes its codes once one of them is confirmed.',
      body: beginCodesInput,
    },
    async ({ till, body }) => {
      const begun = await beginCodes(till.db, parse(beginCodesInput, body).passphrase)
      return begun.ok ? ok({ status: 201, body: begun.value }) : begun
    },
  ),
  byItself(
    {
      method: 'POST',
      path: '/settings/one-time-codes/confirm',
      summary: 'A code of the app: from then on signing in takes one. Answers the spare codes, shown once.',
      body: confirmCodesInput,
    },
    async ({ till, body }) => {
      const confirmed = await confirmCodes(till.db, parse(confirmCodesInput, body).code)
      return confirmed.ok ? ok({ status: 200, body: confirmed.value }) : confirmed
    },
  ),
  byItself(
    {
      method: 'POST',
      path: '/settings/one-time-codes/end',
      summary: 'Signing in takes the passphrase alone again.',
      body: endCodesInput,
    },
    async ({ till, body }) => {
      const { passphrase, code } = parse(endCodesInput, body)
      const ended = await endCodes(till.db, passphrase, code)
      return ended.ok ? ok({ status: 200, body: {} }) : ended
    },
  ),
]
