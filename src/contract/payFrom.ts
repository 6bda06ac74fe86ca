import { z } from 'zod'
import { PAY_FROM } from '@/core/kinds'
import { id } from './fields'

/** The bank, the drawer, the owner's own pocket, or an account by its id. */
export const payFrom = z.union([z.enum(PAY_FROM), id], {
  error: 'Say bank, drawer, own-pocket, or the id of an account.',
})
export type PayFromInput = z.output<typeof payFrom>
