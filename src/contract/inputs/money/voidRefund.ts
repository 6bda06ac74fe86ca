import { z } from 'zod'
import { id, on, needed } from '@/contract/fields'

export const voidRefundInput = z.object({ refundId: id, on, reason: needed(500, 'A reason') })
