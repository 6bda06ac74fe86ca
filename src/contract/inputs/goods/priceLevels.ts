import { needed, percent, id } from '@/contract/fields'
import { z } from 'zod'

export const fields = {
  name: needed(80, 'A name'),
  percentOff: percent.optional(),
  /** Whether papers of this level show prices with tax; null: as the business does. */
  pricesIncludeTax: z.boolean().nullable().optional(),
}

export const addPriceLevelInput = z.object({ code: needed(40, 'A code'), ...fields })

export const changePriceLevelInput = z
  .object({ levelId: id, ...fields })
  .partial()
  .required({ levelId: true })

export const dropPriceLevelInput = z.object({ levelId: id })
export const dropTaxAreaInput = z.object({ areaId: id })

const area = { name: needed(80, 'A name'), taxCode: needed(40, 'A tax code') }
export const addTaxAreaInput = z.object({ code: needed(40, 'A code'), ...area })
export const changeTaxAreaInput = z
  .object({ areaId: id, ...area })
  .partial()
  .required({ areaId: true })
