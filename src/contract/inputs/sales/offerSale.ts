import { z } from 'zod'
import { id, on, day } from '@/contract/fields'

export const offerSaleInput = z.object({ saleId: id, on, validUntil: day.optional() })
