import { needed, id, day } from '@/contract/fields'
import { z } from 'zod'

export const action = needed(40, 'The step')

export const putOffNextInput = z.object({ saleId: id, action, until: day })

export const bringBackNextInput = z.object({ saleId: id, action })

export const dropNextInput = z.object({ saleId: id, action, reason: needed(200, 'A reason') })
