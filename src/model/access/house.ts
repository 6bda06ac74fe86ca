import { sql } from 'drizzle-orm'
import { database, type Database } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import { within } from './within'

/** The database of the house: what calls, pages and what happens by itself are handed. */
export const house = (): Database => database()

/** The business, or null before the first run. */
export const readBusiness = () => findBusiness(database())

/** Whether the database answers within a time. */
export const answersWithin = (milliseconds: number): Promise<boolean> =>
  within(milliseconds, Promise.resolve(database().execute(sql`select 1`))).then(
    () => true,
    () => false,
  )
