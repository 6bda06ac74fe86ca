import { z } from 'zod'
import { id, on } from '@/contract/fields'

export const copySaleInput = z.object({ saleId: id, on, keepPrices: z.boolean().default(false) })
