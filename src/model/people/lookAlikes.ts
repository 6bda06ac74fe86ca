import { present } from '@/core/present'
import type { Day } from '@/core/day'
import { findLookAlikes } from '@/core/people'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listCustomers } from '@/data/queries/customers'
import { listMaybeAlike } from '@/data/queries/lookAlikes'
import { viewOfStanding } from './customers'

/** Who among our people may be the one typed, and why: shown before a double is made. */
export const readLookAlikes = async (
  db: Db,
  typed: { readonly name: string; readonly email: string; readonly phone: string },
  business: Business,
  today: Day,
) => {
  const alike = findLookAlikes(typed, await listMaybeAlike(db, typed)).slice(0, 5)
  return Promise.all(
    alike.map(async ({ id, why }) => {
      const standing = present(
        (await listCustomers(db, { id }, { limit: 1 }, { today, currency: business.currency }))[0],
      )
      return { ...viewOfStanding(standing), why }
    }),
  )
}
