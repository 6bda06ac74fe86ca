import { z } from 'zod'
import { updateBusiness } from '@/data/queries/business'
import { defineCommand } from '../command'
import { day } from '../input/fields'
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
