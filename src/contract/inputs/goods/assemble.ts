import { z } from 'zod'
import { id, on, quantity } from '@/contract/fields'

/** So many of a kit, at a place; the default one where none is named. */
export const assembleInput = z.object({ goodsId: id, on, quantity, placeId: id.optional() })
