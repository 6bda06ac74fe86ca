import { z } from 'zod'
import { paperKind, layoutInput } from '@/contract/layout'
import { needed, id } from '@/contract/fields'

export const addLayoutInput = z.object({
  paper: paperKind,
  name: needed(60, 'A name'),
  usual: z.boolean().optional(),
  spec: layoutInput,
})

export const changeLayoutInput = z.object({ layoutId: id, usual: z.boolean().optional(), spec: layoutInput.optional() })

export const dropLayoutInput = z.object({ layoutId: id })
