import { z } from 'zod'
import { id } from '@/contract/fields'

export const joinCustomersInput = z.object({ customerId: id, goneId: id })
