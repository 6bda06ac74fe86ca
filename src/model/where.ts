import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'

/** What papers are made from: the database, whose it is, and the day. */
export type Asked = Omit<Where, 'currency'>

/** Where and when something is read: every page starts from one. */
export interface Where {
  readonly db: Db
  readonly business: Business
  readonly today: Day
  readonly currency: string
}
