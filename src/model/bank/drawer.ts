import { addDays, type Day } from '@/core/day'
import type { Money } from '@/core/money'
import type { Db } from '@/data/connect'
import { sumRole } from '@/data/queries/balances'
import { listDrawerCounts, listDrawerLines } from '@/data/queries/drawer'
import { hrefOfSource } from '../books/entrySource'

/** The drawer on a day: what it opened with, everything that moved it, what should be in it, and how it was counted. */
export const readDrawer = async (db: Db, on: Day, currency: string) => {
  const [opening, lines, counts, now] = await Promise.all([
    sumRole(db, 'drawer', addDays(on, -1), currency),
    listDrawerLines(db, on, currency),
    listDrawerCounts(db, { limit: 20, on }, currency),
    sumRole(db, 'drawer', on, currency),
  ])
  return { on, opening, lines, counts, now }
}

/** A move of the drawer, with the page behind it. */
export interface DrawerLine {
  readonly text: string
  readonly amount: Money
  readonly href: string
  /** What it comes to at the end of the day. */
  readonly total?: true
}

/** What moved the drawer on a day, between what it opened with and what should be in it. */
export const drawerLines = (drawer: Awaited<ReturnType<typeof readDrawer>>): readonly DrawerLine[] => {
  const href = `/books?view=journal&from=${drawer.on}&to=${drawer.on}`
  return [
    { text: 'Opening cash', amount: drawer.opening, href },
    ...drawer.lines.map((l) => ({
      text: l.text,
      amount: l.amount,
      href: hrefOfSource({ sourceKind: l.sourceKind, sourceId: l.sourceId, id: l.entryId }),
    })),
    { text: 'Should be in it', amount: drawer.now, href, total: true },
  ]
}
