import { z } from 'zod'
import { needed, rate, id, day } from '@/contract/fields'

export const addTaxCodeInput = z.object({
  code: needed(20, 'A code'),
  name: needed(80, 'A name'),
  components: z.array(z.object({ name: needed(80, 'A name'), rate })).max(6, 'At most 6 components.'),
})

export const addTaxRateInput = z.object({
  taxCodeId: id,
  from: day,
  components: addTaxCodeInput.shape.components.min(1, 'At least one component.'),
})
