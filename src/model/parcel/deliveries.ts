import type { Day } from '@/core/day'
import { countDeliveries, listDeliveries, type Delivery } from '@/data/queries/deliveries'
import type { Part } from '@/data/queries/inOrder'
import type { Where } from '../where'

export type { Delivery }

/** Handovers that we delivered ourselves, the newest first; the stops of a day. */
export const readDeliveries = (
  { db, currency }: Where,
  of: { readonly on?: Day },
  part: Part,
): Promise<readonly Delivery[]> => listDeliveries(db, of, part, currency)

/** How many there are, and what is to be collected with all of them. */
export const sumDeliveries = async ({ db, currency }: Where, of: { readonly on?: Day }) => {
  const { count, open } = await countDeliveries(db, of, currency)
  return { count, sums: { open } }
}
