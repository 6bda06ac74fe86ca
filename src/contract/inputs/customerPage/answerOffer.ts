import { z } from 'zod'
import { text, id, needed } from '@/contract/fields'

export const secret = text(100)

export const chosen = z.array(id).max(1000)

export const acceptOfferInput = z.object({
  token: secret,
  /** The version they read: a newer one must be read first. */
  version: z.int().min(0),
  chosen,
  name: needed(200, 'Your name'),
  note: text(2000).default(''),
  purchaseOrder: text(80).optional(),
})

export const refuseOfferInput = z.object({
  token: secret,
  version: z.int().min(0),
  name: needed(200, 'Your name'),
  reason: text(500).default(''),
})

export const previewChoiceInput = z.object({ token: secret, chosen })
