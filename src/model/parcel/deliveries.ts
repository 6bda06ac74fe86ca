import type { Day } from '@/core/day'
import { listDeliveries, type Delivery } from '@/data/queries/deliveries'
import type { Where } from '../where'

export type { Delivery }

/** Handovers that we delivered ourselves, the newest first; the stops of a day. */
export const readDeliveries = ({ db, currency }: Where, of: { readonly on?: Day }): Promise<readonly Delivery[]> =>
  listDeliveries(db, of, currency)
