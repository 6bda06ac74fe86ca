import { formatCount, formatPercent } from '@/core/locale'
import { formatDayShort } from '@/core/day'
import { formatBalance, formatMoney, formatPrice, isZeroMoney, toDecimalString, formatQuantity } from '@/core/money'
import type { About, Column, Tone } from './column'
import type { Sums } from './sum'

/** A cell in a file: plain decimals and days, so that any program reads it. */
export const fileCell = <Row>(column: Column<Row>, row: Row, about: About): string => {
  switch (column.as) {
    case 'text':
      return column.of(row, about) ?? ''
    case 'day':
      return column.of(row) ?? ''
    case 'yes':
      return column.of(row) ? 'yes' : 'no'
    case 'count':
    case 'number':
      return column.of(row)?.toString() ?? ''
    case 'balance':
    case 'money': {
      const amount = column.of(row)
      return amount ? toDecimalString(amount) : ''
    }
    default:
      return column.of(row)?.round(4).toString() ?? ''
  }
}

/** A cell as it is read; empty where there is nothing to say. */
export const shownCell = <Row>(column: Column<Row>, row: Row, about: About): string => {
  switch (column.as) {
    case 'text':
      return column.shown?.(row) ?? column.of(row, about) ?? ''
    case 'yes':
      return column.of(row) ? 'yes' : ''
    case 'day': {
      const day = column.of(row)
      return day ? formatDayShort(day, about.today) : ''
    }
    case 'money': {
      const amount = column.of(row)
      return !amount || (column.blankZero && isZeroMoney(amount)) ? '' : formatMoney(amount)
    }
    case 'balance': {
      const amount = column.of(row)
      return amount ? formatBalance(amount) : ''
    }
    case 'count': {
      const count = column.of(row)
      return count === null || (column.blankZero && count === 0) ? '' : formatCount(count)
    }
    case 'number':
      return column.of(row)?.toString() ?? ''
    default: {
      const value = column.of(row)
      if (value === null || (column.blankZero && value.eq(0))) return ''
      if (column.as === 'percent') return formatPercent(value.toString())
      return column.as === 'price' ? formatPrice(value, about.currency) : formatQuantity(value)
    }
  }
}

export const toneOf = <Row>(column: Column<Row>, row: Row, about: About): Tone | undefined =>
  typeof column.tone === 'function' ? column.tone(row, about) : column.tone

/** A sum as it is read. */
export const shownSum = (sum: Sums[string] | undefined): string =>
  sum === undefined
    ? ''
    : typeof sum === 'number'
      ? formatCount(sum)
      : 'minor' in sum
        ? formatMoney(sum)
        : formatQuantity(sum)
