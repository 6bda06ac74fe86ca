import { z } from 'zod'
import { updateBusiness } from '@/data/queries/business'
import { defineCommand } from '../command'
import { day, text } from '../input/fields'
import { refuse } from '../refuse'

/** Closes the books through a day: nothing may be dated on or before it any more. */
export const closePeriod = defineCommand(
  'close-period',
  z.object({ through: day }),
  async (w, { through }) => {
    const closed = w.business.closedThrough
    if (closed && through <= closed) refuse({ code: 'close-order', through: closed })
    await updateBusiness(w.tx, { closedThrough: through })
    return { id: 1, answer: async () => ({ closedThrough: through }) }
  },
)

const settings = z.object({
  name: text(120).min(1, 'A name is needed.').optional(),
  address: text(500).optional(),
  footer: text(500).optional(),
  estimateDays: z.int().min(0).max(365).optional(),
})

/** What stands on papers, and how long estimates are good. */
export const changeSettings = defineCommand('change-settings', settings, async (w, change) => {
  await updateBusiness(w.tx, { name: w.business.name, ...change })
  return { id: 1, answer: async () => ({ ...change }) }
})
