import { z } from 'zod'
import { id, on, needed } from '@/contract/fields'

export const recoverWriteOffInput = z.object({ writeOffId: id, on, reason: needed(500, 'A reason') })
