import { z } from 'zod'
import { FILE_OWNERS } from '@/core/kinds'
import { id, needed } from '@/contract/fields'

/** Whether a text is base64: one pass over its letters, at most two signs of equality at its end. */
export const isBase64 = (text: string): boolean => {
  const trimmed = text.trimEnd()
  const body = trimmed.endsWith('==') ? trimmed.slice(0, -2) : trimmed.endsWith('=') ? trimmed.slice(0, -1) : trimmed
  return !/[^A-Za-z0-9+/\s]/.test(body)
}

/** Whom a file is kept with. */
export const fileOwner = z.enum(FILE_OWNERS, { error: 'Say customer, goods, sale, business, bill or entry.' })

export const keepFileInput = z.object({
  ownerKind: fileOwner,
  ownerId: id.default(1),
  name: needed(200, 'A name'),
  /** The file itself, in base64. */
  base64: z
    .string({ error: 'The file in base64.' })
    .min(1, 'The file is empty.')
    .max(6_000_000, 'A file has at most 4 MB.')
    .refine(isBase64, 'Not base64.'),
})

export const dropFileInput = z.object({ fileId: id })
