import { sayDays } from '@/core/day'
import { formatPercent } from '@/core/locale'
import type { Arrangement } from '@/contract/arrangement'

/** How a sale will be paid, in a few words. */
export const sayArrangement = (a: Arrangement): string => {
  switch (a.kind) {
    case 'now':
      return 'due on invoice'
    case 'terms':
      if (a.parts && a.parts > 1) return `${a.parts} payments, the first ${sayDays(a.net)} after the invoice`
      return a.net === 0
        ? 'due on invoice'
        : `net ${sayDays(a.net)}${a.discountPercent?.gt(0) ? `, ${formatPercent(a.discountPercent.toString())} discount within ${sayDays(a.discountDays ?? 0)}` : ''}`
    case 'deposit':
      return a.percent
        ? `${formatPercent(a.percent.toString())} deposit`
        : a.stages && a.stages.length > 1
          ? `deposit in ${a.stages.length} stages`
          : 'deposit'
    case 'layaway':
      return 'layaway'
    case 'installments':
      return `${a.count} installments`
  }
}
