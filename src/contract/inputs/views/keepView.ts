import { z } from 'zod'
import { id, needed } from '@/contract/fields'

export const keepViewInput = z.object({
  place: z.enum(['invoices', 'receipts']),
  name: needed(80, 'A name'),
  query: z.string().max(500),
})

export const dropViewInput = z.object({ viewId: id })
