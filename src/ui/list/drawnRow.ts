import { shownCell, toneOf } from '@/lists/cell'
import type { About, Column, Tone } from '@/lists/column'
import type { BarWords } from '../DrawnBar'

/** What a cell says, with what else there is to it. */
interface Words {
  readonly text: string
  readonly tone?: Tone
  readonly href?: string
  readonly note?: string
}

/** A cell as it is sent. Most are their words and nothing else. */
export type DrawnCell =
  | string
  | Words
  | { readonly stamp: string; readonly colour: string }
  | { readonly bar: BarWords; readonly width: string }

/** A box before a row: its value, what it is called, and whether "all" takes it too. */
export interface DrawnBox {
  readonly value: string
  readonly label: string
  readonly withAll: boolean
}

export interface DrawnRow {
  readonly box?: DrawnBox
  readonly cells: readonly DrawnCell[]
}

export const drawCell = <Row>(column: Column<Row>, row: Row, about: About): DrawnCell => {
  const text = shownCell(column, row, about)
  const tone = text === '' ? undefined : toneOf(column, row, about)
  const note = column.note?.(row, about) ?? undefined
  // What says nothing leads nowhere: a link without a name is none.
  const href = text === '' ? undefined : column.href?.(row)
  return tone || note || href ? { text, tone, href, note } : text
}

/** What a cell says, without what stands small beside it; nothing where it is drawn rather than written. */
export const wordsOf = (cell: DrawnCell | undefined): string =>
  typeof cell === 'string' ? cell : cell && 'text' in cell ? cell.text : ''
