import { isDeepStrictEqual } from 'node:util'
import type { SaleRow } from '@/data/queries/sales'
import type { SaleLineRow } from '@/data/queries/saleLine'
import type { TaxedDocument } from '@/core/tax'
import { versionLines } from './versionLine'
import type { Version } from './versions'

/** Whether an estimate went out that nobody said yes to. */
export const isOut = (sale: Pick<SaleRow, 'sentOn' | 'agreedOn'>): boolean =>
  sale.sentOn !== null && sale.agreedOn === null

/**
 * Whether a sale says what its customer was sent last, line by line and to the cent. Where it does not, a yes would be to
 * something they have not seen.
 */
export const saysAsSent = (
  now: { readonly lines: readonly SaleLineRow[]; readonly totals: TaxedDocument },
  versions: readonly Version[],
): boolean => {
  const sent = versions.at(-1)
  return (
    sent !== undefined &&
    sent.gross.minor === now.totals.gross.minor &&
    isDeepStrictEqual(
      sent.lines,
      versionLines(now.lines, (l) => l.quantity, now.totals.gross.currency),
    )
  )
}
