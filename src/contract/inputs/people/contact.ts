import { z } from 'zod'
import { needed, text } from '@/contract/fields'

/** An address of e-mail, or none. */
export const email = z.union([z.literal(''), z.email('An e-mail address looks like name@place.example.').max(200)])

/** Somebody to ask for. */
export const contact = z.object({
  name: needed(200, 'A name'),
  role: text(80).default(''),
  email: email.default(''),
  phone: text(60).default(''),
})
