import { formatMonth, type Span } from '@/core/day'

/** A span as a column: what it is called, its days, its report. */
export interface SpanColumn<R> extends Span {
  readonly head: string
  readonly report: R
}

/** The whole, the days before it, and each month where there are several. */
export const spansOf = <R>(
  {
    whole,
    before,
    months,
  }: {
    readonly whole: R
    readonly before: Span & { readonly report: R }
    readonly months: readonly (Span & { readonly report: R })[]
  },
  span: Span,
): readonly SpanColumn<R>[] => [
  { head: 'Total', ...span, report: whole },
  { head: 'Before', ...before },
  ...(months.length > 1 ? months.map((m) => ({ head: `${formatMonth(m.from)} ${m.from.slice(2, 4)}`, ...m })) : []),
]
