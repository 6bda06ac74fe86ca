import type { Day } from '../day'

/** A statement as it comes from a bank: a file, as the owner would bring it. */
export interface SentStatement {
  readonly name: string
  readonly body: string
}

/** Of which account, and since when, a bank is asked for statements. */
export interface FeedOf {
  readonly bankAccountId: number
  readonly accountId: number
  readonly number: string
  readonly currency: string
  /** What was through this day the bank does not tell. */
  readonly since: Day
  /** It was told through this day. */
  readonly fedThrough: Day
  readonly today: Day
}

/** A bank that gives statements when it is asked. */
export interface Bank {
  readonly name: string
  /** What there is since it was asked last, and through which day that is. */
  send(account: FeedOf): Promise<{ readonly sent: readonly SentStatement[]; readonly through: Day }>
}
