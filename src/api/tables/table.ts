import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { type Day, isDay, addMonths } from '@/core/day'
import { type Money, toDecimalString } from '@/core/money'

/** A table on its way out: column names and rows of text. */
export interface Table {
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

export interface Asked {
  readonly db: Db
  readonly business: Business
  readonly today: Day
  readonly query: URLSearchParams
}

/** A table on its way out is read in pages, so that memory does not grow with the trade. */
export const PAGE = 500

export const m = (amount: Money): string => toDecimalString(amount)

export const dayOf = (query: URLSearchParams, name: string, otherwise: Day): Day => {
  const given = query.get(name)
  return given && isDay(given) ? given : otherwise
}

export const everyPage = async <T>(read: (after: T | undefined) => Promise<readonly T[]>): Promise<T[]> => {
  const all: T[] = []
  for (;;) {
    const page = await read(all.at(-1))
    all.push(...page)
    if (page.length < PAGE) return all
  }
}

export const spanOf = ({ query, today }: Asked) => {
  const to = dayOf(query, 'to', today)
  return { from: dayOf(query, 'from', addMonths(to, -12)), to }
}
