import { listSentParcels, type SentParcel } from '@/data/queries/parcel'
import type { Where } from '../where'

export type { SentParcel }

/** Parcels that were sent, newest first; those of a day or in a state. */
export const readParcels = ({ db, currency }: Where, of: Parameters<typeof listSentParcels>[1]) =>
  listSentParcels(db, of, currency)
