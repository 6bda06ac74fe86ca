import { listParcels, listSentParcels, type SentParcel } from '@/data/queries/parcel'
import { findHandover } from '@/data/queries/handover'
import type { Asked, Where } from '../where'

export type { SentParcel }

/** Parcels that were sent, newest first; those of a day or in a state. */
export const readParcels = ({ db, currency }: Where, of: Parameters<typeof listSentParcels>[1]) =>
  listSentParcels(db, of, currency)

/** The parcels of a handover, with whom they go to; null where there is no such handover. */
export const readParcelsOf = async ({ db, business }: Pick<Asked, 'db' | 'business'>, handoverId: number) => {
  const paper = await findHandover(db, handoverId, business.currency)
  if (!paper) return null
  const parcels = await listParcels(db, { handoverIds: [handoverId] }, business.currency)
  return { number: paper.number, customer: paper.customer, parcels }
}
