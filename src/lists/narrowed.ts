import { formatDay, isDayInReach, type Day } from '@/core/day'
import type { Field, Fields } from './field'
import { readFilter, type List } from './list'

/** What stands in the address as a number, by its field: what it is called. */
export type Named = Readonly<Record<string, string | null | undefined>>

const said = (field: Field<unknown>, value: unknown, name: string | null | undefined): string | null | undefined => {
  if (typeof value === 'number') return name
  if (typeof value === 'boolean') return 'yes'
  if (typeof value !== 'string') return null
  if (field.as !== 'search' && isDayInReach(value)) return formatDay(value)
  return field.choices?.find((c) => c.value === value)?.name ?? value
}

/**
 * What a list is narrowed to and the days it is of, in words, for whoever reads it on paper. What nobody gave a name is left out.
 *
 * @example of invoices, `?show=late&from=2026-01-01` → Show: Late, From: 1 Jan 2026
 */
export const sayNarrowed = <Row, F extends Fields>(
  { fields, days }: Pick<List<Row, F>, 'fields' | 'days'>,
  query: Readonly<Record<string, string | undefined>>,
  today: Day,
  named: Named = {},
): string => {
  const asked = readFilter(fields, query)
  const of = days?.(asked, today)
  const values: Readonly<Record<string, unknown>> = of ? { ...asked, from: null, to: null, asOf: null, ...of } : asked
  return Object.entries(fields)
    .flatMap(([name, field]) => {
      // The report that is shown says its name itself.
      const words = name === 'view' ? null : said(field, values[name], named[name])
      return words ? [`${field.label}: ${words}`] : []
    })
    .join(', ')
}
