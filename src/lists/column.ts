import type { Day } from '@/core/day'
import type { Decimal, Money } from '@/core/money'

/** What a cell needs besides its row: amounts and dates are written by these. */
export interface About {
  readonly today: Day
  readonly currency: string
}

export type Tone = 'late' | 'quiet' | 'held' | 'paid' | 'waits' | 'strong' | 'struck'

/** What a column holds, by how it is written: on the screen for people, in a file for programs. */
type Holds<Row> =
  | {
      readonly as: 'text'
      readonly of: (row: Row, about: About) => string | null
      /** Its words on the screen, where a file has a word that is read back from it. */
      readonly shown?: (row: Row) => string
    }
  | { readonly as: 'money' | 'balance'; readonly of: (row: Row) => Money | null }
  | { readonly as: 'day'; readonly of: (row: Row) => Day | null }
  | { readonly as: 'price' | 'quantity' | 'percent'; readonly of: (row: Row) => Decimal | null }
  /** How many, or the number something has, which is a name: not added up, its thousands not apart. */
  | { readonly as: 'count' | 'number'; readonly of: (row: Row) => number | null }
  | { readonly as: 'yes'; readonly of: (row: Row) => boolean }

/**
 * One column of a list. The table on the screen, its sorting, the phone's two lines and every file are drawn from it, so
 * that a new column is one entry.
 */
export type Column<Row> = Holds<Row> & {
  /** Its name in files and in the address: `sort=due`. */
  readonly key: string
  /** Its head on the screen and on paper. */
  readonly head: string
  /** Where the value leads. The first column that leads somewhere opens the row. */
  readonly href?: (row: Row) => string
  /** Said small after the value, on the screen. */
  readonly note?: (row: Row, about: About) => string | null
  readonly tone?: Tone | ((row: Row, about: About) => Tone | undefined)
  /** Zero is left blank on the screen, as in a ledger. */
  readonly blankZero?: true
  /** Its sum stands below. */
  readonly sum?: true
  /** In files, on the screen and on paper, or drawn on the screen, alone. */
  readonly only?: 'file' | 'screen' | 'drawn'
  /** Left out on a phone. */
  readonly notOnPhone?: true
}

export const defineColumns = <Row>(columns: readonly Column<Row>[]): readonly Column<Row>[] => columns

const RIGHT: ReadonlySet<string> = new Set(['money', 'balance', 'price', 'quantity', 'percent', 'count', 'number'])

/** Figures stand at the right. */
export const isFigure = (column: { readonly as: string }): boolean => RIGHT.has(column.as)

export const onScreen = <Row>(columns: readonly Column<Row>[]): readonly Column<Row>[] =>
  columns.filter((c) => c.only !== 'file')

export const onPaper = <Row>(columns: readonly Column<Row>[]): readonly Column<Row>[] =>
  onScreen(columns).filter((c) => c.only !== 'drawn')

export const inFile = <Row>(columns: readonly Column<Row>[]): readonly Column<Row>[] =>
  columns.filter((c) => c.only === undefined || c.only === 'file')
