import { findList } from '@/api/lists'
import type { Span } from '@/core/day'
import { sumMoney } from '@/core/money'
import { present } from '@/core/present'
import type { Column } from '@/lists/column'
import type { Where } from '@/model/where'

interface Opened {
  /** The list of the report, where it is called otherwise, and what it is asked. */
  readonly report?: string
  readonly asked?: Readonly<Record<string, string>>
  readonly rows: string
  readonly figures: Readonly<Record<string, string | null>>
}
const EARNED = { income: 'income', cost: 'cost', profit: 'profit' }

/** Reports whose figures open into rows: the list of the rows, and what of a row each figure adds up; null is counted. */
const REPORTS: Readonly<Record<string, Opened>> = {
  tax: { rows: 'taxed-documents', figures: { net: 'net', tax: 'tax' } },
  'sales-by-kind': { rows: 'orders', figures: { sales: null, total: 'total', billed: 'billed' } },
  'sales-by-channel': { rows: 'orders', figures: { sales: null, total: 'total', billed: 'billed' } },
  'profit by kind': { report: 'profit', asked: { by: 'kind' }, rows: 'profit', figures: EARNED },
  'profit by channel': { report: 'profit', asked: { by: 'channel' }, rows: 'profit', figures: EARNED },
  'profit by customer': { report: 'profit', asked: { by: 'customer' }, rows: 'profit', figures: { profit: 'profit' } },
  offers: {
    rows: 'estimates-sent',
    figures: { sent: null, agreed: null, lost: null, open: null, sentAmount: 'total', agreedAmount: 'total' },
  },
}

/** What stands in a cell: a count, or an amount in minor units. */
const valueOf = (column: Column<unknown>, row: unknown): bigint | number => {
  if (column.as === 'count') return column.of(row) ?? 0
  if (column.as === 'money') return column.of(row)?.minor ?? 0n
  throw new Error(`${column.key} is no figure`)
}

/** Figures of reports of some days that open into rows which do not come to them; and how many were opened. */
export const opensIntoOther = async (where: Where, { from, to }: Span) => {
  const off: string[] = []
  let opened = 0
  const read = (list: string, href: string) =>
    present(findList(list)).read(where, Object.fromEntries(new URLSearchParams(href.split('?')[1])), 'all')
  for (const [name, { report = name, asked, rows, figures }] of Object.entries(REPORTS)) {
    const { columns, rows: groups } = await read(report, `?${new URLSearchParams({ ...asked, from, to })}`)
    const called = (of: readonly Column<unknown>[], key: string) => present(of.find((c) => c.key === key))
    for (const group of groups)
      for (const [key, adds] of Object.entries(figures)) {
        const figure = called(columns, key)
        const href = present(figure.href ?? columns.find((c) => c.href)?.href)(group)
        // What is of none of them stands in the books alone.
        if (href.startsWith('/books')) continue
        const parts = await read(rows, href)
        const amounts = (of: string) =>
          parts.rows.flatMap((row) => {
            const column = called(parts.columns, of)
            return column.as === 'money' ? (column.of(row) ?? []) : []
          })
        const comesTo = adds === null ? parts.rows.length : sumMoney(amounts(adds), where.currency).minor
        const foot = adds === null ? undefined : parts.sums[adds]
        const says = foot !== undefined && typeof foot === 'object' && 'minor' in foot ? foot.minor : comesTo
        opened++
        if (valueOf(figure, group) !== comesTo || says !== comesTo)
          off.push(`${name} ${from} ${to} ${key}: ${valueOf(figure, group)}, opened ${comesTo}, below ${says}: ${href}`)
      }
  }
  return { off, opened }
}
