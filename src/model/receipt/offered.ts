import type { DueRow } from '@/data/queries/due'
import type { Day } from '@/core/day'
import { type OpenDue, discountOn } from '@/core/receipt'
import { isPositiveMoney } from '@/core/money'

/** Dues as the core fills them: what is open, and what comes off for paying all the rest on the day. */
export const offered = (dues: readonly DueRow[], on: Day): OpenDue[] =>
  dues.map((d): OpenDue => {
    const discount = discountOn(d, on)
    return {
      id: d.id,
      saleId: d.saleId,
      dueOn: d.dueOn,
      open: d.open,
      ...(discount && isPositiveMoney(discount) ? { discount } : {}),
    }
  })
