import { z } from 'zod'
import { id } from '@/contract/fields'

export const remindInput = z.object({ customerId: id })
