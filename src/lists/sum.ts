import { sumMoney, ZERO, type Decimal, type Money } from '@/core/money'
import type { About, Column } from './column'

export type Sums = Readonly<Record<string, Money | Decimal | number>>

const sumOf = <Row>(column: Column<Row>, rows: readonly Row[], about: About): Money | Decimal | number | null => {
  const some = <T>(of: (row: Row) => T | null): T[] => rows.flatMap((row) => of(row) ?? [])
  switch (column.as) {
    case 'money':
    case 'balance':
      return sumMoney(some(column.of), about.currency)
    case 'count':
      return some(column.of).reduce((sum, n) => sum + n, 0)
    case 'quantity':
      return some(column.of).reduce((sum, q) => sum.plus(q), ZERO)
    default:
      return null
  }
}

/** The sums of the columns that have one, over all the rows given: amounts, quantities and counts; nothing else adds up. */
export const sumColumns = <Row>(columns: readonly Column<Row>[], rows: readonly Row[], about: About): Sums =>
  Object.fromEntries(
    columns.flatMap((column) => {
      const sum = column.sum ? sumOf(column, rows, about) : null
      return sum === null ? [] : [[column.key, sum]]
    }),
  )
