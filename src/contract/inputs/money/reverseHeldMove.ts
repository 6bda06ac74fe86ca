import { z } from 'zod'
import { id, on, needed } from '@/contract/fields'

export const reverseHeldMoveInput = z.object({ transferId: id, on, reason: needed(500, 'A reason') })
