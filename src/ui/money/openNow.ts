import type { Open } from './filling'

export interface OpenNow {
  readonly owed: string
  readonly late: string
  readonly held: string
  readonly usually: string
  readonly items: readonly Open[]
}
