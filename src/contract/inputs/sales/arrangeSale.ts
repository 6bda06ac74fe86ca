import { z } from 'zod'
import { id } from '@/contract/fields'
import { arrangement } from '@/contract/arrangement'

export const arrangeSaleInput = z.object({ saleId: id, arrangement })
