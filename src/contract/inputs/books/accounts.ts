import { z } from 'zod'
import { ACCOUNT_KINDS } from '@/core/kinds'
import { id, needed, on } from '@/contract/fields'

const name = needed(80, 'A name')

export const addAccountInput = z.object({
  code: needed(20, 'A code').regex(/^[A-Za-z0-9][A-Za-z0-9.-]*$/, 'A code is figures and letters, like 6040.'),
  name,
  type: z.enum(ACCOUNT_KINDS, { error: 'Say asset, liability, equity, income or expense.' }),
})

export const changeAccountInput = z.object({
  accountId: id,
  name: name.optional(),
  /** Not offered any more where an account is chosen. */
  hidden: z.boolean({ error: 'Say true or false.' }).optional(),
})

export const mergeAccountInput = z.object({ accountId: id, into: id, on, reason: needed(200, 'A reason') })
