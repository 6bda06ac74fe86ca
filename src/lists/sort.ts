import { compareMoney, type Decimal, type Money } from '@/core/money'
import type { About, Column } from './column'
import type { Sort } from './list'

const valueOf = <Row>(
  column: Column<Row>,
  row: Row,
  about: About,
): Money | Decimal | string | number | boolean | null => (column.as === 'text' ? column.of(row, about) : column.of(row))

/** Figures in words by what they come to: lot 9 before lot 10. */
const compareWords = new Intl.Collator('en', { numeric: true, sensitivity: 'base' }).compare

const compareValues = (a: NonNullable<ReturnType<typeof valueOf>>, b: typeof a): number => {
  if (typeof a === 'string') return compareWords(a, String(b))
  if (typeof a === 'object') return 'minor' in a ? compareMoney(a, b as Money) : a.cmp(b as Decimal)
  return Number(a) - Number(b)
}

/** Rows in the order asked for; what is empty comes last either way, and equals keep the order they came in. */
export const sortRows = <Row>(
  columns: readonly Column<Row>[],
  rows: readonly Row[],
  sort: Sort,
  about: About,
): readonly Row[] => {
  const column = columns.find((c) => c.key === sort.by)
  if (!column) return rows
  const empty = (v: ReturnType<typeof valueOf>): v is null => v === null || v === ''
  return rows
    .map((row) => ({ row, value: valueOf(column, row, about) }))
    .sort((a, b) => {
      if (empty(a.value)) return empty(b.value) ? 0 : 1
      if (empty(b.value)) return -1
      const order = compareValues(a.value, b.value)
      return sort.down ? -order : order
    })
    .map(({ row }) => row)
}
