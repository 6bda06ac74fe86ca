import type { ReactNode } from 'react'
import { shownCell, toneOf } from '@/lists/cell'
import type { About, Column, Tone } from '@/lists/column'

/** A cell as it is read. Most are their words and nothing else. */
export type DrawnCell =
  | string
  | { readonly text: string; readonly tone?: Tone; readonly href?: string; readonly note?: string }
  | { readonly own: ReactNode }

/** A row as it is sent: words rather than elements, so that a hundred rows are small and are made once. */
export interface DrawnRow {
  readonly before?: ReactNode
  readonly cells: readonly DrawnCell[]
}

export const drawCell = <Row>(column: Column<Row>, row: Row, about: About): DrawnCell => {
  const text = shownCell(column, row, about)
  const tone = toneOf(column, row, about)
  const note = column.note?.(row, about)
  // What says nothing leads nowhere: a link without a name is none.
  const href = text === '' ? undefined : column.href?.(row)
  return tone || note || href ? { text, tone, href, note: note ?? undefined } : text
}

/** What a cell says, without what stands small beside it; nothing where it is drawn by its page. */
export const wordsOf = (cell: DrawnCell | undefined): string =>
  typeof cell === 'string' ? cell : cell && 'text' in cell ? cell.text : ''
