import type { Day } from '@/core/day'
import type { Database } from '@/data/connect'
import { updateBusiness } from '@/data/queries/business'

/** Remembers that everything was exported: the backup of the first steps, and the day the settings tell. */
export const noteExported = (db: Database, on: Day): Promise<void> => updateBusiness(db, { exportedOn: on })
