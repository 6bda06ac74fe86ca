import { z } from 'zod'
import { needed, text } from '@/contract/fields'

export const addSupplierInput = z.object({
  name: needed(200, 'A name'),
  email: z.union([z.literal(''), z.email('An e-mail address looks like name@place.example.').max(200)]).default(''),
  phone: text(60).default(''),
  note: text(2000).default(''),
})
