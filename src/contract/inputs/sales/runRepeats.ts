import { z } from 'zod'
import { id } from '@/contract/fields'

export const runRepeatInput = z.object({ repeatId: id })
