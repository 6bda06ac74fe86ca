import { keysOf } from '@/core/keysOf'
import { present } from '@/core/present'
import { refuse } from '@/contract/refuse'
import type { FileTable } from './tableFile'

/** What a column may be called, in lower case and letters alone; the first is what an export calls it. */
export type ColumnNames<C extends string> = Readonly<Record<C, readonly string[]>>

const plainName = (s: string): string => s.toLowerCase().replace(/[^a-z]/g, '')

/** Which column of a file holds what; refused where one that is needed is not there. */
export const findColumns = <C extends string>(
  table: FileTable,
  names: ColumnNames<C>,
  needed: readonly NoInfer<C>[],
): Partial<Record<C, number>> => {
  const found: Partial<Record<C, number>> = {}
  const all = keysOf<C>(names)
  for (const column of all) {
    const at = table.columns.findIndex((c) => names[column].includes(plainName(c)))
    if (at >= 0) found[column] = at
  }
  const missing = needed.filter((c) => found[c] === undefined)
  if (missing.length > 0)
    refuse({
      code: 'invalid',
      errors: [
        {
          path: 'base64',
          message: `There is no column ${missing.join(', no column ')}. The first row names the columns: ${needed.join(', ')}, and whichever else of ${all.filter((c) => !needed.includes(c)).join(', ')}.`,
        },
      ],
    })
  return found
}

/** The cells of a row by what they hold; empty where the file has no such column. */
export const cellsOf = <C extends string>(
  cells: readonly string[],
  columns: Partial<Record<C, number>>,
  names: ColumnNames<C>,
): Record<C, string> =>
  Object.fromEntries(
    keysOf<C>(names).map((c) => [c, columns[c] === undefined ? '' : (cells[present(columns[c])] ?? '')]),
  ) as Record<C, string>
