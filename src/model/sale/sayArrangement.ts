import type { Arrangement } from '@/contract/arrangement'

/** How a sale will be paid, in a few words. */
export const sayArrangement = (a: Arrangement): string => {
  switch (a.kind) {
    case 'now':
      return 'pays when billed'
    case 'terms':
      if (a.parts && a.parts > 1) return `pays in ${a.parts} parts, the first ${a.net} days after the invoice`
      return a.net === 0
        ? 'pays when billed'
        : `pays ${a.net} days after the invoice${a.discountPercent?.gt(0) ? `, ${a.discountPercent.toString()} % off within ${a.discountDays ?? 0}` : ''}`
    case 'deposit':
      return a.percent
        ? `deposit first, ${a.percent.toString()} %`
        : a.stages && a.stages.length > 1
          ? `deposit first, in ${a.stages.length} stages`
          : 'deposit first'
    case 'layaway':
      return 'layaway'
    case 'installments':
      return `${a.count} installments`
  }
}
